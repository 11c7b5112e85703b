import { holdProbability } from './hold-probability.ts';
import { curveOn, fitMovingCurve } from './moving-curve.ts';
import { movingLifter, PLANTED_REFERENCE } from './moving-lifter.test-helper.ts';
import { medianLoad } from './read-outs.ts';
import type { HoldObservation } from './types.ts';

const OPTIONS = { referenceLoad: PLANTED_REFERENCE };
const STILL = { name: 'still', gain: 0, walk: 0, days: 0 };
const ten = (moving: ReturnType<typeof fitMovingCurve>, daysAgo: number): ReturnType<typeof medianLoad> =>
  medianLoad(curveOn(moving, daysAgo), { seconds: 10 });
const width = ({ low, high }: { low: number; high: number }): number => Math.log(high / low);

describe('on planted hands', () => {
  it('keeps up with a gain of 0.6 % a week', () => {
    const planted = movingLifter(7, { ...STILL, gain: 0.006 });
    const moving = fitMovingCurve(planted.log, OPTIONS);
    const today = ten(moving, 0);
    expect(Math.abs(today.value / planted.ten - 1)).toBeLessThan(0.04);
    expect(today.value / ten(moving, 170).value).toBeGreaterThan(1.08);
  });

  it('finds how much days differ, and how much the level walks', () => {
    const mean = (of: (seed: number) => number): number =>
      [1, 2, 3, 4, 5, 6].reduce((sum, seed) => sum + of(seed) / 6, 0);
    const scales = (seed: number, more: object): { tau: number; omega: number } =>
      fitMovingCurve(movingLifter(seed, { ...STILL, ...more }).log, OPTIONS).fit.scales;
    expect(mean((seed) => scales(seed, { days: 0.05 }).omega)).toBeGreaterThan(
      1.5 * mean((seed) => scales(seed, {}).omega),
    );
    expect(mean((seed) => scales(seed, { walk: 0.03 }).tau)).toBeGreaterThan(
      1.3 * mean((seed) => scales(seed, {}).tau),
    );
  });

  it('the further ahead, the more doubt; no drift past eight weeks', () => {
    const moving = fitMovingCurve(movingLifter(2, { ...STILL, gain: 0.006 }).log, OPTIONS);
    const [now, month, quarter] = [0, -28, -90].map((day) => ten(moving, day));
    expect(width(month!)).toBeGreaterThan(width(now!));
    expect(width(quarter!)).toBeGreaterThan(width(month!));
    expect(ten(moving, -200).value).toBeCloseTo(quarter!.value, 6);
  });
});

describe('a day under way', () => {
  const usual = movingLifter(4, { ...STILL, days: 0.03 }).log;
  const bad = [8, 6, 5].map((seconds): HoldObservation => ({
    load: 126,
    seconds,
    ended: 'slipped',
    ageDays: 0,
  }));
  const moving = fitMovingCurve([...usual, ...bad], OPTIONS);
  const chance = (asItWas: boolean): number =>
    holdProbability(curveOn(moving, 0, asItWas), { load: 110, seconds: 10 });

  it('is taken for the day that it is; another day is not', () => {
    const { dayEffect } = moving.fit.days.at(-1)!;
    expect(Math.sign(chance(true) - chance(false))).toBe(Math.sign(dayEffect));
    expect(curveOn(moving, 0, true).daySd).toBe(0);
    expect(curveOn(moving, 0).daySd).toBe(moving.fit.scales.omega);
  });

  it('has no say in the scales', () => {
    expect(fitMovingCurve(usual, OPTIONS).fit.scales).toEqual(moving.fit.scales);
  });
});

describe('poor logs still give a sane curve with wide doubt', () => {
  const slip = (more: Partial<HoldObservation>): HoldObservation => ({
    ...{ load: 130, seconds: 9, ended: 'slipped' },
    ...more,
  });
  it.each<[string, HoldObservation[]]>([
    ['none', []],
    ['one day', [0, 1, 2].map(() => slip({ ageDays: 3 }))],
    ['all stopped', [3, 10, 17].map((ageDays) => slip({ ageDays, ended: 'stopped' }))],
    ['years apart', [slip({ ageDays: 4000 }), slip({ ageDays: 2, load: 100 })]],
    [
      'contradictory',
      [slip({ ageDays: 3, load: 60, seconds: 2 }), slip({ ageDays: 3, load: 220, seconds: 90 })],
    ],
    ['of the same moment', [slip({ ageDays: 1 }), slip({ ageDays: 1 + 1e-9 })]],
  ])('%s', (_name, rows) => {
    const moving = fitMovingCurve(rows, OPTIONS);
    for (const day of [200, 5, 0, -30]) {
      const { value, low, high } = ten(moving, day);
      expect([value, low, high].every(Number.isFinite)).toBe(true);
      expect(low).toBeLessThan(value);
      expect(high / low).toBeGreaterThan(1.05);
      expect(high / low).toBeLessThan(30);
    }
  });
});
