import {
  checkObservations,
  MAX_HOLD_LOAD,
  MAX_HOLD_SECONDS,
  readOptions,
  type FitOptions,
} from './fit-rows.ts';
import { curveOn, fitMovingCurve, type MovingCurve } from './moving-curve.ts';
import { holdProbability } from './hold-probability.ts';
import type { CurveScales, HoldConditions, HoldObservation } from './types.ts';
import { bool, listOf, optional, positive, range, record, whole, type Check } from '../shape.ts';
import { shareRange } from '../statistics/share-range.ts';
import type { Estimate } from '../statistics/estimate.ts';

/** What was asked of the hands on a day, and whether they held it. */
export interface HoldTrial extends HoldConditions {
  /** kg on both hands together. */
  readonly load: number;
  /** s that were asked. */
  readonly seconds: number;
  readonly held: boolean;
  /** s until the slip, or until it was ended on purpose. */
  readonly lasted: number;
  readonly slipped: boolean;
  /** Days before today. */
  readonly ageDays: number;
  /** Trials alike in all of this. Default 1. */
  readonly times?: number;
}

/** What was said beforehand against what happened, as sums: those of several lifters add up. */
export interface BackTestTally {
  /** Weeks at whose end something was foretold that has happened since. */
  readonly weeks: number;
  /** Trials foretold; one that several weeks foretold counts once. */
  readonly trials: number;
  /** By the tenth of the chance that was said: trials, the sum of the chances, and how many were held. */
  readonly tenths: readonly { readonly count: number; readonly said: number; readonly held: number }[];
  /** Σ said · (1 − said): how far chance alone may part what was said from what happened. */
  readonly variance: number;
  /** Σ (said − held)², and the same where the share that the lifter held until then had been said of every trial. */
  readonly brier: number;
  readonly usual: number;
  /** Trials by how much of their foretold time they lasted, in twentieths: those that slipped there, and those ended there. */
  readonly slips: readonly number[];
  readonly stops: readonly number[];
}

/** What a back-test says: how far the chances can be trusted. */
export interface BackTestReading {
  readonly weeks: number;
  readonly trials: number;
  /** Each tenth of the chance in which anything was said: the mean that was said, and the share that was held. */
  readonly tenths: readonly { readonly said: number; readonly held: Estimate; readonly trials: number }[];
  /** Mean squared error of the chances; 0 is perfect, 0.25 what a coin says. */
  readonly brier: number;
  /** The same of always saying the share that the lifter held until then. */
  readonly usual: number;
  /** Share that slipped sooner than the curve said one in ten would: 0.1 where it is right; null where too few tell. */
  readonly early: number | null;
  /** Share that ended inside the 80 % range of their time; null where too few were held so long that it shows. */
  readonly coverage: number | null;
  readonly said: number;
  readonly held: number;
  /**
   * `tooFew` to judge; `hopeful` where fewer were held than said, and `cautious` where more were, by more than chance;
   * else `sound`.
   */
  readonly verdict: 'tooFew' | 'hopeful' | 'cautious' | 'sound';
}

/** Days ahead that each week foretells. */
const AHEAD_DAYS = 28;
/** The scales are searched anew every fourth week: they change slowly, and a search costs ten fits. */
const SEARCH_EVERY = 4;
const MOST_WEEKS = 104;
/** Bins of the foretold time; 2 of 20 are a tenth. */
const BINS = 20;
/** Trials from which a judgement is worth saying. */
export const BACK_TEST_ENOUGH = 20;
/** Trials that have to reach the upper tenth of their time before a coverage is told. */
const REACHING = 8;
/** Standard errors past which what happened is called another thing than what was said: 1 in 20. */
const BEYOND_CHANCE = 1.96;

const trialsCheck: Check = listOf(
  record<Pick<HoldTrial, 'load' | 'seconds' | 'held' | 'lasted' | 'slipped' | 'ageDays' | 'times'>>({
    load: positive(MAX_HOLD_LOAD),
    seconds: positive(MAX_HOLD_SECONDS),
    held: bool,
    lasted: positive(MAX_HOLD_SECONDS),
    slipped: bool,
    ageDays: range(0, 36_525),
    times: optional(whole(1, 1e6)),
  }),
);
const sums: Check = range(0, 1e9);
const tallyCheck: Check = record<BackTestTally>({
  weeks: sums,
  trials: sums,
  tenths: listOf(record({ count: sums, said: sums, held: sums }), 10),
  variance: sums,
  brier: sums,
  usual: sums,
  slips: listOf(sums, BINS),
  stops: listOf(sums, BINS),
});

