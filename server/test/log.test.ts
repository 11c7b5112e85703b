import { randomUUID } from 'node:crypto';
import type { CallsView, CurveView, ErrorView, LogView, RackView, SheetView } from '@iron-clasp/contract';
import { Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
/** Odalys’s heavy day: calls, and a hold to do. */
let session: string;
let lifter: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  const { lifters } = await coach.get<RackView>('/lifters');
  lifter = lifters.find((row) => row.name === 'Odalys Brandt')!.id;
  session = (await coach.get<SheetView>(`/lifters/${lifter}/sheet`)).nextSessionId!;
});
afterAll(() => api.close());

const hold = (more: object = {}): object => ({
  load: 116,
  seconds: 10,
  target: 10,
  ended: 'stopped',
  grip: 'mixed',
  sideUnder: 'right',
  chalk: 'block',
  doneAt: '2026-11-24T11:00:00Z',
  ...more,
});
const calls = (): Promise<CallsView> => coach.get<CallsView>(`/sessions/${session}/calls`);
const put = <Answer = CallsView>(id: string, body: object, status = 200): Promise<Answer> =>
  coach.send<Answer>('put', `/sessions/${session}/holds/${id}`, body, status);

describe('logging holds', () => {
  const [first, second] = [randomUUID(), randomUUID()];

  it('a hold changes the next prescription and the curve, not the hold being done', async () => {
    const before = await calls();
    const curveBefore = await coach.get<CurveView>(`/lifters/${lifter}/curve`);
    expect(before.holds[0]!.next).toBeNull();
    const load = before.holds[0]!.hold!.load;
    await put(first, hold({ load }));
    const after = await put(second, hold({ load, doneAt: '2026-11-24T11:05:00Z' }));
    expect(after.holds[0]!.hold!.load).toBe(load);
    expect(after.holdsDone.map((each) => each.seconds)).toEqual([10, 10]);
    expect(after.holds[0]!.next).toMatchObject({ change: 'add' });
    expect(after.holds[0]!.next!.load).toBeGreaterThan(load);
    const curveAfter = await coach.get<CurveView>(`/lifters/${lifter}/curve`);
    expect(curveAfter.curve.evidence.observations).toBe(curveBefore.curve.evidence.observations + 2);
  });

  it('sent again it changes nothing', async () => {
    const load = (await calls()).holds[0]!.hold!.load;
    const again = await Promise.all(Array.from({ length: 5 }, () => put(first, hold({ load }))));
    expect(again.at(-1)!.holdsDone).toHaveLength(2);
    const [{ count }]: [{ count: number }] = await api.db.query(
      'SELECT count(*)::int AS count FROM logged_hold WHERE session_id = $1',
      [session],
    );
    expect(count).toBe(2);
  });

  it('other content under the same id is refused and the first entry kept', async () => {
    const refused = await put<ErrorView>(first, hold({ seconds: 3 }), 409);
    expect(refused.error).toMatchObject({ code: 'kept-differently' });
    expect((await calls()).holdsDone[0]!.seconds).toBe(10);
  });

  it('undo hides it and is repeatable; sending the undone entry again does not bring it back', async () => {
    await coach.send('delete', `/holds/${second}`, undefined, 204);
    await coach.send('delete', `/holds/${second}`, undefined, 204);
    const load = (await calls()).holds[0]!.hold!.load;
    expect((await put(second, hold({ load, doneAt: '2026-11-24T11:05:00Z' }))).holdsDone).toHaveLength(1);
    const [row]: { undone_at: Date | null }[] = await api.db.query(
      'SELECT undone_at FROM logged_hold WHERE id = $1',
      [second],
    );
    expect(row!.undone_at).not.toBeNull();
    // Who took it back stands with it, in a list of its own.
    const listed = async (query: string): Promise<LogView['entries']> =>
      (await coach.get<LogView>(`/lifters/${lifter}/log${query}`)).entries.filter(({ id }) => id === second);
    expect(await listed('')).toEqual([]);
    expect(await listed('?undone=yes')).toMatchObject([
      { undone: { by: 'Maren Solvik', at: '2026-11-24T12:00:00.000Z' } },
    ]);
  });

  it('a slip repeats the load', async () => {
    await coach.send('delete', `/holds/${first}`, undefined, 204);
    const load = (await calls()).holds[0]!.hold!.load;
    const after = await put(randomUUID(), hold({ load, seconds: 7.2, ended: 'slipped' }));
    expect(after.holds[0]!.next!.change).not.toBe('add');
    expect(after.holds[0]!.next!.load).toBeLessThanOrEqual(load);
  });
});

