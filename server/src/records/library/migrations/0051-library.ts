import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sessions and weeks that a club keeps to start from. */
export class Library1766000000051 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE library_plan (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        kind text NOT NULL,
        title text NOT NULL,
        sessions jsonb NOT NULL,
        bests jsonb NOT NULL,
        removed_at timestamptz,
        version int NOT NULL
      )`);
    await runner.query(
      'CREATE INDEX library_plan_of_club ON library_plan (club_id) WHERE removed_at IS NULL',
    );
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
