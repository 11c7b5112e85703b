import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Files of past training that were brought in, and what each added: so that one can be taken back whole. */
export class Imports1766000000047 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE training_import (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        name text NOT NULL,
        imported_by uuid REFERENCES account (id) ON DELETE SET NULL,
        imported_at timestamptz NOT NULL,
        sets int NOT NULL,
        sessions int NOT NULL,
        undone_by uuid REFERENCES account (id) ON DELETE SET NULL,
        undone_at timestamptz
      );
      CREATE INDEX training_import_club ON training_import (club_id, imported_at DESC);
      CREATE TABLE training_import_row (
        id uuid PRIMARY KEY,
        import_id uuid NOT NULL REFERENCES training_import (id),
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        kind text NOT NULL CHECK (kind IN ('session', 'set'))
      );
      CREATE INDEX training_import_row_import ON training_import_row (import_id);
      CREATE INDEX training_import_row_lifter ON training_import_row (lifter_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
