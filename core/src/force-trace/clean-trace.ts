import { InvalidInputError } from '../errors.ts';

/** Samples of a dynamometer over time. */
export interface ForceTrace {
  /** s, from any start, ascending. */
  readonly times: ArrayLike<number>;
  /** kgf; not a number where the device dropped the sample. */
  readonly forces: ArrayLike<number>;
}

/** What was wrong with a trace and what was done about it. */
export interface TraceProblems {
  /** Samples missing: not numbers, out of order, or left out between their neighbours. Bridged by straight lines. */
  readonly dropped: number;
  /** Longest stretch without a sample, s. */
  readonly longestGap: number;
  /** Lone samples far from their neighbours, replaced by their median. */
  readonly spikes: number;
  /** Samples clearly below zero after taring, taken as zero. */
  readonly negatives: number;
  /** True where the start was not quiet, so that nothing could be tared. */
  readonly noQuietStart: boolean;
}

export interface CleanTrace {
  /** s from the first sample. */
  readonly times: Float64Array;
  /** kgf, tared, not below 0. */
  readonly forces: Float64Array;
  /** kgf taken off. */
  readonly tare: number;
  /** kgf; how far the tared rest scatters. */
  readonly noise: number;
  /** Samples a second. */
  readonly rate: number;
  readonly problems: TraceProblems;
}

/** Slowest sampling that shows how fast a hand closes, Hz. */
export const SLOWEST_RATE = 50;
/** Most samples taken in one go: over an hour at 200 Hz. */
export const MOST_SAMPLES = 1_000_000;
/** Fewest samples that make a trace. */
export const FEWEST_SAMPLES = 25;
/** s at the start that must be quiet to tare by. */
const QUIET_START = 0.25;
/** kgf; a rest that moves more than this is none. */
const QUIET_RANGE = 2;
/** kgf; a lone sample this far from its neighbours is no force of a hand. */
const SPIKE = 5;
/** kgf below zero that count as negative rather than noise. */
const NEGATIVE = 1;
/** s; any clock of a device reads less. */
const LATEST = 1e10;
/** kgf beyond which a reading is in another unit. */
const MAX_FORCE = 300;

/**
 * Sorts out a force trace: drops what is no number or out of order, replaces lone spikes by the median of five, tares by
 * the quiet start, takes negative forces as zero, and reports all of it. Linear in the number of samples.
 * @throws InvalidInputError for lists of unequal length, too few or too many samples, a sampling slower than 50 Hz, or
 * forces in another unit.
 * @example
 * cleanTrace({ times: Array.from({ length: 100 }, (_, i) => i / 80), forces: Array.from({ length: 100 }, (_, i) => (i === 50 ? 90 : 2)) }).problems.spikes
 * // 1
 */
export function cleanTrace(trace: ForceTrace): CleanTrace {
  const { times: rawTimes, forces: rawForces } = checked(trace);
  const count = rawTimes.length;
  const times = new Float64Array(count);
  const forces = new Float64Array(count);
  let kept = 0;
  for (let i = 0; i < count; i++) {
    const time = asNumber(rawTimes[i]);
    const force = asNumber(rawForces[i]);
    if (!(Math.abs(time) < LATEST) || !Number.isFinite(force) || (kept > 0 && !(time > times[kept - 1]!)))
      continue;
    times[kept] = time;
    forces[kept++] = force;
  }
  if (kept < FEWEST_SAMPLES)
    throw new InvalidInputError('times', `at least ${FEWEST_SAMPLES} samples in ascending order`, kept);
  const step = medianStep(times, kept);
  if (step > 1 / SLOWEST_RATE + 1e-9)
    throw new InvalidInputError(
      'times',
      `sampled at ${SLOWEST_RATE} Hz or faster, in seconds (milliseconds divided by 1000)`,
      1 / step,
    );
  const start = times[0]!;
  // A sample that is no number leaves a gap between its neighbours too: it is counted once.
  let gaps = 0;
  let longestGap = 0;
  for (let i = 0; i < kept; i++) {
    const gap = i === 0 ? 0 : times[i]! - start - times[i - 1]!;
    times[i]! -= start;
    if (gap > 1.5 * step) gaps += Math.round(gap / step) - 1;
    longestGap = Math.max(longestGap, gap);
  }
  const inside = times.subarray(0, kept);
  const smooth = forces.subarray(0, kept);
  const spikes = replaceSpikes(smooth);
  const rest = restOf(inside, smooth);
  let negatives = 0;
  for (let i = 0; i < kept; i++) {
    const force = smooth[i]! - rest.tare;
    if (force < -NEGATIVE) negatives++;
    smooth[i] = Math.max(0, force);
  }
  if (largest(smooth) > MAX_FORCE)
    throw new InvalidInputError(
      'forces',
      `forces of at most ${MAX_FORCE} kgf (newtons divided by 9.81, pounds by 2.205)`,
      largest(smooth),
    );
  return {
    times: inside,
    forces: smooth,
    tare: rest.tare,
    noise: rest.noise,
    rate: 1 / step,
    problems: {
      dropped: Math.max(gaps, count - kept),
      longestGap: longestGap > 1.5 * step ? longestGap : 0,
      spikes,
      negatives,
      noQuietStart: !rest.quiet,
    },
  };
}

