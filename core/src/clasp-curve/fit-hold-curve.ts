import { checkOneOf, checkPositive, checkRange, checkWhole } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { effectSizes, presentEffects } from './design.ts';
import { logPosterior, sparseDesign, type FitRows } from './likelihood.ts';
import { laplaceCovariance } from '../statistics/laplace.ts';
import type { GaussianPrior, PosteriorAt } from '../statistics/posterior.ts';
import { maximise, type Box } from '../statistics/maximise.ts';
import {
  effectPrior,
  interceptPrior,
  LOG_SIGMA_PRIOR,
  RECENCY_HALF_LIFE_DAYS,
  SLOPE_FLOOR,
  SLOPE_PRIOR,
} from './priors.ts';
import { spreadOf } from './holds-near.ts';
import {
  BEST_KNOWN,
  CURVE_FAMILIES,
  ENDINGS,
  type CurveFamily,
  type Effect,
  type HoldCurve,
  type HoldObservation,
} from './types.ts';

export interface FitOptions {
  /** kg; usually {@link REFERENCE_SHARE_OF_DEADLIFT} of the deadlift max. */
  readonly referenceLoad: number;
  /** `default` starts from the trade's working figures; `flat` is plain maximum likelihood on the rows' own terms. */
  readonly prior?: 'default' | 'flat';
  /** Which curve: support (bars, axles, handles, hangs) or pinch. Only the prior differs. Default support. */
  readonly family?: CurveFamily;
  /** mm, from wrist crease to fingertip: moves the priors of a hand shorter than common. */
  readonly handLength?: number;
}

/** Longest hold the model takes, s: past an hour something else was measured. */
export const MAX_HOLD_SECONDS = 3600;
/** Heaviest load the model takes, kg. */
export const MAX_HOLD_LOAD = 2000;
/** A century of logs. */
const MAX_AGE_DAYS = 36525;
const MAX_WEIGHT = 1e6;

/**
 * Fits the clasp curve, how long a hand holds a load, to logged holds and bare-handed sets.
 *
 * Accelerated failure time, log-normal, right-censored where the hold was stopped on purpose; maximum a posteriori
 * by damped Newton with the exact Hessian, covariance from the inverse Hessian (Laplace). Loads in kg on both hands
 * together, times in s. Any number of rows, none included, gives a usable curve: what the log does not say is left
 * to the prior, and shows as doubt. An effect that no row holds stays what the prior says, which changes nothing else
 * and so is left out of the search. With `prior: 'flat'` it equals censored maximum likelihood.
 *
 * @throws InvalidInputError for a non-positive, non-finite or wrongly typed load, time, age, weight or condition.
 * @example
 * medianLoad(fitHoldCurve([{ load: 140, seconds: 9, ended: 'slipped' }], { referenceLoad: 126 }), { seconds: 10 }).value
 * // 134
 */
export function fitHoldCurve(observations: readonly HoldObservation[], options: FitOptions): HoldCurve {
  if (!Array.isArray(observations))
    throw new InvalidInputError('observations', 'a list of holds', observations);
  const referenceLoad = checkPositive('options.referenceLoad', options?.referenceLoad, MAX_HOLD_LOAD);
  const prior = checkOneOf('options.prior', options.prior ?? 'default', ['default', 'flat'] as const);
  const sizes = observations.map((each: HoldObservation, i) => {
    checkObservation(each, i);
    return effectSizes(each, `observations[${i}]`);
  });
  const family = checkOneOf('options.family', options.family ?? 'support', CURVE_FAMILIES);
  const { handLength } = options;
  if (handLength !== undefined) checkRange('options.handLength', handLength, 50, 400);
  const effects: readonly Effect[] = presentEffects(sizes);
  const rows = toRows(observations, sizes, effects, referenceLoad);
  const priors = prior === 'flat' ? [] : defaultPriors(effects, family, handLength);
  const evaluate = (theta: Float64Array): PosteriorAt => logPosterior(rows, theta, priors);
  const start = Float64Array.from([
    interceptPrior(family, handLength).mean,
    SLOPE_PRIOR.mean,
    ...effects.map((effect) => (prior === 'flat' ? 0 : effectPrior(effect, handLength).mean)),
    LOG_SIGMA_PRIOR.mean,
  ]);
  const best = maximise(evaluate, start, searchBox(effects.length, prior));
  const covariance = laplaceCovariance(best.at.hessian, best.theta.length, priors, best.settled);
  const logged = observations.filter((each: HoldObservation) => each.best === undefined);
  const told: HoldObservation | undefined = observations.find((each: HoldObservation) => each.best);
  return {
    family,
    ...(handLength !== undefined && { handLength }),
    referenceLoad,
    intercept: best.theta[0]!,
    slope: best.theta[1]!,
    logSigma: best.theta[best.theta.length - 1]!,
    effects: effects.map((name, j) => ({ name, value: best.theta[j + 2]! })),
    covariance: covariance.matrix,
    evidence: {
      observations: count(logged),
      ...(told?.best && { best: told.best }),
      spread: spreadOf(logged, referenceLoad),
      slipped: count(logged.filter((each: HoldObservation) => each.ended === 'slipped')),
      effective: rows.weight.reduce((sum, each) => sum + each, 0),
      prior,
      settled: best.settled && covariance.exact,
    },
  };
}

