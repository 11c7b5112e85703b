import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was done in the heat, and what the coach saw when it slipped. */
export class SweatAndSigns1766000000032 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE logged_set
        ADD COLUMN sweat boolean NOT NULL DEFAULT false,
        ADD COLUMN signs text[] NOT NULL DEFAULT '{}';
      ALTER TABLE logged_hold
        ADD COLUMN sweat boolean NOT NULL DEFAULT false,
        ADD COLUMN signs text[] NOT NULL DEFAULT '{}';
      DO $$
      DECLARE found text;
      BEGIN
        FOR found IN SELECT conname FROM pg_constraint WHERE conrelid = 'logged_set'::regclass AND contype = 'c'
          AND pg_get_constraintdef(oid) ~ 'load > '
        LOOP
          EXECUTE format('ALTER TABLE logged_set DROP CONSTRAINT %I', found);
        END LOOP;
      END $$;
      ALTER TABLE logged_set ADD CONSTRAINT logged_set_load_least CHECK (load >= 0);
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
