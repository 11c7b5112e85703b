import { checkOneOf, checkPositive } from '../check.ts';
import { HEAVIEST_LOAD } from './hold-load.ts';
import { checkHoldCurve } from './check-hold-curve.ts';
import { normalCdf } from '../statistics/normal.ts';
import { aroundLog, type Estimate } from '../statistics/estimate.ts';
import { doubtAt, predictorFor } from './predictor.ts';
import { effectPrior } from './priors.ts';
import { EFFECTS, type Effect, type HoldConditions, type HoldCurve } from './types.ts';

/**
 * The load whose median hold is `seconds` under the conditions, kg, with its 80 % interval (delta method on ln load).
 * The "10 s load" and "30 s load" are this at 10 and 30.
 * @throws InvalidInputError for something that is no curve, a time not above 0, or an unknown condition.
 * @example medianLoad(curve, { seconds: 10 }) // { value: 126, low: 97.5, high: 162.8 }
 */
export function medianLoad(
  curve: HoldCurve,
  question: HoldConditions & { readonly seconds: number },
): Estimate {
  const seconds = checkPositive('seconds', question?.seconds);
  const p = predictorFor(curve, question);
  const l = (p.level - Math.log(seconds)) / p.slope;
  const doubt = doubtAt(p, l) / p.slope;
  return bounded(aroundLog(p.referenceLoad * Math.exp(tame(l)), tame(doubt)));
}

/**
 * What a condition is worth to this lifter as a multiplier on load, exp(effect/slope), with its 80 % interval:
 * 1.25 for hook means a quarter more load for the same seconds than double overhand. `fromLog` is the share of the
 * prior's variance that the log has removed, 0 (nothing known but the working figure) to 1. Undefined where a flat-prior
 * curve has no such term. Source: delta method.
 * @throws InvalidInputError for something that is no curve, or an unknown effect.
 * @example worthOf(curve, 'hook') // { value: 1.28, low: 1.07, high: 1.53, fromLog: 0 }
 */
export function worthOf(
  curve: HoldCurve,
  effect: Effect,
): (Estimate & { readonly fromLog: number }) | undefined {
  checkHoldCurve(curve);
  checkOneOf('effect', effect, EFFECTS);
  const index = curve.effects.findIndex((term) => term.name === effect);
  if (index < 0) return curve.evidence.prior === 'default' ? worthByPrior(curve, effect) : undefined;
  const row = index + 2;
  const value = curve.effects[index]!.value;
  const slope = curve.slope;
  const [toValue, toSlope] = [1 / slope, -value / (slope * slope)];
  const cov = curve.covariance;
  const variance =
    toValue * toValue * cov[row]![row]! +
    2 * toValue * toSlope * cov[row]![1]! +
    toSlope * toSlope * cov[1]![1]!;
  const prior = effectPrior(effect).sd ** 2;
  return {
    ...aroundLog(Math.exp(tame(value / slope)), tame(Math.sqrt(Math.max(variance, 0)))),
    fromLog: Math.min(1, Math.max(0, 1 - cov[row]![row]! / prior)),
  };
}

/**
 * How likely the first circumstance is worth more than the second for this lifter: hook more than mixed, say. The fit's
 * doubt about both together counts; where no row held one of them, what is usual for lifters stands for it.
 * @returns chance, 0–1.
 * @throws InvalidInputError for an unknown effect or a curve that cannot be used.
 * @example chanceWorthMore(curve, 'hook', 'noChalk') > 0.9 // true
 */
export function chanceWorthMore(curve: HoldCurve, first: Effect, second: Effect): number {
  checkHoldCurve(curve);
  checkOneOf('first', first, EFFECTS);
  checkOneOf('second', second, EFFECTS);
  if (first === second) return 0.5;
  const [a, b] = [termOf(curve, first), termOf(curve, second)];
  const shared = a.row === null || b.row === null ? 0 : curve.covariance[a.row]![b.row]!;
  const sd = Math.sqrt(Math.max(a.variance + b.variance - 2 * shared, 1e-12));
  return normalCdf((a.value - b.value) / sd);
}

function termOf(curve: HoldCurve, effect: Effect): { value: number; variance: number; row: number | null } {
  const index = curve.effects.findIndex((term) => term.name === effect);
  if (index < 0) {
    const { mean, sd } = effectPrior(effect);
    return { value: mean, variance: sd * sd, row: null };
  }
  const row = index + 2;
  return { value: curve.effects[index]!.value, variance: curve.covariance[row]![row]!, row };
}

/** Where no row held the effect: the prior's multiplier, read through this lifter's own slope. */
function worthByPrior(curve: HoldCurve, effect: Effect): Estimate & { readonly fromLog: number } {
  const { mean, sd } = effectPrior(effect);
  const { slope } = curve;
  const variance = (sd / slope) ** 2 + (mean / (slope * slope)) ** 2 * curve.covariance[1]![1]!;
  return { ...aroundLog(Math.exp(tame(mean / slope)), tame(Math.sqrt(variance))), fromLog: 0 };
}

/** A flat-prior curve may be as good as level, and then says nothing of loads: a factor of e²⁰ either way stands for that. */
function tame(log: number): number {
  return Number.isNaN(log) ? 0 : Math.max(-20, Math.min(20, log));
}

function bounded({ value, low, high }: Estimate): Estimate {
  const cap = (load: number): number => Math.min(load, HEAVIEST_LOAD);
  return { value: cap(value), low: cap(low), high: cap(high) };
}
