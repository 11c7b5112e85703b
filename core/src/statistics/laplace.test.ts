import { laplaceCovariance } from './laplace.ts';

const of = (...rows: number[][]): Float64Array => Float64Array.from(rows.flat(), (each) => -each);
const PRIORS = [
  { mean: 0, sd: 0.5 },
  { mean: 0, sd: 2 },
];

it('is the inverse of the curvature', () => {
  const { matrix, exact } = laplaceCovariance(of([4, 1], [1, 3]), 2);
  expect(exact).toBe(true);
  expect(matrix[0]![0]).toBeCloseTo(3 / 11, 12);
  expect(matrix[0]![1]).toBeCloseTo(-1 / 11, 12);
});

it('falls back to the prior where the curvature points the wrong way, and keeps what the data say elsewhere', () => {
  // The data add 6 to the first precision of 4 and take 1 from the second of 0.25.
  const { matrix, exact } = laplaceCovariance(of([10, 0], [0, -0.75]), 2, PRIORS);
  expect(exact).toBe(false);
  expect(matrix[0]![0]).toBeCloseTo(1 / 10, 12);
  expect(matrix[1]![1]).toBeCloseTo(4, 12);
});

it('is never wider than the prior at a bound', () => {
  const { matrix, exact } = laplaceCovariance(of([4.1, 0.3], [0.3, 0.2]), 2, PRIORS, false);
  expect(exact).toBe(false);
  expect(matrix[0]![0]!).toBeLessThanOrEqual(0.25 + 1e-12);
  expect(matrix[1]![1]!).toBeLessThanOrEqual(4 + 1e-12);
});

it('without priors still gives a finite matrix', () => {
  const { matrix, exact } = laplaceCovariance(of([1, 1], [1, 1]), 2);
  expect(exact).toBe(false);
  expect(matrix.flat().every(Number.isFinite)).toBe(true);
});
