import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Squeeze tests with their protocols and traces, and attempts at grippers. */
export class SqueezeAndGrippers1765100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE squeeze_protocol (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        name text NOT NULL,
        protocol jsonb NOT NULL,
        contractions jsonb,
        version int NOT NULL DEFAULT 1,
        archived_at timestamptz
      );
      CREATE INDEX squeeze_protocol_club ON squeeze_protocol (club_id);
      CREATE TABLE squeeze_test (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        session_id uuid REFERENCES training_session (id),
        protocol_id uuid REFERENCES squeeze_protocol (id),
        protocol jsonb NOT NULL,
        tested_on date NOT NULL,
        tested_at timestamptz NOT NULL,
        trials jsonb NOT NULL,
        contractions jsonb,
        source text NOT NULL CHECK (source IN ('hand', 'file', 'device')),
        note text,
        easing_declined boolean NOT NULL DEFAULT false,
        declined_by uuid REFERENCES account (id),
        logged_by uuid REFERENCES account (id),
        undone_at timestamptz
      );
      CREATE INDEX squeeze_test_lifter ON squeeze_test (lifter_id, tested_at DESC) WHERE undone_at IS NULL;
      CREATE TABLE squeeze_trace (
        test_id uuid NOT NULL REFERENCES squeeze_test (id),
        place int NOT NULL,
        hand text NOT NULL CHECK (hand IN ('left', 'right')),
        times real[] NOT NULL,
        forces real[] NOT NULL,
        PRIMARY KEY (test_id, place)
      );
      CREATE TABLE gripper_attempt (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        gripper_id uuid NOT NULL REFERENCES gripper (id),
        hand text NOT NULL CHECK (hand IN ('left', 'right')),
        depth text NOT NULL CHECK (depth IN ('open', 'parallel', 'deep')),
        closed boolean NOT NULL,
        gap_mm double precision CHECK (gap_mm BETWEEN 0 AND 150),
        seconds double precision CHECK (seconds BETWEEN 0 AND 600),
        note text,
        done_at timestamptz NOT NULL,
        logged_by uuid REFERENCES account (id),
        undone_at timestamptz
      );
      CREATE INDEX gripper_attempt_lifter ON gripper_attempt (lifter_id, done_at DESC) WHERE undone_at IS NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
