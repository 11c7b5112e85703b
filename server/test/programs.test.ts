import { randomUUID } from 'node:crypto';
import type {
  CallsView,
  ErrorView,
  ProgramMarksView,
  ProgramView,
  RackView,
  SessionPlanView,
  SheetView,
  VenueChoice,
  WeeksView,
} from '@iron-clasp/contract';
import { addForeignCoach, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let lifter: string;
let venue: string;
let planned: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  lifter = (await coach.get<RackView>('/lifters')).lifters.find((row) => row.name === 'Odalys Brandt')!.id;
  planned = (await coach.get<SheetView>(`/lifters/${lifter}/sheet`)).nextSessionId!;
  venue = (await coach.get<VenueChoice[]>('/venues')).find((each) => each.name === 'Rope works')!.id;
});
afterAll(() => api.close());

const put = <Answer = SessionPlanView>(id: string, body: object, status = 200): Promise<Answer> =>
  coach.send<Answer>('put', `/lifters/${lifter}/sessions/${id}`, body, status);
const session = (more: object = {}): object => ({
  title: 'Singles',
  heldOn: '2026-11-24',
  venueId: venue,
  holds: [],
  version: 0,
  lines: [
    { liftId: 'deadlift.conventional', text: 'ramp top 2x1 @ 90%' },
    { liftId: 'carry.handles', text: '3x30s @ 100' },
  ],
  ...more,
});

const THEIR_LIFTER = { name: 'Somebody', sport: 'powerlifting', deadliftMax: 150, version: 0 };

describe('the program week by week', () => {
  const weeks = (day: string): Promise<ProgramView> =>
    coach.get<ProgramView>(`/lifters/${lifter}/weeks/${day}`);

  it('shows four weeks from that of a day on, with what each session holds but its warm-ups', async () => {
    const view = await weeks('2026-11-26');
    expect(view.weeks).toEqual(['2026-11-23', '2026-11-30', '2026-12-07', '2026-12-14']);
    const heavy = view.sessions.find(({ on }) => on === '2026-11-24')!;
    expect(heavy).toMatchObject({ title: 'Deadlift, heavy', begun: false, holds: ['frontRackHold'] });
    expect(heavy.lines[0]).toMatchObject({ liftId: 'deadlift.conventional', role: 'top' });
    expect(heavy.lines.map(({ role }) => role)).toEqual(['top', 'backoff', 'volume']);
    expect(heavy.lines.some(({ text }) => text.startsWith('warm-up'))).toBe(false);
    expect(view.sessions.every(({ on }) => on >= '2026-11-23' && on < '2026-12-21')).toBe(true);
  });

  it('tells how many lie beyond, and of none where nothing does', async () => {
    const [near, next] = [await weeks('2026-11-24'), await weeks('2026-12-21')];
    expect(near.later).toBe(next.sessions.length + next.later);
    expect(await weeks('2029-01-01')).toMatchObject({ sessions: [], later: 0 });
  });

  it('tells the grips that its sessions are called with, warm-ups aside', async () => {
    const { sessions } = await coach.get<ProgramMarksView>(`/lifters/${lifter}/weeks/2026-11-26/marks`);
    const heavy = sessions.find(({ id }) => id === planned)!;
    const calls = await coach.get<CallsView>(`/sessions/${planned}/calls`);
    for (const { liftId, role, choice, sideUnder } of heavy.marks) {
      const own = calls.sets.filter((set) => set.liftId === liftId && set.role === role);
      const top = own.reduce((best, set) => (set.planned > best.planned ? set : best));
      expect([choice, sideUnder]).toEqual([top.call.choice, top.call.sideUnder ?? null]);
    }
    expect(heavy.marks.map(({ role }) => role)).toEqual(['top', 'backoff', 'volume']);
    const past = await coach.get<ProgramMarksView>(`/lifters/${lifter}/weeks/2026-11-02/marks`);
    expect(past.sessions).toEqual([]);
  });

  it('shows what is logged of as begun', async () => {
    const past = await weeks('2026-11-02');
    expect(past.sessions.length).toBeGreaterThan(0);
    expect(past.sessions.filter(({ on }) => on < '2026-11-16').every(({ begun }) => begun)).toBe(true);
  });
});

