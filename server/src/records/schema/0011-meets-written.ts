import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Meets are written by coaches: planned attempts, kg, a version, and taken off rather than deleted. */
export class MeetsWritten1765000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE meet ADD COLUMN attempts jsonb NOT NULL DEFAULT '[]',
                       ADD COLUMN version int NOT NULL DEFAULT 1,
                       ADD COLUMN removed_at timestamptz;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
