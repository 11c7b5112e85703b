import { randomUUID } from 'node:crypto';
import { SOUND_HAND, type HandsToday } from '@iron-clasp/core';
import type {
  CallsView,
  ClubView,
  CurveView,
  ErrorView,
  FloorView,
  LogView,
  ProfileView,
  SessionEndView,
  SessionPlanView,
  SessionPreviewView,
  SheetView,
  VenueChoice,
} from '@iron-clasp/contract';
import { Coach, startApi, type Api } from './api.test-helper.ts';

/** The day that the tests stand at. */
const TODAY = '2026-11-24';
const NOON = '2026-11-24T11:30:00Z';

let api: Api;
let coach: Coach;
let venue: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  venue = (await coach.get<VenueChoice[]>('/venues')).find((each) => each.name === 'Rope works')!.id;
});
afterAll(() => api.close());

async function newLifter(more: object = {}): Promise<ProfileView> {
  const made = await coach.send<ProfileView>(
    'put',
    `/lifters/${randomUUID()}`,
    { name: 'Wren Castellane', sport: 'powerlifting', deadliftMax: 150, version: 0, ...more },
    200,
  );
  return coach.get<ProfileView>(`/lifters/${made.id}/profile`);
}

async function session(lifter: string, lines: object[], more: object = {}): Promise<string> {
  const id = randomUUID();
  await coach.send<SessionPlanView>(
    'put',
    `/lifters/${lifter}/sessions/${id}`,
    { title: 'Day one', heldOn: TODAY, venueId: venue, holds: [], version: 0, lines, ...more },
    200,
  );
  return id;
}
const calls = (id: string): Promise<CallsView> => coach.get<CallsView>(`/sessions/${id}/calls`);
const check = (lifter: string, hands: HandsToday, checkedAt = NOON): Promise<unknown> =>
  coach.send('put', `/lifters/${lifter}/hands-checks/${randomUUID()}`, { hands, checkedAt }, 200);
const pull = (text: string, liftId = 'deadlift.conventional'): object => ({ liftId, text });

describe('a lifter of whom three answers and the best pull are known', () => {
  it('warms up double overhand; the heavy single keeps the school’s practice and says that nobody knows yet', async () => {
    const { id } = await newLifter({ bestPulled: 'mixed' });
    const { sets, evidence } = await calls(await session(id, [pull('ramp top 1x1 @ 90%')]));
    for (const set of sets.filter((each) => each.role === 'warmup' && each.planned <= 90))
      expect(set.call).toMatchObject({ choice: 'doubleOverhand' });
    const top = sets.at(-1)!;
    expect(top.call).toMatchObject({ choice: 'mixed', verdict: 'unproven', near: 0 });
    expect(top.lighter).toBeNull();
    expect(evidence).toMatchObject({ observations: 0, best: 'told' });
  });

  it('of whom nobody has said how it was pulled, it is assumed and asked', async () => {
    const made = await newLifter();
    expect(made).toMatchObject({ bestPulled: 'notSaid', alternation: 'lightBySession' });
    expect(made.unanswered).toEqual(expect.arrayContaining(['bestPulled', 'practisedUnder']));
    const { evidence } = await calls(await session(made.id, [pull('top 1x1 @ 90%')]));
    expect(evidence.best).toBe('assumed');
  });

  it('a strapped best says nothing, and the practised side is kept on heavy sets', async () => {
    const { id } = await newLifter({ bestPulled: 'straps', practisedUnder: 'right' });
    const { sets, evidence } = await calls(await session(id, [pull('top 1x1 @ 90% mixed')]));
    expect(evidence.best).toBeUndefined();
    expect(sets[0]!.call).toMatchObject({ choice: 'mixed', sideUnder: 'right' });
  });

  it.each([
    [{ bestPulled: 'teeth' }, 'bestPulled'],
    [{ practisedUnder: 'both' }, 'practisedUnder'],
    [{ alternation: 'sometimes' }, 'alternation'],
    [{ thumbFingers: 4 }, 'thumbFingers'],
    [{ clenches: 'yes' }, 'clenches'],
  ])('%j is refused by name', async (more, path) => {
    const body = { name: 'Wren Castellane', sport: 'powerlifting', deadliftMax: 150, version: 0, ...more };
    const answer = await coach.send<ErrorView>('put', `/lifters/${randomUUID()}`, body, 400);
    expect(answer.error.fields![0]!.path).toBe(path);
  });
});