describe('writing a session', () => {
  const id = randomUUID();

  it('keeps the lines as written, and calls their sets', async () => {
    const plan = await put(id, session());
    expect(plan).toMatchObject({ version: 1, started: false });
    expect(plan.lines.map((line) => line.text)).toEqual(['ramp top 2x1 @ 90%', 'volume 3x30s @ 100kg']);
    const { sets } = await coach.get<CallsView>(`/sessions/${id}/calls`);
    expect(sets.map((set) => set.role)).toEqual([
      ...Array<string>(5).fill('warmup'),
      'top',
      'top',
      'volume',
      'volume',
      'volume',
    ]);
    expect(sets[5]!.planned).toBeCloseTo(0.9 * 137.5, 9);
    expect(sets.every((set) => set.line !== '')).toBe(true);
  });

  it('sent again it is the same session', async () => {
    await Promise.all([put(id, session()), put(id, session())]);
    expect((await coach.get<SessionPlanView>(`/sessions/${id}/plan`)).version).toBe(1);
  });

  it('a change keeps the sets that stay, and with them the coach’s decisions', async () => {
    const { sets } = await coach.get<CallsView>(`/sessions/${id}/calls`);
    const decision = {
      plannedSetIds: [sets[5]!.id, sets[7]!.id],
      choice: 'doubleOverhand',
      reason: 'test day',
    };
    await coach.send('put', `/sessions/${id}/overrides/${randomUUID()}`, decision, 200);
    const lines = [
      { liftId: 'deadlift.conventional', text: 'ramp top 2x1 @ 90%' },
      { liftId: 'carry.frame', text: '2x30s @ 120' },
    ];
    expect(await put(id, session({ version: 1, lines }))).toMatchObject({ version: 2 });
    const after = (await coach.get<CallsView>(`/sessions/${id}/calls`)).sets;
    expect(after[5]).toMatchObject({ id: sets[5]!.id, override: { reason: 'test day' } });
    expect(after[7]!.override).toBeNull();
    expect(after).toHaveLength(9);
  });

  it('a session of another club, or a removed one, is nobody’s to write under its id', async () => {
    const foreign = await Coach.signIn(api, await addForeignCoach(api, 'thief@elsewhere.example'));
    const theirs = randomUUID();
    const gym = randomUUID();
    await foreign.send('put', `/lifters/${theirs}`, THEIR_LIFTER, 200);
    await api.db.query(
      `INSERT INTO venue (id, club_id, name, chalk, note, version) SELECT $1, club_id, 'Theirs', 'block', '', 1 FROM lifter WHERE id = $2`,
      [gym, theirs],
    );
    await api.db.query(
      `INSERT INTO bar (id, venue_id, place, name, mass, diameter, collars, knurl, brush_every) VALUES ($1, $2, 0, 'Bar', 20, 29, 0, 'medium', 60)`,
      [randomUUID(), gym],
    );
    const taken = await foreign.send<ErrorView>(
      'put',
      `/lifters/${theirs}/sessions/${id}`,
      session({ version: 1, venueId: gym }),
      404,
    );
    expect(taken.error.code).toBe('not-found');
    expect((await coach.get<SessionPlanView>(`/sessions/${id}/plan`)).lifterId).toBe(lifter);

    const removed = randomUUID();
    await put(removed, session({ heldOn: '2027-01-08' }));
    await coach.send('delete', `/sessions/${removed}?version=1`, undefined, 204);
    await put<ErrorView>(removed, session({ version: 2 }), 404);
  });

  it('an editor who saw an older version is told so', async () => {
    const { error } = await put<ErrorView>(id, session({ version: 1, title: 'Mine' }), 409);
    expect(error.code).toBe('changed-meanwhile');
  });

  it('once something is logged it is history', async () => {
    const hold = {
      load: 100,
      seconds: 10,
      target: 10,
      ended: 'stopped',
      grip: 'hook',
      chalk: 'block',
      doneAt: '2026-11-24T11:00:00Z',
    };
    await coach.send('put', `/sessions/${id}/holds/${randomUUID()}`, hold, 200);
    expect((await coach.get<SessionPlanView>(`/sessions/${id}/plan`)).started).toBe(true);
    expect((await put<ErrorView>(id, session({ version: 2, title: 'Else' }), 409)).error.code).toBe(
      'session-started',
    );
  });
});

