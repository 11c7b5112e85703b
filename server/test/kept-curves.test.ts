import { randomUUID } from 'node:crypto';
import type { CallsView, CurveView, RackView, SheetView } from '@iron-clasp/contract';
import { fitHoldCurve } from '@iron-clasp/core';
import { CurvesService, fitOptions } from '../src/evidence/curves/curves.service.ts';
import { LiftersService } from '../src/records/lifters/lifters.service.ts';
import { Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let lifterId: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  const { lifters } = await coach.get<RackView>('/lifters');
  lifterId = lifters.find((row) => row.name === 'Odalys Brandt')!.id;
});
afterAll(() => api.close());

interface Kept {
  readonly fingerprint: string;
  readonly rows: number;
  /** Which write made the row: a second one would show. */
  readonly xmin: string;
}
const kept = async (): Promise<Kept | undefined> => {
  const [row] = await api.db.query<Kept[]>(
    `SELECT fingerprint, rows, xmin::text FROM kept_curve WHERE lifter_id = $1 AND family = 'support'`,
    [lifterId],
  );
  return row;
};
const curve = async (): Promise<CurveView['curve']> =>
  (await coach.get<CurveView>(`/lifters/${lifterId}/curve`)).curve;

it('a page fits a curve once; pages after it read what is kept', async () => {
  const first = await curve();
  const row = (await kept())!;
  expect(row.rows).toBe(first.evidence.observations);
  expect(await curve()).toEqual(first);
  expect((await kept())!.xmin).toBe(row.xmin);
  // What is kept is what the core fits.
  const [club] = await api.db.query<{ id: string; time_zone: string }[]>('SELECT id, time_zone FROM club');
  const lifter = await api.app.get(LiftersService).known(club!.id, lifterId);
  const observations = await api.app
    .get(CurvesService)
    .observations({ id: club!.id, timeZone: club!.time_zone }, lifter);
  const fitted = fitHoldCurve(observations, fitOptions(lifter));
  expect(first.intercept).toBeCloseTo(fitted.intercept, 9);
  expect(first.covariance[0]![0]).toBeCloseTo(fitted.covariance[0]![0]!, 9);
});

it('is renewed by itself when the log has changed; and the page after it only reads', async () => {
  await api.db.query('DELETE FROM kept_curve WHERE lifter_id = $1', [lifterId]);
  const { nextSessionId } = await coach.get<SheetView>(`/lifters/${lifterId}/sheet`);
  const { sets } = await coach.get<CallsView>(`/sessions/${nextSessionId}/calls`);
  const set = sets.find(({ role }) => role === 'top')!;
  const entry = {
    ...{ plannedSetId: set.id, load: set.loading.total, reps: set.reps, strapped: false },
    ...{ grip: 'mixed', sideUnder: 'left', chalk: 'block', doneAt: `${TODAY}T11:30:00Z` },
  };
  await coach.send('put', `/sessions/${nextSessionId}/sets/${randomUUID()}`, entry, 200);
  // Nobody reads a page meanwhile.
  let row = await kept();
  for (const end = Date.now() + 20_000; !row && Date.now() < end; row = await kept())
    await new Promise((resolve) => setImmediate(resolve));
  const before = row!;
  const again = await curve();
  expect((await kept())!.xmin).toBe(before.xmin);
  expect(before.rows).toBe(again.evidence.observations);
});
