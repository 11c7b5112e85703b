import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What belongs to a lifter names the lifter’s club too, and the two go together. */
export class LiftersOfAClub1766000000016 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE lifter ADD CONSTRAINT lifter_of_club UNIQUE (id, club_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
