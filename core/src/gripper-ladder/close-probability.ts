import { checkList, checkObject, checkOneOf, checkPositive, checkRange } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { SIDES, type Side } from '../hands/hand-state.ts';
import { aroundLog, EIGHTY_PERCENT, type Estimate } from '../statistics/estimate.ts';
import { normalCdf } from '../statistics/normal.ts';
import { MAX_RESISTANCE, REFERENCE_RESISTANCE } from './fit-gripper-ladder.ts';
import { GRIPPER_TERMS, START_DEPTHS } from './types.ts';
import type { GripperLadder, GripperTerm, StartDepth } from './types.ts';

export interface CloseQuestion {
  readonly hand: Side;
  /** Measured resistance, kg. */
  readonly resistance: number;
  /** Default `open`. */
  readonly depth?: StartDepth;
}

/** Asserts a ladder as {@link fitGripperLadder} makes it (it may have travelled as JSON since). */
export function checkLadder(ladder: GripperLadder, field = 'ladder'): void {
  checkObject(field, ladder);
  checkList(`${field}.terms`, ladder.terms, (term, name) => {
    checkOneOf(`${name}.name`, term?.name, GRIPPER_TERMS);
    checkRange(`${name}.value`, term.value, -1000, 1000);
  });
  const size = ladder.terms.length;
  checkList(`${field}.covariance`, ladder.covariance, (row, name) =>
    checkList(name, row, (cell, at) => checkRange(at, cell, -1e13, 1e13)),
  );
  if (ladder.covariance.length !== size || ladder.covariance.some((row) => row.length !== size))
    throw new InvalidInputError(`${field}.covariance`, `${size} rows of ${size} numbers`, ladder.covariance);
  if (!ladder.terms.some((term) => term.name === 'slope'))
    throw new InvalidInputError(`${field}.terms`, 'terms with a slope', ladder.terms);
}

/** Score xᵀθ and its variance for one question. */
function scoreOf(ladder: GripperLadder, question: CloseQuestion): { mean: number; variance: number } {
  checkLadder(ladder);
  const hand = checkOneOf('hand', question?.hand, SIDES);
  const depth = checkOneOf('depth', question.depth ?? 'open', START_DEPTHS);
  const l = Math.log(checkPositive('resistance', question.resistance, MAX_RESISTANCE) / REFERENCE_RESISTANCE);
  const row = rowOf(ladder, hand, depth, l);
  const mean = ladder.terms.reduce((sum, term, j) => sum + term.value * row[j]!, 0);
  return { mean, variance: quadratic(ladder.covariance, row) };
}

function rowOf(ladder: GripperLadder, hand: Side, depth: StartDepth, l: number): number[] {
  for (const needed of depth === 'open' ? [hand] : [hand, depth]) {
    if (!ladder.terms.some((term) => term.name === needed))
      throw new InvalidInputError(
        needed === hand ? 'hand' : 'depth',
        'one that this flat-prior ladder has attempts for',
        needed,
      );
  }
  const size: Record<GripperTerm, number> = {
    left: hand === 'left' ? 1 : 0,
    right: hand === 'right' ? 1 : 0,
    slope: l,
    parallel: depth === 'parallel' ? 1 : 0,
    deep: depth === 'deep' ? 1 : 0,
  };
  return ladder.terms.map((term) => size[term.name]);
}

function quadratic(matrix: readonly (readonly number[])[], row: readonly number[]): number {
  let sum = 0;
  for (let j = 0; j < row.length; j++)
    for (let m = 0; m < row.length; m++) sum += row[j]! * matrix[j]![m]! * row[m]!;
  return Math.max(0, sum);
}

/**
 * The chance that a hand closes a gripper: Φ(m/√(1 + v)), the doubt about the ladder included.
 * @throws InvalidInputError for something that is no ladder, an unknown hand or depth, or a resistance outside 0–300 kg.
 * @example closeProbability(fitGripperLadder([]), { hand: 'left', resistance: 50 }) // 0.5
 */
export function closeProbability(ladder: GripperLadder, question: CloseQuestion): number {
  const { mean, variance } = scoreOf(ladder, question);
  return normalCdf(mean / Math.sqrt(1 + variance));
}

/**
 * The range in which that chance itself lies four times in five, given how well the ladder is known.
 * @throws InvalidInputError as {@link closeProbability} does.
 * @example
 * closeProbabilityRange(fitGripperLadder([{ hand: 'left', resistance: 50, depth: 'open', closed: true }]), { hand: 'left', resistance: 40 })
 * // { low: 0.77, high: 1 }
 */
export function closeProbabilityRange(
  ladder: GripperLadder,
  question: CloseQuestion,
): { readonly low: number; readonly high: number } {
  const { mean, variance } = scoreOf(ladder, question);
  const reach = EIGHTY_PERCENT * Math.sqrt(variance);
  return { low: normalCdf(mean - reach), high: normalCdf(mean + reach) };
}

/** A slope flatter than this, either way, is none. */
const LEVEL = 1e-6;

/**
 * The resistance, kg, that a hand closes one time in two from the given start, with its 80 % interval (delta method on
 * its logarithm).
 * @throws InvalidInputError for something that is no ladder, or an unknown hand or depth.
 * @example halfChanceResistance(fitGripperLadder([]), 'left').value // 50
 */
export function halfChanceResistance(
  ladder: GripperLadder,
  hand: Side,
  depth: StartDepth = 'open',
): Estimate {
  checkLadder(ladder);
  checkOneOf('hand', hand, SIDES);
  checkOneOf('depth', depth, START_DEPTHS);
  const present = rowOf(ladder, hand, depth, 0);
  const level = ladder.terms.reduce((sum, term, j) => sum + term.value * present[j]!, 0);
  // A level flat-prior ladder says nothing of resistance: the clamps below then stand for that.
  const fitted = ladder.terms.find((term) => term.name === 'slope')!.value;
  const slope = Math.abs(fitted) < LEVEL ? -LEVEL : fitted;
  // ln R½ = −level/slope; its gradient is −1/slope on each present term and level/slope² on the slope.
  const gradient = ladder.terms.map((term, j) =>
    term.name === 'slope' ? level / (slope * slope) : -present[j]! / slope,
  );
  const logValue = Math.max(-20, Math.min(20, -level / slope));
  const sd = Math.min(20, Math.sqrt(quadratic(ladder.covariance, gradient)));
  return aroundLog(REFERENCE_RESISTANCE * Math.exp(logValue), sd);
}
