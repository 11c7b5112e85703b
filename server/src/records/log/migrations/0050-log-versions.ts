import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * A number for each lifter's log that grows with every change of it, whoever makes the change: what was read of a log is good
 * for as long as the number stands.
 */
export class LogVersions1766000000050 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE log_version (
        lifter_id uuid NOT NULL PRIMARY KEY REFERENCES lifter (id) ON DELETE CASCADE,
        version bigint NOT NULL
      );
      INSERT INTO log_version (lifter_id, version) SELECT id, 1 FROM lifter;
      CREATE FUNCTION count_log_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        -- In one order: two imports that tell of the same lifters would wait for each other.
        INSERT INTO log_version (lifter_id, version)
          SELECT DISTINCT lifter_id, 1 FROM changed ORDER BY lifter_id
          ON CONFLICT (lifter_id) DO UPDATE SET version = log_version.version + 1;
        RETURN NULL;
      END $$;
      CREATE FUNCTION count_log_removal() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        -- A lifter who is being deleted has no number any more.
        UPDATE log_version SET version = version + 1 WHERE lifter_id IN (SELECT lifter_id FROM changed);
        RETURN NULL;
      END $$;
      ${['logged_set', 'logged_hold'].map(triggersOf).join('\n')}
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}

const triggersOf = (table: string): string => `
  CREATE TRIGGER ${table}_added AFTER INSERT ON ${table}
    REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION count_log_change();
  CREATE TRIGGER ${table}_changed AFTER UPDATE ON ${table}
    REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION count_log_change();
  CREATE TRIGGER ${table}_removed AFTER DELETE ON ${table}
    REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION count_log_removal();`;
