import { randomUUID } from 'node:crypto';
import type {
  CalledSet,
  CallsView,
  ErrorView,
  FloorView,
  LogView,
  RackView,
  SessionEndView,
  SessionPlanView,
  SheetView,
  SqueezeView,
  VenueChoice,
} from '@iron-clasp/contract';
import { Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let lifter: string;
let session: string;
let sets: readonly CalledSet[];
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  lifter = (await coach.get<RackView>('/lifters')).lifters.find((row) => row.name === 'Odalys Brandt')!.id;
  session = (await coach.get<SheetView>(`/lifters/${lifter}/sheet`)).nextSessionId!;
  ({ sets } = await coach.get<CallsView>(`/sessions/${session}/calls`));
});
afterAll(() => api.close());

const AT = '2026-11-24T11:00:00Z';
const hold = (more: object = {}): object => ({
  ...{ kind: 'frontRackHold', load: 100, seconds: 10, target: 10, ended: 'stopped' },
  ...{ grip: 'doubleOverhand', chalk: 'block', doneAt: AT, ...more },
});
const done = (set: CalledSet, more: object = {}): object => ({
  ...{ plannedSetId: set.id, load: set.loading.total, reps: set.reps, grip: 'doubleOverhand' },
  ...{ strapped: false, chalk: 'block', doneAt: AT, ...more },
});
const raw = (path: string, body: object): Promise<number> =>
  coach.agent
    .put(`/api${path}`)
    .set('x-iron-clasp-token', coach.token)
    .send(body)
    .then((answer) => answer.status);
const logged = async (id: string): Promise<LogView['entries'][number]> =>
  (await coach.get<LogView>(`/lifters/${lifter}/log`)).entries.find((each) => each.id === id)!;

describe('a correction', () => {
  const entry = randomUUID();
  const path = `/sets/${entry}/corrections`;

  it('sent again changes nothing; with another load under its id it is refused', async () => {
    await coach.send('put', `/sessions/${session}/sets/${entry}`, done(sets[0]!), 200);
    const id = randomUUID();
    await coach.send('put', `${path}/${id}`, { load: 61 }, 204);
    await coach.send('put', `${path}/${id}`, { load: 61 }, 204);
    const { error } = await coach.send<ErrorView>('put', `${path}/${id}`, { load: 62 }, 409);
    expect(error.code).toBe('kept-differently');
    expect((await logged(entry)).load).toBe(61);
  });

  it('that races with itself is one correction', async () => {
    const id = randomUUID();
    const both = await Promise.all([0, 1].map(() => raw(`${path}/${id}`, { load: 63 })));
    expect(both).toEqual([204, 204]);
    expect((await logged(entry)).corrections).toHaveLength(2);
  });

  it('to a mixed grip says which hand was under, so that the ledger counts it', async () => {
    const { error } = await coach.send<ErrorView>('put', `${path}/${randomUUID()}`, { grip: 'mixed' }, 400);
    expect(error.fields![0]!.path).toBe('sideUnder');
    await coach.send('put', `${path}/${randomUUID()}`, { grip: 'mixed', sideUnder: 'left' }, 204);
    expect(await logged(entry)).toMatchObject({ grip: 'mixed', sideUnder: 'left' });
    await coach.send('put', `${path}/${randomUUID()}`, { grip: 'hook' }, 204);
    expect(await logged(entry)).toMatchObject({ grip: 'hook', sideUnder: null });
  });

  it('takes a hang to nothing but the body, and no bar to nothing', async () => {
    const [hang, rack] = [randomUUID(), randomUUID()];
    await coach.send('put', `/sessions/${session}/holds/${hang}`, hold({ kind: 'deadHang', load: 5 }), 200);
    await coach.send('put', `/holds/${hang}/corrections/${randomUUID()}`, { load: 0 }, 204);
    expect((await logged(hang)).load).toBe(0);
    await coach.send('put', `/sessions/${session}/holds/${rack}`, hold(), 200);
    await coach.send('put', `/holds/${rack}/corrections/${randomUUID()}`, { load: 0 }, 400);
  });
});

it('ten holds at once each have a place of their own', async () => {
  const before = (await coach.get<CallsView>(`/sessions/${session}/calls`)).holdsDone.length;
  const ids = Array.from({ length: 10 }, () => randomUUID());
  const answers = await Promise.all(ids.map((id) => raw(`/sessions/${session}/holds/${id}`, hold())));
  expect(answers).toEqual(Array(10).fill(200));
  const { holdsDone } = await coach.get<CallsView>(`/sessions/${session}/calls`);
  expect(holdsDone).toHaveLength(before + 10);
  expect(new Set(holdsDone.map((each) => each.place)).size).toBe(before + 10);
});