describe('a new best', () => {
  it('offers itself, and becomes the best once the coach agrees', async () => {
    const { id } = await newLifter({ bestPulled: 'mixed' });
    const planned = await session(id, [pull('top 1x1 @ 100%')]);
    const [set] = (await calls(planned)).sets;
    const sheet = (): Promise<SheetView> => coach.get<SheetView>(`/lifters/${id}/sheet`);
    expect((await sheet()).newBest).toBeNull();
    await coach.send(
      'put',
      `/sessions/${planned}/sets/${randomUUID()}`,
      {
        ...{ plannedSetId: set!.id, load: 152.5, reps: 1, grip: 'hook', strapped: false, chalk: 'block' },
        doneAt: NOON,
      },
      200,
    );
    const { newBest, lifter } = await sheet();
    expect(newBest).toMatchObject({ load: 152.5, on: TODAY, pulled: 'hook' });
    const body = { name: lifter.name, sport: lifter.sport, version: newBest!.version };
    await coach.send('put', `/lifters/${id}`, { ...body, deadliftMax: 152.5, bestPulled: 'hook' }, 200);
    expect((await sheet()).newBest).toBeNull();
  });
});

describe('unwell', () => {
  it('stops every line, says so on sheet, floor and club page, and is taken back by a new check', async () => {
    const { id, name } = await newLifter();
    const planned = await session(id, [
      pull('3x5 @ 100'),
      pull('3x5 @ 60', 'bench'),
      pull('2x5 @ 80', 'squat'),
    ]);
    const sound: HandsToday = { left: SOUND_HAND, right: SOUND_HAND };
    await check(id, { ...sound, unwell: true });
    const stopped = await calls(planned);
    expect(new Set(stopped.sets.map((set) => set.call.verdict))).toEqual(new Set(['stop']));
    expect(stopped.session.hands).toEqual({
      said: 'unwell: nothing is lifted',
      stop: expect.stringMatching(/lift nothing/),
    });
    const floor = await coach.get<FloorView>(`/sessions/${planned}/floor`);
    expect(floor.hands.unwell).toBe(true);
    const club = await coach.get<ClubView>('/club/attention');
    expect(club.lifters.find((each) => each.name === name)!.findings.map((each) => each.ruleId)).toContain(
      'attention.unwell',
    );
    await check(id, sound, '2026-11-24T11:40:00Z');
    expect((await calls(planned)).session.hands.stop).toBeNull();
  });
});

describe('the meet binds its day and its rehearsals', () => {
  it('straps are out in both, and every page gives one answer on the third attempt', async () => {
    const { id } = await newLifter({ bestPulled: 'mixed', schoolId: 'strap-the-volume' });
    await coach.send(
      'put',
      `/lifters/${id}/meets/${randomUUID()}`,
      {
        ...{ name: 'Tide Cup', heldOn: '2026-12-05', straps: false, thumbTape: false, liquidChalk: true },
        ...{ place: 'Harbour hall', barDiameter: 27, attempts: [135, 142.5, 150], version: 0 },
      },
      200,
    );
    const lines = [pull('2x5 @ 70%')];
    const bare = (view: CallsView): (string | null)[] => view.sets.map((set) => set.call.choice);
    expect(bare(await calls(await session(id, lines)))).toEqual(['straps', 'straps']);
    const rehearsal = await calls(await session(id, lines, { rehearsesMeet: true, heldOn: '2026-11-25' }));
    expect(bare(rehearsal)).not.toContain('straps');
    expect(rehearsal.session.event).toEqual({ name: 'Tide Cup', rehearsal: true });
    const onTheDay = await calls(await session(id, lines, { heldOn: '2026-12-05' }));
    expect(onTheDay.session.event).toEqual({ name: 'Tide Cup', rehearsal: false });
    expect(bare(onTheDay)).not.toContain('straps');
    const curve = await coach.get<CurveView>(`/lifters/${id}/curve`);
    const third = curve.demands.filter((each) => each.kind === 'attempt').at(-1)!;
    expect(third.grip).toBe('mixed');
    const club = await coach.get<ClubView>('/club/attention');
    const said = club.lifters
      .find((each) => each.id === id)!
      .findings.find((each) => /third attempt/.test(each.text));
    expect(said!.text).toMatch(/not known yet/);
  });
});

