import { findScales } from '../moving-level/find-scales.ts';
import { followingModes } from '../moving-level/following-modes.ts';
import { invertArrow } from '../moving-level/arrow-band.ts';
import {
  ENOUGH_FOR_EVIDENCE,
  levelMode,
  type LevelLikelihood,
  type LevelMode,
  type LevelProblem,
} from '../moving-level/level-mode.ts';
import { sparseDesign } from '../statistics/sparse-design.ts';
import type { Tail } from '../statistics/normal.ts';
import { presentEffects } from './design.ts';
import { holdTerm, type FitRows, type HoldTerm } from './likelihood.ts';
import {
  DRIFT_PRIOR,
  effectPrior,
  interceptPrior,
  LOG_OMEGA_PRIOR,
  LOG_SIGMA_PRIOR,
  LOG_TAU_PRIOR,
  SLOPE_FLOOR,
  SLOPE_PRIOR,
} from './priors.ts';
import type { CurveFamily, CurveScales, Effect, HoldObservation } from './types.ts';

/** What the rows of a log hold, before a fit. */
export interface MovingRows {
  readonly observations: readonly HoldObservation[];
  readonly sizes: readonly Record<Effect, number>[];
  readonly effects: readonly Effect[];
  readonly referenceLoad: number;
  readonly family: CurveFamily;
  readonly handLength: number | undefined;
}

/** A level found for a day, with what its doubt shares with the drift and the fixed terms. */
export interface MovingDay {
  /** Days before the day of the fit. */
  readonly ageDays: number;
  /** Median ln seconds at the reference load, double overhand, the day's own effect not in it. */
  readonly level: number;
  /** What the day was better or worse by, on ln seconds. */
  readonly dayEffect: number;
  readonly variance: number;
  /** Covariance with the level of the next day that holds rows; 0 for the last. */
  readonly withNext: number;
  readonly withDrift: number;
  /** Covariance with the slope and each effect in turn. */
  readonly withTerms: readonly number[];
  /** Holds and bare-handed sets of the day, and how many of them slipped. */
  readonly rows: number;
  readonly slips: number;
  /** The same of the level and the day's effect together. */
  readonly asItWas: {
    readonly variance: number;
    readonly withDrift: number;
    readonly withTerms: readonly number[];
  };
}

/** The moving curve at given scales. */
export interface MovingFit {
  readonly scales: CurveScales;
  /** The days that hold rows, the earliest first; one without rows where there are none. */
  readonly days: readonly MovingDay[];
  readonly drift: {
    readonly value: number;
    readonly variance: number;
    readonly withTerms: readonly number[];
  };
  /** Slope and effects, and their covariance. */
  readonly terms: readonly number[];
  readonly covariance: readonly (readonly number[])[];
  /** False where the slope stands on its floor. */
  readonly settled: boolean;
}

const PRIOR_LOGS = [LOG_SIGMA_PRIOR, LOG_TAU_PRIOR, LOG_OMEGA_PRIOR];

/**
 * Finds how much a lifter's hands scatter and move by maximising the evidence of their log. What was logged on the day of
 * the fit has no say: the scales then stay the same while a session goes on, on a device and on the server alike.
 */
export function findCurveScales(rows: MovingRows): CurveScales {
  const before = rows.observations.map(({ ageDays = 0 }) => ageDays > 0);
  const keep = <Each>(all: readonly Each[]): Each[] => all.filter((_, i) => before[i]);
  const sizes = keep(rows.sizes);
  const past = { ...rows, sizes, observations: keep(rows.observations), effects: presentEffects(sizes) };
  const fit = prepared(past);
  const modeAt = followingModes((at, start) => fit(scalesOf(at), start, ENOUGH_FOR_EVIDENCE));
  const { logs, sds } = findScales((at) => modeAt(at).evidence, PRIOR_LOGS);
  return { ...scalesOf(logs), logSigmaSd: sds[0]! };
}

const scalesOf = (logs: readonly number[]): CurveScales => ({
  sigma: Math.exp(logs[0]!),
  tau: Math.exp(logs[1]!),
  omega: Math.exp(logs[2]!),
  logSigmaSd: 0,
});

/** Fits levels, day effects, drift, slope and effects at given scales. */
export function fitMovingLevels(rows: MovingRows, scales: CurveScales): MovingFit {
  const { x, factor, inside } = prepared(rows)(scales);
  const inverse = invertArrow(factor);
  const ages = daysOf(rows.observations);
  const { size, edge } = factor;
  const fixed = edge - 1;
  const terms = Array.from(x.subarray(size + 1));
  const across = (i: number): number[] => terms.map((_, j) => inverse.border[i * edge + 1 + j]!);
  const counts = countsOf(rows.observations);
  const days = ages.map((ageDays, day): MovingDay => {
    const [a, d] = [2 * day, 2 * day + 1];
    return {
      ageDays,
      level: x[a]!,
      dayEffect: x[d]!,
      variance: inverse.diagonal[a]!,
      withNext: day + 1 < ages.length ? inverse.second[a]! : 0,
      withDrift: inverse.border[a * edge]!,
      withTerms: across(a),
      ...(counts.get(ageDays) ?? { rows: 0, slips: 0 }),
      asItWas: {
        variance: inverse.diagonal[a]! + inverse.diagonal[d]! + 2 * inverse.first[a]!,
        withDrift: inverse.border[a * edge]! + inverse.border[d * edge]!,
        withTerms: across(a).map((each, j) => each + inverse.border[d * edge + 1 + j]!),
      },
    };
  });
  const corner = (j: number, m: number): number => inverse.corner[j * edge + m]!;
  return {
    scales,
    days,
    drift: {
      value: x[size]!,
      variance: corner(0, 0),
      withTerms: terms.map((_, j) => corner(0, 1 + j)),
    },
    terms,
    covariance: Array.from({ length: fixed }, (_, j) => terms.map((__, m) => corner(1 + j, 1 + m))),
    settled: inside,
  };
}

