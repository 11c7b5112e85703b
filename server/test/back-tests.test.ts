import { randomUUID } from 'node:crypto';
import type { BackTestView, BlockEffectView, ClubBackTestView, LogView } from '@iron-clasp/contract';
import { addForeignCoach, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let lifter: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  [{ id: lifter }] = await api.db.query("SELECT id FROM lifter WHERE name LIKE 'Jun%'");
});
afterAll(() => api.close());

const own = (): Promise<BackTestView> => coach.get<BackTestView>(`/lifters/${lifter}/curve/back-test`);
/** Asks again until the one that was begun is there, as the page does. */
async function fresh(): Promise<BackTestView> {
  for (;;) {
    const view = await own();
    if (view.fresh) return view;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
const version = async (): Promise<number> => {
  const [row] = await api.db.query<{ version: string }[]>(
    'SELECT version FROM log_version WHERE lifter_id = $1',
    [lifter],
  );
  return Number(row!.version);
};

it('is worked out beside the page that asks, then read', async () => {
  expect(await own()).toEqual({ reading: null, fresh: false });
  const { reading } = await fresh();
  expect(reading!.weeks).toBeGreaterThan(10);
  expect(reading!.trials).toBeGreaterThan(100);
  expect(reading!.brier).toBeLessThan(reading!.usual);
  // The planted hands of the demo are of the kind that the curve expects.
  expect(Math.abs(reading!.said - reading!.held)).toBeLessThan(0.05);
});

it('stands while the next one is worked out, once the log has changed', async () => {
  const before = await fresh();
  const { entries } = await coach.get<LogView>(`/lifters/${lifter}/log`);
  const set = entries.find((each) => each.kind === 'set' && !each.strapped && each.gripped)!;
  const was = await version();
  await coach.send('delete', `/sets/${set.id}`, undefined, 204);
  expect(await version()).toBeGreaterThan(was);
  const between = await own();
  expect(between).toEqual({ reading: before.reading, fresh: false });
  expect((await fresh()).reading!.trials).toBeLessThanOrEqual(before.reading!.trials);
});

it('is told of the club as the sum of its lifters', async () => {
  let view = await coach.get<ClubBackTestView>('/club/back-test');
  while (view.underWay > 0) {
    await new Promise((resolve) => setTimeout(resolve, 4_000));
    view = await coach.get<ClubBackTestView>('/club/back-test');
  }
  expect(view.lifters.length).toBe(9);
  const sum = view.lifters.reduce((all, each) => all + each.trials, 0);
  expect(Math.abs(view.club.trials - sum)).toBeLessThanOrEqual(view.lifters.length);
  expect(view.club.brier).toBeLessThan(view.club.usual);
  expect(view.club.tenths.length).toBeGreaterThan(3);
}, 120_000);

it('what blocks did is pooled over those that have ended', async () => {
  const { perWeek, blocks } = await coach.get<BlockEffectView>('/club/block-effect');
  expect(perWeek.low).toBeLessThan(perWeek.value);
  for (const block of blocks) expect(block.endsOn <= '2026-11-24').toBe(true);
});

it('is the club’s own', async () => {
  const foreign = await Coach.signIn(api, await addForeignCoach(api));
  await foreign.get(`/lifters/${lifter}/curve/back-test`, 404);
  await foreign.get(`/lifters/${randomUUID()}/curve/back-test`, 404);
  expect((await foreign.get<ClubBackTestView>('/club/back-test')).lifters).toEqual([]);
  expect((await foreign.get<BlockEffectView>('/club/block-effect')).blocks).toEqual([]);
});
