import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An account that is taken back stays, since what it signed keeps its name; it signs in no more and frees its address. */
export class AccountsRemoved1766000000015 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE account ADD COLUMN removed_at timestamptz;
      DROP INDEX account_email;
      CREATE UNIQUE INDEX account_email ON account (lower(email)) WHERE removed_at IS NULL;
      ALTER TABLE account DROP CONSTRAINT account_lifter_id_key;
      CREATE UNIQUE INDEX account_lifter ON account (lifter_id) WHERE removed_at IS NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
