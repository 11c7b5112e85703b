import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is held in a session, the coach's decisions on it, hold blocks that can be edited, and the mass that hangs. */
export class HoldsPlanned1765200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE lifter ADD COLUMN body_mass double precision CHECK (body_mass > 0);
      ALTER TABLE season_mark ADD COLUMN hold_kind text NOT NULL DEFAULT 'frontRackHold',
                              ADD COLUMN sessions_a_week int NOT NULL DEFAULT 1 CHECK (sessions_a_week BETWEEN 1 AND 3),
                              ADD COLUMN made_by uuid REFERENCES account (id),
                              ADD COLUMN version int NOT NULL DEFAULT 1,
                              ADD COLUMN removed_at timestamptz;
      ALTER TABLE training_session ADD COLUMN hold_kind text NOT NULL DEFAULT 'frontRackHold',
                                   ADD COLUMN hold_block_id uuid REFERENCES season_mark (id) ON DELETE SET NULL;
      CREATE TABLE hold_decision (
        id uuid PRIMARY KEY,
        session_id uuid NOT NULL REFERENCES training_session (id),
        what text NOT NULL CHECK (what IN ('accepted', 'changed', 'skipped')),
        kind text NOT NULL,
        sets int,
        seconds double precision,
        load double precision,
        reason text,
        made_by uuid NOT NULL REFERENCES account (id),
        made_at timestamptz NOT NULL,
        undone_by uuid REFERENCES account (id),
        undone_at timestamptz
      );
      CREATE INDEX hold_decision_session ON hold_decision (session_id, made_at DESC);
      -- A hang may carry nothing but the body.
      ALTER TABLE logged_hold DROP CONSTRAINT logged_hold_load_check, ADD CHECK (load >= 0);
      CREATE INDEX logged_hold_kind ON logged_hold (lifter_id, kind, done_at DESC) WHERE undone_at IS NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
