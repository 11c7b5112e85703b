import { checkPositive, checkProbability } from '../check.ts';
import { normalInverse } from '../statistics/normal.ts';
import { predictorFor, spreadAt, type Predictor } from './predictor.ts';
import type { HoldConditions, HoldCurve } from './types.ts';

export interface HoldSecondsQuestion extends HoldConditions {
  /** Load on both hands together, kg. */
  readonly load: number;
  /** Wanted chance of holding, between 0 and 1. */
  readonly probability: number;
}

/** e⁵⁰ s stands for "as long as one likes". */
const LONGEST_LOG_SECONDS = 50;

/**
 * The seconds that `load` is held with the wanted probability: the inverse of {@link holdProbability} in time.
 * @throws InvalidInputError for something that is no curve, a load not above 0, or a chance outside 0–1.
 * @example holdSeconds(curve, { load: 63, probability: 0.5 }) // 113.1
 */
export function holdSeconds(curve: HoldCurve, question: HoldSecondsQuestion): number {
  const load = checkPositive('load', question?.load);
  const k = normalInverse(checkProbability('probability', question.probability));
  const p = predictorFor(curve, question);
  const l = clampToMonotone(p, Math.log(load / p.referenceLoad), k);
  return Math.exp(Math.min(LONGEST_LOG_SECONDS, p.level - p.slope * l - k * spreadAt(p, l)));
}

/**
 * Log seconds at a fixed score k, `level − b·l − k·s(l)`, has at most one stationary point (a peak for k > 0, a
 * trough for k < 0); beyond it the value of the point holds, just as in the monotone score.
 */
function clampToMonotone(p: Predictor, l: number, k: number): number {
  if (!(p.v2 > 0)) return l;
  const tightness = k * k - (p.slope * p.slope) / p.v2;
  if (!(tightness > 0)) return l;
  const floor = Math.max(p.v0 - (p.v1 * p.v1) / p.v2, 0);
  const m = -Math.sign(k) * p.slope * Math.sqrt(floor / tightness);
  const turn = (m - p.v1) / p.v2;
  return k > 0 ? Math.max(l, turn) : Math.min(l, turn);
}
