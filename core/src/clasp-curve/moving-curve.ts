import { checkBoolean, checkRange } from '../check.ts';
import { bool, listOf, once, oneOf, optional, positive, range, record, type Check } from '../shape.ts';
import { checkEvidence } from './check-hold-curve.ts';
import { InvalidInputError } from '../errors.ts';
import { driftOver } from '../moving-level/level-mode.ts';
import { checkObservations, checkScales, evidenceOf, readOptions, type FitOptions } from './fit-rows.ts';
import { findCurveScales, fitMovingLevels, type MovingDay, type MovingFit } from './fit-moving-curve.ts';
import {
  CURVE_FAMILIES,
  EFFECTS,
  type CurveEvidence,
  type CurveFamily,
  type CurveScales,
  type Effect,
  type HoldCurve,
  type HoldObservation,
} from './types.ts';

/** No sound fit holds a figure beyond this. */
const LARGEST_FIGURE = 1e6;

/** How a lifter's hands moved over the days of their log: a clasp curve for any of those days, and for days to come. */
export interface MovingCurve {
  readonly family: CurveFamily;
  readonly handLength?: number;
  /** kg. */
  readonly referenceLoad: number;
  readonly effects: readonly Effect[];
  readonly fit: MovingFit;
  readonly evidence: CurveEvidence;
}

/**
 * Fits a level that moves from training day to training day, with a drift and with better and worse days, beside slope and
 * effects that stay. How much hands move and days differ is found from the log itself unless `scales` gives it.
 *
 * ln T = a(d) + δ(d) − b·ln(L/Lref) + Σ effects + σ·ε; a(d′) = a(d) + g·Δ + N(0, τ²·Δ), Δ in weeks; δ ~ N(0, ω²). Newton's
 * method on the levels, the scales by Laplace's evidence. The drift is believed for 8 weeks of a gap at most.
 * @throws InvalidInputError as {@link fitHoldCurve} does.
 * @example curveOn(fitMovingCurve([], { referenceLoad: 126 }), 0).slope // 3.5
 */
export function fitMovingCurve(
  observations: readonly HoldObservation[],
  options: Omit<FitOptions, 'prior'>,
): MovingCurve {
  const read = readOptions({ ...options, prior: 'default' });
  const sizes = checkObservations(observations);
  const rows = { ...read, ...sizes, observations };
  const scales = options.scales ?? findCurveScales(rows);
  const fit = fitMovingLevels(rows, scales);
  return {
    family: read.family,
    ...(read.handLength !== undefined && { handLength: read.handLength }),
    referenceLoad: read.referenceLoad,
    effects: sizes.effects,
    fit,
    evidence: evidenceOf(observations, read, fit.settled),
  };
}

/**
 * Asserts a moving curve as {@link fitMovingCurve} makes it (it may have travelled as JSON since).
 * @throws InvalidInputError naming the part that is missing or not a finite number.
 * @example checkMovingCurve(fitMovingCurve([], { referenceLoad: 126 })) // undefined
 */
export function checkMovingCurve(moving: MovingCurve, field = 'moving'): void {
  movingCheck(field, moving);
  const { effects, fit } = moving;
  const terms = effects.length + 1;
  const uneven = [
    fit.terms,
    fit.covariance,
    ...fit.covariance,
    fit.drift.withTerms,
    ...fit.days.flatMap((day) => [day.withTerms, day.asItWas.withTerms]),
  ].some((each) => each.length !== terms);
  if (uneven || fit.days.length === 0)
    throw new InvalidInputError(`${field}.fit`, `at least one day, and ${terms} terms for each`, fit);
}

const figure = range(-LARGEST_FIGURE, LARGEST_FIGURE);
const figures = listOf(figure, EFFECTS.length + 1);
const doubtCheck = { variance: range(0, LARGEST_FIGURE), withDrift: figure, withTerms: figures };
const movingCheck: Check = once(
  record<MovingCurve>({
    family: oneOf(CURVE_FAMILIES),
    handLength: optional(range(50, 400)),
    referenceLoad: positive(2000),
    effects: listOf(oneOf(EFFECTS), EFFECTS.length),
    fit: record<MovingFit>({
      scales: (field, value) => checkScales(field, value as CurveScales),
      days: listOf(
        record<MovingDay>({
          ...{ ageDays: range(0, 36_525), level: figure, dayEffect: figure, withNext: figure },
          ...{ rows: range(0, 1e9), slips: range(0, 1e9), ...doubtCheck },
          asItWas: record<MovingDay['asItWas']>(doubtCheck),
        }),
        40_000,
      ),
      drift: record<MovingFit['drift']>({
        ...{ value: figure, variance: range(0, LARGEST_FIGURE), withTerms: figures },
      }),
      terms: figures,
      covariance: listOf(figures, EFFECTS.length + 1),
      settled: bool,
    }),
    evidence: (field, value) => checkEvidence(field, value as CurveEvidence),
  }),
);

