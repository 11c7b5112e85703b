import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What coaches decide against a call, kept with who and when; hands checks say who looked. */
export class OverridesAndHands1764100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE call_override (
        id uuid PRIMARY KEY,
        place bigint GENERATED ALWAYS AS IDENTITY,
        session_id uuid NOT NULL REFERENCES training_session (id),
        choice text NOT NULL CHECK (choice IN ('doubleOverhand', 'mixed', 'hook', 'straps')),
        side_under text CHECK (side_under IN ('left', 'right')),
        reason text NOT NULL CHECK (length(reason) BETWEEN 3 AND 300),
        made_by uuid NOT NULL REFERENCES account (id),
        made_at timestamptz NOT NULL,
        undone_by uuid REFERENCES account (id),
        undone_at timestamptz,
        CHECK ((undone_by IS NULL) = (undone_at IS NULL))
      );
      CREATE INDEX call_override_session ON call_override (session_id, place);
      CREATE TABLE call_override_set (
        override_id uuid NOT NULL REFERENCES call_override (id),
        planned_set_id uuid NOT NULL REFERENCES planned_set (id),
        PRIMARY KEY (override_id, planned_set_id)
      );
      CREATE INDEX call_override_set_planned ON call_override_set (planned_set_id);
      ALTER TABLE hands_check ADD COLUMN checked_by uuid REFERENCES account (id),
                              ADD COLUMN checked_at timestamptz;
      UPDATE hands_check SET checked_at = checked_on;
      ALTER TABLE hands_check ALTER COLUMN checked_at SET NOT NULL;
      DROP INDEX hands_check_lifter;
      CREATE INDEX hands_check_lifter ON hands_check (lifter_id, checked_at DESC);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
