import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Season marks name their club. */
export class SeasonMarksOfAClub1766000000020 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE season_mark ADD COLUMN club_id uuid;
      UPDATE season_mark x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE season_mark ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
