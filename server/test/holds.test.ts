import { randomUUID } from 'node:crypto';
import type {
  CallsView,
  ErrorView,
  HoldsView,
  PlannedHoldView,
  ProfileView,
  RackView,
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
    const free = sessions.find((each) => !each.hasHold)!;
    const plan = (kind: string | null, version: number, status = 200): Promise<HoldsView> =>
      coach.send<HoldsView>('put', `/sessions/${free.id}/hold`, { kind, version }, status);
    const now = await plan('supinatedDeadHold', free.version);
    expect(now.planned.find((each) => each.sessionId === free.id)!.kind).toBe('supinatedDeadHold');
    expect((await calls(free.id)).hold).toMatchObject({ kind: 'supinatedDeadHold' });
    await plan('supinatedDeadHold', free.version);
    await plan('frontRackHold', free.version, 409);
    const out = await plan(null, free.version + 1);
    expect(out.planned.some((each) => each.sessionId === free.id)).toBe(false);
    expect((await calls(free.id)).hold).toBeNull();
  });
});

describe('deciding on a prescribed hold', () => {
  const decide = <Answer = HoldsView>(
    session: string,
    id: string,
    body: object,
    status = 200,
  ): Promise<Answer> => coach.send<Answer>('put', `/sessions/${session}/hold-decisions/${id}`, body, status);

  it('changed with a reason it stands with who changed it, and is taken back', async () => {
    const { sessionId } = await nextOf('Teodor Vance', 'frontRackHold');
    const before = (await calls(sessionId)).hold!;
    const id = randomUUID();
    const body = { what: 'changed', load: before.load - 20, sets: 3, reason: 'long drive the day before' };
    await decide(sessionId, id, body);
    await decide(sessionId, id, body);
    const now = await calls(sessionId);
    expect(now.hold).toMatchObject({ load: before.load - 20, sets: 3, seconds: before.seconds });
    expect(now.hold!.why[0]!.text).toMatch(/Maren Solvik: long drive/);
    expect(now.holdDecision).toMatchObject({ what: 'changed', by: 'Maren Solvik' });
    await coach.send('delete', `/sessions/${sessionId}/hold-decisions/${id}`, undefined, 200);
    expect((await calls(sessionId)).hold!.load).toBe(before.load);
  });

  it('accepted it no longer moves; skipped it is out, with the reason', async () => {
    const { sessionId } = await nextOf('Teodor Vance', 'frontRackHold');
    const accepted = randomUUID();
    await decide(sessionId, accepted, { what: 'accepted' });
    expect((await calls(sessionId)).holdDecision!.what).toBe('accepted');
    await coach.send('delete', `/sessions/${sessionId}/hold-decisions/${accepted}`, undefined, 200);
    const skipped = randomUUID();
    await decide(sessionId, skipped, { what: 'skipped', reason: 'rack is taken' });
    expect((await calls(sessionId)).hold!.barred!.text).toMatch(/Skipped by Maren Solvik: rack is taken/);
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
  await lifter.send('put', path, { what: 'accepted' }, 403);
  const foreign = await Coach.signIn(api, await addForeignCoach(api));
  await foreign.get(`/lifters/${own}/holds`, 404);
  await foreign.send('put', path, { what: 'accepted' }, 404);
  const [block] = (await view(DEMO_LIFTER.name)).blocks;
  await foreign.send('delete', `/hold-blocks/${block!.id}`, undefined, 404);
});
