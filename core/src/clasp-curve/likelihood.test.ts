import fc from 'fast-check';
import { logPosterior, type FitRows } from './likelihood.ts';
import { sparseDesign } from '../statistics/sparse-design.ts';
import type { GaussianPrior } from '../statistics/posterior.ts';

/** Two terms: intercept and −ln(load). */
function rowsOf(
  rows: readonly { load: number; seconds: number; slipped: boolean; weight: number; since?: number }[],
): FitRows {
  return {
    terms: 2,
    design: sparseDesign(Float64Array.from(rows.flatMap((row) => [1, -Math.log(row.load / 100)])), 2),
    logSeconds: Float64Array.from(rows, (row) => Math.log(row.seconds)),
    slipped: Uint8Array.from(rows, (row) => (row.slipped ? 1 : 0)),
    since: Float64Array.from(rows, (row) =>
      row.slipped && row.since !== undefined ? Math.log(row.since * row.seconds) : Number.NaN,
    ),
    weight: Float64Array.from(rows, (row) => row.weight),
  };
}

const row = fc.record({
  load: fc.double({ min: 40, max: 250, noNaN: true }),
  seconds: fc.double({ min: 1, max: 60, noNaN: true }),
  slipped: fc.boolean(),
  weight: fc.double({ min: 0.1, max: 3, noNaN: true }),
  /** Share of the seconds after which a slip lies; left out where its moment is known. */
  since: fc.option(fc.constantFrom(0, 0.2, 0.8), { nil: undefined }),
}) as fc.Arbitrary<{ load: number; seconds: number; slipped: boolean; weight: number; since?: number }>;
const theta = fc.tuple(
  fc.double({ min: 1, max: 4, noNaN: true }),
  fc.double({ min: 1, max: 6, noNaN: true }),
  fc.double({ min: -1.5, max: 0.5, noNaN: true }),
);
const PRIORS: GaussianPrior[] = [
  { mean: 2.3, sd: 0.7 },
  { mean: 3.5, sd: 1 },
  { mean: -1, sd: 0.4 },
];
const STEP = 1e-5;

describe('logPosterior', () => {
  it('has the slope and curvature that finite differences find', () => {
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 8 }), theta, fc.boolean(), (rows, point, flat) => {
        const fit = rowsOf(rows);
        const priors = flat ? [] : PRIORS;
        const at = (shift: number, j: number): ReturnType<typeof logPosterior> =>
          logPosterior(
            fit,
            Float64Array.from(point, (value, k) => value + (k === j ? shift : 0)),
            priors,
          );
        const here = logPosterior(fit, Float64Array.from(point), priors);
        for (let j = 0; j < 3; j++) {
          const [above, below] = [at(STEP, j), at(-STEP, j)];
          const slope = (above.value - below.value) / (2 * STEP);
          expect(Math.abs(slope - here.gradient[j]!)).toBeLessThan(1e-4 * (1 + Math.abs(slope)));
          for (let k = 0; k < 3; k++) {
            const curvature = (above.gradient[k]! - below.gradient[k]!) / (2 * STEP);
            expect(Math.abs(curvature - here.hessian[j * 3 + k]!)).toBeLessThan(
              1e-3 * (1 + Math.abs(curvature)),
            );
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it('counts a row of weight two like the row twice', () => {
    const one = { load: 120, seconds: 9, slipped: true, weight: 1 };
    const point = Float64Array.from([2.3, 3.5, -1]);
    const twice = logPosterior(rowsOf([one, one]), point, []);
    const heavy = logPosterior(rowsOf([{ ...one, weight: 2 }]), point, []);
    expect(heavy.value).toBeCloseTo(twice.value, 12);
    expect(heavy.gradient[1]).toBeCloseTo(twice.gradient[1]!, 12);
  });

  it('is nothing but the prior without rows', () => {
    const here = logPosterior(rowsOf([]), Float64Array.from([2.3 + 0.7, 3.5, -1]), PRIORS);
    expect(here.value).toBeCloseTo(-0.5, 12);
    expect(here.gradient[0]).toBeCloseTo(-1 / 0.7, 12);
  });
});