describe('bad input is refused at the field, in words that say what to do', () => {
  it.each([
    ['a hold of 0 s', { seconds: 0 }, 'seconds'],
    ['a hold of 10,000 s', { seconds: 10_000 }, 'seconds'],
    ['a load of −5', { load: -5 }, 'load'],
    ['a load in words', { load: 'heavy' }, 'load'],
    ['an unknown grip', { grip: 'thumbless' }, 'grip'],
    ['no ending', { ended: undefined }, 'ended'],
    ['a time that is none', { doneAt: 'yesterday' }, 'doneAt'],
    ['a time in the future', { doneAt: '2027-01-01T00:00:00Z' }, 'doneAt'],
    ['a field nobody knows', { approved: true }, 'approved'],
    ['a note without end', { note: 'x'.repeat(501) }, 'note'],
  ])('%s', async (_what, more, field) => {
    const before = (await calls()).holdsDone.length;
    const { error } = await put<ErrorView>(randomUUID(), hold(more), 400);
    expect(error.code).toBe('invalid-input');
    expect(error.fields!.map((each) => each.path)).toContain(field);
    expect((await calls()).holdsDone).toHaveLength(before);
  });

  it('an id that is none, an unknown session, an unknown lifter', async () => {
    await coach.send('put', `/sessions/${session}/holds/17`, hold(), 404);
    await coach.send('put', `/sessions/${randomUUID()}/holds/${randomUUID()}`, hold(), 404);
    expect((await coach.get<ErrorView>('/lifters/nobody/sheet', 404)).error.message).toMatch(/rack/);
  });
});

describe('logging sets', () => {
  it('keeps a set under its planned one, and refuses a slip after the last repetition', async () => {
    const planned = (await calls()).sets.find((set) => set.role === 'top')!;
    const body = {
      plannedSetId: planned.id,
      load: planned.loading.total,
      reps: 1,
      grip: 'mixed',
      sideUnder: 'left',
      strapped: false,
      chalk: 'block',
      doneAt: '2026-11-24T10:30:00Z',
    };
    const after = await coach.send<CallsView>('put', `/sessions/${session}/sets/${randomUUID()}`, body, 200);
    expect(after.sets.find((set) => set.id === planned.id)!.done).toMatchObject({
      reps: 1,
      grip: 'mixed',
      slippedAtRep: null,
    });
    const late = await coach.send<ErrorView>(
      'put',
      `/sessions/${session}/sets/${randomUUID()}`,
      { ...body, slippedAtRep: 2 },
      400,
    );
    expect(late.error.fields![0]!.path).toBe('slippedAtRep');
    await coach.send(
      'put',
      `/sessions/${session}/sets/${randomUUID()}`,
      { ...body, plannedSetId: randomUUID() },
      404,
    );
  });
});

describe('a session held elsewhere', () => {
  it('is called anew with that venue’s chalk and plates; a page that saw an older version is told', async () => {
    const before = await calls();
    const hotel = before.session.venues.find((venue) => venue.chalk === 'liquid')!;
    const body = { venueId: hotel.id, version: before.session.version };
    const after = await coach.send<CallsView>('patch', `/sessions/${session}`, body, 200);
    expect(after.session.version).toBe(before.session.version + 1);
    expect(after.sets.some((set) => set.call.chalk.kind === 'block')).toBe(false);
    const home = { venueId: before.session.venue.id, version: before.session.version };
    const stale = await coach.send<ErrorView>('patch', `/sessions/${session}`, home, 409);
    expect(stale.error).toMatchObject({ code: 'changed-meanwhile' });
    await coach.send('patch', `/sessions/${session}`, { ...home, version: after.session.version }, 200);
  });
});

it('a grip is asked of what hangs from one: bands and presses have none', async () => {
  const page = (query: string): Promise<LogView> => coach.get<LogView>(`/lifters/${lifter}/log?${query}`);
  expect((await page('kind=set')).entries.some((entry) => !entry.gripped)).toBe(true);
  for (const kind of ['', '&kind=set', '&kind=hold']) {
    const { entries } = await page(`grip=mixed${kind}`);
    expect(entries.length).toBeGreaterThan(0);
    for (const entry of entries)
      expect(entry).toMatchObject({ gripped: true, grip: 'mixed', strapped: false });
  }
  const overhand = (await page('grip=doubleOverhand')).entries;
  expect(overhand.map((entry) => entry.liftName)).not.toContain('Band finger opening');
});
