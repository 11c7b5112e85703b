import { checkOneOf, checkPositive, checkWhole } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { findLift, type Lift } from './lifts.ts';

/** Touch-and-go keeps the hand loaded from the first repetition to the last; a reset puts the bar down between. */
export const REP_STYLES = ['touchAndGo', 'reset'] as const;
export type RepStyle = (typeof REP_STYLES)[number];

export interface SetForDemand {
  /** The lift, or its id in the catalogue. */
  readonly lift: Lift | string;
  /** Repetitions; ignored where the lift is timed. */
  readonly reps: number;
  /** Default `reset`; lifts that are continuous by nature ignore it. */
  readonly style?: RepStyle;
  /** Bar load, kg, on both hands together. */
  readonly load: number;
  /** A timed length, s: replaces the catalogue's figure (and is the set's length where the lift is timed). */
  readonly seconds?: number;
}

export interface SetDemand {
  /** Equivalent seconds of one still hold. */
  readonly seconds: number;
  /** Load on the hands, kg: the bar's times the lift's dynamic factor. */
  readonly load: number;
}

/** How much of each further repetition a reset leaves on the hand: most of the fatigue goes when the bar is put down. */
export const RESET_CARRY_OVER = 0.35;

/**
 * How long and how heavily a set works the hand.
 * @throws InvalidInputError for an unknown lift, a non-positive load, or repetitions outside 1–100.
 * @example setDemand({ lift: 'deadlift.conventional', reps: 5, style: 'reset', load: 140 }) // { seconds: 12, load: 147 }
 */
export function setDemand(set: SetForDemand): SetDemand {
  const lift = typeof set?.lift === 'string' ? findLift(set.lift) : set?.lift;
  if (!lift || typeof lift !== 'object')
    throw new InvalidInputError('lift', 'a lift of the catalogue', set?.lift);
  const load = checkPositive('load', set.load, 2000) * lift.dynamicFactor;
  if (set.seconds !== undefined) return { seconds: checkPositive('seconds', set.seconds, 3600), load };
  if (lift.timed) return { seconds: lift.secondsPerRep, load };
  const reps = checkWhole('reps', set.reps, 1, 100);
  const style = lift.continuous ? 'touchAndGo' : checkOneOf('style', set.style ?? 'reset', REP_STYLES);
  const factor = style === 'touchAndGo' ? reps : 1 + RESET_CARRY_OVER * (reps - 1);
  return { seconds: lift.secondsPerRep * factor, load };
}
