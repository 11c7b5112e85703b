import { findScales } from './find-scales.ts';

const PRIORS = [
  { mean: 0, sd: 1 },
  { mean: 2, sd: 0.5 },
];

it('without evidence stays at the priors, and its points carry their spread', () => {
  const { logs, sds, points } = findScales(() => 0, PRIORS);
  expect(logs[0]).toBeCloseTo(0, 6);
  expect(logs[1]).toBeCloseTo(2, 6);
  const variance = (j: number): number =>
    points().reduce((sum, point) => sum + point.weight * (point.logs[j]! - logs[j]!) ** 2, 0);
  expect(variance(0)).toBeCloseTo(1, 2);
  expect(variance(1)).toBeCloseTo(0.25, 2);
  expect(sds[0]).toBeCloseTo(1, 6);
  expect(sds[1]).toBeCloseTo(0.5, 6);
});

it('finds the mode of a quadratic evidence and the doubt that is left', () => {
  // A likelihood N(1, 0.5²) of the first and N(1.5, 0.5²) of the second, correlated by nothing.
  const evidence = ([a, b]: readonly number[]): number => -2 * (a! - 1) ** 2 - 2 * (b! - 1.5) ** 2;
  const { logs, sds, points } = findScales(evidence, PRIORS);
  // Precisions add up: (0 · 1 + 1 · 4) / 5, and (2 · 4 + 1.5 · 4) / 8.
  expect(logs[0]).toBeCloseTo(0.8, 1);
  expect(logs[1]).toBeCloseTo(1.75, 1);
  const variance = points().reduce((sum, point) => sum + point.weight * (point.logs[0]! - 0.8) ** 2, 0);
  expect(variance).toBeCloseTo(0.2, 1);
  expect(sds[0]).toBeCloseTo(Math.sqrt(1 / 5), 2);
  expect(sds[1]).toBeCloseTo(Math.sqrt(1 / 8), 2);
});

it('evidence that runs off is followed no further than the priors can bear', () => {
  const { logs } = findScales(([a]) => 50 * a!, PRIORS);
  expect(logs[0]).toBeLessThanOrEqual(4);
  expect(Number.isFinite(logs[1])).toBe(true);
});