/**
 * What the curve known at the end of each past week said of the next four weeks, against what happened then. Nothing that was
 * logged later has a say in what is foretold. A trial that several weeks foretold counts once, shared among them.
 * @param options as of {@link fitMovingCurve}; `scales` are found from what was known then.
 * @param weeks how far back, 1–104.
 * @throws InvalidInputError naming the row, trial or option that cannot be used.
 * @example
 * backTest([{ load: 140, seconds: 9, ended: 'slipped', ageDays: 20 }], [{ load: 120, seconds: 10, held: true, lasted: 10, slipped: false, ageDays: 3 }], { referenceLoad: 126 }, 8).trials
 * // 1
 */
export function backTest(
  observations: readonly HoldObservation[],
  trials: readonly HoldTrial[],
  options: Omit<FitOptions, 'prior' | 'scales' | 'underWay'>,
  weeks: number,
): BackTestTally {
  whole(1, MOST_WEEKS)('weeks', weeks);
  trialsCheck('trials', trials);
  readOptions(options);
  checkObservations(observations);
  const origins: { readonly ago: number; readonly ahead: readonly HoldTrial[] }[] = [];
  for (let week = weeks; week >= 1; week--) {
    const ago = 7 * week;
    const ahead = trials.filter(({ ageDays }) => ageDays < ago && ageDays >= ago - AHEAD_DAYS);
    if (ahead.length > 0 && observations.some(({ ageDays = 0, best }) => ageDays >= ago && !best))
      origins.push({ ago, ahead });
  }
  const foretold = new Map<HoldTrial, number>();
  for (const { ahead } of origins)
    for (const trial of ahead) foretold.set(trial, (foretold.get(trial) ?? 0) + 1);
  const tally = emptyTally();
  let scales: CurveScales | undefined;
  origins.forEach(({ ago, ahead }, i) => {
    const known = observations
      .filter(({ ageDays = 0 }) => ageDays >= ago)
      .map((each) => ({ ...each, ageDays: (each.ageDays ?? 0) - ago }));
    if (i % SEARCH_EVERY === 0) scales = undefined;
    const moving = fitMovingCurve(known, { ...options, ...(scales && { scales }) });
    scales = moving.fit.scales;
    const usual = shareHeld(trials.filter(({ ageDays }) => ageDays >= ago));
    addForetold(tally, moving, ago, usual, ahead, (trial) => (trial.times ?? 1) / foretold.get(trial)!);
  });
  return { ...tally, weeks: origins.length };
}

type Sums = {
  -readonly [Key in keyof Omit<BackTestTally, 'tenths' | 'slips' | 'stops'>]: number;
} & {
  readonly tenths: { count: number; said: number; held: number }[];
  readonly slips: number[];
  readonly stops: number[];
};

const emptyTally = (): Sums => ({
  ...{ weeks: 0, trials: 0, variance: 0, brier: 0, usual: 0 },
  tenths: Array.from({ length: 10 }, () => ({ count: 0, said: 0, held: 0 })),
  slips: Array<number>(BINS).fill(0),
  stops: Array<number>(BINS).fill(0),
});

function addForetold(
  tally: Sums,
  moving: MovingCurve,
  ago: number,
  usual: number,
  ahead: readonly HoldTrial[],
  weigh: (trial: HoldTrial) => number,
): void {
  const curves = new Map<number, ReturnType<typeof curveOn>>();
  for (const trial of ahead) {
    const curve = curves.get(trial.ageDays) ?? curveOn(moving, trial.ageDays - ago);
    curves.set(trial.ageDays, curve);
    const weight = weigh(trial);
    const said = holdProbability(curve, trial);
    const held = trial.held ? 1 : 0;
    const tenth = tally.tenths[Math.min(9, Math.floor(10 * said))]!;
    tenth.count += weight;
    tenth.said += weight * said;
    tenth.held += weight * held;
    tally.trials += weight;
    tally.variance += weight * said * (1 - said);
    tally.brier += weight * (said - held) ** 2;
    tally.usual += weight * (usual - held) ** 2;
    const reached = 1 - holdProbability(curve, { ...trial, seconds: trial.lasted });
    const bin = Math.min(BINS - 1, Math.floor(BINS * reached));
    (trial.slipped ? tally.slips : tally.stops)[bin]! += weight;
  }
}

