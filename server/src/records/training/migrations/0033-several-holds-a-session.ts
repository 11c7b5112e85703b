import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A session may hold several kinds after its lifts, each of its own block. */
export class SeveralHoldsASession1766000000033 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE training_session ADD COLUMN holds jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(holds) = 'array');
      UPDATE training_session
         SET holds = jsonb_build_array(jsonb_build_object('kind', hold_kind, 'blockId', hold_block_id))
       WHERE has_hold;
      ALTER TABLE training_session DROP COLUMN has_hold, DROP COLUMN hold_kind, DROP COLUMN hold_block_id;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
