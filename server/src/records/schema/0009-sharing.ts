import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Read-only links and invitations: only hashes of their secrets are kept. A lifter's account names its lifter. */
export class Sharing1764800000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE share_link (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        secret_hash text NOT NULL UNIQUE,
        made_by uuid NOT NULL REFERENCES account (id),
        made_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL,
        revoked_by uuid REFERENCES account (id),
        revoked_at timestamptz,
        CHECK ((revoked_by IS NULL) = (revoked_at IS NULL))
      );
      CREATE INDEX share_link_lifter ON share_link (lifter_id, made_at DESC);
      CREATE TABLE invitation (
        id uuid PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id),
        email text NOT NULL,
        secret_hash text NOT NULL UNIQUE,
        made_by uuid NOT NULL REFERENCES account (id),
        made_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL,
        taken_at timestamptz,
        revoked_at timestamptz
      );
      CREATE INDEX invitation_lifter ON invitation (lifter_id, made_at DESC);
      ALTER TABLE account ADD COLUMN lifter_id uuid UNIQUE REFERENCES lifter (id),
                          ADD CHECK ((role = 'lifter') = (lifter_id IS NOT NULL));
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
