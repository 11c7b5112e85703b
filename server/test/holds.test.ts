import { randomUUID } from 'node:crypto';
import type {
  CallsView,
  ErrorView,
  HoldsView,
  PlannedHoldView,
  ProfileView,
  RackView,
  SessionPlanView,
} from '@iron-clasp/contract';
import { DEMO_LIFTER } from '../src/demo/scenario.ts';
import { addForeignCoach, Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
const ids = new Map<string, string>();
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  for (const { name, id } of (await coach.get<RackView>('/lifters')).lifters) ids.set(name, id);
});
afterAll(() => api.close());

const view = (name: string): Promise<HoldsView> => coach.get<HoldsView>(`/lifters/${ids.get(name)}/holds`);
const nextOf = async (name: string, kind: string): Promise<PlannedHoldView> =>
  (await view(name)).planned.find((each) => each.kind === kind)!;
const calls = (session: string): Promise<CallsView> => coach.get<CallsView>(`/sessions/${session}/calls`);

describe('the lanes', () => {
  it('show what was done and what is planned, kind by kind', async () => {
    const { planned, done, kinds, weeks } = await view('Kofi Adeyemi-Lund');
    expect(weeks).toHaveLength(16);
    expect(new Set(done.map((each) => each.kind))).toEqual(new Set(['behindBackHold']));
    expect(planned.length).toBeGreaterThan(3);
    const next = kinds.find((each) => each.kind === 'behindBackHold')!.next!;
    expect(next.prescription).toMatchObject({ kind: 'behindBackHold', seconds: 30, sets: 3 });
    expect(next.prescription.why.length).toBeGreaterThan(1);
    expect(next.history).toBeGreaterThan(3);
  });

  it('a pinch goes by a curve of its own, a hang by the body that hangs', async () => {
    const pinch = (await view('Iskra Petrov')).kinds.find((each) => each.kind === 'platePinch')!.next!;
    expect(pinch.prescription.load).toBeGreaterThan(0);
    expect(pinch.prescription.load).toBeLessThan(60);
    const hang = (await view('Noor Haddad')).kinds.find((each) => each.kind === 'deadHang')!.next!;
    expect(hang.prescription.seconds).toBeGreaterThanOrEqual(10);
    expect(hang.prescription.load).toBeLessThan(20);
  });

  it('a hang asks for the body mass where nobody has said it, rather than guess', async () => {
    const id = ids.get('Noor Haddad')!;
    const { version, name, sport, deadliftMax } = await coach.get<ProfileView>(`/lifters/${id}/profile`);
    const save = (bodyMass: number | null, at: number): Promise<ProfileView> =>
      coach.send<ProfileView>(
        'put',
        `/lifters/${id}`,
        { name, sport, deadliftMax, version: at, bodyMass },
        200,
      );
    await save(null, version);
    const hang = (await view('Noor Haddad')).kinds.find((each) => each.kind === 'deadHang')!;
    expect(hang).toMatchObject({ wantsBodyMass: true, next: null });
    await save(60, version + 1);
    expect((await view('Noor Haddad')).kinds.find((each) => each.kind === 'deadHang')!.next).not.toBeNull();
  });

  it('a kind that the venue cannot give says what is missing', async () => {
    const { kinds } = await view('Bram Oosterhuis');
    expect(kinds.find((each) => each.kind === 'platePinch')!.missing).toEqual(['smoothPlates']);
    expect(kinds.find((each) => each.kind === 'frontRackHold')!.missing).toEqual([]);
  });
});

