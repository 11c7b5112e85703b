import { randomUUID } from 'node:crypto';
import type { ErrorView, GrippersView, RackView } from '@iron-clasp/contract';
import { DEMO_LIFTERS } from '../src/demo/lifters.ts';
import { Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
const ids = new Map<string, string>();
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  for (const { name, id } of (await coach.get<RackView>('/lifters')).lifters) ids.set(name, id);
});
afterAll(() => api.close());

const view = (name: string): Promise<GrippersView> =>
  coach.get<GrippersView>(`/lifters/${ids.get(name)}/grippers`);
const put = <Answer = GrippersView>(id: string, body: object, status = 200): Promise<Answer> =>
  coach.send<Answer>('put', `/lifters/${ids.get('Iskra Petrov')}/gripper-attempts/${id}`, body, status);

it('finds each lifter’s hidden half-chance resistance within its range, nearly always', async () => {
  let inside = 0;
  for (const { name, squeeze, dominantHand } of DEMO_LIFTERS) {
    const { plans } = await view(name);
    for (const side of ['left', 'right'] as const) {
      const truth = squeeze.gripper * (side === dominantHand ? 1.03 : 0.97);
      const { low, high } = plans[side].halfChance;
      // An 80 % range, with a little room for the training that older attempts do not show.
      if (truth > low * 0.96 && truth < high * 1.04) inside++;
    }
  }
  expect(inside).toBeGreaterThanOrEqual(0.8 * 2 * DEMO_LIFTERS.length);
});

it('gives each hand a working gripper, and chances that fall as the ladder climbs', async () => {
  const { ladder, plans, progress } = await view('Iskra Petrov');
  expect(plans.left.working).toBeDefined();
  const rated = ladder.filter((rung) => rung.resistance !== null);
  rated.slice(1).forEach((rung, i) => {
    expect(rung.chance.left!.value).toBeLessThan(rated[i]!.chance.left!.value);
    expect(rung.chance.left!.low).toBeLessThanOrEqual(rung.chance.left!.value);
  });
  expect(progress.length).toBeGreaterThan(2);
});

it('a gripper without a rating stands on the ladder without a chance, and its attempts are counted apart', async () => {
  const { ladder } = await view('Iskra Petrov');
  const rusty = ladder.find((rung) => rung.resistance === null)!;
  expect(rusty.chance).toEqual({ left: null, right: null });
  const before = (await view('Iskra Petrov')).evidence;
  const id = randomUUID();
  const { evidence, plans } = await put(id, {
    gripperId: rusty.id,
    hand: 'left',
    depth: 'open',
    closed: true,
    doneAt: `${TODAY}T10:00:00Z`,
  });
  expect(evidence).toMatchObject({ attempts: before.attempts, unrated: before.unrated + 1 });
  expect(plans.left.unrated).toContain(rusty.name);
  await coach.send('delete', `/gripper-attempts/${id}`, undefined, 204);
});

describe('an attempt', () => {
  const id = randomUUID();
  const attempt = async (more: object = {}): Promise<object> => ({
    gripperId: (await view('Iskra Petrov')).ladder[1]!.id,
    hand: 'right',
    depth: 'parallel',
    closed: false,
    gapMm: 4,
    doneAt: `${TODAY}T10:00:00Z`,
    ...more,
  });

  it('is kept once, undone, and refused with other content under the same id', async () => {
    const first = await put(id, await attempt());
    const again = await put(id, await attempt());
    expect(again.attempts.filter((each) => each.id === id)).toHaveLength(1);
    expect(first.attempts[0]).toMatchObject({ hand: 'right', depth: 'parallel', gapMm: 4, closed: false });
    const { error } = await put<ErrorView>(id, await attempt({ gapMm: 9 }), 409);
    expect(error.code).toBe('kept-differently');
    await coach.send('delete', `/gripper-attempts/${id}`, undefined, 204);
    expect((await view('Iskra Petrov')).attempts.some((each) => each.id === id)).toBe(false);
  });

  it.each([
    ['closed with a gap', { closed: true, gapMm: 3 }, /leaves no gap/],
    ['a gap of half a metre', { gapMm: 500 }, /0 to 150 mm/],
    ['no depth', { depth: 'half' }, /open, parallel or deep/],
  ])('%s is refused plainly', async (_, more, words) => {
    const { error } = await put<ErrorView>(randomUUID(), await attempt(more), 400);
    expect(error.message).toMatch(words);
  });

  it('at a gripper of nobody’s is not there', async () => {
    await put(randomUUID(), await attempt({ gripperId: randomUUID() }), 404);
  });
});
