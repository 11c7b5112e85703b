import { randomUUID } from 'node:crypto';
import type { CallsView, DayDecision, DayView, HoldsView, KitView } from '@iron-clasp/contract';
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
