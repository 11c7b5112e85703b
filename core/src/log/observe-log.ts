import type { ChalkKind, CurveFamily, Ending, Grip, HandsOn, HoldObservation } from '../clasp-curve/types.ts';
import { CHALK_KINDS, CURVE_FAMILIES, GRIPS, HANDS_ON } from '../clasp-curve/types.ts';
import { checkOneOf } from '../check.ts';
import type { Handle } from '../calls/types.ts';
import { HOLD_ENDINGS, type HoldEnding } from '../hold-prescriptions/hold-endings.ts';
import { HANDLE_MM } from '../set-demand/lift-families.ts';
import type { Lift } from '../set-demand/lift.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { REP_STYLES, setDemand, type RepStyle } from '../set-demand/set-demand.ts';
import { observeSet } from '../set-demand/set-observation.ts';
import { bool, listOf, oneOf, optional, positive, range, record, whole, type Check } from '../shape.ts';

/** A logged set, as far as it tells about the hands. Loads kg as the lift is written, times s, diameters mm. */
export interface LoggedSetFacts {
  readonly liftId: string;
  readonly load: number;
  readonly reps: number;
  readonly style: RepStyle;
  /** Where the set was timed, else null. */
  readonly seconds: number | null;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly chalk: ChalkKind;
  /** Of what the hand closed on; see {@link closedOn}. */
  readonly diameter: number;
  /** The repetition during which the grip failed, or null. */
  readonly slippedAtRep: number | null;
  readonly hand?: HandsOn;
  readonly sweat?: boolean;
  /** Days before the day of the fit. Default 0. */
  readonly ageDays?: number;
  /** How many sets alike in all of this the row stands for. Default 1. */
  readonly times?: number;
}

/** A logged hold, as far as it tells about the hands. */
export interface LoggedHoldFacts {
  /** What was held: a carry of dumbbells is loaded otherwise than one of handles. */
  readonly liftId: string;
  readonly load: number;
  readonly seconds: number;
  readonly ended: HoldEnding;
  readonly grip: Grip;
  readonly chalk: ChalkKind;
  readonly diameter: number;
  /** Holds of the session before it. */
  readonly place: number;
  readonly sweat?: boolean;
  readonly ageDays?: number;
}

/** What was done, as it was logged, and who hung from it. */
export interface LoggedWork<SetRow = LoggedSetFacts, HoldRow = LoggedHoldFacts> {
  readonly sets: readonly SetRow[];
  readonly holds: readonly HoldRow[];
  /** kg; null where nobody has said: then hangs tell nothing. */
  readonly bodyMass: number | null;
}

/** An observation with the row that it comes from. */
export type Observed<Row> = HoldObservation & { readonly of: Row };

const setCheck: Check = record<LoggedSetFacts>({
  liftId: (field, value) => void liftOf(value as string, field),
  load: range(0, 2000),
  reps: whole(1, 100),
  style: oneOf(REP_STYLES),
  seconds: orNull(positive(3600)),
  grip: oneOf(GRIPS),
  strapped: bool,
  chalk: oneOf(CHALK_KINDS),
  diameter: range(5, 200),
  slippedAtRep: orNull(whole(1, 100)),
  hand: optional(oneOf(HANDS_ON)),
  sweat: optional(bool),
  ageDays: optional(range(0, 36525)),
  times: optional(whole(1, 1e6)),
});

const holdCheck: Check = record<LoggedHoldFacts>({
  liftId: (field, value) => void liftOf(value as string, field),
  load: range(0, 2000),
  seconds: range(0, 3600),
  ended: oneOf(HOLD_ENDINGS),
  grip: oneOf(GRIPS),
  chalk: oneOf(CHALK_KINDS),
  diameter: range(5, 200),
  place: whole(0, 1000),
  sweat: optional(bool),
  ageDays: optional(range(0, 36525)),
});

const workCheck: Check = record<LoggedWork>({
  sets: listOf(setCheck, 1e6),
  holds: listOf(holdCheck, 1e6),
  bodyMass: orNull(positive(400)),
});

