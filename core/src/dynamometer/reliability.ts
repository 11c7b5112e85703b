import fQuantile from '@stdlib/stats-base-dists-f-quantile';
import { checkList, checkProbability, checkRange } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import type { Estimate } from '../statistics/estimate.ts';

/** A typical error with what stands behind it. */
export interface TypicalError {
  /** In the unit of the scores. */
  readonly value: number;
  /** Degrees of freedom: 0 where no test had two trials. */
  readonly degrees: number;
}

/** In any unit of force. */
const LARGEST_SCORE = 1e6;

function checkScores(scores: readonly (readonly number[])[]): void {
  checkList(
    'scores',
    scores,
    (row, field) =>
      checkList(field, row, (score, at) => checkRange(at, score, -LARGEST_SCORE, LARGEST_SCORE), {
        max: 1000,
      }),
    { max: 100_000 },
  );
}

/**
 * Typical error of measurement from repeated trials: the standard deviation of the differences between consecutive
 * trials, divided by √2. One row a test, its trials in order; rows may differ in length. A shift that all tests share
 * (getting warm) is taken out pair by pair before pooling. Source: standard error of measurement from change scores.
 * @throws InvalidInputError for anything but rows of numbers within a million either way.
 * @example typicalError([[50, 52], [48, 47], [51, 51]]).value // 1.08
 */
export function typicalError(scores: readonly (readonly number[])[]): TypicalError {
  checkScores(scores);
  const longest = scores.reduce((most, row) => Math.max(most, row.length), 0);
  let squares = 0;
  let degrees = 0;
  for (let j = 0; j + 1 < longest; j++) {
    const differences = scores.filter((row) => row.length > j + 1).map((row) => row[j + 1]! - row[j]!);
    if (differences.length < 2) continue;
    const mean = differences.reduce((sum, each) => sum + each, 0) / differences.length;
    squares += differences.reduce((sum, each) => sum + (each - mean) ** 2, 0);
    degrees += differences.length - 1;
  }
  return { value: degrees ? Math.sqrt(squares / degrees / 2) : 0, degrees };
}

/**
 * The smallest change that is no mere error of measurement 19 times in 20: 1.96·√2·typical error, in its unit.
 * @throws InvalidInputError for a typical error outside 0 to a million.
 * @example minimalDetectableChange(2) // 5.54
 */
export function minimalDetectableChange(error: number): number {
  return 1.96 * Math.SQRT2 * checkRange('error', error, 0, LARGEST_SCORE);
}

/**
 * Intraclass correlation ICC(2,1): two-way random effects, absolute agreement, single measurement, with its confidence
 * interval. One row a subject (or test), one column a trial; every row equally long, at least two of each. Where the
 * scores do not differ at all it is not defined, and undefined is given. Source: two-way analysis of variance; interval
 * by F quantiles with Satterthwaite's degrees of freedom.
 * @throws InvalidInputError for fewer than two rows or columns, rows of unequal length, or a level outside 0–1.
 * @example intraclassCorrelation([[52, 53], [44, 46], [60, 59], [48, 50]]) // { value: 0.97, low: 0.9, high: 0.99 }
 */
export function intraclassCorrelation(
  scores: readonly (readonly number[])[],
  level = 0.8,
): Estimate | undefined {
  checkScores(scores);
  checkProbability('level', level);
  const n = scores.length;
  const k = scores[0]?.length ?? 0;
  if (n < 2 || k < 2 || scores.some((row) => row.length !== k))
    throw new InvalidInputError('scores', 'at least two rows of the same two or more trials', scores);
  const mean = (values: readonly number[]): number =>
    values.reduce((sum, each) => sum + each, 0) / values.length;
  const rowMeans = scores.map(mean);
  const grand = mean(rowMeans);
  const columnMeans = Array.from({ length: k }, (_, j) => mean(scores.map((row) => row[j]!)));
  const msr = (k * rowMeans.reduce((sum, each) => sum + (each - grand) ** 2, 0)) / (n - 1);
  const msc = (n * columnMeans.reduce((sum, each) => sum + (each - grand) ** 2, 0)) / (k - 1);
  let residual = 0;
  scores.forEach((row, i) =>
    row.forEach((score, j) => (residual += (score - rowMeans[i]! - columnMeans[j]! + grand) ** 2)),
  );
  const mse = residual / ((n - 1) * (k - 1));
  const total = msr + (k - 1) * mse + (k * (msc - mse)) / n;
  if (!(total > 1e-12 * (1 + grand * grand))) return undefined;
  const value = (msr - mse) / total;
  if (mse <= 1e-12 * msr && msc <= 1e-12 * msr) return { value, low: value, high: value };
  const a = (k * value) / (n * (1 - value));
  const b = 1 + (k * value * (n - 1)) / (n * (1 - value));
  const v = (a * msc + b * mse) ** 2 / ((a * msc) ** 2 / (k - 1) + (b * mse) ** 2 / ((n - 1) * (k - 1)));
  const rest = k * msc + (k * n - k - n) * mse;
  const tail = 1 - (1 - level) / 2;
  const degrees = Number.isFinite(v) ? Math.min(Math.max(v, 0.1), 1e7) : 1e7;
  const fLow = fQuantile(tail, n - 1, degrees);
  const fHigh = fQuantile(tail, degrees, n - 1);
  const bound = (x: number): number => Math.max(-1, Math.min(1, x));
  return {
    value,
    low: bound((n * (msr - fLow * mse)) / (fLow * rest + n * msr)),
    high: bound((n * (fHigh * msr - mse)) / (rest + n * fHigh * msr)),
  };
}
