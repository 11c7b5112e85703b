import type { HoldObservation } from './types.ts';
import { curveOverTime } from './curve-over-time.ts';
import { fitHoldCurve } from './fit-hold-curve.ts';

/** A hand that holds more from week to week: slips at ten seconds, 100 kg half a year ago and 130 kg today. */
const GROWING: HoldObservation[] = Array.from({ length: 27 }, (_, week) => ({
  load: 100 + (30 * week) / 26,
  seconds: 10,
  ended: 'slipped',
  ageDays: 7 * (26 - week),
}));

it('follows a hand that grows, with more doubt the less was logged', () => {
  const then = curveOverTime(GROWING, [168, 84, 0], { referenceLoad: 120 });
  const tens = then.map((each) => each.tenSeconds);
  expect(tens[0]!.value).toBeLessThan(tens[1]!.value);
  expect(tens[1]!.value).toBeLessThan(tens[2]!.value);
  const width = ({ low, high }: { low: number; high: number }): number => high / low;
  expect(width(tens[0]!)).toBeGreaterThan(width(tens[2]!));
  expect(then.map((each) => each.curve.evidence.observations)).toEqual([3, 15, 27]);
});

it('a point of the past never knows the future, and today’s is the fit of today', () => {
  const [past] = curveOverTime(GROWING, [84], { referenceLoad: 120 });
  const known = GROWING.filter((each) => each.ageDays! >= 84);
  const [same] = curveOverTime(known, [84], { referenceLoad: 120 });
  expect(past).toEqual(same);
  const [now] = curveOverTime(GROWING, [0], { referenceLoad: 120 });
  expect(now!.curve).toEqual(fitHoldCurve(GROWING, { referenceLoad: 120 }));
});

it('other conditions give other read-outs of the same curve', () => {
  const read = (conditions = {}): number =>
    curveOverTime(GROWING, [0], { referenceLoad: 120, conditions })[0]!.tenSeconds.value;
  expect(read({ grip: 'hook' })).toBeGreaterThan(read());
  expect(read({ chalk: 'none' })).toBeLessThan(read());
});