it('a hold keeps its lift, its bar and its diameter as they were when it was held', async () => {
  const id = randomUUID();
  const carry = hold({ kind: 'carry', liftId: 'carry.dumbbells', load: 40, seconds: 30 });
  await coach.send('put', `/sessions/${session}/holds/${id}`, carry, 200);
  const thick = randomUUID();
  const fat = hold({ kind: 'thickBarHold', load: 80, diameter: 57 });
  await coach.send('put', `/sessions/${session}/holds/${thick}`, fat, 200);
  const { holdsDone } = await coach.get<CallsView>(`/sessions/${session}/calls`);
  expect(holdsDone.find((each) => each.id === id)).toMatchObject({ liftId: 'carry.dumbbells', diameter: 30 });
  expect(holdsDone.find((each) => each.id === thick)).toMatchObject({ kind: 'thickBarHold', diameter: 57 });
  await coach.send('put', `/sessions/${session}/holds/${randomUUID()}`, hold({ liftId: 'hang.dead' }), 400);
});

it('a hold is put right to one that was never lifted, and back with its seconds', async () => {
  const id = randomUUID();
  await coach.send('put', `/sessions/${session}/holds/${id}`, hold(), 200);
  const correct = (body: object, status = 204): Promise<ErrorView> =>
    coach.send<ErrorView>('put', `/holds/${id}/corrections/${randomUUID()}`, body, status);
  const now = async (): Promise<object> =>
    (await coach.get<CallsView>(`/sessions/${session}/calls`)).holdsDone.find((each) => each.id === id)!;
  await correct({ ended: 'notLifted' });
  expect(await now()).toMatchObject({ ended: 'notLifted', seconds: 0 });
  const { error } = await correct({ ended: 'stopped' }, 400);
  expect(error.fields![0]!.path).toBe('seconds');
  await correct({ ended: 'stopped', seconds: 8 });
  expect(await now()).toMatchObject({ ended: 'stopped', seconds: 8 });
  await coach.send('delete', `/holds/${id}`, undefined, 204);
});

it('sets are added as the day goes: one more like another, or one of another lift', async () => {
  const [like] = sets;
  const id = randomUUID();
  const path = `/sessions/${session}/extra-sets/${id}`;
  await coach.send('put', path, { like: like!.id }, 200);
  await coach.send('put', path, { like: like!.id }, 200);
  const more = randomUUID();
  const other = { liftId: 'row.barbell', role: 'volume', load: 60, reps: 8 };
  const now = await coach.send<CallsView>('put', `/sessions/${session}/extra-sets/${more}`, other, 200);
  expect(now.sets).toHaveLength(sets.length + 2);
  expect(now.sets.at(-2)).toMatchObject({ id, liftId: like!.liftId, role: like!.role, reps: like!.reps });
  expect(now.sets.at(-1)).toMatchObject({ id: more, liftId: 'row.barbell', reps: 8 });
  expect(now.sets.at(-1)!.call.choice).not.toBeNull();
  // Logged like any other, and written out where the session is read as lines.
  const log = await coach.send<CallsView>(
    'put',
    `/sessions/${session}/sets/${randomUUID()}`,
    done(now.sets.at(-1)!),
    200,
  );
  expect(log.sets.at(-1)!.done).toMatchObject({ reps: 8 });
  const { lines } = await coach.get<SessionPlanView>(`/sessions/${session}/plan`);
  expect(lines.at(-1)).toMatchObject({ liftId: 'row.barbell' });
  await coach.send('delete', `/sets/${log.sets.at(-1)!.done!.id}`, undefined, 204);
});

it.each([
  [{ liftId: 'row.barbell', load: 0 }, 'load', 400],
  [{ liftId: 'carry.handles', load: 40 }, 'seconds', 400],
  [{ load: 40 }, 'liftId', 400],
  [{ like: randomUUID() }, null, 404],
])('an added set %j is refused plainly', async (body, field, status) => {
  const { error } = await coach.send<ErrorView>(
    'put',
    `/sessions/${session}/extra-sets/${randomUUID()}`,
    body,
    status,
  );
  if (field) expect(error.fields![0]!.path).toBe(field);
});

