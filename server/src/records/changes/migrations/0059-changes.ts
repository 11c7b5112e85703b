import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * How often what is kept of a lifter, and of what a club's lifters share, has changed, whoever changed it: what was worked out of
 * it is good for as long as both stand. Each change adds a row, and the number is their sum: a number that were raised in its
 * place would make two writes of one lifter wait for each other, and now and then both for ever.
 */
export class Changes1766000000059 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE changes_of_lifter (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        lifter_id uuid NOT NULL REFERENCES lifter (id) ON DELETE CASCADE,
        club_id uuid NOT NULL,
        times bigint NOT NULL
      );
      CREATE INDEX changes_of_lifter_by_lifter ON changes_of_lifter (lifter_id) INCLUDE (club_id, times);
      CREATE INDEX changes_of_lifter_by_club ON changes_of_lifter (club_id) INCLUDE (times);
      CREATE TABLE changes_of_club (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        club_id uuid NOT NULL REFERENCES club (id) ON DELETE CASCADE,
        times bigint NOT NULL
      );
      CREATE INDEX changes_of_club_by_club ON changes_of_club (club_id) INCLUDE (times);
      INSERT INTO changes_of_lifter (lifter_id, club_id, times) SELECT id, club_id, 1 FROM lifter;
      INSERT INTO changes_of_club (club_id, times) SELECT id, 1 FROM club;
      -- Told how the owners of the rows that changed are found; an owner who is being deleted has no number any more.
      CREATE FUNCTION count_changes_of_lifter() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        EXECUTE format(
          'INSERT INTO changes_of_lifter (lifter_id, club_id, times) SELECT id, club_id, 1 FROM lifter WHERE id IN (%s)',
          TG_ARGV[0]);
        RETURN NULL;
      END $$;
      CREATE FUNCTION count_changes_of_club() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        EXECUTE format(
          'INSERT INTO changes_of_club (club_id, times) SELECT id, 1 FROM club WHERE id IN (%s)', TG_ARGV[0]);
        RETURN NULL;
      END $$;
      ${OWNED.map(([table, owner, rows]) => triggersOf(table, owner, rows)).join('\n')}
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}

type Owned = readonly [table: string, owner: 'lifter' | 'club', rows: string];

const ofLifter = (table: string): Owned => [table, 'lifter', 'SELECT lifter_id FROM changed'];
const ofClub = (table: string): Owned => [table, 'club', 'SELECT club_id FROM changed'];
const partOf = (table: string, of: string, column: string, owner: 'lifter' | 'club'): Owned => {
  const rows = `SELECT whole.${owner}_id FROM changed JOIN ${of} AS whole ON whole.id = changed.${column}`;
  return [table, owner, rows];
};

const OWNED: readonly Owned[] = [
  ['lifter', 'lifter', 'SELECT id FROM changed'],
  ...[
    ...['lifter_history', 'training_session', 'logged_set', 'logged_hold', 'log_correction', 'hands_check'],
    ...['meet', 'season_mark', 'hold_decision', 'hold_setting', 'call_override', 'gripper_attempt'],
    'squeeze_test',
  ].map(ofLifter),
  partOf('planned_set', 'training_session', 'session_id', 'lifter'),
  partOf('call_override_set', 'call_override', 'override_id', 'lifter'),
  ['club', 'club', 'SELECT id FROM changed'],
  ...['venue', 'club_school', 'squeeze_protocol', 'account'].map(ofClub),
  ...['bar', 'plate', 'handle', 'gripper', 'dynamometer', 'pin_rack'].map((table) =>
    partOf(table, 'venue', 'venue_id', 'club'),
  ),
  partOf('club_school_version', 'club_school', 'school_id', 'club'),
  [
    'bar_brushing',
    'club',
    'SELECT venue.club_id FROM changed JOIN bar ON bar.id = changed.bar_id JOIN venue ON venue.id = bar.venue_id',
  ],
];

const triggersOf = (table: string, owner: string, rows: string): string =>
  (
    [
      ['INSERT', 'NEW'],
      ['UPDATE', 'NEW'],
      ['DELETE', 'OLD'],
    ] as const
  )
    .map(
      ([act, which]) => `
        CREATE TRIGGER ${table}_${act.toLowerCase()}_counts AFTER ${act} ON ${table}
          REFERENCING ${which} TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION count_changes_of_${owner}('${rows}');`,
    )
    .join('');