/**
 * The clasp curve of one day. On a day of the past it knows the whole log, later days too; on a day to come the level goes
 * on by its drift for at most 8 weeks, with growing doubt.
 * @param daysAgo days before the day of the fit; below 0 for a day to come.
 * @param asItWas the day's own effect is part of the curve as far as the day's rows tell; else the day is any day.
 * @throws InvalidInputError for a day more than a century away.
 * @example curveOn(fitMovingCurve([], { referenceLoad: 126 }), -28).slope // 3.5
 */
export function curveOn(moving: MovingCurve, daysAgo: number, asItWas = false): HoldCurve {
  checkRange('daysAgo', daysAgo, -FARTHEST_DAYS, FARTHEST_DAYS);
  checkBoolean('asItWas', asItWas);
  checkMovingCurve(moving);
  const { fit, effects, evidence, referenceLoad, family, handLength } = moving;
  const level = levelOn(fit, daysAgo, asItWas);
  const { scales, terms } = fit;
  const line = (first: number, rest: readonly number[]): number[] => [first, ...rest, 0];
  return {
    family,
    ...(handLength !== undefined && { handLength }),
    referenceLoad,
    intercept: level.mean,
    slope: terms[0]!,
    logSigma: Math.log(scales.sigma),
    daySd: level.known ? 0 : scales.omega,
    effects: effects.map((name, j) => ({ name, value: terms[j + 1]! })),
    covariance: [
      line(level.variance, level.withTerms),
      ...fit.covariance.map((row, j) => line(level.withTerms[j]!, row)),
      [...Array<number>(effects.length + 2).fill(0), scales.logSigmaSd ** 2],
    ],
    evidence,
  };
}

/** A century either way. */
const FARTHEST_DAYS = 36_525;

interface LevelThen {
  readonly mean: number;
  readonly variance: number;
  readonly withDrift: number;
  readonly withTerms: readonly number[];
  /** Whether the day's own effect is in it. */
  readonly known: boolean;
}

function levelOn(fit: MovingFit, daysAgo: number, asItWas: boolean): LevelThen {
  const { days } = fit;
  const exact = asItWas ? days.find((day) => day.ageDays === daysAgo) : undefined;
  if (exact) {
    const { variance, withDrift, withTerms } = exact.asItWas;
    return { mean: exact.level + exact.dayEffect, variance, withDrift, withTerms, known: true };
  }
  const next = days.findIndex((day) => day.ageDays <= daysAgo);
  if (next === 0) return moved(fit, days[0]!, (daysAgo - days[0]!.ageDays) / 7, -1);
  if (next < 0) return moved(fit, days.at(-1)!, (days.at(-1)!.ageDays - daysAgo) / 7, 1);
  return between(fit, days[next - 1]!, days[next]!, daysAgo);
}

/** Past the last day, or before the first: the drift goes on, and the doubt with it. */
function moved(fit: MovingFit, from: MovingDay, weeks: number, way: 1 | -1): LevelThen {
  const share = way * driftOver(weeks);
  const { drift, scales } = fit;
  return {
    mean: from.level + share * drift.value,
    variance:
      from.variance + 2 * share * from.withDrift + share * share * drift.variance + scales.tau ** 2 * weeks,
    withDrift: from.withDrift + share * drift.variance,
    withTerms: from.withTerms.map((each, j) => each + share * drift.withTerms[j]!),
    known: false,
  };
}

/** Between two days: on the line between their levels, with the doubt of a walk that is tied at both ends. */
function between(fit: MovingFit, earlier: MovingDay, later: MovingDay, daysAgo: number): LevelThen {
  const gap = earlier.ageDays - later.ageDays;
  const u = (earlier.ageDays - daysAgo) / gap;
  const mix = (a: number, b: number): number => (1 - u) * a + u * b;
  return {
    mean: mix(earlier.level, later.level),
    variance:
      (1 - u) ** 2 * earlier.variance +
      u ** 2 * later.variance +
      2 * u * (1 - u) * earlier.withNext +
      (fit.scales.tau ** 2 * u * (1 - u) * gap) / 7,
    withDrift: mix(earlier.withDrift, later.withDrift),
    withTerms: earlier.withTerms.map((each, j) => mix(each, later.withTerms[j]!)),
    known: false,
  };
}
