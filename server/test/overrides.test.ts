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
