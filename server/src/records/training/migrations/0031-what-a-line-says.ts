import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A session may rehearse the meet and be held in the heat; a line may say its purpose and fix what would be called. */
export class WhatALineSays1766000000031 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE training_session
        ADD COLUMN rehearses_meet boolean NOT NULL DEFAULT false,
        ADD COLUMN sweat boolean NOT NULL DEFAULT false;
      ALTER TABLE planned_set
        ADD COLUMN purpose text CHECK (purpose IN ('grip', 'back', 'event')),
        ADD COLUMN fixed text CHECK (fixed IN ('doubleOverhand', 'mixed', 'hook', 'straps', 'bare')),
        ADD COLUMN under text CHECK (under IN ('left', 'right')),
        ADD COLUMN handle text CHECK (handle IN ('thick', 'towel')),
        ADD COLUMN hand text CHECK (hand IN ('left', 'right')),
        ADD COLUMN rest double precision CHECK (rest BETWEEN 10 AND 1800),
        DROP CONSTRAINT planned_set_load_check,
        ADD CONSTRAINT planned_set_load_check CHECK (load >= 0);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
