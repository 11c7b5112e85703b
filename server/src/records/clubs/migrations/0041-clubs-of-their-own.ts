import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Clubs say their unit and week, are edited at a version, and can be started with a code. Until now only the demo could make one. */
export class ClubsOfTheirOwn1766000000041 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE club ADD COLUMN unit text NOT NULL DEFAULT 'kg' CHECK (unit IN ('kg', 'lb')),
                       ADD COLUMN week_start text NOT NULL DEFAULT 'monday' CHECK (week_start IN ('monday', 'sunday', 'saturday')),
                       ADD COLUMN date_order text NOT NULL DEFAULT 'dayFirst' CHECK (date_order IN ('dayFirst', 'monthFirst')),
                       ADD COLUMN demo boolean NOT NULL DEFAULT false,
                       ADD COLUMN version int NOT NULL DEFAULT 1;
      UPDATE club SET demo = true WHERE id = 'fd5a3ea7-d7d7-4c02-89ff-f8c7b57c717d';
      CREATE TABLE set_up_code (
        id uuid PRIMARY KEY,
        code_hash text NOT NULL UNIQUE,
        made_at timestamptz NOT NULL
      );
      CREATE TABLE guess_limit (
        key varchar(255) PRIMARY KEY,
        points integer NOT NULL DEFAULT 0,
        expire bigint
      );
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
