import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A meet has a place and a bar of its own. */
export class PlaceAndBar1766000000030 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE meet
        ADD COLUMN place text NOT NULL DEFAULT '',
        ADD COLUMN bar_diameter double precision CHECK (bar_diameter BETWEEN 20 AND 120);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
