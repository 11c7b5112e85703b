import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Roles beside coach and lifter, accounts that end, second factors, devices by name, and ways to a new password. */
export class People1766000000042 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE account DROP CONSTRAINT account_role_check,
                          ADD CHECK (role IN ('owner', 'coach', 'assistant', 'follower', 'lifter')),
                          ADD COLUMN ends_on date,
                          ADD COLUMN second_factor text,
                          ADD COLUMN second_factor_step bigint,
                          ADD COLUMN version int NOT NULL DEFAULT 1;
      -- Whoever coached alone until now owns the club.
      UPDATE account a SET role = 'owner' WHERE role = 'coach' AND removed_at IS NULL
        AND NOT EXISTS (SELECT 1 FROM account b WHERE b.club_id = a.club_id AND b.role = 'owner');
      ALTER TABLE sign_in ADD COLUMN id uuid NOT NULL DEFAULT gen_random_uuid(),
                          ADD COLUMN device text NOT NULL DEFAULT '',
                          ADD COLUMN made_at timestamptz NOT NULL DEFAULT now(),
                          ADD COLUMN seen_at timestamptz NOT NULL DEFAULT now();
      CREATE UNIQUE INDEX sign_in_id ON sign_in (id);
      CREATE TABLE password_link (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        account_id uuid NOT NULL REFERENCES account (id) ON DELETE CASCADE,
        secret_hash text NOT NULL UNIQUE,
        made_by uuid REFERENCES account (id) ON DELETE SET NULL,
        made_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL,
        taken_at timestamptz,
        revoked_at timestamptz
      );
      CREATE INDEX password_link_account ON password_link (account_id);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
