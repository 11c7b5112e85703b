import { findScales } from '../moving-level/find-scales.ts';
import {
  ENOUGH_FOR_EVIDENCE,
  levelMode,
  type LevelLikelihood,
  type LevelMode,
  type LevelProblem,
} from '../moving-level/level-mode.ts';
import { levelToday } from '../moving-level/level-today.ts';
import { logDensity, logSurvival } from '../statistics/normal.ts';
import type { GaussianPrior } from '../statistics/posterior.ts';
import { sparseDesign } from '../statistics/sparse-design.ts';

/** Attempts as a fit takes them, in flat arrays. */
export interface LadderRows {
  readonly ages: readonly number[];
  /** Terms a row, row after row. */
  readonly design: Float64Array;
  readonly closed: Uint8Array;
  readonly weight: Float64Array;
}

/** Terms as they stand on the day of the fit. */
export interface LadderToday {
  readonly terms: readonly number[];
  readonly covariance: readonly (readonly number[])[];
  /** False where the slope stands on its floor. */
  readonly inside: boolean;
}

/** What the ladder moves in a week, in probits: about half a percent of resistance. */
const LOG_WALK_PRIOR: GaussianPrior = { mean: Math.log(0.04), sd: 0.7 };
/** What a day differs from the next, in probits: about two percent of resistance. */
const LOG_DAY_PRIOR: GaussianPrior = { mean: Math.log(0.15), sd: 0.7 };
/** Steady gain or loss a week, in probits: half a percent of resistance either way. */
const DRIFT_PRIOR: GaussianPrior = { mean: 0, sd: 0.04 };
/** The level of the first day is what the hands' own terms say: it is there to be moved from. */
const FIRST_LEVEL: GaussianPrior = { mean: 0, sd: 0.01 };

/**
 * Probit regression whose level moves from day to day, both hands together: the terms of the hands are read on the day of the
 * fit. What was tried on that day has no say in how much the level moves.
 * @param priors of each term; the hands' are the first ones, see `hands`.
 * @param hands places of the terms that the level is added to.
 * @param slope place of the slope, which stays below `flattest`.
 */
export function movingLadder(
  rows: LadderRows,
  priors: readonly GaussianPrior[],
  { hands, slope, flattest }: { hands: readonly number[]; slope: number; flattest: number },
): LadderToday {
  const size = priors.length;
  const ages = [...new Set(rows.ages)].sort((a, b) => b - a);
  if (ages.length === 0) ages.push(0);
  // The floor of a term holds from below; the slope falls, so that its negative is the term.
  const design = rows.design.map((x, i) => (i % size === slope ? -x : x));
  const problem: LevelProblem = {
    weeks: Float64Array.from(ages, (age) => (ages[0]! - age) / 7),
    dayOf: Int32Array.from(rows.ages, (age) => ages.indexOf(age)),
    design: sparseDesign(design, size),
    firstLevel: FIRST_LEVEL,
    drift: DRIFT_PRIOR,
    terms: priors.map((prior, j) => (j === slope ? { ...prior, mean: -prior.mean } : prior)),
    floor: { term: slope, at: -flattest },
  };
  const likelihood: LevelLikelihood = (eta, slope, curvature) => {
    let value = 0;
    for (let row = 0; row < eta.length; row++) {
      const sign = rows.closed[row] ? 1 : -1;
      const z = sign * eta[row]!;
      const logChance = logSurvival(-z);
      const mills = Math.exp(logDensity(z) - logChance);
      const weight = rows.weight[row]!;
      value += weight * logChance;
      slope[row] = weight * sign * mills;
      curvature[row] = -weight * mills * (mills + z);
    }
    return value;
  };
  let start: Float64Array | undefined;
  const modeAt = (logs: readonly number[], enough?: number): LevelMode => {
    const [tau, omega] = logs.map(Math.exp) as [number, number];
    const mode = levelMode(problem, { tau, omega }, likelihood, start, enough);
    start = mode.x;
    return mode;
  };
  const { logs, points } = findScales(
    (at) => modeAt(at, ENOUGH_FOR_EVIDENCE).evidence,
    [LOG_WALK_PRIOR, LOG_DAY_PRIOR],
  );
  const best = modeAt(logs);
  const { x, inside } = best;
  const today = levelToday(best, ages.at(-1)!, Math.exp(logs[0]!));
  // Scales in doubt widen the level as far as the points about them say.
  const variance = points().reduce((sum, { logs: at, weight }) => {
    const there = levelToday(modeAt(at), ages.at(-1)!, Math.exp(at[0]!));
    return sum + weight * (there.variance + (there.mean - today.mean) ** 2);
  }, 0);
  const doubt = Math.max(1, variance / today.variance);
  const { corner } = today.inverse;
  const edge = size + 1;
  const sign = (j: number): number => (j === slope ? -1 : 1);
  const isHand = (j: number): boolean => hands.includes(j);
  return {
    inside,
    terms: priors.map((_, j) => sign(j) * x[x.length - size + j]! + (isHand(j) ? today.mean : 0)),
    covariance: priors.map((_, j) =>
      priors.map((__, m) => {
        const own = sign(j) * sign(m) * corner[(1 + j) * edge + 1 + m]!;
        const withLevel =
          (isHand(j) ? sign(m) * today.withTerms[m]! : 0) + (isHand(m) ? sign(j) * today.withTerms[j]! : 0);
        return doubt * (own + withLevel + (isHand(j) && isHand(m) ? today.variance : 0));
      }),
    ),
  };
}
