import type { GaussianPrior } from '../statistics/posterior.ts';
import { arrowBand, factorArrow, solveArrow, type ArrowBand, type ArrowFactor } from './arrow-band.ts';
import type { SparseDesign } from '../statistics/sparse-design.ts';

/**
 * What the rows say of their predictors η: fills in the two derivatives of each row's log-likelihood, the second never above 0
 * since each is log-concave in η, and returns the log-likelihood of all.
 */
export type LevelLikelihood = (eta: Float64Array, slope: Float64Array, curvature: Float64Array) => number;

/**
 * A level that moves from day to day, seen through rows: η of a row = level of its day + effect of its day + its terms.
 * The same for how long a hand holds, how hard it squeezes and what gripper it closes; only the rows' likelihood differs.
 */
export interface LevelProblem {
  /** The days with rows, in weeks from the first of them, rising. */
  readonly weeks: Float64Array;
  /** Which of the days each row belongs to. */
  readonly dayOf: Int32Array;
  /** What of each fixed term a row holds. */
  readonly design: SparseDesign;
  /** Belief about the level of the first day, the drift a week, and each fixed term. */
  readonly firstLevel: GaussianPrior;
  readonly drift: GaussianPrior;
  readonly terms: readonly GaussianPrior[];
  /** A fixed term that may not fall below a floor: its place among the terms. */
  readonly floor?: { readonly term: number; readonly at: number };
}

/** How much the level moves and the days differ, on the scale of η. */
export interface LevelScales {
  /** Standard deviation of the level's step over a week, past the drift. */
  readonly tau: number;
  /** Standard deviation from day to day. */
  readonly omega: number;
}

/** The most likely levels, day effects, drift and terms, given the scales. */
export interface LevelMode {
  /** Level and effect of each day in turn, then the drift a week, then the terms. */
  readonly x: Float64Array;
  readonly factor: ArrowFactor;
  /** Log-posterior at the mode, with the constants that depend on the scales. */
  readonly value: number;
  /** Laplace's approximation of the log-evidence of the scales. */
  readonly evidence: number;
  /** False where a term stands on its floor: the doubt about it is then the prior's at most. */
  readonly inside: boolean;
}

/** Past this many weeks without a row the drift is not believed to have gone on. */
export const DRIFT_WEEKS = 8;
/** Two days at the same hour are this far apart at least: a step of no length would have no doubt. */
const SHORTEST_STEP_WEEKS = 1 / 7 / 24;
const MOST_STEPS = 60;
/** A step that promises less than this in log-posterior is the last: what is left then is its square. */
const ENOUGH = 1e-7;
/**
 * The same where only the evidence is asked for, whose differences are far larger. Against 1e-3, scales found over thirty planted
 * logs differ by 1.2 % at most, where their own doubt is tens of per cent.
 */
export const ENOUGH_FOR_EVIDENCE = 0.02;

/** How long the drift acts over a gap, weeks. */
export function driftOver(weeks: number): number {
  return Math.min(weeks, DRIFT_WEEKS);
}

/**
 * Finds the mode by Newton's method with the exact Hessian, which is an arrow-banded one: the problem is log-concave, so
 * that halving a step that falls short is all the damping it needs.
 * @param likelihood what the rows say.
 * @param start where to begin, else the priors' middle.
 * @param enough promise of a step, in log-posterior, below which it is the last.
 */
