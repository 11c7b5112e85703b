import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Decisions against calls name lifter and club; one on a set that is written anew stays on record without it. */
export class CallOverridesOfAClub1766000000022 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE call_override ADD COLUMN lifter_id uuid;
      UPDATE call_override x SET lifter_id = t.lifter_id FROM training_session t WHERE t.id = x.session_id;
      ALTER TABLE call_override ALTER COLUMN lifter_id SET NOT NULL;
      ALTER TABLE call_override ADD COLUMN club_id uuid;
      UPDATE call_override x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE call_override ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
      CREATE INDEX call_override_lifter ON call_override (lifter_id);
      ALTER TABLE call_override_set DROP CONSTRAINT call_override_set_planned_set_id_fkey,
        ADD FOREIGN KEY (planned_set_id) REFERENCES planned_set (id) ON DELETE CASCADE;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
