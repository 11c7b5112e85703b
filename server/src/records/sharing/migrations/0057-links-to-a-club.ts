import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A link may show the calendar of the whole club: then it is of no lifter. */
export class LinksToAClub1766000000057 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE share_link ALTER COLUMN lifter_id DROP NOT NULL');
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