it('a session of a past day is entered later, dated to that day', async () => {
  const [venue] = await coach.get<VenueChoice[]>('/venues');
  const id = randomUUID();
  const body = {
    ...{ title: 'Forgotten', heldOn: '2026-11-12', venueId: venue!.id, holds: [], version: 0 },
    lines: [{ liftId: 'deadlift.conventional', text: '1x5 @ 60%' }],
  };
  await coach.send('put', `/lifters/${lifter}/sessions/${id}`, body, 200);
  const { sets: written } = await coach.get<CallsView>(`/sessions/${id}/calls`);
  const at = { doneAt: '2026-11-12T12:00:00Z' };
  await coach.send('put', `/sessions/${id}/sets/${randomUUID()}`, done(written[0]!, at), 200);
  const { session: head, sets: now } = await coach.get<CallsView>(`/sessions/${id}/calls`);
  expect(head.on).toBe('2026-11-12');
  expect(now[0]!.done!.doneAt).toBe('2026-11-12T12:00:00.000Z');
});

it('a session is edited or its first set logged, whichever comes first; neither breaks the other', async () => {
  const [venue] = await coach.get<VenueChoice[]>('/venues');
  for (let round = 0; round < 6; round++) {
    const id = randomUUID();
    const body = {
      ...{ title: 'Race', heldOn: '2027-05-04', venueId: venue!.id, holds: [], version: 0 },
      lines: [{ liftId: 'deadlift.conventional', text: '3x5 @ 60%' }],
    };
    await coach.send('put', `/lifters/${lifter}/sessions/${id}`, body, 200);
    const { sets: written } = await coach.get<CallsView>(`/sessions/${id}/calls`);
    const edited = { ...body, version: 1, lines: [{ liftId: 'deadlift.conventional', text: '2x3 @ 70%' }] };
    const [edit, log] = await Promise.all([
      raw(`/lifters/${lifter}/sessions/${id}`, edited),
      raw(`/sessions/${id}/sets/${randomUUID()}`, done(written[0]!)),
    ]);
    // The edit won and the set is gone, or the set won and the session is history.
    expect([
      [200, 404],
      [409, 200],
    ]).toContainEqual([edit, log]);
    const plan = await coach.get<SessionPlanView>(`/sessions/${id}/plan`);
    expect(plan.started).toBe(log === 200);
  }
});

it('a slip is judged by what was expected before it, not by what is known since', async () => {
  const top = sets.find((set) => set.role === 'top')!;
  const expected = (await coach.get<CallsView>(`/sessions/${session}/calls`)).sets.find(
    (set) => set.id === top.id,
  )!.call.probability!;
  await coach.send(
    'put',
    `/sessions/${session}/sets/${randomUUID()}`,
    done(top, { grip: top.call.grip!, slippedAtRep: 1 }),
    200,
  );
  const { causes } = await coach.get<SessionEndView>(`/sessions/${session}/end`);
  const since = (await coach.get<CallsView>(`/sessions/${session}/calls`)).sets.find(
    (set) => set.id === top.id,
  )!.call.probability;
  // The grip that slipped is out now: nothing bare is called, or less is expected of it.
  expect(since ?? 0).toBeLessThan(expected);
  expect(causes.length).toBeGreaterThan(0);
});

it('of two squeeze tests of one day the second counts, read against those of the days before', async () => {
  const protocol = (await coach.get<SqueezeView>(`/lifters/${lifter}/squeeze`)).tests[0]!;
  const test = (force: number, testedAt: string): object => ({
    ...{ protocolId: undefined, protocol: protocol.protocol, source: 'hand', testedAt, sessionId: session },
    trials: [1, 2, 3].flatMap(() => ['left', 'right'].map((hand) => ({ hand, force }))),
  });
  const [first, second] = [randomUUID(), randomUUID()];
  await coach.send('put', `/lifters/${lifter}/squeeze-tests/${first}`, test(30, '2026-11-24T09:00:00Z'), 200);
  const view = await coach.send<SqueezeView>(
    'put',
    `/lifters/${lifter}/squeeze-tests/${second}`,
    test(36, '2026-11-24T10:00:00Z'),
    200,
  );
  expect(view.readingOf).toBe(second);
  const { squeeze } = await coach.get<FloorView>(`/sessions/${session}/floor`);
  expect(squeeze.today!.trials[0]!.force).toBe(36);
  expect(squeeze.todays).toHaveLength(2);
  expect(squeeze.earlier.every((each) => each.on < '2026-11-24')).toBe(true);
});
