import { randomUUID } from 'node:crypto';
import type { CalledSet, CallsView, ErrorView, RackView, SheetView, WhatIfView } from '@iron-clasp/contract';
import { SOUND_HAND } from '@iron-clasp/core';
import { addForeignCoach, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let odalys: string;
let iskra: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  const { lifters } = await coach.get<RackView>('/lifters');
  const sessionOf = async (name: string): Promise<string> => {
    const row = lifters.find((each) => each.name === name)!;
    return (await coach.get<SheetView>(`/lifters/${row.id}/sheet`)).nextSessionId!;
  };
  odalys = await sessionOf('Odalys Brandt');
  iskra = await sessionOf('Iskra Petrov');
});
afterAll(() => api.close());

const calls = (session = odalys): Promise<CallsView> => coach.get<CallsView>(`/sessions/${session}/calls`);
const tops = (view: CallsView): CalledSet[] => view.sets.filter((set) => set.role === 'top');
const put = <Answer = CallsView>(id: string, body: object, status = 200, session = odalys): Promise<Answer> =>
  coach.send<Answer>('put', `/sessions/${session}/overrides/${id}`, body, status);
const stored = async (): Promise<number> =>
  (await api.db.query('SELECT count(*)::int AS count FROM call_override'))[0].count;

describe('a coach’s decision against the call', () => {
  const id = randomUUID();

  it('is followed for the sets it names, with who and why, and kept once however often it is sent', async () => {
    const before = tops(await calls());
    const body = {
      plannedSetIds: before.map((set) => set.id),
      choice: 'doubleOverhand',
      reason: 'test of the hands',
    };
    const sent = await Promise.all(Array.from({ length: 4 }, () => put(id, body)));
    for (const set of tops(sent.at(-1)!)) {
      expect(set.call).toMatchObject({ choice: 'doubleOverhand', overridden: true });
      expect(set.override).toMatchObject({
        id,
        by: 'Maren Solvik',
        reason: 'test of the hands',
        undone: null,
      });
      expect(set.call.reasons).toContainEqual(
        expect.objectContaining({
          ruleId: 'override.coach',
          text: 'Maren Solvik chose double overhand: test of the hands',
        }),
      );
    }
    expect(await stored()).toBe(1);
    const other = await put<ErrorView>(id, { ...body, choice: 'straps' }, 409);
    expect(other.error.code).toBe('kept-differently');
  });

  it('a later one takes its place; taken back, the earlier holds again, and both stay on record', async () => {
    const later = randomUUID();
    const [first] = tops(await calls());
    await put(later, {
      plannedSetIds: [first!.id],
      choice: 'mixed',
      sideUnder: 'left',
      reason: 'as in the meet',
    });
    const [now, second] = tops(await calls());
    expect(now!.call).toMatchObject({ choice: 'mixed', sideUnder: 'left' });
    expect(second!.call.choice).toBe('doubleOverhand');
    const undone = await coach.send<CallsView>(
      'delete',
      `/sessions/${odalys}/overrides/${later}`,
      undefined,
      200,
    );
    expect(tops(undone)[0]!.call.choice).toBe('doubleOverhand');
    expect(tops(undone)[0]!.overrides.map((each) => each.undone?.by ?? null)).toEqual(['Maren Solvik', null]);
    await coach.send('delete', `/sessions/${odalys}/overrides/${later}`, undefined, 200);
    await coach.send('delete', `/sessions/${odalys}/overrides/${id}`, undefined, 200);
    expect(tops(await calls())[0]).toMatchObject({ override: null, call: { overridden: false } });
  });

  it('is refused where a safety rule bars it, naming the rule, and nothing is kept', async () => {
    const before = await stored();
    const [set] = (await calls(iskra)).sets.filter((each) => each.call.choice);
    const body = { plannedSetIds: [set!.id], choice: 'mixed', sideUnder: 'right', reason: 'she wants to' };
    const { error } = await put<ErrorView>(randomUUID(), body, 409, iskra);
    expect(error.code).toBe('override-refused');
    expect(error.message).toMatch(
      /Override to mixed refused\. .*(right: that hand is never turned under|no place for)/,
    );
    expect(await stored()).toBe(before);
  });

  it.each([
    [{ choice: 'hook', reason: 'x' }, /plannedSetIds/],
    [{ plannedSetIds: [], choice: 'hook', reason: 'because' }, /plannedSetIds/],
    [{ plannedSetIds: [randomUUID()], choice: 'teeth', reason: 'because' }, /choice/],
    [{ plannedSetIds: [randomUUID()], choice: 'hook', reason: '' }, /reason/],
  ])('names what is wrong with %j', async (body, path) => {
    const { error } = await put<ErrorView>(randomUUID(), body, 400);
    expect(error.fields!.map((field) => field.path).join()).toMatch(path);
  });

  it('sets of another session, and sessions of another club, are not there', async () => {
    const [set] = (await calls(iskra)).sets;
    const body = { plannedSetIds: [set!.id], choice: 'hook', reason: 'because' };
    expect((await put<ErrorView>(randomUUID(), body, 404)).error.code).toBe('not-found');
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    await foreign.send('put', `/sessions/${iskra}/overrides/${randomUUID()}`, body, 404);
    await foreign.send('delete', `/sessions/${odalys}/overrides/${id}`, undefined, 404);
    await foreign.send('post', `/sessions/${odalys}/what-if`, {}, 404);
  });
});

