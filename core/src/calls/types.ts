import type { ChalkKind, Grip, HoldCurve } from '../clasp-curve/types.ts';
import type { HandsToday, HistoryFlag, HookStage, Side } from '../hands/hand-state.ts';
import type { MixedLedger } from '../hands/mixed-ledger.ts';
import type { Lift, StrapType } from '../set-demand/lift.ts';
import type { RepStyle } from '../set-demand/set-demand.ts';
import type { School } from './school.ts';
import type { SetRole } from './set-role.ts';

/** What can be called for a set: a bare grip, or straps (overhand, tied on). */
export const GRIP_CHOICES = ['doubleOverhand', 'mixed', 'hook', 'straps'] as const;
export type GripChoice = (typeof GRIP_CHOICES)[number];

/** Wanted chance of holding before a bare grip is called, by role. */
export type Thresholds = Readonly<Record<SetRole, number>>;

/** Warm-ups and volume may be repeated, a top set is the day's aim, an attempt comes once. */
export const DEFAULT_THRESHOLDS: Thresholds = {
  warmup: 0.9,
  volume: 0.9,
  backoff: 0.9,
  accessory: 0.9,
  top: 0.95,
  attempt: 0.98,
};

/** Where a lifter changes the side that is turned under: never, on light sets (by session or by set), or on every set. */
export const ALTERNATIONS = ['never', 'lightBySession', 'lightBySet', 'always'] as const;
export type Alternation = (typeof ALTERNATIONS)[number];

/** What a line is there for: to train the grip, to train the back, or to rehearse an event. */
export const LINE_PURPOSES = ['grip', 'back', 'event'] as const;
export type LinePurpose = (typeof LINE_PURPOSES)[number];

/** The lifter as a call sees them today. */
export interface CallLifter {
  readonly dominantHand: Side;
  /** Full months of barbell training. */
  readonly trainingMonths: number;
  /** kg. */
  readonly deadliftMax: number;
  readonly flags: readonly HistoryFlag[];
  readonly hands: HandsToday;
  readonly hookStage: HookStage;
  readonly thresholds: Thresholds;
  /** Does the contest the lifter prepares for allow straps? Left out where none is planned. */
  readonly nextEventStraps?: boolean;
  /** The side practised under in a mixed grip; left out where nobody has said. */
  readonly practisedUnder?: Side;
  /** Where the side under changes. Default `lightBySession`. */
  readonly alternation?: Alternation;
  /** Fingers that reach over the thumb in a hook; left out where nobody has said. */
  readonly thumbFingers?: 2 | 3;
  /** The week is already full of grip work: carries, stones, axle. */
  readonly gripWorkHigh?: boolean;
  /** Clenches the bar so hard that the arms stay stiff: a novice's habit. */
  readonly clenches?: boolean;
  /** The elbow bends and the arm yanks under mixed grip. */
  readonly armsBendUnderMixed?: boolean;
  /** Large thighs: under a sumo stance the hands drag across them. */
  readonly tightThighs?: boolean;
  /** Bare grips that slipped in this very session, with what lay on the hands, kg. */
  readonly slippedToday?: readonly { readonly grip: Grip; readonly load: number }[];
  /** Hooked load-seconds, kg·s, that this week's skin budget still allows; left out where none is kept. */
  readonly hookBudgetLeft?: number;
}

/** Where the session is: what chalk the house allows and the bar in hand. */
export interface CallVenue {
  readonly name: string;
  readonly chalk: ChalkKind;
  /** Bar diameter, mm. */
  readonly barDiameter: number;
  /** Strap types at hand; left out where any can be had. */
  readonly straps?: readonly StrapType[];
}

/** The rulebook of the day; only given when the session is the event or rehearses it. */
export interface EventRules {
  readonly name: string;
  readonly straps: boolean;
  readonly thumbTape: boolean;
  readonly liquidChalk: boolean;
  /** True where the session rehearses the event; left out for the day itself. */
  readonly rehearsal?: boolean;
}

/** What goes between hand and bar or handle, whatever the lift. */
export const HANDLES = ['thick', 'towel'] as const;
export type Handle = (typeof HANDLES)[number];

/** A grip that a line fixes; `bare` leaves which one to the call and only keeps the straps off. */
export const FIXED_GRIPS = ['doubleOverhand', 'mixed', 'hook', 'straps', 'bare'] as const;
export type FixedGrip = (typeof FIXED_GRIPS)[number];

