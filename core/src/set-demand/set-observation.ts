import { checkWhole } from '../check.ts';
import type { ChalkKind, Grip, HoldObservation } from '../clasp-curve/types.ts';
import { InvalidInputError } from '../errors.ts';
import { findLift } from './lifts.ts';
import { setDemand, type RepStyle } from './set-demand.ts';

/** A lifting set as it was done. */
export interface DoneSet {
  readonly lift: string;
  /** kg on the bar. */
  readonly load: number;
  readonly reps: number;
  readonly style?: RepStyle;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly chalk?: ChalkKind;
  /** mm. */
  readonly diameter?: number;
  /** The repetition during which the grip failed; left out where it did not. */
  readonly slippedAtRep?: number;
  /** s, where the set was timed. */
  readonly seconds?: number;
  readonly ageDays?: number;
}

/** A slip is taken to happen half-way through its repetition: the middle of what is not known. */
const SHARE_OF_SLIPPED_REP = 0.5;

/**
 * What a lifting set tells about the hands: a hold as long as its demand, ended by a slip or on purpose.
 * Undefined where it tells nothing: strapped, or not hanging from the hands.
 * @throws InvalidInputError for an unknown lift or a slip outside the set's repetitions.
 * @example observeSet({ lift: 'deadlift.conventional', load: 200, reps: 1, grip: 'hook', strapped: false })
 * // { load: 210, seconds: 5, ended: 'stopped', grip: 'hook' }
 */
export function observeSet(set: DoneSet): HoldObservation | undefined {
  const lift = findLift(set?.lift);
  if (!lift) throw new InvalidInputError('lift', 'a lift of the catalogue', set?.lift);
  if (set.strapped || !lift.grips) return undefined;
  const whole = setDemand(set);
  const { slippedAtRep } = set;
  const observed: { -readonly [Key in keyof HoldObservation]: HoldObservation[Key] } = {
    load: whole.load,
    seconds:
      slippedAtRep === undefined || set.seconds !== undefined
        ? whole.seconds
        : secondsUntil(set, slippedAtRep),
    ended: slippedAtRep === undefined ? 'stopped' : 'slipped',
    grip: set.grip,
  };
  if (set.chalk) observed.chalk = set.chalk;
  if (set.diameter) observed.diameter = set.diameter;
  if (set.ageDays !== undefined) observed.ageDays = set.ageDays;
  return observed;
}

function secondsUntil(set: DoneSet, slippedAtRep: number): number {
  const at = checkWhole('slippedAtRep', slippedAtRep, 1, set.reps);
  const through = setDemand({ ...set, reps: at }).seconds;
  const before = at === 1 ? 0 : setDemand({ ...set, reps: at - 1 }).seconds;
  return before + SHARE_OF_SLIPPED_REP * (through - before);
}
