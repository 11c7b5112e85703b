import { invertArrow, type ArrowInverse } from './arrow-band.ts';
import { driftOver, type LevelMode } from './level-mode.ts';

/** A level carried on from the last day with rows. */
export interface LevelToday {
  readonly mean: number;
  readonly variance: number;
  /** Covariance with each fixed term. */
  readonly withTerms: readonly number[];
  /** Of the mode that it was read from. */
  readonly inverse: ArrowInverse;
}

/**
 * The level so many days after the last day with rows: the drift goes on for as long as it is believed, and the doubt grows.
 * @param tau standard deviation of the level's step over a week.
 */
export function levelToday({ x, factor }: LevelMode, ageDays: number, tau: number): LevelToday {
  const inverse = invertArrow(factor);
  const { size, edge } = factor;
  const last = size - 2;
  const weeks = ageDays / 7;
  const share = driftOver(weeks);
  return {
    inverse,
    mean: x[last]! + share * x[size]!,
    variance:
      inverse.diagonal[last]! +
      2 * share * inverse.border[last * edge]! +
      share * share * inverse.corner[0]! +
      tau * tau * weeks,
    withTerms: Array.from(
      { length: edge - 1 },
      (_, j) => inverse.border[last * edge + 1 + j]! + share * inverse.corner[1 + j]!,
    ),
  };
}
