import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a link shows is chosen when it is made; those that are out show what they showed, without anything of health. */
export class WhatALinkShows1766000000046 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE share_link ADD COLUMN ahead int NOT NULL DEFAULT 8 CHECK (ahead BETWEEN 1 AND 90),
                             ADD COLUMN health boolean NOT NULL DEFAULT false;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
