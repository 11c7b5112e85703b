import type {
  BarLoading,
  ChalkKind,
  Ending,
  Estimate,
  Grip,
  GripChoice,
  HandsToday,
  HistoryFlag,
  HoldCurve,
  HoldPrescription,
  HookStage,
  MassUnit,
  SetCall,
  SetRole,
  Side,
  Thresholds,
} from '@iron-clasp/core';
import type { Theme } from './requests.ts';

/*
 * What goes out. Plain shapes: they are made by the server and typed by the core, so nothing needs checking again.
 * Loads are kg, times s, days `YYYY-MM-DD`, moments ISO 8601 in UTC.
 */

export interface HealthView {
  readonly status: 'ok' | 'unavailable';
  readonly database: 'up' | 'down';
}

/** Shown before anyone is signed in; `demo` only in demo mode. */
export interface WelcomeView {
  readonly demo: { readonly email: string; readonly password: string; readonly club: string } | null;
}

export interface SessionView {
  readonly account: {
    readonly id: string;
    readonly name: string;
    readonly email: string;
    readonly unit: MassUnit;
    readonly theme: Theme;
  };
  readonly club: { readonly id: string; readonly name: string };
  /** To be sent back in the `x-iron-clasp-token` header with every change. */
  readonly token: string;
}

export type FlagLevel = 'stop' | 'caution' | 'note';

/** One lifter on the rack. */
export interface RackRow {
  readonly id: string;
  readonly name: string;
  readonly sport: string;
  readonly nextSession: { readonly id: string; readonly on: string; readonly title: string } | null;
  readonly meet: { readonly name: string; readonly on: string; readonly days: number } | null;
  readonly hands: HandsToday;
  readonly flag: { readonly level: FlagLevel; readonly text: string } | null;
}

export interface RackView {
  readonly today: string;
  /** Ordered by who needs attention. */
  readonly lifters: readonly RackRow[];
}

export interface LifterView {
  readonly id: string;
  readonly name: string;
  readonly sport: string;
  readonly unit: MassUnit;
  readonly dominantHand: Side;
  readonly stance: string;
  readonly deadliftMax: number;
  readonly trainingMonths: number;
  readonly school: { readonly id: string; readonly name: string; readonly summary: string };
  readonly hookStage: HookStage;
  readonly thresholds: Thresholds;
  readonly history: readonly HistoryFlag[];
  readonly hands: HandsToday & { readonly on: string | null };
  /** Questions nobody has answered: their values are the usual ones. */
  readonly unanswered: readonly string[];
}

/** One field of a lifter as somebody changed it. */
export interface LifterChangeView {
  readonly id: string;
  readonly field: string;
  readonly before: unknown;
  readonly after: unknown;
  readonly by: string;
  readonly at: string;
}

export interface ArchivedLifter {
  readonly id: string;
  readonly name: string;
  readonly sport: string;
  readonly version: number;
  readonly archivedAt: string;
}

/** A lifter with everything a coach may change, and what was changed before. */
export interface ProfileView {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
  readonly name: string;
  readonly sport: string;
  readonly unit: MassUnit;
  readonly deadliftMax: number;
  readonly dominantHand: Side;
  readonly stance: string;
  readonly trainingSince: string;
  readonly schoolId: string;
  readonly hookStage: HookStage;
  readonly thresholds: Thresholds;
  readonly history: readonly HistoryFlag[];
  /** Questions nobody has answered: their values are the usual ones. */
  readonly unanswered: readonly string[];
  readonly changes: readonly LifterChangeView[];
}

export interface SeasonMark {
  readonly kind: 'holdBlock' | 'test' | 'meet';
  readonly label: string;
  readonly from: string;
  readonly to: string;
}

export interface SeasonSession {
  readonly id: string;
  readonly on: string;
  readonly title: string;
  readonly done: boolean;
  readonly holds: number;
}

/** The lifter's sheet: who they are and the weeks around today. */
export interface SheetView {
  readonly today: string;
  readonly lifter: LifterView;
  readonly season: {
    readonly from: string;
    readonly to: string;
    readonly marks: readonly SeasonMark[];
    readonly sessions: readonly SeasonSession[];
  };
  readonly nextSessionId: string | null;
}

/** A session as it is written, for its editor. */
export interface SessionPlanView {
  readonly id: string;
  readonly lifterId: string;
  readonly version: number;
  readonly title: string;
  readonly heldOn: string;
  readonly venueId: string;
  readonly hasHold: boolean;
  readonly lines: readonly { readonly liftId: string; readonly text: string }[];
  /** True once something of it is logged: it is then history, and copied rather than changed. */
  readonly started: boolean;
}

/** What an editor of sessions chooses from. */
export interface VenueChoice {
  readonly id: string;
  readonly name: string;
}

