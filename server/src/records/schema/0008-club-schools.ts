import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A club's own copies of schools, every version kept. A lifter follows a copy, or the original it was made from. */
export class ClubSchools1764700000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE club_school (
        id uuid PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id),
        based_on text NOT NULL,
        school jsonb NOT NULL,
        version int NOT NULL,
        archived_at timestamptz
      );
      CREATE INDEX club_school_club ON club_school (club_id);
      CREATE TABLE club_school_version (
        school_id uuid NOT NULL REFERENCES club_school (id),
        version int NOT NULL,
        school jsonb NOT NULL,
        changed_by uuid NOT NULL REFERENCES account (id),
        changed_at timestamptz NOT NULL,
        PRIMARY KEY (school_id, version)
      );
      ALTER TABLE lifter ADD COLUMN club_school_id uuid REFERENCES club_school (id);
      CREATE INDEX lifter_club_school ON lifter (club_school_id) WHERE club_school_id IS NOT NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
