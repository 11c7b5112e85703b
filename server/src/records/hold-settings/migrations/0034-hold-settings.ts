import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How a coach wants one kind of hold prescribed to a lifter. */
export class HoldSettings1766000000034 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE hold_setting (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL,
        lifter_id uuid NOT NULL,
        kind text NOT NULL,
        aim text CHECK (aim IN ('deadlift', 'events', 'medleys')),
        effort jsonb,
        ceiling double precision CHECK (ceiling > 0),
        target jsonb,
        pin_height double precision CHECK (pin_height > 0),
        version int NOT NULL,
        FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id),
        UNIQUE (lifter_id, kind)
      );
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