export interface SetToCall {
  readonly lift: Lift;
  readonly role: SetRole;
  /** kg on the bar. */
  readonly load: number;
  readonly reps: number;
  readonly style?: RepStyle;
  /** s, where the set is timed. */
  readonly seconds?: number;
  /** Diameter of what the hand closes on, mm, where it is not the venue's bar or the lift's own handle. */
  readonly diameter?: number;
  /** kg; for lifts that hang the body. */
  readonly bodyMass?: number;
  /** Hard holds already done in the session. A session counts its own. */
  readonly earlierHolds?: number;
  /** The lifter's best single of the lift, or of the one that stands in for it, kg as the lift is written. */
  readonly max?: number;
  /** What the line is there for, where it says so. */
  readonly purpose?: LinePurpose;
  /** The one hand that works, where the line says which. */
  readonly hand?: Side;
  /** A grip that the line fixes; `bare` only keeps the straps off. */
  readonly fixed?: FixedGrip;
  /** The side under that the line fixes for a mixed grip. */
  readonly under?: Side;
  /** What the line puts between hand and bar. */
  readonly handle?: Handle;
  /** Work sets hooked earlier in the session. A session counts its own. */
  readonly hookedBefore?: number;
  /** Is it the last set of its line? A school may keep that one bare. */
  readonly lastOfLine?: boolean;
}

/** A coach's own decision for the set. */
export interface CallOverride {
  readonly choice: GripChoice;
  /** The side to turn under, where the choice is mixed and the coach wants to say. */
  readonly sideUnder?: Side;
  readonly reason: string;
  readonly by: string;
}

export interface CallContext {
  readonly lifter: CallLifter;
  readonly school: School;
  readonly venue: CallVenue;
  readonly event?: EventRules;
  readonly set: SetToCall;
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  readonly override?: CallOverride;
  /** Heat, or hands that sweat through the chalk: a switch of the session. */
  readonly sweat?: boolean;
  /** Schools asked what they would have called; left out for those of the practice book. */
  readonly schools?: readonly School[];
}

/** Where a reason comes from, in the order in which they outrank one another. */
export const REASON_RANKS = [
  'safety',
  'event',
  'venue',
  'lift',
  'adaptation',
  'override',
  'school',
  'evidence',
  'ledger',
] as const;
export type ReasonRank = (typeof REASON_RANKS)[number];

/** A sentence a coach would say, and the rule it comes from. */
export interface Reason {
  readonly ruleId: string;
  readonly rank: ReasonRank;
  readonly text: string;
}

export interface ChalkCall {
  readonly kind: ChalkKind;
  readonly where: readonly string[];
}

export interface StrapCall {
  readonly type: StrapType;
  readonly turns: number;
}

/** What another grip would have given for the same set. */
export interface GripAlternative {
  readonly choice: GripChoice;
  readonly permitted: boolean;
  /** Chance of holding; null for straps, which do not test the hand. */
  readonly probability: number | null;
  readonly why: Reason;
}

/** What another school would have called. */
export interface SchoolAlternative {
  readonly schoolId: string;
  readonly schoolName: string;
  readonly choice: GripChoice | null;
  readonly probability: number | null;
  readonly same: boolean;
  readonly why: string;
}

/**
 * How firmly a call stands: `called` where the chance reaches what is asked; `unproven` where the log does not know yet
 * whether it does; `weak` where even the upper end of the chance stays below; `stop` where the set must not be done as
 * written; `free` where it does not hang from the hands.
 */
export const VERDICTS = ['called', 'unproven', 'weak', 'stop', 'free'] as const;
export type Verdict = (typeof VERDICTS)[number];

export interface SetCall {
  /** Null where the set needs no grip call (presses, squats) or must not be done. */
  readonly choice: GripChoice | null;
  readonly grip: Grip | null;
  readonly sideUnder?: Side;
  /** The hand that works alone, where the other one may not. */
  readonly onlyHand?: Side;
  readonly straps?: StrapCall;
  readonly chalk: ChalkCall;
  /** Chance that the bare hand holds the set; null where it is not tested. */
  readonly probability: number | null;
  /** 80 % range of that chance, given how well the curve is known. */
  readonly range?: { readonly low: number; readonly high: number };
  readonly threshold: number;
  readonly verdict: Verdict;
  /** Logged holds and bare sets of the grip near this load; given with `probability`. */
  readonly near?: number;
  /** A load, kg on the bar, that meets the threshold with the best permitted grip; given where the call is weak or the load is what stops it. */
  readonly lighterLoad?: number;
  readonly demand?: { readonly seconds: number; readonly load: number };
  readonly cues: readonly string[];
  readonly cautions: readonly string[];
  readonly reasons: readonly Reason[];
  readonly overrideRefused?: Reason;
  readonly overridden: boolean;
  readonly alternatives: {
    readonly grips: readonly GripAlternative[];
    readonly schools: readonly SchoolAlternative[];
  };
}
