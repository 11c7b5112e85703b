import { checkPositive, checkWhole } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { area } from './analyse-trace.ts';
import { cleanTrace, type CleanTrace, type ForceTrace, type TraceProblems } from './clean-trace.ts';

/** How a repeated-contraction test is done. */
export interface ContractionProtocol {
  /** Contractions asked for. */
  readonly count: number;
  /** s of squeezing. */
  readonly on: number;
  /** s of rest between. */
  readonly off: number;
}

/** Twenty-four squeezes of 7 s with 3 s between: four minutes, after which what is left is what lasts. */
export const COMMON_CONTRACTION_TEST: ContractionProtocol = { count: 24, on: 7, off: 3 };

export interface Contraction {
  /** s from the first sample. */
  readonly from: number;
  readonly to: number;
  /** Mean force, kgf. */
  readonly mean: number;
  readonly peak: number;
}

export interface ContractionReading {
  readonly contractions: readonly Contraction[];
  /** True where every contraction asked for was found. */
  readonly complete: boolean;
  /** Mean of the last six contractions, kgf: the force that lasts. Null with fewer than six. */
  readonly endTestForce: number | null;
  /** Impulse above the end-test force over the test, kgf·s: what is spent before. Null with fewer than six. */
  readonly workAboveEndTest: number | null;
  readonly problems: TraceProblems;
}

/** Contractions that make the end of a test. */
export const END_TEST_CONTRACTIONS = 6;
/** Share of the test's peak above which the hand is squeezing. */
const SQUEEZING_SHARE = 0.15;
/** kgf; less is no test. */
const LEAST_PEAK = 2;
/** A dip shorter than this share of the rest does not part two contractions. */
const DIP_SHARE = 0.4;
/** A squeeze shorter than this share of the time asked is none. */
const LEAST_SHARE = 0.3;

/**
 * Reads a repeated-contraction test from its trace: each contraction's mean, the end-test force (mean of the last six)
 * and the work above it (Σ (mean − end-test force)·seconds, where positive). Contractions are found by their force, so
 * that a lifter who starts late or counts loosely is read all the same. Forces in kgf, times in s. Source: all-out
 * intermittent test, critical force and the impulse above it.
 * @throws InvalidInputError for a trace that cannot be used, or a protocol outside 2–200 contractions of 1–60 s.
 * @example
 * repeatedContractions({ times: Array.from({ length: 19280 }, (_, i) => i / 80), forces: Array.from({ length: 19280 }, (_, i) => ((i / 80) % 10 >= 3 ? 30 : 0)) })
 * // { complete: true, endTestForce: 30 }
 */
export function repeatedContractions(
  trace: ForceTrace,
  protocol: ContractionProtocol = COMMON_CONTRACTION_TEST,
): ContractionReading {
  const count = checkWhole('protocol.count', protocol?.count, 2, 200);
  const on = checkPositive('protocol.on', protocol.on, 60);
  const off = checkPositive('protocol.off', protocol.off, 600);
  if (on < 1) throw new InvalidInputError('protocol.on', 'a number from 1 to 60', on);
  const clean = cleanTrace(trace);
  const contractions = findContractions(clean, on, off).slice(0, count);
  const base = { contractions, complete: contractions.length === count, problems: clean.problems };
  if (contractions.length < END_TEST_CONTRACTIONS)
    return { ...base, endTestForce: null, workAboveEndTest: null };
  const ending = contractions.slice(-END_TEST_CONTRACTIONS);
  const endTestForce = ending.reduce((sum, each) => sum + each.mean, 0) / ending.length;
  return {
    ...base,
    endTestForce,
    workAboveEndTest: contractions.reduce(
      (sum, { mean, from, to }) => sum + Math.max(0, mean - endTestForce) * (to - from),
      0,
    ),
  };
}

function findContractions(clean: CleanTrace, on: number, off: number): Contraction[] {
  const { times, forces } = clean;
  let peak = 0;
  for (const force of forces) if (force > peak) peak = force;
  if (peak < LEAST_PEAK) return [];
  const threshold = SQUEEZING_SHARE * peak;
  const runs: { from: number; to: number }[] = [];
  for (let i = 0; i < forces.length; i++) {
    if (forces[i]! < threshold) continue;
    const time = times[i]!;
    const run = runs[runs.length - 1];
    if (run && time - run.to <= DIP_SHARE * off) run.to = time;
    else runs.push({ from: time, to: time });
  }
  return runs
    .filter((run) => run.to - run.from >= LEAST_SHARE * on)
    .map(({ from, to }) => ({
      from,
      to,
      mean: area(clean, from, to) / (to - from),
      peak: peakWithin(clean, from, to),
    }));
}

function peakWithin({ times, forces }: CleanTrace, from: number, to: number): number {
  let most = 0;
  for (let i = 0; i < times.length && times[i]! <= to; i++)
    if (times[i]! >= from && forces[i]! > most) most = forces[i]!;
  return most;
}
