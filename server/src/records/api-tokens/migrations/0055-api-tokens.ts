import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Tokens of programs that read and log for a club. */
export class ApiTokens1766000000055 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE api_token (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
        scope text NOT NULL CHECK (scope IN ('read', 'log', 'plan')),
        secret_hash text NOT NULL UNIQUE,
        made_by uuid NOT NULL REFERENCES account (id),
        made_at timestamptz NOT NULL,
        ends_on date NOT NULL,
        last_used_at timestamptz,
        revoked_at timestamptz
      );
      CREATE INDEX api_token_club ON api_token (club_id);
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE api_token');
  }
}
