import { cleanTrace, type CleanTrace, type ForceTrace, type TraceProblems } from './clean-trace.ts';

/** One squeeze as its trace shows it. Forces in kgf, times in s; null where the trace is too short to say. */
export interface TraceReading {
  /** kgf taken off as the resting reading. */
  readonly tare: number;
  /** Samples a second. */
  readonly rate: number;
  /** When the squeeze starts, s from the first sample. */
  readonly onset: number;
  /** When it has let go, s from the first sample. */
  readonly end: number;
  readonly peak: number;
  /** s from onset. */
  readonly timeToPeak: number;
  /** Rate of force development over the first 0.1 s, kgf/s. */
  readonly rateOfForceDevelopment100: number | null;
  /** Over the first 0.2 s, kgf/s. */
  readonly rateOfForceDevelopment200: number | null;
  /** Mean force of the last second before letting go. */
  readonly meanOfLastSecond: number | null;
  /** ∫ force over the squeeze, kgf·s. */
  readonly impulse: number;
  /** Share of the area under the peak that was lost after it, per cent: 0 held, 100 let go at once. */
  readonly fatigueIndex: number | null;
  readonly problems: TraceProblems;
}

/** kgf that a squeeze has to pass to count as one, at the least. */
export const ONSET_FORCE = 1;
/** Times the resting scatter that it has to pass too. */
const ONSET_NOISE = 5;
/** s it has to stay past it. */
const ONSET_HOLD = 0.05;
/** Share of the peak below which the hand has let go. */
const LET_GO_SHARE = 0.1;
/** s after the peak without which fatigue cannot be read. */
const FATIGUE_AFTER_PEAK = 2;

/**
 * Analyses one squeeze: tare, onset, peak and time to it, rate of force development over 0–100 and 0–200 ms, mean of the
 * last second, impulse (trapezoid rule) and static fatigue index. Undefined where no squeeze is found. Dropped samples,
 * spikes and negative values are handled as {@link cleanTrace} says, and reported. Linear in the number of samples.
 * @throws InvalidInputError for lists of unequal length, fewer than 25 or more than a million samples, a sampling slower
 * than 50 Hz, or forces in another unit.
 * @example
 * analyseTrace({ times: Array.from({ length: 400 }, (_, i) => i / 80), forces: Array.from({ length: 400 }, (_, i) => (i < 80 ? 1 : 41)) })
 * // { tare: 1, onset: 1, peak: 40, fatigueIndex: 0 }
 */
export function analyseTrace(trace: ForceTrace): TraceReading | undefined {
  const clean = cleanTrace(trace);
  const { times, forces, tare, noise, rate, problems } = clean;
  const first = onsetIndex(clean, Math.max(ONSET_FORCE, ONSET_NOISE * noise));
  if (first === undefined) return undefined;
  let peakAt = first;
  for (let i = first; i < forces.length; i++) if (forces[i]! > forces[peakAt]!) peakAt = i;
  const peak = forces[peakAt]!;
  let last = forces.length - 1;
  while (last > peakAt && forces[last]! < LET_GO_SHARE * peak) last--;
  const onset = times[first]!;
  const end = times[last]!;
  const rise = (seconds: number): number | null =>
    onset + seconds <= end ? (at(clean, onset + seconds) - forces[first]!) / seconds : null;
  const peakTime = times[peakAt]!;
  const afterPeak = end - peakTime;
  return {
    tare,
    rate,
    onset,
    end,
    peak,
    timeToPeak: peakTime - onset,
    rateOfForceDevelopment100: rise(0.1),
    rateOfForceDevelopment200: rise(0.2),
    meanOfLastSecond: end - onset >= 1 ? area(clean, end - 1, end) : null,
    impulse: area(clean, onset, end),
    fatigueIndex:
      afterPeak >= FATIGUE_AFTER_PEAK && peak > 0
        ? Math.min(100, Math.max(0, 100 * (1 - area(clean, peakTime, end) / (peak * afterPeak))))
        : null,
    problems,
  };
}

/** First sample from which the force stays past the threshold for a moment. */
function onsetIndex({ times, forces }: CleanTrace, threshold: number): number | undefined {
  let since = -1;
  for (let i = 0; i < forces.length; i++) {
    if (forces[i]! <= threshold) since = -1;
    else if (since < 0) since = i;
    if (since >= 0 && times[i]! - times[since]! >= ONSET_HOLD) return since;
  }
  return undefined;
}

/** Force at a moment, by straight lines between samples. */
function at({ times, forces }: CleanTrace, moment: number): number {
  let low = 0;
  let high = times.length - 1;
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if (times[mid]! <= moment) low = mid;
    else high = mid;
  }
  const span = times[high]! - times[low]!;
  const share = span > 0 ? Math.min(1, Math.max(0, (moment - times[low]!) / span)) : 0;
  return forces[low]! + share * (forces[high]! - forces[low]!);
}

/** ∫ force from one moment to another by the trapezoid rule, kgf·s. */
export function area(clean: CleanTrace, from: number, to: number): number {
  const { times, forces } = clean;
  let sum = 0;
  let lastTime = from;
  let lastForce = at(clean, from);
  for (let i = firstAfter(times, from); i < times.length && times[i]! < to; i++) {
    sum += ((lastForce + forces[i]!) / 2) * (times[i]! - lastTime);
    lastTime = times[i]!;
    lastForce = forces[i]!;
  }
  return sum + ((lastForce + at(clean, to)) / 2) * (to - lastTime);
}

function firstAfter(times: Float64Array, moment: number): number {
  let low = 0;
  let high = times.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (times[mid]! <= moment) low = mid + 1;
    else high = mid;
  }
  return low;
}
