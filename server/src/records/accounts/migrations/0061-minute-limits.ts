import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What somebody asked for in the last minute, counted by all processes together; not worth keeping over a crash. */
export class MinuteLimits1766000000061 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE UNLOGGED TABLE minute_limit (
        key text PRIMARY KEY,
        points integer NOT NULL DEFAULT 0,
        expire bigint
      );
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
