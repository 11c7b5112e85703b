import fc from 'fast-check';
import { fitHoldCurve } from './fit-hold-curve.ts';
import { HEAVIEST_LOAD, holdLoad } from './hold-load.ts';
import { holdProbability, holdProbabilityRange } from './hold-probability.ts';
import { holdSeconds } from './hold-seconds.ts';
import { chanceWorthMore, medianLoad, worthOf } from './read-outs.ts';
import type { HoldCurve, HoldObservation } from './types.ts';

const observation = fc.record<HoldObservation>({
  load: fc.double({ min: 40, max: 300, noNaN: true }),
  seconds: fc.double({ min: 0.5, max: 180, noNaN: true }),
  ended: fc.constantFrom('slipped', 'stopped'),
  grip: fc.constantFrom('doubleOverhand', 'mixed', 'hook'),
  chalk: fc.constantFrom('block', 'liquid', 'none'),
});
/** Curves from thin, contradictory and rich logs alike. */
const curve: fc.Arbitrary<HoldCurve> = fc
  .array(observation, { maxLength: 25 })
  .map((rows) => fitHoldCurve(rows, { referenceLoad: 126 }));
const load = fc.double({ min: 5, max: 600, noNaN: true });
const seconds = fc.double({ min: 0.3, max: 300, noNaN: true });
const probability = fc.double({ min: 0.02, max: 0.98, noNaN: true });
const grip = fc.constantFrom('doubleOverhand', 'mixed', 'hook');

describe('holdProbability', () => {
  it('never rises with load', () => {
    fc.assert(
      fc.property(curve, load, load, seconds, grip, (c, a, b, s, g) => {
        const [light, heavy] = [Math.min(a, b), Math.max(a, b)];
        expect(holdProbability(c, { load: heavy, seconds: s, grip: g })).toBeLessThanOrEqual(
          holdProbability(c, { load: light, seconds: s, grip: g }) + 1e-12,
        );
      }),
    );
  });

  it('never rises with seconds', () => {
    fc.assert(
      fc.property(curve, load, seconds, seconds, grip, (c, l, a, b, g) => {
        const [short, long] = [Math.min(a, b), Math.max(a, b)];
        expect(holdProbability(c, { load: l, seconds: long, grip: g })).toBeLessThanOrEqual(
          holdProbability(c, { load: l, seconds: short, grip: g }) + 1e-12,
        );
      }),
    );
  });

  it('lies in its own range, which narrows as holds are logged', () => {
    const width = (rows: HoldObservation[]): number => {
      const c = fitHoldCurve(rows, { referenceLoad: 126 });
      const question = { load: 126, seconds: 10 };
      const { low, high } = holdProbabilityRange(c, question);
      expect(holdProbability(c, question)).toBeGreaterThanOrEqual(low);
      expect(holdProbability(c, question)).toBeLessThanOrEqual(high);
      return high - low;
    };
    const row: HoldObservation = { load: 126, seconds: 10, ended: 'slipped' };
    expect(width(Array.from({ length: 20 }, (_, i) => ({ ...row, seconds: 8 + (i % 5) })))).toBeLessThan(
      width([row]),
    );
  });
});

describe('the two inverses', () => {
  it('holdLoad gives the load with just that chance', () => {
    fc.assert(
      fc.property(curve, seconds, probability, grip, (c, s, p, g) => {
        const found = holdLoad(c, { seconds: s, probability: p, grip: g });
        const ceiling = holdProbability(c, { load: 1e-6, seconds: s, grip: g });
        const floor = holdProbability(c, { load: HEAVIEST_LOAD, seconds: s, grip: g });
        const there = holdProbability(c, { load: found || 1e-6, seconds: s, grip: g });
        // At the very ceiling either answer is right: the load of the peak, or none.
        if (p > ceiling) expect(found === 0 || p - ceiling < 1e-9).toBe(true);
        else if (found === HEAVIEST_LOAD) expect(there).toBeGreaterThanOrEqual(p - 1e-6);
        else if (p >= floor) expect(Math.abs(there - p)).toBeLessThan(1e-6);
        else expect(there).toBeCloseTo(floor, 6);
      }),
      { numRuns: 300 },
    );
  });

  it('holdSeconds gives the time with just that chance', () => {
    fc.assert(
      fc.property(curve, load, probability, grip, (c, l, p, g) => {
        const found = holdSeconds(c, { load: l, probability: p, grip: g });
        expect(Math.abs(holdProbability(c, { load: l, seconds: found, grip: g }) - p)).toBeLessThan(1e-6);
      }),
      { numRuns: 300 },
    );
  });
});

