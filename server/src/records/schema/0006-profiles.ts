import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Hands measured, best lifts with their days, usual repetitions. Lengths mm, loads kg. */
export class Profiles1764500000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE lifter ADD COLUMN hand_length double precision CHECK (hand_length > 0),
                         ADD COLUMN hand_span double precision CHECK (hand_span > 0),
                         ADD COLUMN usual_reps int CHECK (usual_reps > 0),
                         ADD COLUMN deadlift_on date,
                         ADD COLUMN best_lifts jsonb NOT NULL DEFAULT '[]';
      CREATE INDEX lifter_rack ON lifter (club_id, name, id) WHERE archived_at IS NULL;
      DROP INDEX lifter_change_lifter;
      CREATE INDEX lifter_change_lifter ON lifter_change (lifter_id, changed_at DESC, id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
