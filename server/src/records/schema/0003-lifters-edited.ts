import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Lifters are added, changed and archived by coaches: who changed what and when stays on record. */
export class LiftersEdited1764200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE lifter ADD COLUMN version int NOT NULL DEFAULT 1,
                         ADD COLUMN archived_at timestamptz,
                         ADD COLUMN unanswered text[] NOT NULL DEFAULT '{}';
      CREATE TABLE lifter_change (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        changed_by uuid NOT NULL REFERENCES account (id),
        changed_at timestamptz NOT NULL,
        version int NOT NULL,
        field text NOT NULL,
        before jsonb,
        after jsonb
      );
      CREATE INDEX lifter_change_lifter ON lifter_change (lifter_id, changed_at DESC);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
