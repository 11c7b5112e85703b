import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An entry that was undone keeps who undid it; of those undone before nobody knows. */
export class WhoUndidIt1766000000058 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE logged_set ADD COLUMN undone_by uuid REFERENCES account (id) ON DELETE SET NULL;
      ALTER TABLE logged_hold ADD COLUMN undone_by uuid REFERENCES account (id) ON DELETE SET NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
