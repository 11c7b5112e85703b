import { findScales } from '../moving-level/find-scales.ts';
import { followingModes } from '../moving-level/following-modes.ts';
import {
  ENOUGH_FOR_EVIDENCE,
  levelMode,
  type LevelLikelihood,
  type LevelProblem,
} from '../moving-level/level-mode.ts';
import { levelToday } from '../moving-level/level-today.ts';
import type { GaussianPrior } from '../statistics/posterior.ts';

/** Trials of one hand on one day. */
export interface HandTest {
  /** Days before the day that is asked about. */
  readonly ageDays: number;
  /** kgf. */
  readonly trials: readonly number[];
}

/** What a coming score is expected to be, on ln kgf. */
export interface ExpectedScore {
  readonly mean: number;
  /** Standard deviation of a mean of so many trials: level, day and trials together. */
  readonly sd: number;
  /** Part of it that several tests of one hand share: the doubt about the level. */
  readonly levelSd: number;
}

/** ln 1.5: a spread that may be half as much again, or a third less. */
const HALF_AGAIN = Math.log(1.5);
/** Scatter of trials within a sitting, shares of force. */
const LOG_TRIAL_PRIOR: GaussianPrior = { mean: Math.log(0.03), sd: HALF_AGAIN };
/** What the hand moves in a week, shares of force. */
const LOG_WALK_PRIOR: GaussianPrior = { mean: Math.log(0.007), sd: HALF_AGAIN };
/**
 * What a day differs from the next, shares of force. Wider than the others: with half again, hands whose days vary by 6 % were
 * called changed 9 times in 100 instead of 7.
 */
const LOG_DAY_PRIOR: GaussianPrior = { mean: Math.log(0.035), sd: 0.7 };
/** Steady gain or loss a week. */
const DRIFT_PRIOR: GaussianPrior = { mean: 0, sd: 0.003 };
/** What a hand squeezes, ln kgf, before it was ever tested: 20 to 100 kgf. */
const FIRST_LEVEL: GaussianPrior = { mean: Math.log(45), sd: 0.5 };
/** Tests that are looked back on: older ones say nothing of this season's hand. */
const MOST_TESTS = 40;

/**
 * What a hand's next test is expected to show: a level that walks and drifts from test to test, better and worse days, and
 * trials that scatter within a sitting, all on ln force. How much of each is found from the tests themselves.
 * @param tests earlier tests of one protocol, at least one, in any order.
 * @param trials how many trials the coming score is the mean of.
 */
export function expectedScore(tests: readonly HandTest[], trials: number): ExpectedScore {
  return scoreForecast(tests)(0, trials);
}

/**
 * The same for any later day: the tests are searched once.
 * @returns the score expected so many days later, as a mean of so many trials.
 */
export function scoreForecast(
  tests: readonly HandTest[],
): (daysLater: number, trials: number) => ExpectedScore {
  const past = [...tests].sort((a, b) => b.ageDays - a.ageDays).slice(-MOST_TESTS);
  const ages = [...new Set(past.map((test) => test.ageDays))];
  const days = ages.map((age) =>
    sitting(past.filter((test) => test.ageDays === age).flatMap((test) => test.trials)),
  );
  const problem: LevelProblem = {
    weeks: Float64Array.from(ages, (age) => (ages[0]! - age) / 7),
    dayOf: Int32Array.from(days, (_, day) => day),
    design: {
      starts: new Int32Array(days.length + 1),
      columns: new Uint8Array(0),
      values: new Float64Array(0),
    },
    firstLevel: FIRST_LEVEL,
    drift: DRIFT_PRIOR,
    terms: [],
  };
  const modeAt = followingModes((logs, start) => {
    const [sigma, tau, omega] = logs.map(Math.exp) as [number, number, number];
    const precision = 1 / (sigma * sigma);
    const likelihood: LevelLikelihood = (eta, slope, curvature) =>
      days.reduce((value, { count, mean, spread }, day) => {
        const miss = mean - eta[day]!;
        slope[day] = count * precision * miss;
        curvature[day] = -count * precision;
        return value - 0.5 * precision * (count * miss * miss + spread) - count * Math.log(sigma);
      }, 0);
    return levelMode(problem, { tau, omega }, likelihood, start, ENOUGH_FOR_EVIDENCE);
  });
  const { points } = findScales(
    (logs) => modeAt(logs).evidence,
    [LOG_TRIAL_PRIOR, LOG_WALK_PRIOR, LOG_DAY_PRIOR],
  );
  const modes = points().map(({ logs, weight }) => ({ logs, weight, mode: modeAt(logs) }));
  return (daysLater, trials) => {
    const each = modes.map(({ logs, weight, mode }) => {
      const [sigma, tau, omega] = logs.map(Math.exp) as [number, number, number];
      const { mean, variance } = levelToday(mode, ages.at(-1)! + daysLater, tau);
      return { weight, mean, level: variance, own: omega * omega + (sigma * sigma) / trials };
    });
    const over = (of: (one: (typeof each)[number]) => number): number =>
      each.reduce((sum, one) => sum + one.weight * of(one), 0);
    const mean = over((one) => one.mean);
    const level = over((one) => one.level + (one.mean - mean) ** 2);
    return { mean, sd: Math.sqrt(level + over((one) => one.own)), levelSd: Math.sqrt(level) };
  };
}

/** The trials of one day, as far as a Gaussian likelihood reads them: number, mean and squared spread of ln force. */
function sitting(trials: readonly number[]): { count: number; mean: number; spread: number } {
  const logs = trials.map(Math.log);
  const mean = logs.reduce((sum, each) => sum + each, 0) / logs.length;
  return { count: logs.length, mean, spread: logs.reduce((sum, each) => sum + (each - mean) ** 2, 0) };
}
