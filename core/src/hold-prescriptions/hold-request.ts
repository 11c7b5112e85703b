import type { BarLoading } from '../bar-loading/load-bar.ts';
import {
  curveCheck,
  effortCheck,
  eventCheck,
  lifterCheck,
  schoolCheck,
  venueCheck,
} from '../calls/check-call.ts';
import type { EffortRule, School } from '../calls/school.ts';
import type { CallLifter, CallVenue, EventRules, Reason } from '../calls/types.ts';
import { GRIPS, type Grip, type HoldCurve } from '../clasp-curve/types.ts';
import { ledgerCheck, type MixedLedger } from '../hands/mixed-ledger.ts';
import type { Side } from '../hands/hand-state.ts';
import { LIMITS } from '../limits.ts';
import { listOf, once, oneOf, optional, positive, range, record, text, type Check } from '../shape.ts';
import { HOLD_ENDINGS } from './hold-endings.ts';
import { HOLD_AIMS, HOLD_KINDS, type HoldAim, type HoldKindId } from './hold-kinds.ts';
import { kitCheck, type HoldKit } from './hold-loads.ts';
import type { HoldPin, RackPins } from './hold-pins.ts';
import type { RampHold } from './hold-ramp.ts';
import type { HoldChange, HoldSession } from './progression.ts';

export interface HoldRequest {
  readonly kind: HoldKindId;
  /** The lifter's support curve; for plate pinch and hex holds their pinch curve. */
  readonly curve: HoldCurve;
  readonly school: School;
  readonly lifter: CallLifter;
  readonly venue: CallVenue;
  readonly event?: EventRules;
  readonly ledger?: MixedLedger;
  /** Earlier sessions of this hold, the latest first; only those with the grip prescribed now are compared. */
  readonly history: readonly HoldSession[];
  readonly equipment: HoldKit;
  /** The lift it is done as, where the kind leaves a choice (handles, frame, dumbbells, axle). */
  readonly lift?: string;
  /** What a behind-back hold is for. Default `events`. */
  readonly aim?: HoldAim;
  /** The coach's own effort rule in place of the kind's or the school's. */
  readonly effort?: EffortRule;
  /** Diameter of what the hand closes on, mm, where it is neither the venue's bar nor the lift's own. */
  readonly diameter?: number;
  /** kg; for hangs. */
  readonly bodyMass?: number;
  /** A coach may raise the ceiling on the load, kg as the lift is written. */
  readonly ceiling?: number;
  /** What the coach wants held one day: kg as the lift is written, and days to that day, below 0 once it is past. */
  readonly target?: { readonly load: number; readonly daysAway: number };
  /** The holes of the rack, for kinds that start from pins. */
  readonly pins?: RackPins;
  /** Days to the next meet. */
  readonly meet?: { readonly daysAway: number };
  readonly timing?: {
    /** Since the last hard hold. */
    readonly hoursSinceHardHold?: number;
    /** To the next heavy bare-handed deadlift. */
    readonly hoursToBareDeadlift?: number;
  };
}

export interface HoldPrescription {
  readonly kind: HoldKindId;
  readonly lift: string;
  /** Where the hold must not be done today; everything else then stands for what would have been. */
  readonly barred?: Reason;
  readonly sets: number;
  /** s. */
  readonly seconds: number;
  /** Repetitions, where the work is done in them; `seconds` is theirs added up. */
  readonly reps?: number;
  /** kg as the lift is written. */
  readonly load: number;
  readonly loading: BarLoading;
  readonly grip: Grip;
  readonly sideUnder?: Side;
  /** Chance that the last set reaches its seconds. */
  readonly probability: number;
  /** s: shortest and longest rest. */
  readonly rest: readonly [number, number];
  /** Of what the hand closes on, mm; left out for a pinch. */
  readonly diameter?: number;
  /** How it is set up: pin height for rack holds. */
  readonly pins: string;
  /** The pin it starts from, where one is known. */
  readonly pin?: HoldPin;
  /** Lighter holds before a heavy one, in order; they are not logged. */
  readonly ramp: readonly RampHold[];
  readonly effort: EffortRule;
  readonly change: HoldChange;
  readonly why: readonly Reason[];
  readonly cautions: readonly string[];
}

const pinHeight = range(LIMITS.pinHeight.min, LIMITS.pinHeight.max);

export const requestCheck: Check = record<HoldRequest>({
  kind: oneOf(HOLD_KINDS),
  curve: curveCheck,
  school: schoolCheck,
  lifter: lifterCheck,
  venue: venueCheck,
  event: optional(eventCheck),
  ledger: optional(ledgerCheck),
  history: once(
    listOf(
      record<HoldSession>({
        load: range(0, 2000),
        grip: oneOf(GRIPS),
        target: positive(3600),
        pin: optional(pinHeight),
        sets: listOf(
          record<HoldSession['sets'][number]>({ seconds: range(0, 3600), ended: oneOf(HOLD_ENDINGS) }),
          100,
        ),
      }),
      10_000,
    ),
  ),
  equipment: kitCheck,
  lift: optional(text(100)),
  aim: optional(oneOf(HOLD_AIMS)),
  effort: optional(effortCheck),
  diameter: optional(range(5, 200)),
  bodyMass: optional(positive(400)),
  ceiling: optional(positive(2000)),
  target: optional(
    record<NonNullable<HoldRequest['target']>>({ load: range(0, 2000), daysAway: range(-36_525, 36_525) }),
  ),
  pins: optional(record<RackPins>({ heights: listOf(pinHeight, 100), chosen: optional(pinHeight) })),
  meet: optional(record<{ daysAway: number }>({ daysAway: range(0, 3660) })),
  timing: optional(
    record<NonNullable<HoldRequest['timing']>>({
      hoursSinceHardHold: optional(range(0, 1e6)),
      hoursToBareDeadlift: optional(range(0, 1e6)),
    }),
  ),
});
