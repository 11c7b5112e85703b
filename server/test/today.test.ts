import { randomUUID } from 'node:crypto';
import { SOUND_HAND } from '@iron-clasp/core';
import type {
  CallsView,
  ClubView,
  DayDecision,
  DayView,
  HoldsView,
  KitView,
  OwnDayView,
  RackView,
  SheetView,
} from '@iron-clasp/contract';
import { DEMO_LIFTER } from '../src/demo/scenario.ts';
import { addForeignCoach, Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
});
afterAll(() => api.close());

const day = (): Promise<DayView> => coach.get<DayView>('/today');

it('says who trains today, each with the call of the top set as the sheet has it', async () => {
  const { today, sessions, total } = await day();
  expect(today).toBe(TODAY);
  expect(sessions).toHaveLength(total);
  expect(sessions.map((session) => session.lifterName)).toContain('Odalys Brandt');
  for (const { id, top, stop } of sessions) {
    if (stop !== null || top === null) continue;
    const { sets } = await coach.get<CallsView>(`/sessions/${id}/calls`);
    const gripped = sets.filter(({ call }) => call.verdict !== 'free');
    const tops = gripped.filter(({ role }) => role === 'top' || role === 'attempt');
    const heaviest = Math.max(...(tops.length > 0 ? tops : gripped).map((set) => set.loading.total));
    const same = gripped.find((set) => set.loading.total === heaviest && set.role === top.role)!;
    expect(top).toMatchObject({ load: heaviest, line: same.line, verdict: same.call.verdict });
    expect(top.probability).toBe(same.call.probability);
  }
});

it('an easier hold of today is among what is to be decided, is accepted, taken back, and stays away meanwhile', async () => {
  const holdsOf = ({ decide }: DayView): DayDecision[] =>
    decide.filter((each) => each.act?.kind === 'acceptHold');
  const before = await day();
  const [first] = holdsOf(before);
  const act = first!.act!;
  if (act.kind !== 'acceptHold') throw new Error('No hold to accept.');
  const path = `/sessions/${act.sessionId}/hold-decisions/${randomUUID()}`;
  await coach.send<HoldsView>('put', path, { kind: act.hold, what: 'accepted' }, 200);
  expect(holdsOf(await day()).map((each) => each.id)).not.toContain(first!.id);
  await coach.send('delete', path, undefined, 200);
  expect(holdsOf(await day()).map((each) => each.id)).toContain(first!.id);
});

it('a bar that is due is brushed in one step, and that is taken back', async () => {
  const brushOf = ({ decide }: DayView): DayDecision | undefined =>
    decide.find((each) => each.act?.kind === 'brush');
  const due = brushOf(await day())!;
  if (due.act?.kind !== 'brush') throw new Error('No bar is due.');
  const path = `/bars/${due.act.barId}/brushings/${randomUUID()}`;
  await coach.send<KitView>('put', path, { brushedAt: `${TODAY}T11:00:00Z` }, 200);
  expect(brushOf(await day())?.id).not.toBe(due.id);
  await coach.send<KitView>('delete', path, undefined, 200);
  expect(brushOf(await day())?.id).toBe(due.id);
  const foreign = await Coach.signIn(api, await addForeignCoach(api));
  await foreign.send('delete', path, undefined, 404);
});

it('what stops comes first, and each entry opens a page of the application', async () => {
  const { decide, moreToDecide } = await day();
  expect(decide[0]).toMatchObject({ who: 'Jun Takeda-Moss', level: 'stop' });
  expect(moreToDecide).toBeGreaterThanOrEqual(0);
  for (const { open } of decide)
    expect(open).toMatch(/^\/(lifters|kit)\/[0-9a-f-]{36}(\/[a-z]+(\/[0-9a-f-]{36})?)?$/);
  expect(new Set(decide.map((each) => each.id)).size).toBe(decide.length);
});

it('the week lays seven days across: heavy pulls, holds, blocks', async () => {
  const { week } = await day();
  expect(week.days).toHaveLength(7);
  expect(week.days[0]).toBe(TODAY);
  const odalys = week.rows.find((row) => row.lifterName === 'Odalys Brandt')!;
  expect(odalys.cells).toHaveLength(7);
  expect(odalys.cells[0]!.sessions[0]).toMatchObject({ title: 'Deadlift, heavy', heavy: true, holds: 1 });
  expect(odalys.cells[0]!.block).toMatch(/[Hh]old/);
});

it('a club without lifters has an empty day', async () => {
  const foreign = await Coach.signIn(api, await addForeignCoach(api, 'nobody@elsewhere.example'));
  expect(await foreign.get<DayView>('/today')).toMatchObject({
    ...{ sessions: [], total: 0, decide: [], moreToDecide: 0, meet: null },
    week: { rows: [], more: 0 },
  });
});

it('a hold block is proposed where the third attempt asks for one, is placed in one step, and that is taken back', async () => {
  const blockOf = ({ decide }: DayView): DayDecision | undefined =>
    decide.find((each) => each.act?.kind === 'placeBlock');
  expect(blockOf(await day())).toBeUndefined();
  const { id } = await lifterCalled('Odalys Brandt');
  const { blocks } = await coach.get<HoldsView>(`/lifters/${id}/holds`);
  for (const block of blocks.filter((each) => each.to >= TODAY))
    await coach.send('delete', `/hold-blocks/${block.id}`, undefined, 200);
  const proposed = blockOf(await day())!;
  expect(proposed).toMatchObject({ who: 'Odalys Brandt', about: { kind: 'block' } });
  if (proposed.act?.kind !== 'placeBlock') throw new Error('No block is proposed.');
  const ids = proposed.act.blocks.map(() => randomUUID());
  for (const [i, block] of proposed.act.blocks.entries())
    await coach.send('put', `/lifters/${id}/hold-blocks/${ids[i]}`, { ...block, version: 0 }, 200);
  expect(blockOf(await day())).toBeUndefined();
  for (const each of ids) await coach.send('delete', `/hold-blocks/${each}`, undefined, 200);
  expect(blockOf(await day())?.id).toBe(proposed.id);
});

