import { checkWhole } from '../check.ts';
import { bool, oneOf, optional, positive, range, record, whole, type Check } from '../shape.ts';
import {
  CHALK_KINDS,
  GRIPS,
  HANDS_ON,
  type ChalkKind,
  type Grip,
  type HandsOn,
  type HoldObservation,
} from '../clasp-curve/types.ts';
import { liftOf } from './lifts.ts';
import { REP_STYLES, setDemand, type RepStyle } from './set-demand.ts';

/** A lifting set as it was done. */
export interface DoneSet {
  readonly lift: string;
  /** The load as the lift means it, kg. */
  readonly load: number;
  readonly reps: number;
  readonly style?: RepStyle;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly chalk?: ChalkKind;
  /** Of what the hand closed on, mm; left out, the lift's own where it has one. */
  readonly diameter?: number;
  /** kg; for lifts that hang the body. */
  readonly bodyMass?: number;
  /** Which hand, where one works alone. */
  readonly hand?: HandsOn;
  /** The repetition during which the grip failed; left out where it did not. */
  readonly slippedAtRep?: number;
  /** s, where the set was timed. */
  readonly seconds?: number;
  readonly ageDays?: number;
}

const doneCheck: Check = record<DoneSet>({
  lift: (field, value) => void liftOf(value as string, field),
  load: range(0, 2000),
  reps: whole(1, 100),
  style: optional(oneOf(REP_STYLES)),
  grip: oneOf(GRIPS),
  strapped: bool,
  chalk: optional(oneOf(CHALK_KINDS)),
  diameter: optional(range(5, 200)),
  bodyMass: optional(positive(400)),
  hand: optional(oneOf(HANDS_ON)),
  slippedAtRep: optional(whole(1, 100)),
  seconds: optional(positive(3600)),
  ageDays: optional(range(0, 36525)),
});

/**
 * What a lifting set tells about the hands: a hold as long as its demand, ended by a slip or on purpose. A slip in a
 * repetition lies somewhere within it. Undefined where it tells nothing: strapped, or not hanging from the hands.
 * The lift's `curve` says which clasp curve it belongs to.
 * @throws InvalidInputError for an unknown lift or a slip outside the set's repetitions.
 * @example
 * observeSet({ lift: 'deadlift.conventional', load: 200, reps: 1, grip: 'hook', strapped: false })
 * // { load: 210, seconds: 5, ended: 'stopped', grip: 'hook' }
 */
export function observeSet(set: DoneSet): HoldObservation | undefined {
  const lift = liftOf(set?.lift);
  doneCheck('', set);
  if (set.strapped || lift.curve === null) return undefined;
  const whole = setDemand(set);
  const { slippedAtRep } = set;
  const observed: { -readonly [Key in keyof HoldObservation]: HoldObservation[Key] } = {
    load: whole.load,
    seconds: whole.seconds,
    ended: slippedAtRep === undefined ? 'stopped' : 'slipped',
    grip: set.grip,
  };
  if (slippedAtRep !== undefined && set.seconds === undefined) {
    const within = slipWithin(set, slippedAtRep);
    observed.within = within;
    observed.seconds = (within[0] + within[1]) / 2;
  }
  if (lift.position !== 'front') observed.position = lift.position;
  if (set.chalk) observed.chalk = set.chalk;
  const diameter = set.diameter ?? lift.diameter;
  if (diameter) observed.diameter = diameter;
  if (set.hand && set.hand !== 'both') observed.hand = set.hand;
  if (set.ageDays !== undefined) observed.ageDays = set.ageDays;
  return observed;
}

/** The seconds between which a slip in this repetition lies: from the end of the last one that held to its own end. */
function slipWithin(set: DoneSet, slippedAtRep: number): [number, number] {
  const at = checkWhole('slippedAtRep', slippedAtRep, 1, set.reps);
  const before = at === 1 ? 0 : setDemand({ ...set, reps: at - 1 }).seconds;
  return [before, setDemand({ ...set, reps: at }).seconds];
}