describe('the attempts of whoever hooks top sets', () => {
  it('are all hooked on the day, as the curve has them, though the line does not say what they are', async () => {
    const { id } = await newLifter({ bestPulled: 'hook', schoolId: 'same-grip' });
    const attempts = [135, 142.5, 150];
    await coach.send(
      'put',
      `/lifters/${id}/meets/${randomUUID()}`,
      {
        ...{ name: 'Tide Cup', heldOn: '2026-12-05', straps: false, thumbTape: false, liquidChalk: true },
        ...{ attempts, version: 0 },
      },
      200,
    );
    const lines = attempts.map((load) => pull(`1x1 @ ${load}kg`));
    const onTheDay = await calls(await session(id, lines, { heldOn: '2026-12-05' }));
    const { demands } = await coach.get<CurveView>(`/lifters/${id}/curve`);
    const planned = demands.filter((each) => each.kind === 'attempt').map((each) => each.grip);
    expect(planned).toEqual(['hook', 'hook', 'hook']);
    expect(onTheDay.sets.map((set) => set.call.choice)).toEqual(planned);
    expect(onTheDay.sets.map((set) => set.role)).toEqual(['attempt', 'attempt', 'attempt']);
  });
});

describe('several events in one meet', () => {
  it('each has its own rule on straps, on the day and where it is rehearsed', async () => {
    const { id } = await newLifter({ sport: 'strongman', schoolId: 'strongman' });
    const meet = {
      ...{ name: 'Harbour Day', heldOn: TODAY, straps: true, thumbTape: true, liquidChalk: true },
      ...{ attempts: [], version: 0, events: [{ liftId: 'deadlift.axle', straps: false }] },
    };
    const put = (body: object, status = 200): Promise<unknown> =>
      coach.send('put', `/lifters/${id}/meets/${randomUUID()}`, body, status);
    await put(meet);
    const on = await session(id, [pull('top 1x3 @ 130kg'), pull('top 1x3 @ 110kg', 'deadlift.axle')]);
    const [pulled, axle] = (await calls(on)).sets;
    expect(pulled!.call.choice).toBe('straps');
    expect(axle!.call.choice).not.toBe('straps');
    expect(axle!.call.reasons.map((each) => each.text).join(' ')).toMatch(/Harbour Day, Axle deadlift/);
    const twice = [
      { liftId: 'deadlift.axle', straps: false },
      { liftId: 'deadlift.axle', straps: true },
    ];
    await put({ ...meet, events: twice }, 400);
  });

  it('each has its own bar, and the meet’s binds every other lift on its day: called and kept so', async () => {
    const { id } = await newLifter({ sport: 'strongman', schoolId: 'strongman' });
    const meet = {
      ...{ name: 'Harbour Day', heldOn: TODAY, straps: false, thumbTape: true, liquidChalk: true },
      ...{ attempts: [], version: 0, barDiameter: 28, place: 'Slip hall' },
      events: [{ liftId: 'deadlift.axle', straps: false, barDiameter: 60 }],
    };
    const put = (body: object, status = 200): Promise<unknown> =>
      coach.send('put', `/lifters/${id}/meets/${randomUUID()}`, body, status);
    const on = await session(id, [pull('top 1x3 @ 60kg'), pull('top 1x3 @ 60kg', 'deadlift.axle')]);
    const chances = async (): Promise<number[]> =>
      (await calls(on)).sets.map(
        ({ call }) => call.alternatives.grips.find(({ choice }) => choice === 'doubleOverhand')!.probability!,
      );
    const before = await chances();
    await put({ ...meet, events: [{ ...meet.events[0], barDiameter: 3 }] }, 400);
    await put(meet);
    const view = await calls(on);
    expect(view.session.fixedDiameter).toBe(28);
    expect(view.sets.map((set) => set.eventBar)).toEqual([null, 60]);
    const after = await chances();
    // A thinner bar than the house's is held more surely, a thicker axle less.
    expect(after[0]!).toBeGreaterThan(before[0]!);
    expect(after[1]!).toBeLessThan(before[1]!);
    const log = { reps: 3, grip: 'doubleOverhand', strapped: false, chalk: 'block', load: 60 };
    for (const set of view.sets)
      await coach.send(
        'put',
        `/sessions/${on}/sets/${randomUUID()}`,
        {
          ...{ ...log, plannedSetId: set.id, doneAt: `${TODAY}T10:00:00Z` },
        },
        200,
      );
    expect((await calls(on)).sets.map((set) => set.done!.diameter)).toEqual([28, 60]);
  });
});