describe('logging what is held', () => {
  const log = <Answer = CallsView>(session: string, load: number, status = 200): Promise<Answer> =>
    coach.send<Answer>(
      'put',
      `/sessions/${session}/holds/${randomUUID()}`,
      {
        ...{ load, seconds: 22, target: 25, ended: 'stopped', grip: 'doubleOverhand', chalk: 'block' },
        doneAt: `${TODAY}T11:00:00Z`,
      },
      status,
    );

  it('a hang may carry nothing but the body; it tells the curve of all that hangs', async () => {
    const hang = await nextOf('Noor Haddad', 'deadHang');
    const { holdsDone, evidence } = await log(hang.sessionId, 0);
    expect(holdsDone.at(-1)).toMatchObject({ kind: 'deadHang', load: 0 });
    const { done } = await view('Noor Haddad');
    expect(done.some((each) => each.sessionId === hang.sessionId && each.kind === 'deadHang')).toBe(true);
    await coach.send('delete', `/holds/${holdsDone.at(-1)!.id}`, undefined, 204);
    expect((await calls(hang.sessionId)).evidence.observations).toBe(evidence.observations - 1);
  });

  it('that could not be broken from the pins lasts no time, and tells the curve nothing', async () => {
    const { sessionId } = await nextOf('Teodor Vance', 'frontRackHold');
    const was = await calls(sessionId);
    const before = was.evidence.observations;
    const id = randomUUID();
    const body = {
      ...{ kind: 'frontRackHold', load: 180, seconds: 4, target: 10, ended: 'notLifted' },
      grip: was.holds[0]!.hold!.grip,
      ...{ chalk: 'block', pin: 620, confidence: 2, doneAt: `${TODAY}T11:30:00Z` },
    };
    await coach.send('put', `/sessions/${sessionId}/holds/${id}`, body, 200);
    const { holdsDone, evidence, holds } = await calls(sessionId);
    expect(holdsDone.at(-1)).toMatchObject({ ended: 'notLifted', seconds: 0, pin: 620, confidence: 2 });
    expect(evidence.observations).toBe(before);
    expect(holds[0]!.next).toMatchObject({ change: 'notLifted' });
    // It is no work either, to be compared with other work.
    await coach.get(`/lifters/${ids.get('Teodor Vance')}/compare`);
    await coach.send('delete', `/holds/${id}`, undefined, 204);
    const short = { ...body, ended: 'stopped', seconds: 0.1 };
    const { error } = await coach.send<ErrorView>(
      'put',
      `/sessions/${sessionId}/holds/${randomUUID()}`,
      short,
      400,
    );
    expect(error.fields![0]!.path).toBe('seconds');
  });

  it('a pinch is no part of the support curve', async () => {
    const pinch = await nextOf('Iskra Petrov', 'platePinch');
    const before = (await calls(pinch.sessionId)).evidence.observations;
    const { evidence, holdsDone } = await log(pinch.sessionId, 30);
    expect(evidence.observations).toBe(before);
    await coach.send('delete', `/holds/${holdsDone.at(-1)!.id}`, undefined, 204);
  });

  it('a bar that weighs nothing is refused', async () => {
    const { sessionId } = await nextOf('Teodor Vance', 'frontRackHold');
    expect((await log<ErrorView>(sessionId, 0, 400)).error.fields![0]!.path).toBe('load');
  });
});

describe('planning a hold', () => {
  it('goes into a session, is called there, and comes out again', async () => {
    const { sessions } = await view('Ruth Calloway');
    const free = sessions.find((each) => each.holds.length === 0)!;
    const plan = (kinds: readonly string[], version: number, status = 200): Promise<HoldsView> =>
      coach.send<HoldsView>('put', `/sessions/${free.id}/holds`, { kinds, version }, status);
    const now = await plan(['supinatedDeadHold'], free.version);
    expect(now.planned.find((each) => each.sessionId === free.id)!.kind).toBe('supinatedDeadHold');
    expect((await calls(free.id)).holds[0]!.hold).toMatchObject({ kind: 'supinatedDeadHold' });
    await plan(['supinatedDeadHold'], free.version);
    await plan(['frontRackHold'], free.version, 409);
    const out = await plan([], free.version + 1);
    expect(out.planned.some((each) => each.sessionId === free.id)).toBe(false);
    expect((await calls(free.id)).holds).toEqual([]);
  });
});

