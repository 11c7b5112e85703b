import { randomUUID } from 'node:crypto';
import type { SheetView, RackView } from '@iron-clasp/contract';
import { CurvesService } from '../src/evidence/curves/curves.service.ts';
import { LogService } from '../src/records/log/log.service.ts';
import { Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let log: LogService;
let curves: CurvesService;
let club: { id: string; timeZone: string };
/** Kofi, emptied of his simulated log, and two of his sessions. */
let lifter: string;
let sessions: string[];
beforeAll(async () => {
  api = await startApi();
  log = api.app.get(LogService);
  curves = api.app.get(CurvesService);
  const [row] = await api.db.query('SELECT id, time_zone FROM club');
  club = { id: row.id, timeZone: row.time_zone };
  const coach = await Coach.signIn(api);
  const { lifters } = await coach.get<RackView>('/lifters');
  lifter = lifters.find((row) => row.name === 'Kofi Adeyemi-Lund')!.id;
  const { season } = await coach.get<SheetView>(`/lifters/${lifter}/sheet`);
  sessions = season.sessions.filter((session) => session.done).map((session) => session.id);
});
afterAll(() => api.close());
beforeEach(async () => {
  await api.db.query('DELETE FROM logged_set WHERE lifter_id = $1', [lifter]);
  await api.db.query('DELETE FROM logged_hold WHERE lifter_id = $1', [lifter]);
});

async function insert(table: 'logged_set' | 'logged_hold', more: Record<string, unknown>): Promise<void> {
  const base = {
    id: randomUUID(),
    club_id: club.id,
    lifter_id: lifter,
    session_id: sessions[0],
    done_at: '2026-11-20T17:00:00Z',
    training_day: String(more['done_at'] ?? '2026-11-20').slice(0, 10),
    load: 200,
    grip: 'doubleOverhand',
    chalk: 'block',
    diameter: 29,
  };
  const own =
    table === 'logged_set'
      ? { lift_id: 'deadlift.conventional', role: 'top', reps: 1, style: 'reset', strapped: false }
      : {
          kind: 'frontRackHold',
          lift_id: 'hold.front-rack',
          place: 0,
          seconds: 10,
          target: 10,
          ended: 'stopped',
        };
  const row: Record<string, unknown> = { ...base, ...own, ...more };
  const names = Object.keys(row);
  await api.db.query(
    `INSERT INTO ${table} (${names.join(', ')}) VALUES (${names.map((_, i) => `$${i + 1}`).join(', ')})`,
    Object.values(row),
  );
}

const observed = (): ReturnType<CurvesService['observations']> =>
  curves.observations(club, {
    ...{ id: lifter, bodyMass: 100, deadliftMax: 250, sport: 'powerlifting', bestPulled: 'straps' },
    ...{ bestChalk: null, deadliftOn: null },
  });

describe('observations: what the log tells about the hands', () => {
  it('a set is a hold as long as its demand, aged in days', async () => {
    await insert('logged_set', { reps: 3 });
    const [found, ...others] = await observed();
    expect(others).toEqual([]);
    expect(found).toMatchObject({
      load: 210,
      ended: 'stopped',
      grip: 'doubleOverhand',
      diameter: 29,
      ageDays: 4,
      times: 1,
      source: 'set',
    });
    expect(found!.seconds).toBeCloseTo(8.5, 9);
  });

  it('alike sets of one session come as one row with their number; other sessions stay apart', async () => {
    for (let i = 0; i < 3; i++) await insert('logged_set', {});
    await insert('logged_set', { slipped_at_rep: 1 });
    await insert('logged_set', { session_id: sessions[1] });
    const found = await observed();
    expect(found.map((each) => [each.times, each.ended]).sort()).toEqual([
      [1, 'slipped'],
      [1, 'stopped'],
      [3, 'stopped'],
    ]);
  });

  it('leaves out what says nothing: strapped, undone, not gripped, too old', async () => {
    await insert('logged_set', { strapped: true });
    await insert('logged_set', { undone_at: '2026-11-20T18:00:00Z' });
    await insert('logged_set', { lift_id: 'squat' });
    await insert('logged_set', { done_at: '2025-09-01T17:00:00Z' });
    await insert('logged_hold', { undone_at: '2026-11-20T18:00:00Z' });
    expect(await observed()).toEqual([]);
  });

  it('a later hold of a session knows how many hard ones came before it', async () => {
    await insert('logged_hold', { place: 0 });
    await insert('logged_hold', { place: 1, seconds: 7.5, ended: 'slipped' });
    const found = await observed();
    expect(found.map((each) => [each.earlierHolds, each.seconds, each.ended, each.source]).sort()).toEqual([
      [0, 10, 'stopped', 'hold'],
      [1, 7.5, 'slipped', 'hold'],
    ]);
  });
});

describe('the latest holds of a kind', () => {
  it('come session by session, the latest first, in order, and can leave today’s out', async () => {
    const [earlier, later] = [sessions[0]!, sessions.at(-1)!];
    const on = { done_at: '2026-11-22T17:00:00Z' };
    await insert('logged_hold', { session_id: earlier, load: 180 });
    await insert('logged_hold', {
      ...on,
      session_id: later,
      load: 185,
      place: 1,
      seconds: 8,
      ended: 'slipped',
    });
    await insert('logged_hold', { ...on, session_id: later, load: 185, place: 0 });
    const found = await log.latestHolds(lifter, 'frontRackHold', null);
    expect(found.map(({ load, seconds }) => [load, seconds])).toEqual([
      [185, 10],
      [185, 8],
      [180, 10],
    ]);
    const before = await log.latestHolds(lifter, 'frontRackHold', later);
    expect(before.map(({ load }) => load)).toEqual([180]);
  });
});

describe('the ledger', () => {
  it('counts sets with a side under, bare-handed and not undone, with their seconds', async () => {
    await insert('logged_set', { grip: 'mixed', side_under: 'left', reps: 2 });
    await insert('logged_set', { grip: 'mixed', side_under: 'right', undone_at: '2026-11-20T18:00:00Z' });
    await insert('logged_set', { grip: 'hook' });
    const { left, right } = await curves.ledger(club, lifter);
    expect(left).toMatchObject({ sets: 1, reps: 2, loadReps: 400, loadSeconds: 1350 });
    expect(right).toMatchObject({ sets: 0 });
  });
});

describe('the schema itself refuses nonsense', () => {
  it.each([
    ['a load of −5', { load: -5 }],
    ['a slip after the last repetition', { reps: 1, slipped_at_rep: 2 }],
    ['an unknown grip', { grip: 'thumbless' }],
    ['a lifter who is not there', { lifter_id: randomUUID() }],
  ])('%s', async (_what, more) => {
    await expect(insert('logged_set', more)).rejects.toThrow(/violates/);
  });
});