export interface SessionHead {
  readonly id: string;
  readonly lifterId: string;
  readonly lifterName: string;
  readonly title: string;
  readonly on: string;
  readonly version: number;
  readonly venue: { readonly id: string; readonly name: string; readonly chalk: ChalkKind };
  readonly bar: { readonly name: string; readonly mass: number; readonly diameter: number };
  readonly venues: readonly { readonly id: string; readonly name: string; readonly chalk: ChalkKind }[];
}

export interface CalledSet {
  readonly id: string;
  readonly liftId: string;
  readonly liftName: string;
  readonly role: SetRole;
  /** What the coach wrote, kg. */
  readonly planned: number;
  /** What the plates of the venue make of it. */
  readonly loading: BarLoading;
  readonly reps: number;
  /** s, where the set is timed. */
  readonly seconds: number | null;
  readonly line: string;
  readonly call: SetCall;
  /** Where the call is weak: the heaviest load of the venue’s plates that meets the threshold, kg. */
  readonly lighter: number | null;
  readonly done: LoggedSetView | null;
  /** The coach's decision that is followed, or refused, here; null where the call stands. */
  readonly override: OverrideView | null;
  /** Every decision ever made on this set, undone ones too, the latest first. */
  readonly overrides: readonly OverrideView[];
}

/** A coach's decision against a call. */
export interface OverrideView {
  readonly id: string;
  readonly choice: GripChoice;
  readonly sideUnder: Side | null;
  readonly reason: string;
  readonly by: string;
  readonly at: string;
  readonly undone: { readonly by: string; readonly at: string } | null;
}

/** A set as it would be called under other circumstances. */
export interface TriedSet {
  readonly id: string;
  readonly line: string;
  readonly choice: GripChoice | null;
  readonly probability: number | null;
  readonly verdict: SetCall['verdict'];
  /** True where it differs from the real call in grip, side, strap or chalk. */
  readonly changed: boolean;
  /** The reason that leads. */
  readonly why: string;
}

export interface WhatIfView {
  /** The circumstances that were tried, as one would say them. */
  readonly tried: string;
  readonly sets: readonly TriedSet[];
}

/** A kept hands check, and which calls of the next session it changed. */
export interface HandsCheckView {
  readonly hands: HandsToday;
  readonly checkedOn: string;
  readonly changed: readonly {
    readonly liftName: string;
    readonly role: SetRole;
    readonly load: number;
    readonly before: string;
    readonly after: string;
  }[];
}

/** The lifter's hands over time, the latest first. */
export interface HandsHistoryView {
  readonly now: HandsToday;
  readonly checkedOn: string | null;
  readonly stale: boolean;
  readonly checks: readonly {
    readonly id: string;
    readonly on: string;
    readonly by: string | null;
    readonly hands: HandsToday;
  }[];
}

export interface LoggedSetView {
  readonly id: string;
  readonly load: number;
  readonly reps: number;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly slippedAtRep: number | null;
}

export interface LoggedHoldView {
  readonly id: string;
  readonly load: number;
  readonly seconds: number;
  readonly target: number;
  readonly ended: Ending;
  readonly grip: Grip;
  readonly doneAt: string;
}

/** The called session: every set, the hold, and what the log has to say about it. */
export interface CallsView {
  readonly session: SessionHead;
  readonly sets: readonly CalledSet[];
  readonly hold: HoldPrescription | null;
  readonly holdsDone: readonly LoggedHoldView[];
  /** The next prescription, once something of today's is logged. */
  readonly nextHold: HoldPrescription | null;
  readonly evidence: HoldCurve['evidence'];
}

export interface CurvePoint {
  readonly load: number;
  readonly seconds: number;
  readonly ended: Ending;
  readonly grip: Grip;
  readonly ageDays: number;
  readonly source: 'hold' | 'set';
}

export interface CurveView {
  readonly curve: HoldCurve;
  /** The most telling points: every slip and hold, and the longest stops. */
  readonly points: readonly CurvePoint[];
  readonly readOuts: {
    readonly tenSeconds: Estimate;
    readonly thirtySeconds: Estimate;
    readonly worth: readonly {
      readonly effect: 'mixed' | 'hook' | 'noChalk';
      readonly estimate: Estimate & { readonly fromLog: number };
    }[];
  };
  /** What the next session's heaviest sets ask of the hands. */
  readonly demands: readonly {
    readonly label: string;
    readonly load: number;
    readonly seconds: number;
    readonly grip: Grip;
  }[];
}

/** Every error answer has this shape. */
export interface ErrorView {
  readonly error: {
    readonly code: string;
    /** What happened, what was kept, what to do: written for a person. */
    readonly message: string;
    /** For input that was refused: which field, and why. */
    readonly fields?: readonly { readonly path: string; readonly message: string }[];
    readonly requestId?: string;
  };
}