describe('several kinds in a session', () => {
  it('are each prescribed, decided on and logged for themselves', async () => {
    const { sessions } = await view('Bram Oosterhuis');
    const free = sessions.find((each) => each.holds.length === 0) ?? sessions[0]!;
    const kinds = ['frontRackHold', 'deadHang'];
    await coach.send('put', `/sessions/${free.id}/holds`, { kinds, version: free.version }, 200);
    const before = (await calls(free.id)).holds;
    expect(before.map((each) => each.kind)).toEqual(kinds);
    const id = randomUUID();
    const body = { kind: 'deadHang', what: 'skipped', reason: 'shoulder is tired' };
    await coach.send('put', `/sessions/${free.id}/hold-decisions/${id}`, body, 200);
    const now = (await calls(free.id)).holds;
    expect(now[1]!.hold!.barred!.text).toMatch(/shoulder is tired/);
    expect(now[0]!.hold!.barred).toEqual(before[0]!.hold!.barred);
    expect(now[0]!.decision).toBeNull();
  });

  it('five are too many, and one cannot be asked for twice', async () => {
    const { sessions } = await view('Bram Oosterhuis');
    const { id, version } = sessions[0]!;
    const five = ['frontRackHold', 'deadHang', 'carry', 'platePinch', 'hexHold'];
    for (const kinds of [five, ['carry', 'carry'], ['farmerHold']]) {
      const { error } = await coach.send<ErrorView>('put', `/sessions/${id}/holds`, { kinds, version }, 400);
      expect(error.fields![0]!.path).toBe('kinds');
    }
  });
});

describe('how a coach sets a kind of hold up', () => {
  const put = <Answer = HoldsView>(kind: string, body: object, status = 200): Promise<Answer> =>
    coach.send<Answer>('put', `/lifters/${ids.get('Kofi Adeyemi-Lund')}/hold-settings/${kind}`, body, status);
  const kindNow = async (kind: string): Promise<HoldsView['kinds'][0]> =>
    (await view('Kofi Adeyemi-Lund')).kinds.find((each) => each.kind === kind)!;

  it('an aim makes it longer, a ceiling lighter, a target is judged, a pin is named', async () => {
    const before = (await kindNow('behindBackHold')).next!.prescription;
    const body = {
      ...{ aim: 'medleys', ceiling: 60, version: 0 },
      ...{ target: { load: 140, on: '2027-01-20' }, pinHeight: 650 },
    };
    await put('behindBackHold', body);
    const { setting, next } = await kindNow('behindBackHold');
    expect(setting).toMatchObject({ version: 1, aim: 'medleys', ceiling: 60 });
    const { prescription } = next!;
    expect(prescription.seconds).toBe(60);
    expect(prescription.load).toBeLessThanOrEqual(60);
    expect(prescription.load).toBeLessThan(before.load);
    expect(prescription.pin!.height).toBeGreaterThan(0);
    const rules = prescription.why.map((each) => each.ruleId);
    expect(rules).toContain('hold.target');
    expect(rules).toContain('hold.ceiling');
    // The same again changes nothing; from an older page something else is refused.
    await put('behindBackHold', body);
    expect((await kindNow('behindBackHold')).setting!.version).toBe(1);
    const { error } = await put<ErrorView>('behindBackHold', { ...body, ceiling: 80 }, 409);
    expect(error.code).toBe('changed-meanwhile');
  });

  it('an effort rule without its figure is refused at that figure', async () => {
    const near = await put<ErrorView>('carry', { version: 0, effort: { kind: 'nearLimit' } }, 400);
    expect(near.error.fields![0]!.path).toBe('effort.probability');
    const share = await put<ErrorView>('carry', { version: 0, effort: { kind: 'fractionOfBest' } }, 400);
    expect(share.error.fields![0]!.path).toBe('effort.fraction');
  });

  it('what is no kind of hold is not there', async () => {
    await put('farmerHold', { version: 0 }, 404);
  });

  it('cleared, the book and the school decide again', async () => {
    await put('behindBackHold', { version: 1 });
    expect((await kindNow('behindBackHold')).next!.prescription.seconds).toBe(30);
  });
});

describe('forearm work', () => {
  it('is taken into the program in one go, with loads, and never for a day that is past', async () => {
    const name = 'Noor Haddad';
    const { week, nextWeek } = await view(name);
    for (const { on } of week.forearm.sessions) expect(on >= TODAY).toBe(true);
    const [first] = nextWeek.forearm.sessions;
    const put = <Answer = HoldsView>(day: string, status = 200): Promise<Answer> =>
      coach.send<Answer>(
        'put',
        `/lifters/${ids.get(name)}/forearm-days/${day}`,
        { sessionId: randomUUID() },
        status,
      );
    const now = await put(first!.on);
    const written = now.sessions.filter((each) => each.on === first!.on);
    const lines = (
      await Promise.all(written.map(({ id }) => coach.get<SessionPlanView>(`/sessions/${id}/plan`)))
    ).flatMap((plan) => plan.lines);
    for (const { lift, load } of first!.exercises) {
      const line = lines.find((each) => each.liftId === lift)!;
      expect(line.text).toMatch(load!.load > 0 ? /accessory \dx\d+s? @ [\d.]+(kg|lb)/ : /band|bodyweight/);
    }
    // Taken, there is nothing of that day left to take; asked again it writes nothing.
    expect(now.nextWeek.forearm.sessions.some((each) => each.on === first!.on)).toBe(false);
    const again = await put(first!.on);
    expect(again.sessions).toEqual(now.sessions);
    expect((await put<ErrorView>('2026-11-20', 409)).error.code).toBe('day-over');
  });
});

