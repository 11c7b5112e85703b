import { readFileSync } from 'node:fs';
import { fitHoldCurve } from './fit-hold-curve.ts';
import { holdProbability } from './hold-probability.ts';
import { curveOn, fitMovingCurve } from './moving-curve.ts';
import { medianLoad } from './read-outs.ts';
import type { Grip, HoldObservation } from './types.ts';

/** 95 holds on 19 days; the expected figures come from a dense Newton fit made without this product. */
const FILE = new URL('../reference/hold-log-moving-a.csv', import.meta.url);
const rows = readFileSync(FILE, 'utf8')
  .trim()
  .split('\n')
  .slice(1)
  .map((line) => line.split(','));
const LAST_DAY = 66;
const log = rows.map(([day, load, grip, seconds, slipped]): HoldObservation => {
  const ended = slipped === '1' ? 'slipped' : 'stopped';
  return {
    ...{ load: Number(load), seconds: Number(seconds), grip: grip as Grip, ended },
    ageDays: LAST_DAY - Number(day),
  };
});
const scales = { sigma: 0.33, tau: 0.03, omega: 0.12, doubt: 1, logSigmaSd: 0 };
const moving = fitMovingCurve(log, { referenceLoad: 126, scales });

it('finds the independent figures of levels, drift, slope and effects', () => {
  const { days, drift, terms, covariance } = moving.fit;
  expect(days).toHaveLength(19);
  expect(days[0]!.level).toBeCloseTo(2.27495743, 6);
  expect(days[18]!.level).toBeCloseTo(2.32153251, 6);
  expect(Math.sqrt(days[18]!.variance)).toBeCloseTo(0.08402325, 6);
  expect(days[18]!.dayEffect).toBeCloseTo(0.00861062, 6);
  expect(drift.value).toBeCloseTo(0.00297062, 6);
  expect(Math.sqrt(drift.variance)).toBeCloseTo(0.01047735, 6);
  expect(terms[0]).toBeCloseTo(3.69536349, 6);
  expect(Math.sqrt(covariance[0]![0]!)).toBeCloseTo(0.65100054, 6);
  expect(terms[1]).toBeCloseTo(0.56457569, 6);
  expect(terms[2]).toBeCloseTo(0.99045381, 6);
});

it('reads them out: the 10 s load, and the chance on a coming day', () => {
  const today = curveOn(moving, 0);
  const ten = medianLoad(today, { seconds: 10 });
  expect(ten.value).toBeCloseTo(126.64770489, 5);
  expect(ten.low).toBeCloseTo(122.99775713, 5);
  expect(ten.high).toBeCloseTo(130.40596452, 5);
  expect(holdProbability(today, { load: 120, seconds: 10 })).toBeCloseTo(0.70901283, 6);
  const inFourWeeks = curveOn(moving, -28);
  expect(holdProbability(inFourWeeks, { load: 160, seconds: 5, grip: 'mixed' })).toBeCloseTo(0.84577942, 6);
});

it('is the curve of the day of the fit', () => {
  expect(fitHoldCurve(log, { referenceLoad: 126, scales })).toEqual(curveOn(moving, 0));
});
