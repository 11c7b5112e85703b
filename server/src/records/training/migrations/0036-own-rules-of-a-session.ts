import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A session may keep what was tried on it: another chalk than the house's, another bar's diameter. */
export class OwnRulesOfASession1766000000036 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE training_session
        ADD COLUMN own_chalk text CHECK (own_chalk IN ('block', 'liquid', 'none')),
        ADD COLUMN own_diameter double precision CHECK (own_diameter BETWEEN 20 AND 120);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
