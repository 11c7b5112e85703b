import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Fitted curves, kept until the log changes. */
export class KeptCurves1766000000040 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE kept_curve (
        lifter_id uuid NOT NULL,
        family text NOT NULL CHECK (family IN ('support', 'pinch')),
        club_id uuid NOT NULL,
        fingerprint text NOT NULL,
        scales_fingerprint text NOT NULL,
        rows int NOT NULL,
        curve jsonb NOT NULL,
        fitted_at timestamptz NOT NULL,
        PRIMARY KEY (lifter_id, family),
        FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id) ON DELETE CASCADE
      );
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
