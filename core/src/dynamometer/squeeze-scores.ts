import { SIDES, type Side } from '../hands/hand-state.ts';
import { around, type Estimate } from '../statistics/estimate.ts';
import { checkRange } from '../check.ts';
import { MAX_SQUEEZE, protocolCheck, testCheck } from './check-test.ts';
import type { SqueezeProtocol, SqueezeTest } from './types.ts';

/** Scores of one hand in one test, kgf. */
export interface HandScores {
  readonly best: number;
  readonly mean: number;
  readonly trials: readonly number[];
}

/**
 * Best and mean of each hand's trials, kgf; a hand without a trial is left out.
 * @throws InvalidInputError naming the part of the test that cannot be used.
 * @example
 * squeezeScores({ on: '2026-11-20', protocol: { handle: 2, elbow: 90, posture: 'seated', handOrder: 'leftFirst', trials: 2, rest: 60 }, trials: [{ hand: 'left', force: 50 }, { hand: 'left', force: 52 }] })
 * // { left: { best: 52, mean: 51, trials: [50, 52] } }
 */
export function squeezeScores(test: SqueezeTest): Partial<Record<Side, HandScores>> {
  testCheck('test', test);
  const scores: Partial<Record<Side, HandScores>> = {};
  for (const side of SIDES) {
    const trials = test.trials.filter((trial) => trial.hand === side).map((trial) => trial.force);
    if (trials.length)
      scores[side] = {
        best: Math.max(...trials),
        mean: trials.reduce((sum, force) => sum + force, 0) / trials.length,
        trials,
      };
  }
  return scores;
}

/**
 * Are two tests done alike enough to be compared? Handle, elbow (to ten degrees), posture and hand order must be the
 * same; the number of trials and the rest may differ a little without making another test of it.
 * @throws InvalidInputError for something that is no protocol.
 * @example
 * sameProtocol({ handle: 2, elbow: 90, posture: 'seated', handOrder: 'leftFirst', trials: 3, rest: 60 }, { handle: 3, elbow: 90, posture: 'seated', handOrder: 'leftFirst', trials: 3, rest: 60 })
 * // false
 */
export function sameProtocol(a: SqueezeProtocol, b: SqueezeProtocol): boolean {
  protocolCheck('a', a);
  protocolCheck('b', b);
  return (
    a.handle === b.handle &&
    Math.abs(a.elbow - b.elbow) <= 10 &&
    a.posture === b.posture &&
    a.handOrder === b.handOrder
  );
}

/** How much weaker one hand is, per cent of the stronger, with its doubt. */
export interface Asymmetry extends Estimate {
  readonly stronger: Side | null;
  /** True where the interval leaves out no difference at all. */
  readonly clear: boolean;
}

/**
 * Asymmetry 100·(stronger − weaker)/stronger, per cent, with its 80 % interval from the error of each score (delta
 * method).
 * @throws InvalidInputError for a force outside 0–150 kgf or a negative error.
 * @example squeezeAsymmetry(50, 45, 0).value // 10
 */
export function squeezeAsymmetry(left: number, right: number, error: number): Asymmetry {
  for (const [field, force] of Object.entries({ left, right })) checkRange(field, force, 1e-6, MAX_SQUEEZE);
  checkRange('error', error, 0, MAX_SQUEEZE);
  const [strong, weak] = [Math.max(left, right), Math.min(left, right)];
  const value = (100 * (strong - weak)) / strong;
  const sd = ((100 * error) / strong) * Math.sqrt(1 + (weak / strong) ** 2);
  const interval = around(value, sd);
  return {
    ...interval,
    stronger: left === right ? null : left > right ? 'left' : 'right',
    clear: interval.low > 0,
  };
}
