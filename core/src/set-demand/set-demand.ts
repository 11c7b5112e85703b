import { checkOneOf, checkPositive, checkRange, checkWhole } from '../check.ts';
import type { Lift } from './lift.ts';
import { liftOf } from './lifts.ts';

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
  /** The load as the lift means it, kg: on the bar, in each hand, in the one hand, or added to the body. */
  readonly load: number;
  /** Mass of the lifter, kg: for lifts that hang the body. Left out, `load` is taken as all that hangs. */
  readonly bodyMass?: number;
  /** A timed length, s: replaces the catalogue's figure (and is the set's length where the lift is timed). */
  readonly seconds?: number;
}

export interface SetDemand {
  /** Equivalent seconds of one still hold. */
  readonly seconds: number;
  /** Load on both hands together, kg, with the lift's dynamic factor; a one-handed load counts double. */
  readonly load: number;
}

/** How much of each further repetition a reset leaves on the hand: most of the fatigue goes when the bar is put down. */
export const RESET_CARRY_OVER = 0.35;

/**
 * How long and how heavily a set works the hand.
 *
 * Touch-and-go repetitions add up; a reset unloads the hand, t·(1 + 0.35·(n − 1)); timed lifts are their seconds.
 * @throws InvalidInputError for an unknown lift, a non-positive load, or repetitions outside 1–100.
 * @example setDemand({ lift: 'deadlift.conventional', reps: 5, style: 'reset', load: 140 }) // { seconds: 12, load: 147 }
 * @example setDemand({ lift: 'hang.dead', reps: 1, load: 20, bodyMass: 80, seconds: 30 }) // { seconds: 30, load: 100 }
 * @example setDemand({ lift: 'deadlift.one-arm', reps: 1, load: 100 }) // { seconds: 5, load: 210 }
 */
export function setDemand(set: SetForDemand): SetDemand {
  const lift = liftOf(set?.lift);
  const load = loadOnHands(lift, set) * lift.dynamicFactor;
  if (set.seconds !== undefined) return { seconds: checkPositive('seconds', set.seconds, 3600), load };
  if (lift.timed) return { seconds: lift.secondsPerRep, load };
  const reps = checkWhole('reps', set.reps, 1, 100);
  const style = lift.continuous ? 'touchAndGo' : checkOneOf('style', set.style ?? 'reset', REP_STYLES);
  const factor = style === 'touchAndGo' ? reps : 1 + RESET_CARRY_OVER * (reps - 1);
  return { seconds: lift.secondsPerRep * factor, load };
}

const HEAVIEST = 2000;

function loadOnHands(lift: Lift, { load, bodyMass }: SetForDemand): number {
  if (lift.loadMeans === 'addedToBody' && bodyMass !== undefined) {
    return checkRange('load', load, 0, HEAVIEST) + checkPositive('bodyMass', bodyMass, 400);
  }
  // What hangs from no hand, as a band, may carry nothing.
  const carried =
    lift.curve === null ? checkRange('load', load, 0, HEAVIEST) : checkPositive('load', load, HEAVIEST);
  return carried * (lift.loadMeans === 'eachHand' || lift.loadMeans === 'oneHand' ? 2 : 1);
}

/**
 * The load to write for a wanted load on the hands: the inverse of {@link setDemand} in load, kg. Not below 0.
 * @throws InvalidInputError for an unknown lift or a load on the hands that is not above 0.
 * @example writtenLoad('deadlift.one-arm', 210) // 100
 */
export function writtenLoad(lift: Lift | string, onHands: number, bodyMass?: number): number {
  const found = liftOf(lift);
  const still = checkPositive('onHands', onHands, 1e9) / found.dynamicFactor;
  if (found.loadMeans === 'addedToBody' && bodyMass !== undefined) {
    return Math.max(0, still - checkPositive('bodyMass', bodyMass, 400));
  }
  return found.loadMeans === 'eachHand' || found.loadMeans === 'oneHand' ? still / 2 : still;
}
