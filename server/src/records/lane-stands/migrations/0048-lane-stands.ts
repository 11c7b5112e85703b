import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Where each lane stood last, kept where every process of the server reads it. */
export class LaneStands1766000000048 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE lane_stand (
        session_id uuid PRIMARY KEY REFERENCES training_session (id) ON DELETE CASCADE,
        event jsonb NOT NULL,
        told_at timestamptz NOT NULL
      );
      CREATE INDEX lane_stand_told ON lane_stand (told_at);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
