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
/** What is asked of the rows, and the figures that were found independently: to be checked against by anybody. */
const { asked, found, readOuts } = JSON.parse(
  readFileSync(new URL('../reference/hold-log-moving-a.json', import.meta.url), 'utf8'),
) as {
  asked: { referenceLoad: number; lastDay: number; scales: { sigma: number; tau: number; omega: number } };
  found: Record<'levelOfFirstDay' | 'effectOfLastDay' | 'mixed' | 'hook', number> &
    Record<'levelOfLastDay' | 'driftAWeek' | 'slope', { value: number; sd: number }>;
  readOuts: {
    loadHeldTenSeconds: { value: number; low: number; high: number };
    chances: { weeksOn: number; load: number; seconds: number; grip: Grip; chance: number }[];
  };
};
const log = rows.map(([day, load, grip, seconds, slipped]): HoldObservation => {
  const ended = slipped === '1' ? 'slipped' : 'stopped';
  return {
    ...{ load: Number(load), seconds: Number(seconds), grip: grip as Grip, ended },
    ageDays: asked.lastDay - Number(day),
  };
});
const { referenceLoad } = asked;
const scales = { ...asked.scales, logSigmaSd: 0 };
const moving = fitMovingCurve(log, { referenceLoad, scales });

it('finds the independent figures of levels, drift, slope and effects', () => {
  const { days, drift, terms, covariance } = moving.fit;
  expect(days).toHaveLength(19);
  expect(days[0]!.level).toBeCloseTo(found.levelOfFirstDay, 6);
  expect(days[18]!.level).toBeCloseTo(found.levelOfLastDay.value, 6);
  expect(Math.sqrt(days[18]!.variance)).toBeCloseTo(found.levelOfLastDay.sd, 6);
  expect(days[18]!.dayEffect).toBeCloseTo(found.effectOfLastDay, 6);
  expect(drift.value).toBeCloseTo(found.driftAWeek.value, 6);
  expect(Math.sqrt(drift.variance)).toBeCloseTo(found.driftAWeek.sd, 6);
  expect(terms[0]).toBeCloseTo(found.slope.value, 6);
  expect(Math.sqrt(covariance[0]![0]!)).toBeCloseTo(found.slope.sd, 6);
  expect(terms[1]).toBeCloseTo(found.mixed, 6);
  expect(terms[2]).toBeCloseTo(found.hook, 6);
});

it('reads them out: the 10 s load, and the chance on a coming day', () => {
  const ten = medianLoad(curveOn(moving, 0), { seconds: 10 });
  for (const name of ['value', 'low', 'high'] as const)
    expect(ten[name]).toBeCloseTo(readOuts.loadHeldTenSeconds[name], 5);
  for (const { weeksOn, chance, ...question } of readOuts.chances)
    expect(holdProbability(curveOn(moving, -7 * weeksOn), question)).toBeCloseTo(chance, 6);
});

it('is the curve of the day of the fit', () => {
  expect(fitHoldCurve(log, { referenceLoad, scales })).toEqual(curveOn(moving, 0));
});
