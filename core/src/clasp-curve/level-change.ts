import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { checkRange } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { around, aroundLog, type Estimate } from '../statistics/estimate.ts';
import { normalCdf } from '../statistics/normal.ts';
import type { MovingDay, MovingFit } from './fit-moving-curve.ts';
import { SLOPE_FLOOR } from './priors.ts';
import { checkMovingCurve, type MovingCurve } from './moving-curve.ts';

/** What became of the hands between two days. */
export interface LevelChange {
  /** The later load over the earlier for the same seconds, with its 80 % interval: 1.03 is a gain of 3 %. */
  readonly ratio: Estimate;
  /** Chance that the hands hold more on the later day, 0–1. */
  readonly chanceOfGain: number;
}

/**
 * How much more load is held for the same time on a later day than on an earlier one. What both days share, slope and effects
 * and the days around them, is not counted twice: the doubt is that of the change, not of two loads.
 * Each day stands for the last training day up to it. Source: delta method.
 * @param fromDaysAgo the earlier day, days before the day of the fit.
 * @param toDaysAgo the later day.
 * @throws InvalidInputError for something that is no moving curve, or days out of order.
 * @example levelChange(fitMovingCurve([], { referenceLoad: 126 }), 14, 7).ratio.value // 1
 */
export function levelChange(moving: MovingCurve, fromDaysAgo: number, toDaysAgo: number): LevelChange {
  checkMovingCurve(moving);
  checkRange('fromDaysAgo', fromDaysAgo, 0, 36_525);
  checkRange('toDaysAgo', toDaysAgo, 0, fromDaysAgo);
  const { fit } = moving;
  const [from, to] = [lastDayUpTo(fit, fromDaysAgo), lastDayUpTo(fit, toDaysAgo)];
  const [a, b] = [fit.days[from]!, fit.days[to]!];
  const moved = b.level - a.level;
  const variance = from === to ? 0 : a.variance + b.variance - 2 * sharedBy(fit, from, to);
  const slope = Math.max(fit.terms[0]!, SLOPE_FLOOR);
  const withSlope = b.withTerms[0]! - a.withTerms[0]!;
  const ofLog =
    variance / slope ** 2 +
    (moved / slope ** 2) ** 2 * fit.covariance[0]![0]! -
    2 * (moved / slope ** 3) * withSlope;
  const sd = Math.sqrt(Math.min(Math.max(ofLog, 0), 400));
  return {
    ratio: aroundLog(Math.exp(Math.max(-20, Math.min(20, moved / slope))), sd),
    chanceOfGain: sd > 0 ? normalCdf(moved / slope / sd) : 0.5,
  };
}

/**
 * The steady gain of the hands as a share of load a week, with its 80 % interval: 0.003 is 0.3 % a week. The walk of the level
 * is not in it.
 * @throws InvalidInputError for something that is no moving curve.
 * @example driftAsShare(fitMovingCurve([], { referenceLoad: 126 })).value // 0
 */
export function driftAsShare(moving: MovingCurve): Estimate {
  checkMovingCurve(moving);
  const { drift, terms } = moving.fit;
  const slope = Math.max(terms[0]!, SLOPE_FLOOR);
  return around(drift.value / slope, Math.sqrt(drift.variance) / slope);
}

/** The place of the last day with rows up to a day. */
export function lastDayUpTo({ days }: MovingFit, daysAgo: number): number {
  const next = days.findIndex((day) => day.ageDays < daysAgo);
  return next < 0 ? days.length - 1 : Math.max(next - 1, 0);
}

/**
 * Covariance of the levels of two days. Given what is the same on every day the levels are a Markov chain, in which it is
 * handed on from neighbour to neighbour; what is the same on every day adds its part.
 */
export function sharedBy(fit: MovingFit, from: number, to: number): number {
  const { drift, covariance, days } = fit;
  const fixed = new Matrix([
    [drift.variance, ...drift.withTerms],
    ...covariance.map((row, j) => [drift.withTerms[j]!, ...row]),
  ]);
  const cholesky = new CholeskyDecomposition(Matrix.add(fixed, fixed.transpose()).mul(0.5));
  if (!cholesky.isPositiveDefinite())
    throw new InvalidInputError('moving.fit.covariance', 'a covariance as a fit makes it', covariance);
  const withFixed = (day: MovingDay): Matrix => Matrix.columnVector([day.withDrift, ...day.withTerms]);
  const throughFixed = (one: MovingDay, other: MovingDay): number =>
    withFixed(one)
      .transpose()
      .mmul(cholesky.solve(withFixed(other)))
      .get(0, 0);
  let given = days[from]!.variance - throughFixed(days[from]!, days[from]!);
  for (let day = from; day < to; day++) {
    const own = days[day]!.variance - throughFixed(days[day]!, days[day]!);
    const next = days[day]!.withNext - throughFixed(days[day]!, days[day + 1]!);
    given *= own > 0 ? next / own : 0;
  }
  return given + throughFixed(days[from]!, days[to]!);
}
