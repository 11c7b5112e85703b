import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Backups that were made, and their proof. */
export class Backups1766000000045 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE backup (
        id uuid PRIMARY KEY,
        started_at timestamptz NOT NULL,
        ended_at timestamptz,
        file text,
        bytes bigint,
        state text NOT NULL CHECK (state IN ('running', 'proved', 'failed')),
        why text,
        rows int,
        tables int,
        asked_by uuid REFERENCES account (id) ON DELETE SET NULL
      );
      CREATE INDEX backup_started ON backup (started_at DESC);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
