import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Links and invitations name their club. */
export class LinksOfAClub1766000000026 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE share_link ADD COLUMN club_id uuid;
      UPDATE share_link x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE share_link ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
      ALTER TABLE invitation ADD COLUMN club_id uuid;
      UPDATE invitation x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE invitation ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
