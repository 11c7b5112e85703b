import type { HoldObservation } from './types.ts';
import { curveOverTime } from './curve-over-time.ts';
import { fitHoldCurve } from './fit-hold-curve.ts';
import { fitMovingCurve } from './moving-curve.ts';

/** A hand that holds more from week to week: slips at ten seconds, 100 kg half a year ago and 130 kg today. */
const GROWING: HoldObservation[] = Array.from({ length: 27 }, (_, week) => ({
  load: 100 + (30 * week) / 26,
  seconds: 10,
  ended: 'slipped',
  ageDays: 7 * (26 - week),
}));
const moving = fitMovingCurve(GROWING, { referenceLoad: 120 });

it('follows a hand that grows, and counts what was logged by then', () => {
  const then = curveOverTime(moving, [168, 84, 0]);
  const tens = then.map((each) => each.tenSeconds);
  expect(tens[0]!.value).toBeLessThan(tens[1]!.value);
  expect(tens[1]!.value).toBeLessThan(tens[2]!.value);
  expect(then.map((each) => each.behind)).toEqual([3, 15, 27]);
  // The truth on the days read.
  expect(tens[0]!.low).toBeLessThan(103);
  expect(tens[2]!.high).toBeGreaterThan(127);
});

it('today is the fit of today, and a day to come is in more doubt the later it is', () => {
  const [now, inFour, inTwelve] = curveOverTime(moving, [0, -28, -84]);
  expect(now!.curve).toEqual(fitHoldCurve(GROWING, { referenceLoad: 120 }));
  const width = ({ tenSeconds: { low, high } }: NonNullable<typeof now>): number => high / low;
  expect(width(inFour!)).toBeGreaterThan(width(now!));
  expect(width(inTwelve!)).toBeGreaterThan(width(inFour!));
});

it('other conditions give other read-outs of the same curve', () => {
  const read = (conditions = {}): number => curveOverTime(moving, [0], conditions)[0]!.tenSeconds.value;
  expect(read({ grip: 'hook' })).toBeGreaterThan(read());
  expect(read({ chalk: 'none' })).toBeLessThan(read());
});
