import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Attempts at grippers name their club and the club’s day. */
export class GripperAttemptsOfAClub1766000000025 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE gripper_attempt ADD COLUMN club_id uuid;
      UPDATE gripper_attempt x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE gripper_attempt ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
      ALTER TABLE gripper_attempt ADD COLUMN training_day date;
      UPDATE gripper_attempt x SET training_day = (x.done_at AT TIME ZONE c.time_zone)::date FROM club c WHERE c.id = x.club_id;
      ALTER TABLE gripper_attempt ALTER COLUMN training_day SET NOT NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
