import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { InvalidInputError } from '../errors.ts';
import { fitHoldCurve } from './fit-hold-curve.ts';
import { holdLoad } from './hold-load.ts';
import { holdSeconds } from './hold-seconds.ts';
import { medianLoad } from './read-outs.ts';
import type { HoldCurve, HoldObservation } from './types.ts';

/** 60 made-up holds with the figures an independent survival-regression routine gave for them. */
const HOLDS: HoldObservation[] = readFileSync(
  new URL('../reference/hold-curve-a.csv', import.meta.url),
  'utf8',
)
  .trim()
  .split('\n')
  .slice(1)
  .map((line) => line.split(',').map(Number))
  .map(([load, hook, noChalk, seconds, slipped]) => ({
    load: load!,
    seconds: seconds!,
    ended: slipped ? 'slipped' : 'stopped',
    ...(hook && { grip: 'hook' as const }),
    ...(noChalk && { chalk: 'none' as const }),
  }));

const term = (curve: HoldCurve, name: string): number =>
  curve.effects.find((each) => each.name === name)!.value;

describe('with a flat prior: ordinary censored log-normal maximum likelihood', () => {
  const curve = fitHoldCurve(HOLDS, { referenceLoad: 150, prior: 'flat' });

  it('finds the independent coefficients and scale', () => {
    expect(curve.intercept).toBeCloseTo(2.7011813333, 6);
    expect(-curve.slope).toBeCloseTo(-3.9348325584, 6);
    expect(term(curve, 'hook')).toBeCloseTo(0.8389659845, 6);
    expect(term(curve, 'noChalk')).toBeCloseTo(-0.3547077479, 6);
    expect(Math.exp(curve.logSigma)).toBeCloseTo(0.3007340603, 6);
  });

  it('finds the independent standard errors', () => {
    const errors = curve.covariance.map((row, i) => Math.sqrt(row[i]!));
    [0.06968943, 0.2639713, 0.15167079, 0.11162343, 0.12629664].forEach((expected, i) =>
      expect(errors[i]).toBeCloseTo(expected, 6),
    );
  });

  it('predicts the independent medians', () => {
    expect(holdSeconds(curve, { load: 120, probability: 0.5 })).toBeCloseTo(35.84534974, 5);
    expect(holdSeconds(curve, { load: 160, probability: 0.5, grip: 'hook' })).toBeCloseTo(26.74102876, 5);
    expect(holdSeconds(curve, { load: 200, probability: 0.5, chalk: 'none' })).toBeCloseTo(3.36858509, 5);
  });

  it('predicts the same whatever load it refers to', () => {
    const other = fitHoldCurve(HOLDS, { referenceLoad: 97, prior: 'flat' });
    expect(other.slope).toBeCloseTo(curve.slope, 6);
    expect(holdSeconds(other, { load: 160, probability: 0.5, grip: 'hook' })).toBeCloseTo(26.74102876, 5);
  });

  it('has terms only for what the rows hold, and says so when asked for another', () => {
    expect(curve.effects.map((each) => each.name)).toEqual(['hook', 'noChalk']);
    expect(() => holdSeconds(curve, { load: 100, probability: 0.5, grip: 'mixed' })).toThrow(
      InvalidInputError,
    );
  });
});

describe('a slip of which only the repetition is known', () => {
  const rows: HoldObservation[] = readFileSync(
    new URL('../reference/hold-curve-intervals.csv', import.meta.url),
    'utf8',
  )
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','))
    .map(([load, hook, noChalk, since, seconds, slipped]) => ({
      load: Number(load),
      seconds: Number(seconds),
      ended: slipped === '1' ? 'slipped' : 'stopped',
      ...(hook === '1' && { grip: 'hook' as const }),
      ...(noChalk === '1' && { chalk: 'none' as const }),
      ...(since !== '' && { within: [Number(since), Number(seconds)] as const }),
    }));
  const curve = fitHoldCurve(rows, { referenceLoad: 150, prior: 'flat' });

  it('is interval-censored maximum likelihood, as independently found', () => {
    expect(curve.intercept).toBeCloseTo(2.66157833, 6);
    expect(curve.slope).toBeCloseTo(3.88407019, 6);
    expect(term(curve, 'hook')).toBeCloseTo(0.8493544, 6);
    expect(term(curve, 'noChalk')).toBeCloseTo(-0.36877917, 6);
    expect(curve.logSigma).toBeCloseTo(-1.21280686, 6);
    const errors = curve.covariance.map((row, i) => Math.sqrt(row[i]!));
    [0.0782199, 0.3116224, 0.1765575, 0.1251062, 0.1678111].forEach((expected, i) =>
      expect(errors[i]).toBeCloseTo(expected, 5),
    );
  });

  it('says less than one whose moment is known', () => {
    const fit = (more: Partial<HoldObservation>): HoldCurve =>
      fitHoldCurve([{ load: 140, seconds: 5, ended: 'slipped', ...more }], { referenceLoad: 126 });
    expect(fit({ within: [0, 10] }).covariance[0]![0]).toBeGreaterThan(fit({}).covariance[0]![0]!);
    expect(fit({ within: [4.95, 5.05] }).intercept).toBeCloseTo(fit({}).intercept, 3);
  });
});

