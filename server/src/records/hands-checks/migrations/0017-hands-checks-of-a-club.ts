import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Hands checks name their club. */
export class HandsChecksOfAClub1766000000017 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE hands_check ADD COLUMN club_id uuid;
      UPDATE hands_check x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE hands_check ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
