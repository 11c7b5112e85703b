import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A meet may hold several events, each with its own rule on straps. */
export class EventsOfAMeet1766000000039 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE meet ADD COLUMN events jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(events) = 'array')`,
    );
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
