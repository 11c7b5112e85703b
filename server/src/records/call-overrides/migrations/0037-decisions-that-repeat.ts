import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A decision may repeat with the week of its session. */
export class DecisionsThatRepeat1766000000037 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE call_override ADD COLUMN repeats boolean NOT NULL DEFAULT false');
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
