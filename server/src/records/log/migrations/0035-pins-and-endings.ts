import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The pins a hold started from; one that could not be broken from them lasted no time. */
export class PinsAndEndings1766000000035 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE logged_hold
        ADD COLUMN pin double precision CHECK (pin > 0),
        DROP CONSTRAINT logged_hold_ended_check,
        DROP CONSTRAINT logged_hold_seconds_check,
        ADD CONSTRAINT logged_hold_ended_check CHECK (ended IN ('slipped', 'stopped', 'notLifted')),
        ADD CONSTRAINT logged_hold_seconds_check CHECK (CASE WHEN ended = 'notLifted' THEN seconds = 0 ELSE seconds > 0 END);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
