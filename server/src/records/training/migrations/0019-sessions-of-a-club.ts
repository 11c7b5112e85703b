import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sessions name their club. */
export class SessionsOfAClub1766000000019 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE training_session ADD COLUMN club_id uuid;
      UPDATE training_session x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE training_session ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
      CREATE INDEX training_session_day ON training_session (club_id, held_on) WHERE removed_at IS NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
