import { checkOneOf } from '../check.ts';
import { optional, positive, record, whole, type Check } from '../shape.ts';
import { InvalidInputError } from '../errors.ts';
import { bestOverLoad } from '../set-line/rep-max.ts';
import { MAX_HOLD_LOAD } from './fit-hold-curve.ts';
import { PINCH_REFERENCE_SHARE_OF_DEADLIFT, REFERENCE_SHARE_OF_DEADLIFT } from './priors.ts';
import { CURVE_FAMILIES, type CurveFamily } from './types.ts';

/** What is known of how much a lifter pulls: the deadlift max, or else a recent heavy set. */
export interface PullKnown {
  /** kg. */
  readonly deadliftMax?: number;
  /** A recent heavy deadlift set: kg and repetitions, at most 10. */
  readonly heavySet?: { readonly load: number; readonly reps: number };
}

/** Repetitions past which a set says too little of a single. */
const MOST_REPS = 10;

const knownCheck: Check = record<PullKnown>({
  deadliftMax: optional(positive(MAX_HOLD_LOAD)),
  heavySet: optional(
    record<NonNullable<PullKnown['heavySet']>>({ load: positive(MAX_HOLD_LOAD), reps: whole(1, MOST_REPS) }),
  ),
});

/**
 * The deadlift max, kg: as known, else estimated from a recent heavy set, load·(1 + (reps − 1)/30).
 * Source: the linear repetition rule.
 * @throws InvalidInputError where neither is given, or a load is not above 0 or repetitions lie outside 1–10.
 * @example deadliftMaxFrom({ heavySet: { load: 150, reps: 4 } }) // 165
 */
export function deadliftMaxFrom(known: PullKnown): number {
  knownCheck('', known);
  if (known.deadliftMax !== undefined) return known.deadliftMax;
  if (!known.heavySet)
    throw new InvalidInputError('deadliftMax', 'given, or a recent heavy set in its place', undefined);
  const { load, reps } = known.heavySet;
  return load * bestOverLoad(reps);
}

/**
 * The load at which a clasp curve is read, kg on both hands: what a trained double-overhand hand holds for about ten
 * seconds, 0.70 of the deadlift max (for a pinch 0.25). Only a starting point: the lifter's log moves the curve.
 * @throws InvalidInputError as {@link deadliftMaxFrom} does, or for an unknown family.
 * @example referenceLoadFrom({ deadliftMax: 180 }) // 126
 */
export function referenceLoadFrom(known: PullKnown, family: CurveFamily = 'support'): number {
  checkOneOf('family', family, CURVE_FAMILIES);
  const share = family === 'support' ? REFERENCE_SHARE_OF_DEADLIFT : PINCH_REFERENCE_SHARE_OF_DEADLIFT;
  return share * deadliftMaxFrom(known);
}