export function levelMode(
  problem: LevelProblem,
  scales: LevelScales,
  likelihood: LevelLikelihood,
  start?: Float64Array,
  enough = ENOUGH,
): LevelMode {
  const { terms, floor } = problem;
  const days = problem.weeks.length;
  const driftAt = 2 * days;
  let x = start ? new Float64Array(start) : middle(problem);
  if (floor) x[driftAt + 1 + floor.term] = Math.max(x[driftAt + 1 + floor.term]!, floor.at);
  let at = surface(problem, scales, likelihood, x);
  for (let step = 0; ; step++) {
    const held =
      floor && x[driftAt + 1 + floor.term]! <= floor.at && at.gradient[driftAt + 1 + floor.term]! < 0
        ? driftAt + 1 + floor.term
        : undefined;
    if (held !== undefined) hold(at.system, held - driftAt, at.gradient, driftAt);
    const factor = factorArrow(at.system) ?? factorArrow(damped(at.system));
    // Priors make every problem definite; what rounding has spoilt the damping repairs.
    if (!factor) throw new Error('The levels have no curvature: a prior is missing.');
    const move = solveArrow(factor, at.gradient);
    let promise = 0;
    for (let j = 0; j < move.length; j++) promise += move[j]! * at.gradient[j]!;
    if (promise < enough || step === MOST_STEPS) {
      const value = at.value + 0.5 * promise - 0.5 * constants(problem, scales);
      const evidence = value - 0.5 * factor.logDeterminant;
      const last = x.map((each, j) => each + move[j]!);
      return { x: last, factor, value, evidence, inside: held === undefined };
    }
    let share = 1;
    for (;;) {
      const next = x.map((each, j) => each + share * move[j]!);
      if (floor) {
        const place = driftAt + 1 + floor.term;
        next[place] = Math.max(next[place]!, floor.at);
      }
      const nextAt = surface(problem, scales, likelihood, next);
      // The last digits of a large sum are noise: a fall within them is none.
      if (nextAt.value >= at.value - 1e-12 * (1 + Math.abs(at.value)) || share < 1e-8) {
        x = next;
        at = nextAt;
        break;
      }
      share /= 2;
    }
  }
  function middle({ firstLevel, drift }: LevelProblem): Float64Array {
    const from = new Float64Array(driftAt + 1 + terms.length);
    for (let day = 0; day < days; day++) from[2 * day] = firstLevel.mean;
    from[driftAt] = drift.mean;
    terms.forEach((prior, j) => (from[driftAt + 1 + j] = prior.mean));
    return from;
  }
}

interface Surface {
  readonly value: number;
  readonly gradient: Float64Array;
  /** Minus the Hessian. */
  readonly system: ArrowBand;
}

/** Log-posterior (constants left out), its gradient and minus its Hessian. */
function surface(
  problem: LevelProblem,
  { tau, omega }: LevelScales,
  likelihood: LevelLikelihood,
  x: Float64Array,
): Surface {
  const { weeks, firstLevel, drift, terms } = problem;
  const days = weeks.length;
  const driftAt = 2 * days;
  const edge = 1 + terms.length;
  const system = arrowBand(driftAt, edge);
  const gradient = new Float64Array(driftAt + edge);
  const { diagonal, first, second, border, corner } = system;
  let value = readRows(problem, likelihood, x, system, gradient);
  for (let level = 0; level < driftAt; level += 2) {
    // Level and effect of a day meet every row of it alike.
    gradient[level + 1] = gradient[level]!;
    diagonal[level + 1] = diagonal[level]!;
    first[level] = diagonal[level]!;
    border.copyWithin((level + 1) * edge, level * edge, (level + 1) * edge);
  }
  const believe = (place: number, { mean, sd }: GaussianPrior, into: Float64Array, at: number): void => {
    const precision = 1 / (sd * sd);
    const distance = x[place]! - mean;
    value -= 0.5 * precision * distance * distance;
    gradient[place]! -= precision * distance;
    into[at]! += precision;
  };
  if (days > 0) believe(0, firstLevel, diagonal, 0);
  believe(driftAt, drift, corner, 0);
  terms.forEach((prior, j) => believe(driftAt + 1 + j, prior, corner, (1 + j) * edge + 1 + j));
  const dayEffect: GaussianPrior = { mean: 0, sd: omega };
  for (let day = 0; day < days; day++) {
    believe(2 * day + 1, dayEffect, diagonal, 2 * day + 1);
    if (day + 1 === days) break;
    const gap = stepWeeks(weeks, day);
    const share = driftOver(gap);
    const precision = 1 / (tau * tau * gap);
    const here = 2 * day;
    const there = here + 2;
    const miss = x[there]! - x[here]! - share * x[driftAt]!;
    value -= 0.5 * precision * miss * miss;
    gradient[there]! -= precision * miss;
    gradient[here]! += precision * miss;
    gradient[driftAt]! += precision * share * miss;
    diagonal[here]! += precision;
    diagonal[there]! += precision;
    second[here]! -= precision;
    border[here * edge]! += precision * share;
    border[there * edge]! -= precision * share;
    corner[0]! += precision * share * share;
  }
  return { value, gradient, system };
}