describe('what a line says', () => {
  it('purpose, grip, side, rest and no load are kept, called and read again', async () => {
    const { id } = await newLifter({ trainingSince: '2019-01-01', schoolId: 'strap-the-volume' });
    const planned = await session(id, [
      pull('3x8 @ 60 grip', 'row.barbell'),
      pull('1x3 @ 100 hook rest 3min'),
      pull('1x3 @ 100 mixed right under'),
      pull('3x6 bodyweight', 'pull-up'),
      pull('2x20 band', 'band-opening'),
    ]);
    const { sets } = await calls(planned);
    expect(sets[0]).toMatchObject({ purpose: 'grip', call: { choice: 'doubleOverhand' } });
    // Hook was never started with this lifter: the line may ask for it, and the limit is said.
    expect(sets[3]).toMatchObject({ rest: 180, call: { choice: 'hook' } });
    expect(sets[3]!.call.reasons.map((each) => each.ruleId)).toEqual(
      expect.arrayContaining(['line.fixed', 'adaptation.hook-stage']),
    );
    expect(sets[4]!.call).toMatchObject({ choice: 'mixed', sideUnder: 'right' });
    expect(sets[5]).toMatchObject({ planned: 0, call: { choice: 'doubleOverhand' } });
    expect(sets[8]).toMatchObject({ planned: 0, call: { verdict: 'free' } });
    const plan = await coach.get<SessionPlanView>(`/sessions/${planned}/plan`);
    expect(plan.lines.map((line) => line.text)).toEqual([
      'volume 3x8 @ 60kg grip',
      'volume 1x3 @ 100kg hook rest 3min',
      'volume 1x3 @ 100kg mixed right under',
      'volume 3x6 bodyweight',
      'volume 2x20 band',
    ]);
  });
});

describe('a line while it is written', () => {
  it('says what bars it, what it fixes in vain, and what has to be minded, and saves nothing', async () => {
    const { id } = await newLifter({
      history: [
        { kind: 'bloodPressure', cleared: false },
        { kind: 'bicepsTendon', side: 'left', cleared: false },
      ],
    });
    const lines = [
      pull('top 1x1 @ 95%'),
      pull('3x5 @ 60% mixed left under'),
      pull('3x5 @ hea'),
      pull('3x8 @ 40kg', 'curl'),
      pull('3x8 @ 40kg', 'bench'),
    ];
    const body = { heldOn: TODAY, venueId: venue, lines };
    const ask = async (): Promise<SessionPreviewView['lines']> =>
      (await coach.send<SessionPreviewView>('post', `/lifters/${id}/session-preview`, body, 200)).lines;
    const [single, mixed, unread, curls, press] = await ask();
    expect(single!.warnings).toContainEqual(
      expect.objectContaining({ stop: true, text: expect.stringMatching(/blood pressure/i) as string }),
    );
    expect(mixed!.call).not.toBeNull();
    expect(unread).toEqual({ call: null, warnings: [] });
    expect(curls!.warnings.some((each) => each.stop && /biceps|cleared/i.test(each.text))).toBe(true);
    expect(press!.call).toBeNull();
    const { season } = await coach.get<SheetView>(`/lifters/${id}/sheet`);
    expect(season.sessions).toEqual([]);
    const { error } = await coach.send<ErrorView>(
      'post',
      `/lifters/${id}/session-preview`,
      { ...body, venueId: randomUUID() },
      404,
    );
    expect(error.code).toBe('not-found');
  });
});

describe('what was done is what is kept', () => {
  it('seconds of a carry, signs of a slip, the heat of the day, and a band without load', async () => {
    const { id } = await newLifter();
    const planned = await session(id, [
      pull('1x30s @ 100', 'carry.handles'),
      pull('1x20 band', 'band-opening'),
    ]);
    const before = await calls(planned);
    await coach.send('patch', `/sessions/${planned}`, { sweat: true, version: before.session.version }, 200);
    const { sets, session: head } = await calls(planned);
    expect(head.sweat).toBe(true);
    const log = (at: number, body: object): Promise<unknown> =>
      coach.send(
        'put',
        `/sessions/${planned}/sets/${randomUUID()}`,
        {
          ...{ plannedSetId: sets[at]!.id, grip: 'doubleOverhand', strapped: false, chalk: 'block' },
          ...{ doneAt: NOON, ...body },
        },
        200,
      );
    await log(0, { load: 100, reps: 1, seconds: 12.4, slippedAtRep: 1, signs: ['sweat', 'doubt'] });
    await log(1, { load: 0, reps: 20 });
    const kept = await calls(planned);
    expect(kept.sets[0]!.done).toMatchObject({ seconds: 12.4, slippedAtRep: 1, signs: ['sweat', 'doubt'] });
    expect(kept.sets[1]!.done).toMatchObject({ load: 0 });
    const { entries } = await coach.get<LogView>(`/lifters/${id}/log`);
    expect(entries.find((each) => each.kind === 'set' && each.load === 100)!.signs).toEqual([
      'sweat',
      'doubt',
    ]);
    const rows = await api.db.query('SELECT DISTINCT sweat FROM logged_set WHERE session_id = $1', [planned]);
    expect(rows).toEqual([{ sweat: true }]);
  });
});