it('a session that came without lines is written out in the reader’s unit', async () => {
  const { lines } = await coach.get<SessionPlanView>(`/sessions/${planned}/plan`);
  expect(lines[0]).toMatchObject({
    liftId: 'deadlift.conventional',
    text: expect.stringMatching(/^warm-up 1x\d+ @ [\d.]+kg$/),
  });
  expect(lines.some((line) => line.text.startsWith('back-off 3x4'))).toBe(true);
});

describe('weeks', () => {
  const ahead = '2027-03-01';
  const days = async (): Promise<string[]> =>
    (
      (await api.db.query(
        `SELECT held_on::text AS day FROM training_session WHERE lifter_id = $1 AND held_on >= $2 AND removed_at IS NULL ORDER BY 1`,
        [lifter, ahead],
      )) as { day: string }[]
    ).map((row) => row.day);
  const week = <Answer = WeeksView>(
    day: string,
    verb: 'repeat' | 'move',
    body: object,
    status = 200,
  ): Promise<Answer> => coach.send<Answer>('post', `/lifters/${lifter}/weeks/${day}/${verb}`, body, status);
  const [monday, thursday] = [randomUUID(), randomUUID()];

  it('repeat into the weeks that follow, and repeated change nothing', async () => {
    await put(monday, session({ heldOn: '2027-03-01' }));
    await put(thursday, session({ heldOn: '2027-03-04', title: 'Volume' }));
    expect(await week('2027-03-03', 'repeat', { weeks: 3 })).toEqual({ sessions: 6, left: 0 });
    expect(await days()).toEqual(
      ['01', '04', '08', '11', '15', '18', '22', '25'].map((day) => `2027-03-${day}`),
    );
    expect(await week('2027-03-03', 'repeat', { weeks: 3 })).toEqual({ sessions: 0, left: 6 });
    expect((await coach.get<SessionPlanView>(`/sessions/${monday}/plan`)).later).toBe(3);
  });

  it('one week is changed alone, or with every later one', async () => {
    const { version } = await coach.get<SessionPlanView>(`/sessions/${monday}/plan`);
    const lines = [{ liftId: 'deadlift.conventional', text: 'top 3x1 @ 85%' }];
    await put(monday, session({ heldOn: '2027-03-01', version, lines }));
    const titles = async (): Promise<string[]> =>
      (
        (await api.db.query(
          `SELECT title FROM training_session WHERE lifter_id = $1 AND held_on >= $2 AND series_id = (SELECT series_id FROM training_session WHERE id = $3) ORDER BY held_on`,
          [lifter, ahead, monday],
        )) as { title: string }[]
      ).map((row) => row.title);
    expect(await titles()).toEqual(Array(4).fill('Singles'));
    // Moved to Tuesday for good, under another title.
    await put(
      monday,
      session({ heldOn: '2027-03-02', title: 'Triples', version: version + 1, later: true, lines }),
    );
    expect(await titles()).toEqual(Array(4).fill('Triples'));
    expect((await days()).filter((_, i) => i % 2 === 0)).toEqual(
      ['02', '09', '16', '23'].map((day) => `2027-03-${day}`),
    );
  });

  it('do not come onto one another: what is there is named with the mend', async () => {
    const { error } = await week<ErrorView>('2027-03-01', 'move', { to: '2027-03-10' }, 409);
    expect(error).toMatchObject({
      code: 'week-taken',
      message: expect.stringMatching(/Triples on 9 March.*Clear or move/),
    });
    const alone = randomUUID();
    await put(alone, session({ heldOn: '2027-04-05' }));
    expect((await week<ErrorView>('2027-03-22', 'repeat', { weeks: 2 }, 409)).error.code).toBe('week-taken');
    expect(await week('2027-03-22', 'move', { to: '2027-05-05' })).toEqual({ sessions: 2, left: 0 });
    expect((await days()).slice(-2)).toEqual(['2027-05-04', '2027-05-06']);
    expect((await week<ErrorView>('2027-07-01', 'move', { to: '2027-07-20' }, 409)).error.code).toBe(
      'nothing-written',
    );
  });

  it('are cleared, and a session taken off comes back', async () => {
    const cleared = await coach.send<WeeksView>(
      'delete',
      `/lifters/${lifter}/weeks/2027-03-08`,
      undefined,
      200,
    );
    expect(cleared).toEqual({ sessions: 2, left: 0 });
    expect((await days()).some((day) => day > '2027-03-07' && day < '2027-03-15')).toBe(false);
    const { version } = await coach.get<SessionPlanView>(`/sessions/${thursday}/plan`);
    await coach.send('delete', `/sessions/${thursday}?version=${version + 5}`, undefined, 409);
    for (let i = 0; i < 2; i++)
      await coach.send('delete', `/sessions/${thursday}?version=${version}`, undefined, 204);
    await coach.get(`/sessions/${thursday}/calls`, 404);
    expect(
      await coach.send<SessionPlanView>('put', `/sessions/${thursday}/restored`, undefined, 200),
    ).toMatchObject({
      title: 'Volume',
    });
  });

  it('are a coach’s own lifters’ only, and a day must be one', async () => {
    const foreign = await Coach.signIn(api, await addForeignCoach(api, 'third@elsewhere.example'));
    await foreign.send('delete', `/lifters/${lifter}/weeks/2027-03-15`, undefined, 404);
    await foreign.send('post', `/lifters/${lifter}/weeks/2027-03-15/repeat`, { weeks: 1 }, 404);
    await foreign.send('delete', `/sessions/${monday}?version=1`, undefined, 404);
    await coach.send('delete', `/lifters/${lifter}/weeks/2027-13-40`, undefined, 400);
  });
});

