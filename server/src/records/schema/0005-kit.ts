import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What stands at each venue: knurl and brushing of bars, straps, handles, grippers, racks, dynamometers. A session may
 * name its bar; a log row says which bar it was, older ones get the first of their venue. Masses kg, lengths mm.
 */
export class Kit1764400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE venue ADD COLUMN version int NOT NULL DEFAULT 1,
                        ADD COLUMN note text NOT NULL DEFAULT '',
                        ADD COLUMN straps text[],
                        ADD COLUMN has text[],
                        ADD COLUMN archived_at timestamptz;
      ALTER TABLE bar ADD COLUMN place int NOT NULL DEFAULT 0,
                      ADD COLUMN knurl text NOT NULL DEFAULT 'medium' CHECK (knurl IN ('smooth', 'mild', 'medium', 'sharp')),
                      ADD COLUMN brush_every int NOT NULL DEFAULT 150 CHECK (brush_every > 0),
                      ADD COLUMN retired_at timestamptz;
      CREATE TABLE bar_brushing (
        id uuid PRIMARY KEY,
        bar_id uuid NOT NULL REFERENCES bar (id),
        brushed_by uuid REFERENCES account (id),
        brushed_at timestamptz NOT NULL
      );
      CREATE INDEX bar_brushing_bar ON bar_brushing (bar_id, brushed_at DESC);
      CREATE TABLE handle (
        id uuid PRIMARY KEY,
        venue_id uuid NOT NULL REFERENCES venue (id),
        place int NOT NULL,
        name text NOT NULL,
        diameter double precision NOT NULL CHECK (diameter > 0),
        mass double precision NOT NULL CHECK (mass >= 0),
        retired_at timestamptz
      );
      CREATE INDEX handle_venue ON handle (venue_id);
      CREATE TABLE gripper (
        id uuid PRIMARY KEY,
        venue_id uuid NOT NULL REFERENCES venue (id),
        place int NOT NULL,
        name text NOT NULL,
        resistance double precision CHECK (resistance > 0),
        retired_at timestamptz
      );
      CREATE INDEX gripper_venue ON gripper (venue_id);
      CREATE TABLE pin_rack (
        id uuid PRIMARY KEY,
        venue_id uuid NOT NULL REFERENCES venue (id),
        place int NOT NULL,
        name text NOT NULL,
        pin_heights jsonb NOT NULL,
        retired_at timestamptz
      );
      CREATE INDEX pin_rack_venue ON pin_rack (venue_id);
      CREATE TABLE dynamometer (
        id uuid PRIMARY KEY,
        venue_id uuid NOT NULL REFERENCES venue (id),
        place int NOT NULL,
        name text NOT NULL,
        settings jsonb NOT NULL,
        retired_at timestamptz
      );
      CREATE INDEX dynamometer_venue ON dynamometer (venue_id);
      ALTER TABLE training_session ADD COLUMN bar_id uuid REFERENCES bar (id);
      ALTER TABLE logged_set ADD COLUMN bar_id uuid REFERENCES bar (id);
      ALTER TABLE logged_hold ADD COLUMN bar_id uuid REFERENCES bar (id);
      UPDATE logged_set s SET bar_id = (SELECT b.id FROM bar b WHERE b.venue_id = t.venue_id ORDER BY b.name LIMIT 1)
        FROM training_session t WHERE t.id = s.session_id;
      UPDATE logged_hold h SET bar_id = (SELECT b.id FROM bar b WHERE b.venue_id = t.venue_id ORDER BY b.name LIMIT 1)
        FROM training_session t WHERE t.id = h.session_id;
      CREATE INDEX logged_set_bar ON logged_set (bar_id, done_at);
      CREATE INDEX logged_hold_bar ON logged_hold (bar_id, done_at);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