describe('read-outs', () => {
  it('give the working figures with their doubt when nothing is logged', () => {
    const c = fitHoldCurve([], { referenceLoad: 126 });
    const ten = medianLoad(c, { seconds: 10 });
    expect(ten.value).toBeCloseTo(126, 6);
    // A fifth of the load is one standard deviation: e^(±1.2816·0.2).
    expect(ten.high / ten.value).toBeCloseTo(Math.exp(1.2815515655 * 0.2), 6);
    expect(worthOf(c, 'hook')!.value).toBeCloseTo(1.28, 6);
    expect(worthOf(c, 'hook')!.fromLog).toBeCloseTo(0, 6);
  });

  it('learn what hook is worth from the log', () => {
    const rows = [110, 120, 130, 140, 150].flatMap((l): HoldObservation[] => [
      { load: l, seconds: 10 * (126 / l) ** 3.5, ended: 'slipped' },
      { load: l * 1.5, seconds: 10 * (126 / l) ** 3.5, ended: 'slipped', grip: 'hook' },
    ]);
    const worth = worthOf(fitHoldCurve([...rows, ...rows, ...rows], { referenceLoad: 126 }), 'hook')!;
    expect(worth.low).toBeLessThan(1.5);
    expect(worth.high).toBeGreaterThan(1.42);
    expect(worth.fromLog).toBeGreaterThan(0.5);
  });
});

describe('chanceWorthMore', () => {
  const effect = fc.constantFrom('mixed' as const, 'hook' as const, 'noChalk' as const);

  it('is the rest of the chance the other way round, and never certain by prior alone', () => {
    fc.assert(
      fc.property(curve, effect, effect, (c, a, b) => {
        const one = chanceWorthMore(c, a, b);
        expect(one + chanceWorthMore(c, b, a)).toBeCloseTo(1, 9);
      }),
    );
    const nothing = fitHoldCurve([], { referenceLoad: 126 });
    const hook = chanceWorthMore(nothing, 'hook', 'mixed');
    expect(hook).toBeGreaterThan(0.5);
    expect(hook).toBeLessThan(0.8);
  });

  it('follows the log: a hook that holds where mixed slips', () => {
    const rows = (grip: 'hook' | 'mixed', ended: 'stopped' | 'slipped', seconds: number): HoldObservation[] =>
      Array.from({ length: 12 }, () => ({ load: 140, seconds, ended, grip, chalk: 'block' as const }));
    const c = fitHoldCurve([...rows('hook', 'slipped', 20), ...rows('mixed', 'slipped', 6)], {
      referenceLoad: 126,
    });
    expect(chanceWorthMore(c, 'hook', 'mixed')).toBeGreaterThan(0.97);
  });
});

it('a chance never lies outside its own range, however little is known', () => {
  const unknown = fitHoldCurve([], { referenceLoad: 126 });
  for (const load of [40, 90, 126, 160, 220, 320, 450])
    for (const seconds of [1, 5, 10, 40, 120]) {
      const { low, high } = holdProbabilityRange(unknown, { load, seconds });
      const chance = holdProbability(unknown, { load, seconds });
      expect(chance).toBeGreaterThanOrEqual(low);
      expect(chance).toBeLessThanOrEqual(high);
    }
});
