import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An invitation names a role: a lifter's is about the lifter, any other's is about nobody but whoever comes. */
export class StaffInvited1766000000043 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE invitation ALTER COLUMN lifter_id DROP NOT NULL,
        ADD FOREIGN KEY (club_id) REFERENCES club (id),
        ADD COLUMN role text NOT NULL DEFAULT 'lifter' CHECK (role IN ('owner', 'coach', 'assistant', 'follower', 'lifter')),
        ADD COLUMN name text NOT NULL DEFAULT '',
        ADD COLUMN ends_on date,
        ADD CHECK ((role = 'lifter') = (lifter_id IS NOT NULL));
      ALTER TABLE invitation ALTER COLUMN role DROP DEFAULT;
      CREATE INDEX invitation_club ON invitation (club_id) WHERE taken_at IS NULL AND revoked_at IS NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
