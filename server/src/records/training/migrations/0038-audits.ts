import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A session may be a grip audit: its sets are chosen one by one as the hand answers. */
export class Audits1766000000038 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE training_session ADD COLUMN audit boolean NOT NULL DEFAULT false');
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
