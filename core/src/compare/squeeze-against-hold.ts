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
  /** Pearson correlation of their changes from test to test, with its 80 % interval; null where it cannot be said. */
  readonly correlation: Estimate | null;
  /** Whether the score may stand for hold capacity with this lifter. */
  readonly verdict: 'together' | 'apart' | 'unknown';
  readonly words: string;
}

/** Tests from which a correlation of their changes means anything. */
const ENOUGH = 6;

const pairsCheck: Check = listOf(
  record<SqueezeAndHold>({ squeeze: positive(1000), tenSecondLoad: positive(2000) }),
  10_000,
);

/**
 * Does this lifter's squeeze score move with what the hands hold? Pearson correlation of the changes from one test to the next,
 * as ratios, with an 80 % interval by Fisher's transformation: two figures that both grow with training would agree in
 * their levels even where one says nothing of the other. Until the interval leaves out none at all, nothing is claimed.
 * @param pairs in the order of their days.
 * @throws InvalidInputError naming the pair and field that cannot be used.
 * @example squeezeAgainstHold([50, 52, 51, 54, 53, 57, 56].map((squeeze) => ({ squeeze, tenSecondLoad: 100 + squeeze }))).verdict // 'together'
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
  const changes = pairs.slice(1).map((pair, i) => ({
    squeeze: Math.log(pair.squeeze / pairs[i]!.squeeze),
    tenSecondLoad: Math.log(pair.tenSecondLoad / pairs[i]!.tenSecondLoad),
  }));
  const value = correlation(changes);
  if (value === null)
    return unknown('Score or hold capacity has moved evenly or not at all, so nothing can be said.');
  const half = EIGHTY_PERCENT / Math.sqrt(changes.length - 3);
  const z = Math.atanh(Math.max(-1 + 1e-12, Math.min(1 - 1e-12, value)));
  const found = { value, low: Math.tanh(z - half), high: Math.tanh(z + half) };
  const verdict = found.low > 0 ? 'together' : found.high < 0 ? 'apart' : 'unknown';
  const words = {
    together: 'From test to test the squeeze score has moved with what the hands hold.',
    apart: 'From test to test the squeeze score has moved against what the hands hold: do not plan by it.',
    unknown: 'It cannot be told yet whether the score moves with what the hands hold.',
  }[verdict];
  return { tests, correlation: found, verdict, words };
}

/** Squared changes below this are rounding. */
const LEAST_CHANGE = 1e-12;

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
  return xx > LEAST_CHANGE && yy > LEAST_CHANGE ? xy / Math.sqrt(xx * yy) : null;
}
