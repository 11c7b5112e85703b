import { checkOneOf } from '../check.ts';
import { RECENCY_HALF_LIFE_DAYS } from '../clasp-curve/priors.ts';
import { SIDES } from '../hands/hand-state.ts';
import { bool, listOf, oneOf, optional, positive, range, record, type Check } from '../shape.ts';
import { laplaceCovariance } from '../statistics/laplace.ts';
import { movingLadder } from './moving-ladder.ts';
import { maximise } from '../statistics/maximise.ts';
import type { GaussianPrior } from '../statistics/posterior.ts';
import { probitPosterior, type ProbitRows } from './probit.ts';
import { GRIPPER_TERMS, START_DEPTHS } from './types.ts';
import type { GripperAttempt, GripperLadder, GripperTerm } from './types.ts';

/** kg at which a hand's own term is read: the middle of a common ladder. */
export const REFERENCE_RESISTANCE = 50;
/** Strongest gripper that is taken for real, kg. */
export const MAX_RESISTANCE = 300;

/**
 * Working beliefs before the attempts have a say: a hand about as likely as not to close 50 kg, give or take half of it;
 * twice the resistance is nearly always the difference between closed and not; a parallel or deep start helps.
 */
export const GRIPPER_PRIORS: Readonly<Record<GripperTerm, GaussianPrior>> = {
  left: { mean: 0, sd: 4 },
  right: { mean: 0, sd: 4 },
  slope: { mean: -8, sd: 3 },
  parallel: { mean: 0.8, sd: 0.8 },
  deep: { mean: 1.5, sd: 1 },
};

/** A term with a standard error beyond 20 probits has not been fixed by the data: all closed, or all missed. */
const OPEN_VARIANCE = 400;

/** Flattest slope a ladder may have: resistance always matters. */
const FLATTEST_SLOPE = -0.5;

const attemptsCheck: Check = listOf(
  record<GripperAttempt>({
    hand: oneOf(SIDES),
    resistance: (field, value) => (value === null ? undefined : positive(MAX_RESISTANCE)(field, value)),
    depth: oneOf(START_DEPTHS),
    closed: bool,
    gapMm: optional(range(0, 150)),
    seconds: optional(range(0, 3600)),
    ageDays: optional(range(0, 36525)),
    weight: optional(range(0, 1e6)),
  }),
);

/**
 * Fits the gripper ladder: the chance that each hand closes a gripper of a measured resistance (kg) from a start depth.
 *
 * Probit regression with a term per hand at 50 kg, one slope on ln resistance for both, and a term for parallel and deep
 * starts. The level moves from day to day, both hands together, so that the ladder is that of the day of the fit; maximum a
 * posteriori by Newton's method with the exact Hessian, covariance from its inverse (Laplace). Any number of attempts, none
 * included, gives a usable ladder. With `prior: 'flat'` it stands still and equals probit maximum likelihood on the terms
 * that the attempts hold, older ones counting for less by a half-life of 42 days.
 * @throws InvalidInputError naming the attempt and field that cannot be used.
 * @example fitGripperLadder([{ hand: 'left', resistance: 54, depth: 'open', closed: true }]).evidence.closed // 1
 */
export function fitGripperLadder(
  attempts: readonly GripperAttempt[],
  options: { readonly prior?: 'default' | 'flat' } = {},
): GripperLadder {
  attemptsCheck('attempts', attempts);
  const prior = checkOneOf('options.prior', options?.prior ?? 'default', ['default', 'flat'] as const);
  const rated = attempts.filter(
    (each): each is GripperAttempt & { resistance: number } => each.resistance !== null,
  );
  const held = new Set<GripperTerm>([
    'slope',
    ...rated.map((each) => each.hand),
    ...rated.flatMap((each) => (each.depth === 'open' ? [] : [each.depth])),
  ]);
  const terms = prior === 'default' ? GRIPPER_TERMS : GRIPPER_TERMS.filter((term) => held.has(term));
  const rows = toRows(rated, terms);
  const { values, covariance, settled } = prior === 'default' ? moving(rated, rows) : still(rows, terms);
  return {
    terms: terms.map((name, j) => ({ name, value: values[j]! })),
    covariance,
    evidence: {
      attempts: rated.length,
      closed: rated.filter((each) => each.closed).length,
      unrated: attempts.length - rated.length,
      prior,
      settled: settled && terms.every((_, j) => covariance[j]![j]! < OPEN_VARIANCE),
    },
  };
}

interface Fitted {
  readonly values: readonly number[];
  readonly covariance: readonly (readonly number[])[];
  readonly settled: boolean;
}

/** The ladder of today, by attempts of all days. */
function moving(attempts: readonly GripperAttempt[], { design, happened }: ProbitRows): Fitted {
  const rows = {
    ...{ design, closed: happened, ages: attempts.map(({ ageDays = 0 }) => ageDays) },
    weight: Float64Array.from(attempts, ({ weight = 1 }) => weight),
  };
  const { terms, covariance, inside } = movingLadder(
    rows,
    GRIPPER_TERMS.map((term) => GRIPPER_PRIORS[term]),
    {
      hands: SIDES.map((side) => GRIPPER_TERMS.indexOf(side)),
      slope: GRIPPER_TERMS.indexOf('slope'),
      flattest: FLATTEST_SLOPE,
    },
  );
  return { values: terms, covariance, settled: inside };
}

/** Probit maximum likelihood, older attempts counting for less. */
function still(rows: ProbitRows, terms: readonly GripperTerm[]): Fitted {
  const start = Float64Array.from(terms, (term) => (term === 'slope' ? GRIPPER_PRIORS.slope.mean : 0));
  const bound = (value: number): Float64Array => new Float64Array(terms.length).fill(value);
  const best = maximise((theta) => probitPosterior(rows, theta, []), start, {
    lower: bound(-60),
    upper: bound(60),
  });
  const covariance = laplaceCovariance(best.at.hessian, terms.length, [], best.settled);
  return {
    values: Array.from(best.theta),
    covariance: covariance.matrix,
    settled: best.settled && covariance.exact,
  };
}

function toRows(
  attempts: readonly (GripperAttempt & { readonly resistance: number })[],
  terms: readonly GripperTerm[],
): ProbitRows {
  const size = terms.length;
  const design = new Float64Array(attempts.length * size);
  attempts.forEach(({ hand, resistance, depth }, i) =>
    terms.forEach((term, j) => {
      design[i * size + j] =
        term === 'slope'
          ? Math.log(resistance / REFERENCE_RESISTANCE)
          : term === hand || term === depth
            ? 1
            : 0;
    }),
  );
  return {
    terms: size,
    design,
    happened: Uint8Array.from(attempts, (each) => (each.closed ? 1 : 0)),
    weight: Float64Array.from(
      attempts,
      (each) => (each.weight ?? 1) * 2 ** (-(each.ageDays ?? 0) / RECENCY_HALF_LIFE_DAYS),
    ),
  };
}