describe('the week counts', () => {
  const SESSION = { title: 'Grip day', holds: [], version: 0 };
  const write = async (heldOn: string, lines: object[], name = 'Iskra Petrov'): Promise<void> => {
    const [venue] = await coach.get<{ id: string }[]>('/venues');
    await coach.send(
      'put',
      `/lifters/${ids.get(name)}/sessions/${randomUUID()}`,
      { ...SESSION, heldOn, venueId: venue!.id, lines },
      200,
    );
  };
  const clashes = async (name = 'Iskra Petrov'): Promise<string[]> =>
    (await view(name)).nextWeek.clashes.map((each) => each.ruleId);

  it('carries and hold lines that are the heaviest of the day as hard days; strapped pulls as no bare ones', async () => {
    const before = await clashes();
    expect(before).not.toContain('spacing.hard-holds-apart');
    await write('2026-12-02', [{ liftId: 'carry.handles', text: 'top 3x30s @ 60kg' }]);
    await write('2026-12-03', [{ liftId: 'hold.front-rack', text: 'top 2x10s @ 100kg' }]);
    expect(await clashes()).toContain('spacing.hard-holds-apart');
    await write('2026-12-04', [{ liftId: 'deadlift.conventional', text: 'top 1x1 @ 120kg straps' }]);
    expect(await clashes()).not.toContain('spacing.no-hard-hold-before-bare-deadlift');
    await write('2026-12-04', [{ liftId: 'deadlift.conventional', text: 'top 1x1 @ 120kg' }]);
    expect(await clashes()).toContain('spacing.no-hard-hold-before-bare-deadlift');
  });

  it('what the school straps is planned with straps, whether or not its line says so', async () => {
    const name = 'Kofi Adeyemi-Lund';
    const rule = 'spacing.no-hard-hold-before-bare-deadlift';
    await write('2026-12-03', [{ liftId: 'hold.behind-back', text: 'top 2x30s @ 120kg' }], name);
    await write('2026-12-04', [{ liftId: 'deadlift.conventional', text: 'top 1x3 @ 85%' }], name);
    expect(await clashes(name)).not.toContain(rule);
    await write('2026-12-04', [{ liftId: 'deadlift.conventional', text: 'top 1x3 @ 85% bare' }], name);
    expect(await clashes(name)).toContain(rule);
  });
});