describe('one hand alone, and pinch', () => {
  it('learns that a side is weaker, and leaves both hands together alone', () => {
    const rows = [0.8, 0.9, 1, 1.1, 1.2].flatMap((share): HoldObservation[] => [
      { load: 120 * share, seconds: 10 * share ** -3.5, ended: 'slipped', hand: 'left' },
      { load: 140 * share, seconds: 10 * share ** -3.5, ended: 'slipped', hand: 'right' },
    ]);
    const curve = fitHoldCurve([...rows, ...rows, ...rows], { referenceLoad: 130 });
    const ten = (hand: 'left' | 'right' | 'both'): number =>
      holdLoad(curve, { seconds: 10, probability: 0.5, hand });
    expect(ten('right') / ten('left')).toBeGreaterThan(1.1);
    expect(ten('right') / ten('left')).toBeLessThan(140 / 120);
    expect(ten('both')).toBeGreaterThan(ten('left'));
    expect(ten('both')).toBeLessThan(ten('right'));
  });

  it('starts a pinch from a wider guess', () => {
    const support = fitHoldCurve([], { referenceLoad: 45 });
    const pinch = fitHoldCurve([], { referenceLoad: 45, family: 'pinch' });
    expect(pinch.covariance[0]![0]).toBeGreaterThan(support.covariance[0]![0]!);
    expect(pinch.family).toBe('pinch');
  });
});

it('an effect that no row holds is the prior, as if it had been in the search', () => {
  const plain = fitHoldCurve(HOLDS, { referenceLoad: 150 });
  // One row that weighs next to nothing brings the mixed grip into the search.
  const within = fitHoldCurve(
    [...HOLDS, { load: 150, seconds: 10, ended: 'stopped', grip: 'mixed', weight: 1e-9 }],
    {
      referenceLoad: 150,
    },
  );
  expect(plain.effects.map((each) => each.name)).not.toContain('mixed');
  expect(within.effects.map((each) => each.name)).toContain('mixed');
  for (const seconds of [5, 10, 40]) {
    expect(holdLoad(plain, { seconds, probability: 0.9, grip: 'mixed' })).toBeCloseTo(
      holdLoad(within, { seconds, probability: 0.9, grip: 'mixed' }),
      5,
    );
  }
});

