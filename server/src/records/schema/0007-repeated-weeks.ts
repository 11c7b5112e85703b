import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sessions that repeat week by week belong to one series; a removed session is hidden, not lost. */
export class RepeatedWeeks1764600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE training_session ADD COLUMN series_id uuid,
                                   ADD COLUMN removed_at timestamptz;
      CREATE INDEX training_session_series ON training_session (series_id, held_on) WHERE series_id IS NOT NULL;
      CREATE INDEX training_session_venue ON training_session (venue_id, held_on);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
