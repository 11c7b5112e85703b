import { trialsOfLog, type AskedHold } from './hold-trials.ts';
import type { LoggedSetFacts } from './observe-log.ts';

const set = (more: Partial<LoggedSetFacts> = {}): LoggedSetFacts => ({
  ...{ liftId: 'deadlift.conventional', load: 200, reps: 3, style: 'touchAndGo', seconds: null },
  ...{ grip: 'hook', strapped: false, chalk: 'block', diameter: 29, slippedAtRep: null, ageDays: 4 },
  ...more,
});
const hold = (more: Partial<AskedHold> = {}): AskedHold => ({
  ...{ liftId: 'hold.front-rack', load: 140, seconds: 12, target: 12, ended: 'stopped' },
  ...{ grip: 'doubleOverhand', chalk: 'block', diameter: 29, place: 1, ageDays: 2 },
  ...more,
});
const read = (sets: readonly LoggedSetFacts[], holds: readonly AskedHold[]): ReturnType<typeof trialsOfLog> =>
  trialsOfLog({ sets, holds, bodyMass: 90 }, 'support');

it('asks a set for all its repetitions, also where it slipped before', () => {
  const [held, slipped] = read([set(), set({ slippedAtRep: 2, times: 3 })], []);
  expect(held).toMatchObject({ seconds: 15, held: true, slipped: false, lasted: 15, load: 210, ageDays: 4 });
  expect(slipped).toMatchObject({ seconds: 15, held: false, slipped: true, times: 3, grip: 'hook' });
  expect(slipped!.lasted).toBe(7.5);
});

it('asks a hold for its aim: a slip past it was held, a stop well before it tells nothing', () => {
  expect(read([], [hold()])).toMatchObject([{ seconds: 12, held: true, earlierHolds: 1 }]);
  expect(read([], [hold({ seconds: 7, ended: 'slipped' })])).toMatchObject([{ held: false, lasted: 7 }]);
  expect(read([], [hold({ seconds: 14, ended: 'slipped' })])).toMatchObject([{ held: true, lasted: 14 }]);
  expect(read([], [hold({ seconds: 6 })])).toEqual([]);
  expect(read([], [hold({ seconds: 11.6 })])).toHaveLength(1);
});

it('leaves out what tells nothing of bare hands', () => {
  expect(read([set({ strapped: true })], [hold({ ended: 'notLifted', seconds: 0 })])).toEqual([]);
});