function orNull(check: Check): Check {
  return (field, value) => (value === null ? undefined : check(field, value));
}

/**
 * What a log tells about the hands: the one reading of logged sets and holds, on the server and on a device alike. A
 * strapped set, a press, and a hang of an unknown body tell nothing and are left out. Each observation comes with its row.
 * @param family the clasp curve that is asked: what hangs from bars and handles, or what is pinched.
 * @throws InvalidInputError naming the row and field that cannot be used.
 * @example
 * observeLog({ sets: [], holds: [{ liftId: 'carry.dumbbells', load: 40, seconds: 30, ended: 'stopped', grip: 'doubleOverhand', chalk: 'block', diameter: 30, place: 0 }], bodyMass: null }, 'support')[0].load
 * // 88
 */
export function observeLog<SetRow extends LoggedSetFacts, HoldRow extends LoggedHoldFacts>(
  work: LoggedWork<SetRow, HoldRow>,
  family: CurveFamily,
): Observed<SetRow | HoldRow>[] {
  workCheck('', work);
  checkOneOf('family', family, CURVE_FAMILIES);
  const { sets, holds, bodyMass } = work;
  const found: Observed<SetRow | HoldRow>[] = [];
  for (const hold of holds) {
    // What was never lifted says nothing of the hands.
    if (hold.ended === 'notLifted' || hold.seconds <= 0) continue;
    const lift = liftOf(hold.liftId);
    if (lift.curve !== family || hangsUnknown(lift, bodyMass)) continue;
    found.push({ ...observedHold({ ...hold, ended: hold.ended }, lift, bodyMass), of: hold });
  }
  for (const set of sets) {
    const lift = liftOf(set.liftId);
    if (set.strapped || lift.curve !== family || hangsUnknown(lift, bodyMass)) continue;
    found.push({ ...observedSet(set, lift, bodyMass), of: set });
  }
  return found;
}

/**
 * Diameter of what the hand closes on, mm: what the line puts on the bar, else the lift's own handle or axle, else the
 * venue's bar.
 * @throws InvalidInputError for an unknown lift.
 * @example closedOn('carry.handles', 29) // 32
 * @example closedOn('deadlift.conventional', 29) // 29
 * @example closedOn('row.barbell', 29, 'thick') // 50
 */
export function closedOn(liftId: string, barDiameter: number, handle?: Handle | null): number {
  const lift = liftOf(liftId);
  return handle ? HANDLE_MM[handle] : (lift.diameter ?? barDiameter);
}

const hangsUnknown = (lift: Lift, bodyMass: number | null): boolean =>
  lift.loadMeans === 'addedToBody' && bodyMass === null;

function observedHold(
  hold: LoggedHoldFacts & { readonly ended: Ending },
  lift: Lift,
  bodyMass: number | null,
): HoldObservation {
  const { load, seconds, ended, grip, chalk, diameter, place, sweat, ageDays } = hold;
  const onHands = setDemand({ lift, reps: 1, seconds, load, ...(bodyMass !== null && { bodyMass }) }).load;
  return {
    ...{ load: onHands, seconds, ended, grip, chalk, earlierHolds: place, position: lift.position },
    // A pinched plate has a width, not a diameter.
    ...(lift.curve === 'support' && { diameter }),
    ...(sweat && { sweat }),
    ageDays: ageDays ?? 0,
  };
}

function observedSet(set: LoggedSetFacts, lift: Lift, bodyMass: number | null): HoldObservation {
  const { load, reps, style, seconds, grip, chalk, diameter, slippedAtRep, hand, ageDays, times } = set;
  const observed = observeSet({
    ...{ lift: lift.id, load, reps, style, grip, strapped: false, chalk, ageDays: ageDays ?? 0 },
    ...(lift.curve === 'support' && { diameter }),
    ...(seconds !== null && { seconds }),
    ...(slippedAtRep !== null && { slippedAtRep }),
    ...(bodyMass !== null && { bodyMass }),
    ...(hand && { hand }),
  })!;
  return { ...observed, ...(set.sweat && { sweat: true }), ...(times !== undefined && { times }) };
}
