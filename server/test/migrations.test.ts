import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { DataSource, type MigrationInterface, type QueryRunner } from 'typeorm';
import { connection, migrated } from '../src/platform/database/connection.ts';
import { FIRST_MIGRATIONS } from '../src/records/schema/index.ts';
import { MIGRATIONS } from '../src/schema.ts';

const admin = process.env['DATABASE_URL']!;
const name = `migrated_${randomUUID().replaceAll('-', '')}`;
const url = admin.replace(/\/[^/]*$/, `/${name}`);
const ids = Object.fromEntries(
  ['club', 'coach', 'lifter', 'venue', 'bar', 'session', 'set', 'planned', 'carry', 'override', 'check'].map(
    (each) => [each, randomUUID()],
  ),
) as Record<string, string>;

async function sql(to: string, text: string, values: unknown[] = []): Promise<Record<string, unknown>[]> {
  const client = new pg.Client({ connectionString: to });
  await client.connect();
  try {
    return (await client.query(text, values)).rows as Record<string, unknown>[];
  } finally {
    await client.end();
  }
}

/** A club as it was kept before its rows named it: written as that version did. */
beforeAll(async () => {
  await sql(admin, `CREATE DATABASE ${name}`);
  const old = await migrated(await new DataSource(connection(url, FIRST_MIGRATIONS)).initialize());
  const add = (table: string, row: Record<string, unknown>): Promise<unknown> =>
    old.query(
      `INSERT INTO ${table} (${Object.keys(row).join(', ')}) VALUES (${Object.keys(row)
        .map((_, i) => `$${i + 1}`)
        .join(', ')})`,
      Object.values(row),
    );
  await add('club', { id: ids['club'], name: 'Before' });
  await add('account', {
    ...{ id: ids['coach'], club_id: ids['club'], email: 'a@b.example', name: 'Coach', role: 'coach' },
    password_hash: 'x',
  });
  await add('venue', { id: ids['venue'], club_id: ids['club'], name: 'Hall', chalk: 'block' });
  await add('bar', { id: ids['bar'], venue_id: ids['venue'], name: 'Bar', mass: 20, diameter: 29 });
  await add('lifter', {
    ...{
      id: ids['lifter'],
      club_id: ids['club'],
      name: 'Somebody',
      sport: 'Strongman, under 90 kg',
      unit: 'kg',
    },
    ...{ dominant_hand: 'right', stance: 'sumo, large thighs', deadlift_max: 200, school_id: 'strongman' },
    ...{ training_since: '2020-01-01', hook_stage: 'none', thresholds: '{}' },
  });
  await add('hands_check', {
    ...{ id: ids['check'], lifter_id: ids['lifter'], checked_on: '2026-03-01', hands: '{}' },
    checked_at: '2026-03-01T18:00:00Z',
  });
  await add('training_session', {
    ...{ id: ids['session'], lifter_id: ids['lifter'], venue_id: ids['venue'], held_on: '2026-03-01' },
    ...{ title: 'Pulls', has_hold: true, hold_kind: 'carry' },
  });
  await add('planned_set', {
    ...{ id: ids['planned'], session_id: ids['session'], place: 0, lift_id: 'deadlift.axle', role: 'top' },
    ...{ load: 100, reps: 1, style: 'reset' },
  });
  const log = {
    ...{ lifter_id: ids['lifter'], session_id: ids['session'], load: 100, grip: 'doubleOverhand' },
    ...{ chalk: 'block', bar_id: ids['bar'], diameter: 29, done_at: '2026-03-01T23:30:00Z' },
  };
  await add('logged_set', {
    ...{ ...log, id: ids['set'], planned_set_id: ids['planned'], lift_id: 'deadlift.axle', role: 'top' },
    ...{ reps: 1, style: 'reset', strapped: false },
  });
  await add('logged_hold', {
    ...{ ...log, id: ids['carry'], kind: 'carry', place: 0, seconds: 30, target: 30, ended: 'stopped' },
  });
  await add('call_override', {
    ...{ id: ids['override'], session_id: ids['session'], choice: 'hook', reason: 'Because.' },
    ...{ made_by: ids['coach'], made_at: '2026-03-01T10:00:00Z' },
  });
  await old.destroy();
});
afterAll(() => sql(admin, `DROP DATABASE ${name} WITH (FORCE)`));

it('a database of an earlier version goes forward, and nothing of it is lost', async () => {
  const now = await migrated(await new DataSource(connection(url, MIGRATIONS)).initialize());
  await now.destroy();
  const one = async (table: string, id: string): Promise<Record<string, unknown>> =>
    (await sql(url, `SELECT to_jsonb(x) AS row FROM ${table} x WHERE id = $1`, [ids[id]]))[0]![
      'row'
    ] as Record<string, unknown>;
  const own = { club_id: ids['club'], lifter_id: ids['lifter'] };
  expect(await one('lifter', 'lifter')).toMatchObject({
    ...{ sport: 'strongman', sport_words: 'under 90 kg', stance: 'sumo', large_thighs: true },
  });
  expect(await one('hands_check', 'check')).toMatchObject(own);
  expect(await one('training_session', 'session')).toMatchObject({
    ...{ ...own, title: 'Pulls' },
    holds: [{ kind: 'carry', blockId: null }],
  });
  expect(await one('call_override', 'override')).toMatchObject({ ...own, reason: 'Because.' });
  // The zone is the server's, where the club was; the day follows it.
  const { time_zone: zone } = await one('club', 'club');
  expect(zone).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone);
  const day = new Intl.DateTimeFormat('sv-SE', { timeZone: zone as string }).format(
    new Date('2026-03-01T23:30:00Z'),
  );
  // An axle and a handle are as thick as they are, whatever bar stands beside them.
  expect(await one('logged_set', 'set')).toMatchObject({
    ...own,
    training_day: day,
    diameter: 50,
    load: 100,
  });
  expect(await one('logged_hold', 'carry')).toMatchObject({
    ...{ ...own, training_day: day, lift_id: 'carry.handles', diameter: 32, seconds: 30 },
  });
});

/** A version of the product that does something first and then fails. */
class Halfway1999000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE club SET name = 'Half'`);
    await runner.query('SELECT nothing_of_that_name');
  }

  async down(): Promise<void> {}
}

it('one that fails leaves everything as it was, and says so', async () => {
  const db = await new DataSource(connection(url, [...MIGRATIONS, Halfway1999000000000])).initialize();
  await expect(migrated(db)).rejects.toThrow(/left as it was\. column "nothing_of_that_name" does not exist/);
  expect(await sql(url, 'SELECT name FROM club')).toEqual([{ name: 'Before' }]);
  expect(await sql(url, `SELECT 1 FROM migrations WHERE name LIKE 'Halfway%'`)).toEqual([]);
});

it('processes that start together migrate once', async () => {
  const fresh = `${name}_twice`;
  await sql(admin, `CREATE DATABASE ${fresh}`);
  const to = admin.replace(/\/[^/]*$/, `/${fresh}`);
  try {
    const all = await Promise.all(
      [1, 2, 3].map(async () => migrated(await new DataSource(connection(to, MIGRATIONS)).initialize())),
    );
    for (const db of all) await db.destroy();
    expect(await sql(to, 'SELECT count(*)::int AS n FROM migrations')).toEqual([{ n: MIGRATIONS.length }]);
  } finally {
    await sql(admin, `DROP DATABASE ${fresh} WITH (FORCE)`);
  }
});

it('who coached alone owns the club from now on', async () => {
  expect(await sql(url, 'SELECT role FROM account')).toEqual([{ role: 'owner' }]);
});
