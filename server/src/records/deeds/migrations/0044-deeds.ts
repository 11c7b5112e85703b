import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who did what, for owners to look up. */
export class Deeds1766000000044 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE deed (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        account_id uuid REFERENCES account (id) ON DELETE SET NULL,
        at timestamptz NOT NULL,
        what text NOT NULL,
        lifter_id uuid
      );
      CREATE INDEX deed_club ON deed (club_id, at DESC, id DESC);
      CREATE INDEX deed_account ON deed (account_id, at DESC);
      CREATE INDEX deed_lifter ON deed (lifter_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
