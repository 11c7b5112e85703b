import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An account that came back from an export has no password until somebody chooses one. */
export class AccountsWithoutPassword1766000000052 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE account ALTER COLUMN password_hash DROP NOT NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      UPDATE account SET password_hash = '' WHERE password_hash IS NULL;
      ALTER TABLE account ALTER COLUMN password_hash SET NOT NULL;
    `);
  }
}
