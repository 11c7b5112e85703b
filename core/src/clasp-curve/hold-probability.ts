import { checkPositive } from '../check.ts';
import { normalCdf, normalInverse } from '../statistics/normal.ts';
import { doubtAt, predictorFor, scoreAt } from './predictor.ts';
import type { HoldConditions, HoldCurve } from './types.ts';

export interface HoldQuestion extends HoldConditions {
  /** Load on both hands together, kg. */
  readonly load: number;
  /** s. */
  readonly seconds: number;
}

/**
 * The chance that the hand holds `load` for `seconds`: Φ((η − ln t)/√(σ² + xᵀΣx)), the doubt about the curve included.
 * Never rises with load or seconds.
 * @throws InvalidInputError for something that is no curve, a load or time not above 0, or an unknown condition.
 * @example holdProbability(curve, { load: 126, seconds: 10 }) // 0.5
 * @example holdProbability(curve, { load: 140, seconds: 10, grip: 'hook' }) // 0.71
 */
export function holdProbability(curve: HoldCurve, question: HoldQuestion): number {
  const { p, l, logSeconds } = asked(curve, question);
  return normalCdf(scoreAt(p, l, logSeconds));
}

/**
 * The range in which the chance itself lies four times in five, given how well the curve is known: wide where few
 * holds stand behind it. The middle figure to show beside it is {@link holdProbability}.
 * @throws InvalidInputError as {@link holdProbability} does.
 * @example holdProbabilityRange(curve, { load: 126, seconds: 10 }) // { low: 0.01, high: 0.99 }
 */
export function holdProbabilityRange(
  curve: HoldCurve,
  question: HoldQuestion,
): { low: number; high: number } {
  const { low, high } = holdChance(curve, question);
  return { low, high };
}

/** The chance and its range in one, for whoever asks both of the same question. */
export function holdChance(
  curve: HoldCurve,
  question: HoldQuestion,
): { readonly chance: number; readonly low: number; readonly high: number } {
  const { p, l, logSeconds } = asked(curve, question);
  const scatter = Math.sqrt(p.scatter);
  const distance = p.level - p.slope * l - logSeconds;
  const reach = REACH * doubtAt(p, l);
  // The chance itself is a mean: far from even and in great doubt it lies past the range of the middle, which then reaches to it.
  const chance = normalCdf(scoreAt(p, l, logSeconds));
  return {
    chance,
    low: Math.min(chance, normalCdf((distance - reach) / scatter)),
    high: Math.max(chance, normalCdf((distance + reach) / scatter)),
  };
}

/** Standard deviations from the middle to the ends of an 80 % range. */
const REACH = normalInverse(0.9);

function asked(
  curve: HoldCurve,
  question: HoldQuestion,
): { p: ReturnType<typeof predictorFor>; l: number; logSeconds: number } {
  const load = checkPositive('load', question?.load);
  const seconds = checkPositive('seconds', question.seconds);
  const p = predictorFor(curve, question);
  return { p, l: Math.log(load / p.referenceLoad), logSeconds: Math.log(seconds) };
}