/** A slip known to this share of its time is known well enough: narrower, an interval loses digits and tells no more. */
const NARROWEST_WITHIN = 1e-3;

function checkWithin(each: HoldObservation, field: string): void {
  const { within } = each;
  if (within === undefined) return;
  if (!Array.isArray(within) || within.length !== 2)
    throw new InvalidInputError(field, 'two times in seconds, the earlier first', within);
  if (each.ended !== 'slipped')
    throw new InvalidInputError(field, 'left out for a hold that was stopped', within);
  const until = checkPositive(`${field}[1]`, within[1], MAX_HOLD_SECONDS);
  const since = checkRange(`${field}[0]`, within[0], 0, MAX_HOLD_SECONDS);
  if (since >= until * (1 - NARROWEST_WITHIN))
    throw new InvalidInputError(field, 'two times in seconds, the earlier first', within);
}

function checkObservation(each: HoldObservation, i: number): void {
  if (typeof each !== 'object' || each === null)
    throw new InvalidInputError(`observations[${i}]`, 'a hold', each);
  checkWithin(each, `observations[${i}].within`);
  const { load, seconds, ended, ageDays = 0, weight = 1, times = 1 } = each;
  const positive = (value: number, max: number): boolean =>
    typeof value === 'number' && value > 0 && value <= max;
  const within = (value: number, max: number): boolean =>
    typeof value === 'number' && value >= 0 && value <= max;
  const known = ended === 'slipped' || ended === 'stopped';
  if (
    positive(load, MAX_HOLD_LOAD) &&
    positive(seconds, MAX_HOLD_SECONDS) &&
    known &&
    within(ageDays, MAX_AGE_DAYS) &&
    within(weight, MAX_WEIGHT) &&
    Number.isInteger(times) &&
    positive(times, MAX_WEIGHT) &&
    (each.best === undefined || BEST_KNOWN.includes(each.best))
  )
    return;
  const field = `observations[${i}]`;
  checkPositive(`${field}.load`, load, MAX_HOLD_LOAD);
  checkPositive(`${field}.seconds`, seconds, MAX_HOLD_SECONDS);
  checkOneOf(`${field}.ended`, ended, ENDINGS);
  checkRange(`${field}.ageDays`, ageDays, 0, MAX_AGE_DAYS);
  checkRange(`${field}.weight`, weight, 0, MAX_WEIGHT);
  checkWhole(`${field}.times`, times, 1, MAX_WEIGHT);
  checkOneOf(`${field}.best`, each.best ?? 'told', BEST_KNOWN);
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
    rows.weight[i] =
      (each.weight ?? 1) * (each.times ?? 1) * 2 ** (-(each.ageDays ?? 0) / RECENCY_HALF_LIFE_DAYS);
  });
  return { ...rows, design: sparseDesign(design, terms) };
}

function defaultPriors(
  effects: readonly Effect[],
  family: CurveFamily,
  handLength: number | undefined,
): GaussianPrior[] {
  const ofEffects = effects.map((effect) => effectPrior(effect, handLength));
  return [interceptPrior(family, handLength), SLOPE_PRIOR, ...ofEffects, LOG_SIGMA_PRIOR];
}

function count(observations: readonly HoldObservation[]): number {
  return observations.reduce((sum, each) => sum + (each.times ?? 1), 0);
}

/** The bounds only ever bite on degenerate data: they keep a search without an optimum finite. */
function searchBox(effects: number, prior: 'default' | 'flat'): Box {
  const slopeFloor = prior === 'flat' ? -40 : SLOPE_FLOOR;
  return {
    lower: Float64Array.from([-30, slopeFloor, ...Array<number>(effects).fill(-30), -5]),
    upper: Float64Array.from([30, 40, ...Array<number>(effects).fill(30), 3]),
  };
}
