import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A session keeps the lines its sets were written in, per cents and all; older ones are written out from their sets. */
export class SessionLines1764300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE training_session ADD COLUMN lines jsonb');
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