describe('with the default prior', () => {
  it('starts from the trade’s working figures when nothing is logged', () => {
    const curve = fitHoldCurve([], { referenceLoad: 126 });
    expect(holdLoad(curve, { seconds: 10, probability: 0.5 })).toBeCloseTo(126, 6);
    expect(curve.slope).toBeCloseTo(3.5, 6);
    expect(curve.evidence).toMatchObject({ observations: 0, slipped: 0, effective: 0 });
  });

  it('does not depend on the order of the rows', () => {
    const forward = fitHoldCurve(HOLDS, { referenceLoad: 150 });
    const backward = fitHoldCurve([...HOLDS].reverse(), { referenceLoad: 150 });
    expect(backward.intercept).toBeCloseTo(forward.intercept, 8);
    expect(backward.covariance[1]![1]).toBeCloseTo(forward.covariance[1]![1]!, 8);
  });

  it('does not depend on the unit of the loads', () => {
    const kg = fitHoldCurve(HOLDS, { referenceLoad: 150 });
    const factor = 1 / 0.45359237;
    const lb = fitHoldCurve(
      HOLDS.map((each) => ({ ...each, load: each.load * factor })),
      { referenceLoad: 150 * factor },
    );
    expect(holdLoad(lb, { seconds: 10, probability: 0.65 }) / factor).toBeCloseTo(
      holdLoad(kg, { seconds: 10, probability: 0.65 }),
      6,
    );
  });

  it('never predicts less at a load because a hold there was stopped on purpose', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 220, noNaN: true }),
        fc.double({ min: 1, max: 90, noNaN: true }),
        (load, seconds) => {
          const before = fitHoldCurve(HOLDS, { referenceLoad: 150 });
          const after = fitHoldCurve([...HOLDS, { load, seconds, ended: 'stopped' }], { referenceLoad: 150 });
          expect(holdSeconds(after, { load, probability: 0.5 })).toBeGreaterThanOrEqual(
            holdSeconds(before, { load, probability: 0.5 }) * (1 - 1e-6),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  it('takes a row that stands for three as three rows', () => {
    const row: HoldObservation = { load: 140, seconds: 9, ended: 'slipped' };
    const thrice = fitHoldCurve([{ ...row, times: 3 }], { referenceLoad: 126 });
    const rows = fitHoldCurve([row, row, row], { referenceLoad: 126 });
    expect(thrice.intercept).toBeCloseTo(rows.intercept, 9);
    expect(thrice.evidence).toEqual(rows.evidence);
  });

  it('lets a hold fade: what was held long ago says less of today, and may have been another hand', () => {
    const slips = (load: number, ageDays: number): HoldObservation[] =>
      Array.from({ length: 10 }, (_, i) => ({ load, seconds: 10, ended: 'slipped', ageDays: ageDays + i }));
    const ten = (rows: readonly HoldObservation[]): number =>
      medianLoad(fitHoldCurve(rows, { referenceLoad: 126 }), { seconds: 10 }).value;
    const [then, now] = [slips(140, 170), slips(120, 1)];
    expect(ten([...then, ...now])).toBeLessThan((ten(then) + ten(now)) / 2);
    const doubt = (ageDays: number): number =>
      fitHoldCurve([{ load: 140, seconds: 9, ended: 'slipped', ageDays }], { referenceLoad: 126 })
        .covariance[0]![0]!;
    expect(doubt(84)).toBeGreaterThan(doubt(0));
  });
});

describe('degenerate logs still give a sane curve with wide doubt', () => {
  const repeat = (row: HoldObservation, count: number): HoldObservation[] =>
    Array.from({ length: count }, () => row);
  const cases: Record<string, HoldObservation[]> = {
    none: [],
    'one slip': [{ load: 140, seconds: 9, ended: 'slipped' }],
    'all stopped': repeat({ load: 100, seconds: 10, ended: 'stopped' }, 40),
    'one load only': repeat({ load: 100, seconds: 12, ended: 'slipped' }, 40),
    contradictory: [
      { load: 60, seconds: 2, ended: 'slipped' },
      { load: 220, seconds: 120, ended: 'slipped' },
      { load: 60, seconds: 300, ended: 'stopped' },
    ],
    'contradictory slips within repetitions': [
      { load: 60, seconds: 1, within: [0, 2], ended: 'slipped' },
      { load: 300, seconds: 700, within: [600, 800], ended: 'slipped' },
      { load: 60, seconds: 300, ended: 'stopped' },
    ],
    absurd: [
      { load: 2000, seconds: 3600, ended: 'slipped' },
      { load: 0.001, seconds: 0.001, ended: 'slipped' },
    ],
  };

  it.each(
    Object.entries(cases).flatMap(([name, rows]) =>
      (['default', 'flat'] as const).map((prior) => ({ name, rows, prior })),
    ),
  )('$name, $prior prior', ({ rows, prior }) => {
    const curve = fitHoldCurve(rows, { referenceLoad: 126, prior });
    const figures = [curve.intercept, curve.slope, curve.logSigma, ...curve.covariance.flat()];
    expect(figures.every(Number.isFinite)).toBe(true);
    curve.covariance.forEach((row, i) => expect(row[i]).toBeGreaterThan(0));
    if (prior === 'default') expect(curve.slope).toBeGreaterThanOrEqual(0.8);
    expect(Number.isFinite(holdLoad(curve, { seconds: 10, probability: 0.65 }))).toBe(true);
  });

  it.each([
    [[{ load: -5, seconds: 10, ended: 'stopped' }], 'observations[0].load'],
    [[{ load: 100, seconds: 0, ended: 'stopped' }], 'observations[0].seconds'],
    [[{ load: 100, seconds: 10_000, ended: 'stopped' }], 'observations[0].seconds'],
    [[{ load: Number.NaN, seconds: 10, ended: 'stopped' }], 'observations[0].load'],
    [[{ load: '100', seconds: 10, ended: 'stopped' }], 'observations[0].load'],
    [[{ load: 100, seconds: 10, ended: 'dropped' }], 'observations[0].ended'],
    [[{ load: 100, seconds: 10, ended: 'stopped', grip: 'thumbless' }], 'observations[0].grip'],
    ['holds', 'observations'],
    [[{ load: 100, seconds: 9, ended: 'slipped', within: [8] }], 'observations[0].within'],
    [[{ load: 100, seconds: 9, ended: 'slipped', within: [9, 9] }], 'observations[0].within'],
    [[{ load: 100, seconds: 9, ended: 'stopped', within: [8, 9] }], 'observations[0].within'],
    [[null], 'observations[0]'],
  ])('refuses %j by naming %s', (rows, field) => {
    const fit = (): unknown => fitHoldCurve(rows as HoldObservation[], { referenceLoad: 126 });
    expect(fit).toThrow(InvalidInputError);
    expect(fit).toThrow(expect.objectContaining({ field }));
  });
});