function countsOf(observations: readonly HoldObservation[]): Map<number, { rows: number; slips: number }> {
  const counts = new Map<number, { rows: number; slips: number }>();
  for (const { ageDays = 0, times = 1, ended, best } of observations) {
    if (best) continue;
    const found = counts.get(ageDays) ?? { rows: 0, slips: 0 };
    found.rows += times;
    if (ended === 'slipped') found.slips += times;
    counts.set(ageDays, found);
  }
  return counts;
}

/** Ages of the days with rows, the earliest first; today alone where there are none. */
function daysOf(observations: readonly HoldObservation[]): number[] {
  const ages = [...new Set(observations.map(({ ageDays = 0 }) => ageDays))].sort((a, b) => b - a);
  return ages.length > 0 ? ages : [0];
}

/** Reads the rows once, and fits them at any scales. */
function prepared(
  rows: MovingRows,
): (scales: CurveScales, start?: Float64Array, enough?: number) => LevelMode {
  const { family, handLength, effects } = rows;
  const ages = daysOf(rows.observations);
  const { table, dayOf } = tabled(rows, ages);
  const problem: LevelProblem = {
    weeks: Float64Array.from(ages, (age) => (ages[0]! - age) / 7),
    dayOf,
    design: table.design,
    firstLevel: interceptPrior(family, handLength),
    drift: DRIFT_PRIOR,
    terms: [SLOPE_PRIOR, ...effects.map((effect) => effectPrior(effect, handLength))],
    floor: { term: 0, at: SLOPE_FLOOR },
  };
  return (scales, start, enough) =>
    levelMode(problem, scales, likelihoodOf(table, scales.sigma), start, enough);
}

function likelihoodOf(table: FitRows, sigma: number): LevelLikelihood {
  const tail: Tail = { logSurvival: 0, hazard: 0 };
  const term: HoldTerm = { value: 0, dEta: 0, dTau: 0, dEtaEta: 0, dEtaTau: 0, dTauTau: 0 };
  const { weight } = table;
  return (eta, slope, curvature) => {
    let value = 0;
    for (let i = 0; i < eta.length; i++) {
      holdTerm(table, i, eta[i]!, sigma, tail, term);
      value += weight[i]! * term.value;
      slope[i] = weight[i]! * term.dEta;
      curvature[i] = Math.min(weight[i]! * term.dEtaEta, 0);
    }
    return value;
  };
}

/** The rows in flat arrays; sets that are alike in everything are one row that counts as many. */
function tabled(
  { observations, sizes, effects, referenceLoad }: MovingRows,
  ages: readonly number[],
): { table: FitRows; dayOf: Int32Array } {
  const dayAt = new Map(ages.map((age, day) => [age, day]));
  const alike = (i: number, k: number): boolean => {
    const [one, other] = [observations[i]!, observations[k]!];
    return (
      one.load === other.load &&
      one.seconds === other.seconds &&
      one.ended === other.ended &&
      one.within?.[0] === other.within?.[0] &&
      one.within?.[1] === other.within?.[1] &&
      effects.every((effect) => sizes[i]![effect] === sizes[k]![effect])
    );
  };
  /** The rows of each day so far, which are few enough to be looked through. */
  const rowsOf = ages.map((): { readonly first: number; weight: number }[] => []);
  observations.forEach(({ ageDays = 0, weight = 1, times = 1 }, i) => {
    const rows = rowsOf[dayAt.get(ageDays)!]!;
    const known = rows.find((row) => alike(i, row.first));
    if (known) known.weight += weight * times;
    else rows.push({ first: i, weight: weight * times });
  });
  // Day after day: what a fit adds up of one day then lies together.
  const rows = rowsOf.flat();
  const fixed = effects.length + 1;
  const count = rows.length;
  const design = new Float64Array(count * fixed);
  const logSeconds = new Float64Array(count);
  const since = new Float64Array(count);
  const slipped = new Uint8Array(count);
  const dayOf = new Int32Array(count);
  rows.forEach(({ first: i }, row) => {
    const each = observations[i]!;
    design[row * fixed] = -Math.log(each.load / referenceLoad);
    effects.forEach((effect, j) => (design[row * fixed + 1 + j] = sizes[i]![effect]));
    logSeconds[row] = Math.log(each.within ? each.within[1] : each.seconds);
    since[row] = each.within ? Math.log(each.within[0]) : Number.NaN;
    slipped[row] = each.ended === 'slipped' ? 1 : 0;
    dayOf[row] = dayAt.get(each.ageDays ?? 0)!;
  });
  const table = {
    ...{ terms: fixed, logSeconds, since, slipped },
    design: sparseDesign(design, fixed),
    weight: Float64Array.from(rows, (row) => row.weight),
  };
  return { table, dayOf };
}