/** Adds what the rows say, to the places of the levels and of the fixed terms; their log-likelihood. */
function readRows(
  { dayOf, design: { starts, columns, values }, terms }: LevelProblem,
  likelihood: LevelLikelihood,
  x: Float64Array,
  { size, edge, diagonal, border, corner }: ArrowBand,
  gradient: Float64Array,
): number {
  const rows = dayOf.length;
  const fixed = terms.length;
  const eta = new Float64Array(rows);
  const slopes = new Float64Array(rows);
  const curvatures = new Float64Array(rows);
  const termsAt = size + 1;
  for (let i = 0; i < rows; i++) {
    const level = 2 * dayOf[i]!;
    const to = starts[i + 1]!;
    let sum = x[level]! + x[level + 1]!;
    for (let e = starts[i]!; e < to; e++) sum += values[e]! * x[termsAt + columns[e]!]!;
    eta[i] = sum;
  }
  const value = likelihood(eta, slopes, curvatures);
  // The terms among themselves, packed; put into the corner at the end.
  const among = new Float64Array(fixed * fixed);
  for (let i = 0; i < rows; i++) {
    const slope = slopes[i]!;
    const curvature = -curvatures[i]!;
    if (slope === 0 && curvature === 0) continue;
    const level = 2 * dayOf[i]!;
    gradient[level] = gradient[level]! + slope;
    diagonal[level] = diagonal[level]! + curvature;
    const from = starts[i]!;
    const to = starts[i + 1]!;
    const line = level * edge + 1;
    for (let e = from; e < to; e++) {
      const j = columns[e]!;
      const held = values[e]!;
      const scaled = curvature * held;
      gradient[termsAt + j] = gradient[termsAt + j]! + slope * held;
      border[line + j] = border[line + j]! + scaled;
      const own = j * fixed;
      for (let f = from; f <= e; f++) {
        const at = own + columns[f]!;
        among[at] = among[at]! + scaled * values[f]!;
      }
    }
  }
  for (let j = 0; j < fixed; j++)
    for (let m = 0; m <= j; m++) corner[(1 + j) * edge + 1 + m] = among[j * fixed + m]!;
  return value;
}

/** Weeks from a day to the next one with rows. */
export function stepWeeks(weeks: Float64Array, day: number): number {
  return Math.max(weeks[day + 1]! - weeks[day]!, SHORTEST_STEP_WEEKS);
}

/** ln of the priors' variances that depend on the scales: steps and day effects. */
function constants({ weeks }: LevelProblem, { tau, omega }: LevelScales): number {
  let sum = 2 * weeks.length * Math.log(omega);
  for (let day = 0; day + 1 < weeks.length; day++) sum += Math.log(tau * tau * stepWeeks(weeks, day));
  return sum;
}

/** Holds an unknown of the border where it is: it moves nothing and is moved by nothing. */
function hold(system: ArrowBand, edgePlace: number, gradient: Float64Array, driftAt: number): void {
  const { size, edge, border, corner } = system;
  for (let i = 0; i < size; i++) border[i * edge + edgePlace] = 0;
  for (let j = 0; j < edge; j++) {
    if (j === edgePlace) continue;
    corner[Math.max(j, edgePlace) * edge + Math.min(j, edgePlace)] = 0;
  }
  gradient[driftAt + edgePlace] = 0;
}

function damped(system: ArrowBand): ArrowBand {
  const largest = system.diagonal.reduce((most, each) => Math.max(most, each), 1);
  return { ...system, diagonal: system.diagonal.map((each) => each + 1e-9 * largest) };
}