/** With nothing known, even. */
function shareHeld(trials: readonly HoldTrial[]): number {
  const count = (some: readonly HoldTrial[]): number =>
    some.reduce((sum, each) => sum + (each.times ?? 1), 0);
  return (count(trials.filter((each) => each.held)) + 1) / (count(trials) + 2);
}

/**
 * The back-tests of several lifters as one.
 * @throws InvalidInputError for something that is no back-test.
 * @example addBackTests([]).trials // 0
 */
export function addBackTests(tallies: readonly BackTestTally[]): BackTestTally {
  listOf(tallyCheck, 100_000)('tallies', tallies);
  const sum = emptyTally();
  for (const each of tallies) {
    for (const name of ['weeks', 'trials', 'variance', 'brier', 'usual'] as const) sum[name] += each[name];
    each.tenths.forEach(({ count, said, held }, i) => {
      sum.tenths[i]!.count += count;
      sum.tenths[i]!.said += said;
      sum.tenths[i]!.held += held;
    });
    each.slips.forEach((count, i) => (sum.slips[i]! += count));
    each.stops.forEach((count, i) => (sum.stops[i]! += count));
  }
  return sum;
}

/**
 * Reads a back-test: reliability by tenths of what was said (with 80 % ranges of what was held), the Brier score against the
 * lifter's own usual share, and how often the 80 % range of a time held the time. Holds ended on purpose are counted as far
 * as they went (Kaplan and Meier's estimate).
 * @throws InvalidInputError for something that is no back-test.
 * @example readBackTest(addBackTests([])).verdict // 'tooFew'
 */
export function readBackTest(tally: BackTestTally): BackTestReading {
  tallyCheck('tally', tally);
  const { weeks, trials, tenths, variance } = tally;
  const mean = (sum: number): number => (trials > 0 ? sum / trials : 0);
  const [said, held] = [total(tenths, 'said'), total(tenths, 'held')];
  const beyond = (held - said) / Math.sqrt(Math.max(variance, 0.25));
  return {
    ...{ weeks, trials: Math.round(trials) },
    tenths: tenths
      .filter((each) => Math.round(each.count) > 0)
      .map(({ count, said: sum, held: kept }) => {
        const of = Math.round(count);
        const range = shareRange(Math.min(of, Math.round(kept)), of);
        return { said: sum / count, held: { ...range, value: kept / count }, trials: of };
      }),
    ...{ brier: mean(tally.brier), usual: mean(tally.usual), ...timesOf(tally) },
    ...{ said: mean(said), held: mean(held) },
    verdict:
      trials < BACK_TEST_ENOUGH
        ? 'tooFew'
        : Math.abs(beyond) < BEYOND_CHANCE
          ? 'sound'
          : beyond < 0
            ? 'hopeful'
            : 'cautious',
  };
}

const total = (tenths: BackTestTally['tenths'], name: 'said' | 'held'): number =>
  tenths.reduce((sum, each) => sum + each[name], 0);

/** Kaplan and Meier's estimate on the foretold scale, read at its first and its last tenth. */
function timesOf({ slips, stops }: BackTestTally): { early: number | null; coverage: number | null } {
  let atRisk = [...slips, ...stops].reduce((sum, each) => sum + each, 0);
  let surviving = 1;
  let early: number | null = null;
  for (let bin = 0; bin < BINS; bin++) {
    if (bin === BINS / 10) early = 1 - surviving;
    if (bin === BINS - BINS / 10) return { early, coverage: 1 - early! - surviving };
    if (atRisk < REACHING) break;
    surviving *= 1 - slips[bin]! / atRisk;
    // Those ended on purpose within a bin are taken as ended at its end.
    atRisk -= slips[bin]! + stops[bin]!;
  }
  return { early, coverage: null };
}
