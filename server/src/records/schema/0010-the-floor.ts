import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What is said of a set beside its figures, who logged it, corrections that keep the first value, and how a session ended.
 * A planned set is logged once: where older rows name one twice, the later one keeps the tie.
 */
export class TheFloor1764900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const table of ['logged_set', 'logged_hold'])
      await runner.query(`
        ALTER TABLE ${table} ADD COLUMN pain int CHECK (pain BETWEEN 0 AND 10),
                             ADD COLUMN confidence int CHECK (confidence BETWEEN 1 AND 5),
                             ADD COLUMN cause text,
                             ADD COLUMN logged_by uuid REFERENCES account (id);
      `);
    await runner.query(`
      ALTER TABLE logged_set ADD COLUMN note text;
      UPDATE logged_set a SET planned_set_id = NULL
       WHERE a.undone_at IS NULL AND EXISTS (
         SELECT 1 FROM logged_set b WHERE b.planned_set_id = a.planned_set_id AND b.undone_at IS NULL
            AND (b.done_at, b.id) > (a.done_at, a.id));
      CREATE UNIQUE INDEX logged_set_planned ON logged_set (planned_set_id) WHERE undone_at IS NULL;
      CREATE TABLE log_correction (
        id uuid PRIMARY KEY,
        entry_id uuid NOT NULL,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        corrected_by uuid REFERENCES account (id),
        corrected_at timestamptz NOT NULL,
        before jsonb NOT NULL,
        after jsonb NOT NULL
      );
      CREATE INDEX log_correction_entry ON log_correction (entry_id, corrected_at);
      CREATE INDEX logged_set_page ON logged_set (lifter_id, done_at DESC, id DESC) WHERE undone_at IS NULL;
      CREATE INDEX logged_hold_page ON logged_hold (lifter_id, done_at DESC, id DESC) WHERE undone_at IS NULL;
      ALTER TABLE training_session ADD COLUMN finished_at timestamptz,
                                   ADD COLUMN note_to_lifter text;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
