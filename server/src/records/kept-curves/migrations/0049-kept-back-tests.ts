import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Back-tests of lifters' curves, kept until the log changes. */
export class KeptBackTests1766000000049 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE kept_back_test (
        lifter_id uuid NOT NULL PRIMARY KEY,
        club_id uuid NOT NULL,
        fingerprint text NOT NULL,
        tally jsonb NOT NULL,
        made_at timestamptz NOT NULL,
        FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id) ON DELETE CASCADE
      );
      CREATE INDEX kept_back_test_club ON kept_back_test (club_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
