import { sparseDesign } from '../statistics/sparse-design.ts';
import { laplaceCovariance } from '../statistics/laplace.ts';
import { maximise, type Box } from '../statistics/maximise.ts';
import type { PosteriorAt } from '../statistics/posterior.ts';
import { checkObservations, evidenceOf, readOptions, recencyWeight, type FitOptions } from './fit-rows.ts';
import { logPosterior, type FitRows } from './likelihood.ts';
import { curveOn, fitMovingCurve } from './moving-curve.ts';
import { interceptPrior, LOG_SIGMA_PRIOR, SLOPE_PRIOR } from './priors.ts';
import type { Effect, HoldCurve, HoldObservation } from './types.ts';

export { MAX_HOLD_LOAD, MAX_HOLD_SECONDS, type FitOptions } from './fit-rows.ts';

/**
 * Fits the clasp curve, how long a hand holds a load, to logged holds and bare-handed sets: the curve of the day of the fit.
 *
 * By default the moving curve of {@link fitMovingCurve}: accelerated failure time, log-normal, right-censored where the hold
 * was stopped on purpose, with a level that moves over the days. Loads in kg on both hands together, times in s. Any number
 * of rows, none included, gives a usable curve: what the log does not say is left to the prior, and shows as doubt. An
 * effect that no row holds stays what the prior says. With `prior: 'flat'` the curve stands still, older rows count for
 * less, and with rows of one age it equals censored maximum likelihood (damped Newton with the exact Hessian).
 *
 * @throws InvalidInputError for a non-positive, non-finite or wrongly typed load, time, age, weight or condition.
 * @example
 * medianLoad(fitHoldCurve([{ load: 140, seconds: 9, ended: 'slipped' }], { referenceLoad: 126 }), { seconds: 10 }).value
 * // 134
 */
export function fitHoldCurve(observations: readonly HoldObservation[], options: FitOptions): HoldCurve {
  const read = readOptions(options);
  if (read.prior === 'default') return curveOn(fitMovingCurve(observations, options), 0, read.underWay);
  const { sizes, effects } = checkObservations(observations);
  const rows = toRows(observations, sizes, effects, read.referenceLoad);
  const evaluate = (theta: Float64Array): PosteriorAt => logPosterior(rows, theta, []);
  const start = Float64Array.from([
    interceptPrior(read.family).mean,
    SLOPE_PRIOR.mean,
    ...effects.map(() => 0),
    LOG_SIGMA_PRIOR.mean,
  ]);
  const best = maximise(evaluate, start, searchBox(effects.length));
  const covariance = laplaceCovariance(best.at.hessian, best.theta.length, [], best.settled);
  return {
    family: read.family,
    referenceLoad: read.referenceLoad,
    intercept: best.theta[0]!,
    slope: best.theta[1]!,
    logSigma: best.theta[best.theta.length - 1]!,
    daySd: 0,
    effects: effects.map((name, j) => ({ name, value: best.theta[j + 2]! })),
    covariance: covariance.matrix,
    evidence: evidenceOf(observations, read, best.settled && covariance.exact),
  };
}

function toRows(
  observations: readonly HoldObservation[],
  sizes: readonly Record<Effect, number>[],
  effects: readonly Effect[],
  referenceLoad: number,
): FitRows {
  const terms = effects.length + 2;
  const count = observations.length;
  const design = new Float64Array(count * terms);
  const rows = {
    terms,
    logSeconds: new Float64Array(count),
    slipped: new Uint8Array(count),
    since: new Float64Array(count),
    weight: new Float64Array(count),
  };
  observations.forEach((each, i) => {
    design[i * terms] = 1;
    design[i * terms + 1] = -Math.log(each.load / referenceLoad);
    for (let j = 0; j < effects.length; j++) design[i * terms + 2 + j] = sizes[i]![effects[j]!];
    rows.logSeconds[i] = Math.log(each.within ? each.within[1] : each.seconds);
    rows.since[i] = each.within ? Math.log(each.within[0]) : Number.NaN;
    rows.slipped[i] = each.ended === 'slipped' ? 1 : 0;
    rows.weight[i] = recencyWeight(each);
  });
  return { ...rows, design: sparseDesign(design, terms) };
}

/** The bounds only ever bite on degenerate data: they keep a search without an optimum finite. */
function searchBox(effects: number): Box {
  return {
    lower: Float64Array.from([-30, -40, ...Array<number>(effects).fill(-30), -5]),
    upper: Float64Array.from([30, 40, ...Array<number>(effects).fill(30), 3]),
  };
}
