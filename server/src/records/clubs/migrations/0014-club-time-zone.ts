import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A day is the club’s day. Until now it was that of the server, which ran at the club: its zone is the club’s. */
export class ClubTimeZone1766000000014 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE club ADD COLUMN time_zone text NOT NULL DEFAULT 'UTC'");
    await runner.query('UPDATE club SET time_zone = $1', [Intl.DateTimeFormat().resolvedOptions().timeZone]);
    await runner.query('ALTER TABLE club ALTER COLUMN time_zone DROP DEFAULT');
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