function checked(trace: ForceTrace): ForceTrace {
  const isList = (value: unknown): value is ArrayLike<number> =>
    Array.isArray(value) || ArrayBuffer.isView(value);
  if (!isList(trace?.times)) throw new InvalidInputError('times', 'a list of times in s', trace?.times);
  if (!isList(trace.forces)) throw new InvalidInputError('forces', 'a list of forces in kgf', trace.forces);
  if (trace.times.length !== trace.forces.length)
    throw new InvalidInputError('forces', `as many as the ${trace.times.length} times`, trace.forces.length);
  if (trace.times.length > MOST_SAMPLES)
    throw new InvalidInputError(
      'times',
      `at most ${MOST_SAMPLES} samples: cut the trace into trials`,
      trace.times.length,
    );
  return trace;
}

/** What is no number at all counts as a sample dropped. */
function asNumber(value: unknown): number {
  return typeof value === 'number' ? value : Number.NaN;
}

/** Median step between samples, from a sample of a few thousand where there are more. */
function medianStep(times: Float64Array, count: number): number {
  const every = Math.max(1, Math.floor(count / 2000));
  const steps: number[] = [];
  for (let i = 1; i < count; i += every) steps.push(times[i]! - times[i - 1]!);
  return middle(Float64Array.from(steps));
}

function middle(values: Float64Array): number {
  const sorted = values.sort();
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

function largest(values: Float64Array): number {
  let most = -Infinity;
  for (const value of values) if (value > most) most = value;
  return most;
}

/** Replaces, in place, each sample that stands alone by the median of it and two neighbours either side. */
function replaceSpikes(forces: Float64Array): number {
  const raw = forces.slice();
  let found = 0;
  for (let i = 0; i < raw.length; i++) {
    // A steep rise is no spike: a spike stands clear of both of its neighbours on the same side.
    const before = i > 0 ? raw[i - 1]! : raw[i + 1]!;
    const after = i + 1 < raw.length ? raw[i + 1]! : raw[i - 1]!;
    const up = raw[i]! - Math.max(before, after);
    const down = Math.min(before, after) - raw[i]!;
    if (up < SPIKE && down < SPIKE) continue;
    const from = Math.max(0, Math.min(i - 2, raw.length - 5));
    forces[i] = middle(raw.slice(from, from + 5));
    found++;
  }
  return found;
}

function restOf(times: Float64Array, forces: Float64Array): { tare: number; noise: number; quiet: boolean } {
  let count = 0;
  while (count < times.length && times[count]! < QUIET_START) count++;
  const start = forces.slice(0, Math.max(count, 3));
  const low = Math.min(...start);
  const high = Math.max(...start);
  if (high - low > QUIET_RANGE) return { tare: 0, noise: QUIET_RANGE / 2, quiet: false };
  const tare = middle(start.slice());
  const spread = start.reduce((sum, each) => sum + (each - tare) ** 2, 0) / start.length;
  return { tare, noise: Math.sqrt(spread), quiet: true };
}