describe('deciding on a prescribed hold', () => {
  const decide = <Answer = HoldsView>(
    session: string,
    id: string,
    body: object,
    status = 200,
  ): Promise<Answer> =>
    coach.send<Answer>(
      'put',
      `/sessions/${session}/hold-decisions/${id}`,
      { kind: 'frontRackHold', ...body },
      status,
    );

  it('changed with a reason it stands with who changed it, and is taken back', async () => {
    const { sessionId } = await nextOf('Teodor Vance', 'frontRackHold');
    const before = (await calls(sessionId)).holds[0]!.hold!;
    const id = randomUUID();
    const body = { what: 'changed', load: before.load - 20, sets: 3, reason: 'long drive the day before' };
    await decide(sessionId, id, body);
    await decide(sessionId, id, body);
    const now = await calls(sessionId);
    expect(now.holds[0]!.hold).toMatchObject({ load: before.load - 20, sets: 3, seconds: before.seconds });
    expect(now.holds[0]!.hold!.why[0]!.text).toMatch(/Maren Solvik: long drive/);
    expect(now.holds[0]!.decision).toMatchObject({ what: 'changed', by: 'Maren Solvik' });
    await coach.send('delete', `/sessions/${sessionId}/hold-decisions/${id}`, undefined, 200);
    expect((await calls(sessionId)).holds[0]!.hold!.load).toBe(before.load);
  });

  it('accepted it no longer moves; skipped it is out, with the reason', async () => {
    const { sessionId } = await nextOf('Teodor Vance', 'frontRackHold');
    const accepted = randomUUID();
    await decide(sessionId, accepted, { what: 'accepted' });
    expect((await calls(sessionId)).holds[0]!.decision!.what).toBe('accepted');
    await coach.send('delete', `/sessions/${sessionId}/hold-decisions/${accepted}`, undefined, 200);
    const skipped = randomUUID();
    await decide(sessionId, skipped, { what: 'skipped', reason: 'rack is taken' });
    expect((await calls(sessionId)).holds[0]!.hold!.barred!.text).toMatch(
      /Skipped by Maren Solvik: rack is taken/,
    );
    await coach.send('delete', `/sessions/${sessionId}/hold-decisions/${skipped}`, undefined, 200);
  });

  it('a change or a skip without a reason is refused', async () => {
    const { sessionId } = await nextOf('Teodor Vance', 'frontRackHold');
    for (const what of ['changed', 'skipped']) {
      const { error } = await decide<ErrorView>(sessionId, randomUUID(), { what }, 400);
      expect(error.fields![0]!.path).toBe('reason');
    }
  });

  it('what a safety rule bars nobody accepts or changes', async () => {
    const { sessionId } = await nextOf('Teodor Vance', 'frontRackHold');
    const id = ids.get('Teodor Vance')!;
    const hands = { palm: 'sound', thumb: 'sound', finger: 'sound', numb: true, pain: 0, elbowPain: 0 };
    await coach.send(
      'put',
      `/lifters/${id}/hands-checks/${randomUUID()}`,
      { hands: { left: hands, right: { ...hands, numb: false } }, checkedAt: `${TODAY}T11:00:00Z` },
      200,
    );
    const { error } = await decide<ErrorView>(
      sessionId,
      randomUUID(),
      { what: 'changed', load: 100, reason: 'he says it is fine' },
      409,
    );
    expect(error).toMatchObject({ code: 'override-refused' });
    expect(error.message).toMatch(/[Nn]umb/);
  });
});

