import { EIGHTY_PERCENT, type Estimate } from '../statistics/estimate.ts';
import { listOf, positive, record, type Check } from '../shape.ts';

/** A squeeze test beside what the clasp curve said that day. */
export interface SqueezeAndHold {
  /** Best of both hands added, kgf. */
  readonly squeeze: number;
  /** Load held 10 s as often as not that day, kg. */
  readonly tenSecondLoad: number;
}

export interface SqueezeAgainstHold {
  readonly tests: number;
  /** Pearson correlation with its 80 % interval; null where it cannot be said. */
  readonly correlation: Estimate | null;
  /** Whether the score may stand for hold capacity with this lifter. */
  readonly verdict: 'together' | 'apart' | 'unknown';
  readonly words: string;
}

/** Tests from which a correlation means anything. */
const ENOUGH = 5;

const pairsCheck: Check = listOf(
  record<SqueezeAndHold>({ squeeze: positive(1000), tenSecondLoad: positive(2000) }),
  10_000,
);

/**
 * Does this lifter's squeeze score move with what the hands hold? Pearson correlation over their own tests, with an 80 %
 * interval by Fisher's transformation. A score moves with hold capacity for some lifters and not for others: until the
 * interval leaves out none at all, nothing is claimed.
 * @throws InvalidInputError naming the pair and field that cannot be used.
 * @example squeezeAgainstHold([50, 52, 54, 53, 57, 58].map((squeeze, i) => ({ squeeze, tenSecondLoad: 100 + 2 * i }))).verdict // 'together'
 */
export function squeezeAgainstHold(pairs: readonly SqueezeAndHold[]): SqueezeAgainstHold {
  pairsCheck('pairs', pairs);
  const tests = pairs.length;
  const unknown = (words: string): SqueezeAgainstHold => ({
    tests,
    correlation: null,
    verdict: 'unknown',
    words,
  });
  if (tests < ENOUGH)
    return unknown(
      `${tests} ${tests === 1 ? 'test' : 'tests'} so far: ${ENOUGH} are the least that say anything.`,
    );
  const value = correlation(pairs);
  if (value === null) return unknown('Score or hold capacity has not moved at all, so nothing can be said.');
  const half = EIGHTY_PERCENT / Math.sqrt(tests - 3);
  const z = Math.atanh(Math.max(-1 + 1e-12, Math.min(1 - 1e-12, value)));
  const found = { value, low: Math.tanh(z - half), high: Math.tanh(z + half) };
  const verdict = found.low > 0 ? 'together' : found.high < 0 ? 'apart' : 'unknown';
  const words = {
    together: 'The squeeze score has moved with what the hands hold.',
    apart: 'The squeeze score has moved against what the hands hold: do not plan by it.',
    unknown: 'It cannot be told yet whether the score moves with what the hands hold.',
  }[verdict];
  return { tests, correlation: found, verdict, words };
}

/** Pearson correlation; null where one of the two does not vary. */
function correlation(pairs: readonly SqueezeAndHold[]): number | null {
  const mean = (of: (pair: SqueezeAndHold) => number): number =>
    pairs.reduce((sum, pair) => sum + of(pair), 0) / pairs.length;
  const [mx, my] = [mean((pair) => pair.squeeze), mean((pair) => pair.tenSecondLoad)];
  let [xy, xx, yy] = [0, 0, 0];
  for (const { squeeze, tenSecondLoad } of pairs) {
    const [dx, dy] = [squeeze - mx, tenSecondLoad - my];
    xy += dx * dy;
    xx += dx * dx;
    yy += dy * dy;
  }
  return xx > 1e-12 * (1 + mx * mx) && yy > 1e-12 * (1 + my * my) ? xy / Math.sqrt(xx * yy) : null;
}