describe('what if', () => {
  const ask = <Answer = WhatIfView>(body: object, status = 200): Promise<Answer> =>
    coach.send<Answer>('post', `/sessions/${odalys}/what-if`, body, status);

  it('shows other circumstances beside the real calls and saves nothing', async () => {
    const real = await calls();
    const { tried, sets } = await ask({ chalk: 'none', barDiameter: 32 });
    expect(tried).toBe('no chalk, a 32 mm bar');
    const at = real.sets.findIndex((set) => set.role === 'top');
    expect(sets[at]!.probability!).toBeLessThan(real.sets[at]!.call.probability!);
    expect(sets.some((set) => set.changed)).toBe(true);
    expect(await calls()).toEqual(real);
    expect((await ask({})).sets.every((set) => !set.changed)).toBe(true);
  });

  it('tries other hands, and the rules of the meet', async () => {
    const torn = { left: { ...SOUND_HAND, palm: 'torn' }, right: SOUND_HAND };
    const hurt = await ask({ hands: torn });
    const strapped = hurt.sets.filter((set) => set.choice === 'straps');
    expect(strapped.length).toBeGreaterThan(0);
    expect(strapped[0]!.why).toMatch(/Torn callus on the left/);
    const meet = await ask({ meetRules: true });
    expect(meet.tried).toBe('by the rules of Lantern Cup');
    expect(meet.sets.every((set) => set.choice !== 'straps')).toBe(true);
  });

  it('says what cannot be tried', async () => {
    const wrong = await ask<ErrorView>({ hands: { left: SOUND_HAND } }, 400);
    expect(wrong.error.fields![0]!.path).toMatch(/hands\.right/);
    await ask<ErrorView>({ barDiameter: 500 }, 400);
    await ask<ErrorView>({ venueId: randomUUID() }, 404);
  });
});

describe('a decision that repeats with its week', () => {
  it('stands in the later weeks that repeat the session, and in those that are written from it', async () => {
    const { lifters } = await coach.get<RackView>('/lifters');
    const bram = lifters.find((row) => row.name === 'Bram Oosterhuis')!.id;
    const [venue] = await coach.get<{ id: string }[]>('/venues');
    const first = randomUUID();
    const session = {
      ...{ title: 'Repeated', heldOn: '2027-02-02', venueId: venue!.id, holds: [], version: 0 },
      lines: [
        { liftId: 'deadlift.conventional', text: 'ramp top 1x3 @ 80%' },
        { liftId: 'row.barbell', text: '3x8 @ 60kg' },
      ],
    };
    await coach.send('put', `/lifters/${bram}/sessions/${first}`, session, 200);
    const repeat = (day: string): Promise<unknown> =>
      coach.send('post', `/lifters/${bram}/weeks/${day}/repeat`, { weeks: 1 }, 200);
    await repeat('2027-02-02');
    const weeks = async (): Promise<CallsView[]> => {
      const ids = (
        await api.db.query(
          `SELECT id FROM training_session WHERE title = 'Repeated' AND removed_at IS NULL ORDER BY held_on`,
        )
      ).map((row: { id: string }) => row.id);
      return Promise.all(ids.map((id: string) => calls(id)));
    };
    const [own] = await weeks();
    const top = tops(own!)[0]!;
    const body = {
      plannedSetIds: [top.id],
      choice: 'doubleOverhand',
      reason: 'bare this block',
      repeats: true,
    };
    const id = randomUUID();
    await put(id, body, 200, first);
    await put(id, body, 200, first);
    await repeat('2027-02-09');
    const now = await weeks();
    expect(now).toHaveLength(3);
    for (const each of now) {
      const [set] = tops(each);
      expect(set!.override).toMatchObject({
        choice: 'doubleOverhand',
        reason: 'bare this block',
        repeats: true,
      });
      expect(set!.overrides).toHaveLength(1);
      expect(each.sets.filter((other) => other.override)).toHaveLength(1);
    }
    // Taken back in one week it stands in the others.
    await coach.send('delete', `/sessions/${first}/overrides/${id}`, undefined, 200);
    const after = await weeks();
    expect(after.map((each) => tops(each)[0]!.override !== null)).toEqual([false, true, true]);
  });
});

describe('what was tried is kept as the session’s own rule', () => {
  it('chalk and bar bind its calls and its log, and are taken back', async () => {
    const before = await calls(iskra);
    const patch = (body: object, status = 200): Promise<CallsView> =>
      coach.send<CallsView>('patch', `/sessions/${iskra}`, body, status);
    const kept = await patch({ chalk: 'none', barDiameter: 50, version: before.session.version });
    expect(kept.session.own).toEqual({ chalk: 'none', barDiameter: 50 });
    expect(kept.session.venue.chalk).toBe('none');
    for (const { call } of kept.sets) expect(call.chalk.kind).toBe('none');
    const bare = (view: CallsView): (number | null)[] =>
      view.sets.filter((set) => set.call.choice === 'doubleOverhand').map((set) => set.call.probability);
    expect(bare(kept).some((chance, i) => chance !== bare(before)[i])).toBe(true);
    await patch({ chalk: null, version: before.session.version }, 409);
    const back = await patch({ chalk: null, barDiameter: null, version: kept.session.version });
    expect(back.session.own).toEqual({ chalk: null, barDiameter: null });
    expect(back.sets.map((set) => set.line)).toEqual(before.sets.map((set) => set.line));
  });
});