describe('a hold block', () => {
  const id = randomUUID();
  const put = <Answer = HoldsView>(
    name: string,
    block: string,
    body: object,
    status = 200,
  ): Promise<Answer> =>
    coach.send<Answer>('put', `/lifters/${ids.get(name)}/hold-blocks/${block}`, body, status);
  const BLOCK = { kind: 'frontRackHold', startsOn: '2026-12-09', weeks: 3, sessionsAWeek: 1, version: 0 };

  it('puts one hold into each of its weeks, where no spacing rule is broken', async () => {
    const now = await put('Ruth Calloway', id, BLOCK);
    const block = now.blocks.find((each) => each.id === id)!;
    expect(block).toMatchObject({ from: '2026-12-07', to: '2026-12-27', kind: 'frontRackHold' });
    const own = now.planned.filter((each) => each.blockId === id);
    expect(own.length).toBeGreaterThanOrEqual(2);
    for (const each of own) expect(each.on >= block.from && each.on <= block.to).toBe(true);
  });

  it('moved, its holds move with it; sent again it changes nothing', async () => {
    const moved = { ...BLOCK, startsOn: '2026-12-14', weeks: 2, version: 1 };
    const now = await put('Ruth Calloway', id, moved);
    expect(now.planned.filter((each) => each.blockId === id).every((each) => each.on >= '2026-12-14')).toBe(
      true,
    );
    const again = await put('Ruth Calloway', id, moved);
    expect(again.blocks.find((each) => each.id === id)!.version).toBe(2);
  });

  it('over another it is refused, naming it', async () => {
    const { error } = await put<ErrorView>(
      'Ruth Calloway',
      randomUUID(),
      { ...BLOCK, startsOn: '2026-12-22' },
      409,
    );
    expect(error.code).toBe('block-overlaps');
    expect(error.message).toMatch(/Front rack hold, 2 weeks/);
    // One of another kind lies beside it.
    const other = randomUUID();
    const now = await put('Ruth Calloway', other, {
      ...BLOCK,
      kind: 'deadHang',
      startsOn: '2026-12-14',
      weeks: 2,
    });
    const both = now.planned.filter((each) => each.blockId === id || each.blockId === other);
    expect(new Set(both.map((each) => each.kind))).toEqual(new Set(['frontRackHold', 'deadHang']));
    await coach.send('delete', `/hold-blocks/${other}`, undefined, 200);
  });

  it('taken off, its holds go too', async () => {
    const now = await coach.send<HoldsView>('delete', `/hold-blocks/${id}`, undefined, 200);
    expect(now.blocks.some((each) => each.id === id)).toBe(false);
    expect(now.planned.some((each) => each.blockId === id)).toBe(false);
  });

  it('of near-limit holds never ends in the week of the meet', async () => {
    const { meetOn } = await view('Odalys Brandt');
    const { blocks } = await view('Odalys Brandt');
    for (const block of blocks.filter((each) => each.to >= TODAY))
      await coach.send('delete', `/hold-blocks/${block.id}`, undefined, 200);
    const long = { ...BLOCK, startsOn: '2026-12-07', weeks: 5 };
    const { error } = await put<ErrorView>('Odalys Brandt', randomUUID(), long, 409);
    expect(error).toMatchObject({ code: 'block-into-meet' });
    const weeks = Number(/it can be (\d) weeks/.exec(error.message)![1]);
    const now = await put('Odalys Brandt', randomUUID(), { ...long, weeks });
    const last = now.planned.filter((each) => each.blockId !== null).at(-1)!;
    const days = (Date.parse(meetOn!) - Date.parse(last.on)) / 86_400_000;
    expect(days).toBeGreaterThanOrEqual(6);
  });

  it.each([
    [{ weeks: 8 }, /2 to 5 weeks/],
    [{ sessionsAWeek: 5 }, /1 to 3 sessions/],
    [{ kind: 'farmerHold' }, /kind of hold/],
    [{ startsOn: 'soon' }, /week it starts/],
  ])('%j is refused plainly', async (more, words) => {
    const { error } = await put<ErrorView>('Jun Takeda-Moss', randomUUID(), { ...BLOCK, ...more }, 400);
    expect(error.message).toMatch(words);
  });
});

describe('the week', () => {
  it('Noor closes far more than she opens: said, with opening work proposed', async () => {
    const { week, work } = await view('Noor Haddad');
    expect(work.closingToOpening).toBeNull();
    const proposed = week.forearm.sessions.flatMap((session) => session.exercises);
    expect(proposed.some((each) => each.covers.includes('fingerOpening'))).toBe(true);
    // A sore elbow is spared more closing work.
    expect(proposed.some((each) => each.covers.includes('crush'))).toBe(false);
  });

  it('clashes name their rule and their days', async () => {
    const { week, nextWeek } = await view('Noor Haddad');
    const clashes = [...week.clashes, ...nextWeek.clashes];
    expect(clashes.map((each) => each.ruleId)).toContain('spacing.no-opening-work');
    for (const clash of clashes) expect(clash.rule).toMatch(/\.$/);
  });
});

it('a lifter reads their own holds and decides nothing; another club sees none', async () => {
  const lifter = await Coach.signIn(api, DEMO_LIFTER);
  const own = ids.get(DEMO_LIFTER.name)!;
  const { planned } = await lifter.get<HoldsView>(`/lifters/${own}/holds`);
  await lifter.get(`/lifters/${ids.get('Noor Haddad')}/holds`, 404);
  const path = `/sessions/${planned[0]!.sessionId}/hold-decisions/${randomUUID()}`;
  await lifter.send('put', path, { kind: planned[0]!.kind, what: 'accepted' }, 403);
  const foreign = await Coach.signIn(api, await addForeignCoach(api));
  await foreign.get(`/lifters/${own}/holds`, 404);
  await foreign.send('put', `/lifters/${own}/hold-settings/carry`, { ceiling: 50, version: 0 }, 404);
  await foreign.send('put', path, { kind: planned[0]!.kind, what: 'accepted' }, 404);
  const [block] = (await view(DEMO_LIFTER.name)).blocks;
  await foreign.send('delete', `/hold-blocks/${block!.id}`, undefined, 404);
});
