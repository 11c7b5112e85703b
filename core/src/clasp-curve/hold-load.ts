import { checkPositive, checkProbability } from '../check.ts';
import { normalInverse } from '../statistics/normal.ts';
import { predictorFor, scoreAt, turningPoint, type Predictor } from './predictor.ts';
import type { HoldConditions, HoldCurve } from './types.ts';

/** kg; anything lighter is no load at all. */
const LIGHTEST_LOAD = 1e-6;
/** kg; stands for "any load": heavier than any bar. */
export const HEAVIEST_LOAD = 1e6;

export interface HoldLoadQuestion extends HoldConditions {
  readonly seconds: number;
  /** Wanted chance of holding, between 0 and 1. */
  readonly probability: number;
}

/**
 * The load, kg on both hands, that is held for `seconds` with the wanted probability: the inverse of
 * {@link holdProbability} in load. Where doubt is so wide that no load is that certain, 0; where it is so
 * wide that every load keeps more than that chance, {@link HEAVIEST_LOAD}.
 * @throws InvalidInputError for something that is no curve, a time not above 0, or a chance outside 0–1.
 * @example holdLoad(curve, { seconds: 10, probability: 0.5 }) // 126
 */
export function holdLoad(curve: HoldCurve, question: HoldLoadQuestion): number {
  const logSeconds = Math.log(checkPositive('seconds', question?.seconds));
  const wanted = normalInverse(checkProbability('probability', question.probability));
  const p = predictorFor(curve, question);
  const turn = turningPoint(p, logSeconds);
  if (turn) {
    const best = scoreAt(p, turn.l, logSeconds);
    if (turn.kind === 'peak' && wanted > best) return 0;
    // Past the trough the curve claims nothing lower: the lightest load with that chance is the honest answer.
    if (turn.kind === 'trough' && wanted < best) return sane(p.referenceLoad * Math.exp(turn.l));
  }
  // Towards either end the score levels off at ± slope / doubt about the slope.
  const asymptote = p.slope / Math.sqrt(p.v2);
  if (turn?.kind !== 'peak' && wanted >= asymptote) return 0;
  if (turn?.kind !== 'trough' && wanted <= -asymptote) return HEAVIEST_LOAD;
  return sane(p.referenceLoad * Math.exp(solve(p, logSeconds, wanted)));
}

function sane(load: number): number {
  return load < LIGHTEST_LOAD ? 0 : Math.min(load, HEAVIEST_LOAD);
}

/** Solves (u0 − b·l) = k·√(v0 + 2·v1·l + v2·l²) for l: squared, a quadratic; the root with the sign of k is wanted. */
function solve(p: Predictor, logSeconds: number, k: number): number {
  const u0 = p.level - logSeconds;
  const a = p.slope * p.slope - k * k * p.v2;
  const halfB = -(p.slope * u0 + k * k * p.v1);
  const c = u0 * u0 - k * k * p.v0;
  if (k === 0) return u0 / p.slope;
  const root = Math.sqrt(Math.max(halfB * halfB - a * c, 0));
  // The numerically stable pair of roots.
  const q = -(halfB + Math.sign(halfB || 1) * root);
  const roots = [q / a, c / q].filter(Number.isFinite);
  const misfit = (l: number): number => Math.abs(scoreAt(p, l, logSeconds) - k);
  return roots.reduce((best, l) => (misfit(l) < misfit(best) ? l : best), roots[0] ?? u0 / p.slope);
}
