import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Clubs, accounts, lifters, kit, sessions and logs. Loads kg, times s, diameters mm; every log row has a client-made id. */
export class FirstHouse1764000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE club (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120)
      );
      CREATE TABLE account (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        email text NOT NULL,
        name text NOT NULL,
        role text NOT NULL CHECK (role IN ('coach', 'lifter')),
        password_hash text NOT NULL,
        unit text NOT NULL DEFAULT 'kg' CHECK (unit IN ('kg', 'lb')),
        theme text NOT NULL DEFAULT 'light' CHECK (theme IN ('light', 'dark'))
      );
      CREATE UNIQUE INDEX account_email ON account (lower(email));
      CREATE TABLE sign_in (
        token_hash text PRIMARY KEY,
        account_id uuid NOT NULL REFERENCES account (id) ON DELETE CASCADE,
        change_token text NOT NULL,
        expires_at timestamptz NOT NULL
      );
      CREATE INDEX sign_in_expires ON sign_in (expires_at);
      CREATE TABLE venue (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        name text NOT NULL,
        chalk text NOT NULL CHECK (chalk IN ('block', 'liquid', 'none'))
      );
      CREATE INDEX venue_club ON venue (club_id);
      CREATE TABLE bar (
        id uuid PRIMARY KEY,
        venue_id uuid NOT NULL REFERENCES venue (id),
        name text NOT NULL,
        mass double precision NOT NULL CHECK (mass > 0),
        diameter double precision NOT NULL CHECK (diameter > 0),
        collars double precision NOT NULL DEFAULT 0 CHECK (collars >= 0)
      );
      CREATE INDEX bar_venue ON bar (venue_id);
      CREATE TABLE plate (
        id uuid PRIMARY KEY,
        venue_id uuid NOT NULL REFERENCES venue (id),
        mass double precision NOT NULL CHECK (mass > 0),
        unit text NOT NULL CHECK (unit IN ('kg', 'lb')),
        pairs int NOT NULL CHECK (pairs >= 0)
      );
      CREATE INDEX plate_venue ON plate (venue_id);
      CREATE TABLE lifter (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        sport text NOT NULL,
        unit text NOT NULL CHECK (unit IN ('kg', 'lb')),
        dominant_hand text NOT NULL CHECK (dominant_hand IN ('left', 'right')),
        stance text NOT NULL,
        deadlift_max double precision NOT NULL CHECK (deadlift_max > 0),
        training_since date NOT NULL,
        school_id text NOT NULL,
        hook_stage text NOT NULL CHECK (hook_stage IN ('none', 'learn', 'build', 'carry', 'settled')),
        thresholds jsonb NOT NULL
      );
      CREATE INDEX lifter_club ON lifter (club_id);
      CREATE TABLE lifter_history (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        kind text NOT NULL,
        side text CHECK (side IN ('left', 'right')),
        since date,
        cleared boolean NOT NULL
      );
      CREATE INDEX lifter_history_lifter ON lifter_history (lifter_id);
      CREATE TABLE hands_check (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        checked_on date NOT NULL,
        hands jsonb NOT NULL
      );
      CREATE INDEX hands_check_lifter ON hands_check (lifter_id, checked_on DESC);
      CREATE TABLE meet (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        name text NOT NULL,
        held_on date NOT NULL,
        straps boolean NOT NULL,
        thumb_tape boolean NOT NULL,
        liquid_chalk boolean NOT NULL
      );
      CREATE INDEX meet_lifter ON meet (lifter_id, held_on);
      CREATE TABLE season_mark (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        kind text NOT NULL CHECK (kind IN ('holdBlock', 'test')),
        label text NOT NULL,
        starts_on date NOT NULL,
        ends_on date NOT NULL CHECK (ends_on >= starts_on)
      );
      CREATE INDEX season_mark_lifter ON season_mark (lifter_id, starts_on);
      CREATE TABLE training_session (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        venue_id uuid NOT NULL REFERENCES venue (id),
        held_on date NOT NULL,
        title text NOT NULL,
        has_hold boolean NOT NULL,
        finished boolean NOT NULL DEFAULT false,
        version int NOT NULL DEFAULT 1
      );
      CREATE INDEX training_session_lifter ON training_session (lifter_id, held_on);
      CREATE TABLE planned_set (
        id uuid PRIMARY KEY,
        session_id uuid NOT NULL REFERENCES training_session (id),
        place int NOT NULL,
        lift_id text NOT NULL,
        role text NOT NULL,
        load double precision NOT NULL CHECK (load > 0),
        reps int NOT NULL CHECK (reps > 0),
        style text NOT NULL CHECK (style IN ('reset', 'touchAndGo')),
        seconds double precision CHECK (seconds > 0),
        UNIQUE (session_id, place)
      );
      CREATE TABLE logged_set (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        session_id uuid NOT NULL REFERENCES training_session (id),
        planned_set_id uuid REFERENCES planned_set (id),
        lift_id text NOT NULL,
        role text NOT NULL,
        done_at timestamptz NOT NULL,
        load double precision NOT NULL CHECK (load > 0),
        reps int NOT NULL CHECK (reps > 0),
        style text NOT NULL,
        seconds double precision CHECK (seconds > 0),
        grip text NOT NULL CHECK (grip IN ('doubleOverhand', 'mixed', 'hook')),
        side_under text CHECK (side_under IN ('left', 'right')),
        strapped boolean NOT NULL,
        chalk text NOT NULL CHECK (chalk IN ('block', 'liquid', 'none')),
        diameter double precision NOT NULL,
        slipped_at_rep int CHECK (slipped_at_rep BETWEEN 1 AND reps),
        undone_at timestamptz
      );
      CREATE INDEX logged_set_lifter ON logged_set (lifter_id, done_at);
      CREATE INDEX logged_set_session ON logged_set (session_id);
      CREATE TABLE logged_hold (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        session_id uuid NOT NULL REFERENCES training_session (id),
        kind text NOT NULL,
        place int NOT NULL,
        done_at timestamptz NOT NULL,
        load double precision NOT NULL CHECK (load > 0),
        seconds double precision NOT NULL CHECK (seconds > 0),
        target double precision NOT NULL CHECK (target > 0),
        ended text NOT NULL CHECK (ended IN ('slipped', 'stopped')),
        grip text NOT NULL CHECK (grip IN ('doubleOverhand', 'mixed', 'hook')),
        side_under text CHECK (side_under IN ('left', 'right')),
        chalk text NOT NULL CHECK (chalk IN ('block', 'liquid', 'none')),
        diameter double precision NOT NULL,
        note text,
        undone_at timestamptz
      );
      CREATE INDEX logged_hold_lifter ON logged_hold (lifter_id, done_at);
      CREATE INDEX logged_hold_session ON logged_hold (session_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