describe('what is refused', () => {
  it.each([
    [
      { lines: [{ liftId: 'deadlift.conventional', text: '3x5 @ heavy' }] },
      'lines[0].text',
      /At character 7: A load stands here/,
    ],
    [{ lines: [{ liftId: 'kettle', text: '3x5 @ 75%' }] }, 'lines[0].liftId', /catalogue/],
    [{ lines: [null] }, 'lines', /at least one line/],
    [{ lines: [] }, 'lines', /at least one line/],
    [{ lines: [{ liftId: 'hold.front-rack', text: '3x5 @ 75%' }] }, 'lines[0].text', /held for time/],
    [{ heldOn: '2026-02-30' }, 'heldOn', /day/],
    [{ title: '' }, 'title', /Title/],
  ])('%j is named with its place', async (wrong, path, message) => {
    const { error } = await put<ErrorView>(randomUUID(), session(wrong), 400);
    expect(error.fields).toContainEqual({ path, message: expect.stringMatching(message) });
  });

  it('another club’s lifters, sessions and venues are not there', async () => {
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    await foreign.send('put', `/lifters/${lifter}/sessions/${randomUUID()}`, session(), 404);
    await foreign.get(`/sessions/${planned}/plan`, 404);
    await foreign.get(`/lifters/${lifter}/weeks/2026-11-24`, 404);
    expect(await foreign.get<VenueChoice[]>('/venues')).toEqual([]);
    await put(randomUUID(), session({ venueId: randomUUID() }), 404);
  });
});
