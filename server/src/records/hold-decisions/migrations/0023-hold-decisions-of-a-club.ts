import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Decisions on holds name lifter and club. */
export class HoldDecisionsOfAClub1766000000023 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE hold_decision ADD COLUMN lifter_id uuid;
      UPDATE hold_decision x SET lifter_id = t.lifter_id FROM training_session t WHERE t.id = x.session_id;
      ALTER TABLE hold_decision ALTER COLUMN lifter_id SET NOT NULL;
      ALTER TABLE hold_decision ADD COLUMN club_id uuid;
      UPDATE hold_decision x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE hold_decision ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
      CREATE INDEX hold_decision_lifter ON hold_decision (lifter_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