describe('a grip audit', () => {
  const start = <Answer = FloorView>(lifter: string, id: string, status = 200): Promise<Answer> =>
    coach.send<Answer>('put', `/lifters/${lifter}/audits/${id}`, undefined, status);
  /** Logs the step that is open as it was asked. */
  const step = async (id: string): Promise<CallsView> => {
    const open = (await calls(id)).sets.find((set) => set.done === null)!;
    return coach.send<CallsView>(
      'put',
      `/sessions/${id}/sets/${randomUUID()}`,
      {
        ...{ plannedSetId: open.id, load: open.loading.total, reps: open.reps, grip: open.call.grip },
        ...(open.call.sideUnder && { sideUnder: open.call.sideUnder }),
        ...{ strapped: false, chalk: 'block', doneAt: NOON },
      },
      200,
    );
  };

  it('asks three to four submaximal steps, one after another, and ends in narrower first calls', async () => {
    const { id: lifter } = await newLifter();
    const before = await calls(await session(lifter, [pull('top 1x1 @ 90%')]));
    const id = randomUUID();
    const floor = await start(lifter, id);
    expect(floor.calls.sets).toHaveLength(1);
    expect((await start(lifter, id)).calls.sets).toHaveLength(1);
    let now = floor.calls;
    for (let i = 0; i < 6 && now.sets.some((set) => set.done === null); i++) {
      const open = now.sets.at(-1)!;
      expect(open.call.probability).toBeGreaterThan(0.7);
      expect(open.loading.total).toBeLessThan(150);
      now = await step(id);
    }
    expect(now.sets.length).toBeGreaterThanOrEqual(3);
    expect(now.sets.length).toBeLessThanOrEqual(4);
    const { audit } = await coach.get<SessionEndView>(`/sessions/${id}/end`);
    expect(audit!.map((each) => each.grip)).toContain('doubleOverhand');
    for (const { before: was, after } of audit!)
      expect(after.high / after.low).toBeLessThan(was.high / was.low);
    // What was held stands behind the calls of every session now.
    const after = await calls(before.session.id);
    const width = ({ sets }: CallsView): number => {
      const { low, high } = sets[0]!.call.range!;
      return high - low;
    };
    expect(after.evidence.observations).toBeGreaterThan(before.evidence.observations);
    expect([before.heldDaysAgo, after.heldDaysAgo]).toEqual([null, 0]);
    // Half a year on, the log is as long and says little of today.
    await api.db.query(
      `UPDATE logged_set SET training_day = training_day - 180, done_at = done_at - interval '180 days' WHERE lifter_id = $1`,
      [lifter],
    );
    await api.db.query(
      `UPDATE logged_hold SET training_day = training_day - 180, done_at = done_at - interval '180 days' WHERE lifter_id = $1`,
      [lifter],
    );
    expect((await calls(before.session.id)).heldDaysAgo).toBe(180);
    expect(width(after)).toBeLessThan(width(before));
  });

  it('is not begun with hands that must stop, and asks no grip that a rule bars', async () => {
    const { id: lifter } = await newLifter();
    await check(lifter, { left: { ...SOUND_HAND, numb: true }, right: SOUND_HAND });
    const { error } = await start<ErrorView>(lifter, randomUUID(), 409);
    expect(error.message).toMatch(/[Nn]umb/);
    const { id: repaired } = await newLifter({
      history: [
        { kind: 'bicepsTendon', side: 'left', cleared: false },
        { kind: 'bicepsTendon', side: 'right', cleared: false },
      ],
    });
    const id = randomUUID();
    await start(repaired, id);
    for (let i = 0; i < 4; i++) {
      const { sets } = await calls(id);
      expect(sets.every((set) => set.call.grip !== 'mixed')).toBe(true);
      if (sets.every((set) => set.done !== null)) break;
      await step(id);
    }
  });
});
