import { checkHoldCurve } from './check-hold-curve.ts';
import { InvalidInputError } from '../errors.ts';
import { effectSizes } from './design.ts';
import { effectPrior } from './priors.ts';
import { EFFECTS, type HoldConditions, type HoldCurve } from './types.ts';

/**
 * The curve under fixed conditions as a function of l = ln(load / referenceLoad): the predicted ln seconds has mean
 * `level − slope·l` and variance `v0 + 2·v1·l + v2·l²` (scatter of the hand plus doubt about the curve).
 */
export interface Predictor {
  readonly level: number;
  readonly slope: number;
  readonly v0: number;
  readonly v1: number;
  readonly v2: number;
  /** The part of `v0` that no log takes away: the scatter of holds and of days. */
  readonly scatter: number;
  readonly referenceLoad: number;
}

/**
 * Fixes the conditions of a curve.
 * @throws InvalidInputError where a condition is asked for that a flat-prior curve has no term for.
 */
export function predictorFor(curve: HoldCurve, conditions: HoldConditions): Predictor {
  checkHoldCurve(curve);
  const sizes = effectSizes(conditions);
  let unlogged = 0;
  let unloggedVariance = 0;
  for (const effect of EFFECTS) {
    if (sizes[effect] === 0 || curve.effects.some((term) => term.name === effect)) continue;
    if (curve.evidence.prior === 'default') {
      // No row held this effect: the prior is all there is, and it is independent of what the rows taught.
      const { mean, sd } = effectPrior(effect, curve.handLength);
      unlogged += mean * sizes[effect];
      unloggedVariance += (sd * sizes[effect]) ** 2;
    } else {
      throw new InvalidInputError(
        'conditions',
        `conditions that this curve was fitted on (it has no ${effect} term)`,
        effect,
      );
    }
  }
  // Row of the intercept and effects; the slope's entry is −l and is kept apart.
  const row = [1, 0, ...curve.effects.map((term) => sizes[term.name])];
  const scatter = Math.exp(2 * curve.logSigma) + curve.daySd * curve.daySd;
  let v0 = scatter + unloggedVariance;
  let v1 = 0;
  for (let j = 0; j < row.length; j++) {
    v1 -= curve.covariance[1]![j]! * row[j]!;
    for (let m = 0; m < row.length; m++) v0 += row[j]! * curve.covariance[j]![m]! * row[m]!;
  }
  const level = curve.effects.reduce(
    (sum, term) => sum + term.value * sizes[term.name],
    curve.intercept + unlogged,
  );
  return {
    level,
    slope: curve.slope,
    v0,
    v1,
    v2: curve.covariance[1]![1]!,
    scatter,
    referenceLoad: curve.referenceLoad,
  };
}

/** Standard deviation of the mean of ln seconds at l: doubt about the curve, the scatter left out. */
export function doubtAt(p: Predictor, l: number): number {
  return Math.sqrt(Math.max(p.v0 - p.scatter + 2 * p.v1 * l + p.v2 * l * l, 0));
}

/** Standard deviation of the predicted ln seconds at l. */
export function spreadAt(p: Predictor, l: number): number {
  return Math.sqrt(Math.max(p.v0 + 2 * p.v1 * l + p.v2 * l * l, Number.MIN_VALUE));
}

/**
 * Standard score of holding `seconds` at l, made monotone in load.
 *
 * Far from the data the doubt about the slope grows faster than the mean moves, so the raw score has exactly one
 * stationary point. A hand that holds a heavier load holds a lighter one too: on the wrong side of that point the
 * score of the point itself is used.
 */
export function scoreAt(p: Predictor, l: number, logSeconds: number): number {
  const turn = turningPoint(p, logSeconds);
  const at = turn === undefined ? l : turn.kind === 'peak' ? Math.max(l, turn.l) : Math.min(l, turn.l);
  return (p.level - p.slope * at - logSeconds) / spreadAt(p, at);
}

/** Where the raw score of `logSeconds` stops falling with load: a peak at light loads or a trough at heavy ones. */
export function turningPoint(
  p: Predictor,
  logSeconds: number,
): { l: number; kind: 'peak' | 'trough' } | undefined {
  const u0 = p.level - logSeconds;
  const denominator = u0 * p.v2 + p.slope * p.v1;
  if (denominator === 0) return undefined;
  const l = -(p.slope * p.v0 + u0 * p.v1) / denominator;
  if (!Number.isFinite(l)) return undefined;
  return { l, kind: u0 - p.slope * l > 0 ? 'peak' : 'trough' };
}