it('a hook that is ready to move is moved in one step from the stage that was seen, and back', async () => {
  const hookOf = ({ decide }: DayView): DayDecision | undefined =>
    decide.find((each) => each.act?.kind === 'moveHook');
  expect(hookOf(await day())).toBeUndefined();
  const { id } = await lifterCalled('Odalys Brandt');
  // Pain on a looked-at day with hooked sets takes the hook back.
  const move = (body: object, status: number): Promise<unknown> =>
    coach.send('patch', `/lifters/${id}/hook-stage`, body, status);
  await move({ from: 'learn', to: 'build' }, 204);
  await move({ from: 'learn', to: 'build' }, 204);
  await move({ from: 'learn', to: 'carry' }, 409);
  const { sets } = await coach.get<CallsView>(
    `/sessions/${(await lifterCalled('Odalys Brandt')).next}/calls`,
  );
  const session = (await lifterCalled('Odalys Brandt')).next;
  const doneAt = `${TODAY}T11:30:00Z`;
  const hooked = { load: 50, reps: 3, grip: 'hook', strapped: false, chalk: 'block', doneAt, pain: 7 };
  await coach.send(
    'put',
    `/sessions/${session}/sets/${randomUUID()}`,
    { plannedSetId: sets[0]!.id, ...hooked },
    200,
  );
  const hands = { left: { ...SOUND_HAND, thumb: 'torn' }, right: SOUND_HAND };
  await coach.send('put', `/lifters/${id}/hands-checks/${randomUUID()}`, { hands, checkedAt: doneAt }, 200);
  const due = hookOf(await day())!;
  expect(due).toMatchObject({
    ...{ who: 'Odalys Brandt', act: { kind: 'moveHook', from: 'build', to: 'learn' } },
    about: { text: 'Hook goes back to “learn”' },
  });
  await move({ from: 'build', to: 'learn' }, 204);
  expect(hookOf(await day())).toBeUndefined();
  const { changes } = await coach.get<{ changes: { field: string; after: unknown }[] }>(
    `/lifters/${id}/changes`,
  );
  // Both at the one time that the clock of these tests stands at.
  const stages = changes.filter(({ field }) => field === 'hookStage').map(({ after }) => after);
  expect(stages.sort()).toEqual(['build', 'learn']);
});

/** A lifter of the demo, and the session that comes next. */
async function lifterCalled(name: string): Promise<{ id: string; next: string }> {
  const { lifters } = await coach.get<RackView>('/lifters');
  const { id } = lifters.find((row) => row.name === name)!;
  return { id, next: (await coach.get<SheetView>(`/lifters/${id}/sheet`)).nextSessionId! };
}

describe('a lifter’s own day', () => {
  const own = async (name: string): Promise<OwnDayView> =>
    coach.get<OwnDayView>(`/lifters/${(await lifterCalled(name)).id}/day`);

  it('is the session of today as the club’s Today has it, or the next one', async () => {
    const { sessions } = await day();
    const teodor = await own('Teodor Vance');
    const here = sessions.find((each) => each.lifterName === 'Teodor Vance')!;
    expect(teodor.sessions).toEqual([{ ...here, on: TODAY }]);
    expect(teodor.week.rows).toHaveLength(1);
    const iskra = await own('Iskra Petrov');
    expect(iskra.sessions.map(({ on }) => on)).toEqual(['2026-11-25']);
    expect(iskra.meet).toMatchObject({ name: 'Breakwater Open', days: expect.any(Number) });
  });

  it('says what is to be minded, but for what only the staff settle', async () => {
    const { lifters } = await coach.get<ClubView>('/club/attention');
    const ruth = await own('Ruth Calloway');
    const found = lifters.find(({ name }) => name === 'Ruth Calloway')!.findings;
    expect(found.some(({ step }) => step === 'profile')).toBe(true);
    expect(ruth.mind.map(({ text }) => text)).toEqual(
      found.filter(({ step }) => step !== 'profile').map(({ text }) => text),
    );
  });

  it('carries the coach’s last word', async () => {
    const { id, next } = await lifterCalled('Teodor Vance');
    await coach.send(
      'put',
      `/sessions/${next}/end`,
      { note: 'Lock the knees sooner.', finishedAt: `${TODAY}T11:45:00Z` },
      200,
    );
    const view = await coach.get<OwnDayView>(`/lifters/${id}/day`);
    expect(view.note).toMatchObject({ on: TODAY, text: 'Lock the knees sooner.' });
    await coach.send('delete', `/sessions/${next}/end`, undefined, 204);
  });

  it('is theirs, and the staff’s of their own club', async () => {
    const { id } = await lifterCalled('Odalys Brandt');
    const odalys = await Coach.signIn(api, DEMO_LIFTER);
    expect((await odalys.get<OwnDayView>(`/lifters/${id}/day`)).sessions).toHaveLength(1);
    await odalys.get(`/lifters/${(await lifterCalled('Teodor Vance')).id}/day`, 404);
    await odalys.get('/today', 403);
  });
});
