import { checkBoolean, checkObject, checkOneOf, checkPositive, checkRange, checkWhole } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { effectSizes, presentEffects } from './design.ts';
import { spreadOf } from './holds-near.ts';
import { RECENCY_HALF_LIFE_DAYS } from './priors.ts';
import {
  BEST_KNOWN,
  CURVE_FAMILIES,
  ENDINGS,
  type CurveEvidence,
  type CurveFamily,
  type CurveScales,
  type Effect,
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
  /** How the hands scatter and move, where that was found before; else the log is searched for it. */
  readonly scales?: CurveScales;
  /**
   * Whether the session of the day of the fit is under way: what its rows tell of the day itself, better or worse than
   * others, is then part of the curve. Default no: the curve is about any other day.
   */
  readonly underWay?: boolean;
}

/** Longest hold the model takes, s: past an hour something else was measured. */
export const MAX_HOLD_SECONDS = 3600;
/** Heaviest load the model takes, kg. */
export const MAX_HOLD_LOAD = 2000;
/** A century of logs. */
const MAX_AGE_DAYS = 36525;
const MAX_WEIGHT = 1e6;

/** Options as they were given, checked, with what was left out filled in. */
export interface ReadOptions {
  readonly referenceLoad: number;
  readonly prior: 'default' | 'flat';
  readonly family: CurveFamily;
  readonly handLength: number | undefined;
  readonly underWay: boolean;
}

/** @throws InvalidInputError naming the option that cannot be used. */
export function readOptions(options: FitOptions): ReadOptions {
  checkObject('options', options);
  const { handLength, scales, underWay = false } = options;
  if (handLength !== undefined) checkRange('options.handLength', handLength, 50, 400);
  if (scales !== undefined) checkScales('options.scales', scales);
  return {
    referenceLoad: checkPositive('options.referenceLoad', options.referenceLoad, MAX_HOLD_LOAD),
    prior: checkOneOf('options.prior', options.prior ?? 'default', ['default', 'flat'] as const),
    family: checkOneOf('options.family', options.family ?? 'support', CURVE_FAMILIES),
    handLength,
    underWay: checkBoolean('options.underWay', underWay),
  };
}

/** @throws InvalidInputError naming the scale that no search could have found. */
export function checkScales(field: string, scales: CurveScales): void {
  checkObject(field, scales);
  for (const name of ['sigma', 'tau', 'omega'] as const)
    checkRange(`${field}.${name}`, scales[name], SMALLEST_SCALE, LARGEST_SCALE);
  checkRange(`${field}.logSigmaSd`, scales.logSigmaSd, 0, LARGEST_SCALE);
}

/** Scales on ln seconds outside these were never found by a search. */
const SMALLEST_SCALE = 1e-5;
const LARGEST_SCALE = 100;

/**
 * Checks every row, and reads what of each effect it holds.
 * @throws InvalidInputError naming the row and field that cannot be used.
 */
export function checkObservations(observations: readonly HoldObservation[]): {
  readonly sizes: readonly Record<Effect, number>[];
  readonly effects: readonly Effect[];
} {
  if (!Array.isArray(observations))
    throw new InvalidInputError('observations', 'a list of holds', observations);
  const sizes = observations.map((each: HoldObservation, i) => {
    checkObservation(each, i);
    return effectSizes(each, `observations[${i}]`);
  });
  return { sizes, effects: presentEffects(sizes) };
}

/** What stands behind a fit. */
export function evidenceOf(
  observations: readonly HoldObservation[],
  { referenceLoad, prior }: ReadOptions,
  settled: boolean,
): CurveEvidence {
  const logged = observations.filter((each) => each.best === undefined);
  const told = observations.find((each) => each.best);
  return {
    observations: count(logged),
    ...(told?.best && { best: told.best }),
    spread: spreadOf(logged, referenceLoad),
    slipped: count(logged.filter((each) => each.ended === 'slipped')),
    effective: observations.reduce((sum, each) => sum + recencyWeight(each), 0),
    prior,
    settled,
  };
}

/** What a row counts for by its age, its number and its own weight. */
export function recencyWeight({ weight = 1, times = 1, ageDays = 0 }: HoldObservation): number {
  return weight * times * 2 ** (-ageDays / RECENCY_HALF_LIFE_DAYS);
}

function count(observations: readonly HoldObservation[]): number {
  return observations.reduce((sum, each) => sum + (each.times ?? 1), 0);
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
