import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Files bring lifters, gripper attempts and squeeze scores too. */
export class FilesOfEveryKind1766000000056 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE training_import RENAME COLUMN sets TO things;
      ALTER TABLE training_import RENAME COLUMN sessions TO days;
      ALTER TABLE training_import ADD COLUMN kind text NOT NULL DEFAULT 'training'
        CHECK (kind IN ('training', 'lifters', 'grippers', 'squeeze'));
      ALTER TABLE training_import_row DROP CONSTRAINT training_import_row_kind_check,
        ADD CHECK (kind IN ('lifter', 'session', 'set', 'attempt', 'test'));
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
