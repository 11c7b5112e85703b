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
  KitNeed,
  LikelyCause,
  MassUnit,
  PlanFault,
  PlatePairs,
  ProfileConflict,
  School,
  SetCall,
  SessionUnderWay,
  SetRole,
  Side,
  Thresholds,
  VenueKit,
} from '@iron-clasp/core';
import type { BestLift, KnownHistory, Theme } from './requests.ts';

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
  readonly demo: {
    readonly email: string;
    readonly password: string;
    readonly club: string;
    /** A lifter who signs in for themselves. */
    readonly lifter: { readonly name: string; readonly email: string; readonly password: string };
  } | null;
}

export interface SessionView {
  readonly account: {
    readonly id: string;
    readonly name: string;
    readonly email: string;
    readonly unit: MassUnit;
    readonly theme: Theme;
    readonly role: 'coach' | 'lifter';
    /** The lifter whose account it is; null for a coach. */
    readonly lifterId: string | null;
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
  /** Lifters of the club that match, on this page and the others. */
  readonly total: number;
  /** What to ask the next page with; null where this is the last. */
  readonly next: string | null;
}

/** Everybody who trains today, by name. */
export interface TodayView {
  readonly today: string;
  readonly sessions: readonly {
    readonly id: string;
    readonly lifterId: string;
    readonly lifterName: string;
    readonly title: string;
    readonly venue: string;
  }[];
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
  /** Where most of their sessions are held; null where there is none yet. */
  readonly usualVenueId: string | null;
  /** What in the profile does not go together. */
  readonly conflicts: readonly ProfileConflict[];
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

/** Changes of a lifter, the latest first, a page at a time. */
export interface LifterChangesView {
  readonly changes: readonly LifterChangeView[];
  readonly next: string | null;
}

export interface ArchivedView {
  readonly lifters: readonly ArchivedLifter[];
  readonly next: string | null;
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
  readonly history: readonly KnownHistory[];
  /** mm, as the three below; null where nobody has said. */
  readonly handLength: number | null;
  readonly handSpan: number | null;
  readonly usualReps: number | null;
  readonly deadliftOn: string | null;
  readonly bestLifts: readonly BestLift[];
  /** Questions nobody has answered: their values are the usual ones. */
  readonly unanswered: readonly string[];
  /** What in it does not go together. */
  readonly conflicts: readonly ProfileConflict[];
  /** The latest changes; more are asked for by page. */
  readonly changes: LifterChangesView;
  /** The lifter's own account, or the invitation to one. */
  readonly account: {
    readonly email: string;
    readonly state: 'invited' | 'expired' | 'joined';
    readonly expiresAt: string | null;
  } | null;
  readonly links: readonly ShareLinkView[];
  /** Those to come, the nearest first. */
  readonly meets: readonly MeetView[];
}

/** A contest with its own switches. */
export interface MeetView {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly heldOn: string;
  readonly straps: boolean;
  readonly thumbTape: boolean;
  readonly liquidChalk: boolean;
  /** kg, in order. */
  readonly attempts: readonly number[];
}

/** A read-only link; its address is only known to whoever made it. */
export interface ShareLinkView {
  readonly id: string;
  readonly madeBy: string;
  readonly madeAt: string;
  readonly expiresAt: string;
  readonly revoked: { readonly by: string; readonly at: string } | null;
}

/** A link or invitation that was just made: the one time its address is shown. */
export interface MadeLinkView {
  readonly id: string;
  /** Path of the page, with the secret in it. */
  readonly path: string;
  readonly expiresAt: string;
}

/** What somebody sees who holds a link: the coming sessions, nothing more. */
export interface SharedView {
  readonly club: string;
  readonly lifterName: string;
  readonly unit: MassUnit;
  readonly expiresAt: string;
  readonly sessions: readonly CallsView[];
}

/** What an invited lifter sees before choosing a password. */
export interface InvitationView {
  readonly club: string;
  readonly lifterName: string;
  readonly email: string;
}

/** A club's own copy of a school. */
export interface ClubSchoolView {
  readonly id: string;
  readonly version: number;
  readonly basedOn: string;
  readonly archived: boolean;
  readonly school: School;
  /** Lifters on the rack who follow it. */
  readonly followers: number;
  readonly changedBy: string | null;
  readonly changedAt: string | null;
}

/** What the club's own logs say about a point on which schools disagree. */
export interface PointEvidence {
  readonly pointId: string;
  /** What was found, with its doubt, or why nothing can be said yet. */
  readonly found: string;
  /** How many sets, holds or lifters stand behind it. */
  readonly behind: string;
  readonly speaksFor: string | null;
}

export interface SchoolsView {
  readonly own: readonly ClubSchoolView[];
  readonly evidence: readonly PointEvidence[];
}

/** A bar as it is used: brushing comes due by chalked sets. */
export interface BarUseView {
  readonly id: string;
  readonly brushedAt: string | null;
  readonly brushedBy: string | null;
  readonly chalkedSets: number;
  readonly setsLeft: number;
  readonly due: boolean;
}

export interface VenueView {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
  readonly kit: VenueKit;
  /** In the order of the kit's bars. */
  readonly bars: readonly BarUseView[];
}

export interface KitView {
  readonly venues: readonly VenueView[];
  /** Those put aside. */
  readonly aside: readonly VenueView[];
}

export interface SeasonMark {
  readonly kind: 'holdBlock' | 'test' | 'meet';
  readonly label: string;
  readonly from: string;
  readonly to: string;
}

export interface SeasonSession {
  readonly id: string;
  readonly version: number;
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
  readonly barId: string | null;
  readonly hasHold: boolean;
  /** Later sessions, not begun, that repeat this one. */
  readonly later: number;
  /** What the venue cannot give of it. */
  readonly faults: readonly PlanFault[];
  readonly lines: readonly { readonly liftId: string; readonly text: string }[];
  /** True once something of it is logged: it is then history, and copied rather than changed. */
  readonly started: boolean;
}

/** What an editor of sessions chooses from. */
export interface VenueChoice {
  readonly id: string;
  readonly name: string;
  /** The first is used unless another is named. */
  readonly bars: readonly {
    readonly id: string;
    readonly name: string;
    readonly mass: number;
    readonly collars: number;
  }[];
  readonly plates: readonly PlatePairs[];
  readonly has: readonly KitNeed[] | null;
}

/** What a change to whole weeks did. */
export interface WeeksView {
  /** Sessions written, moved or removed. */
  readonly sessions: number;
  /** Sessions left as they are, since something of them is logged or they were there already. */
  readonly left: number;
}

export interface SessionHead {
  readonly id: string;
  readonly lifterId: string;
  readonly lifterName: string;
  readonly title: string;
  readonly on: string;
  readonly version: number;
  readonly venue: {
    readonly id: string;
    readonly name: string;
    readonly chalk: ChalkKind;
    /** Heat, humidity and the like. */
    readonly note: string;
  };
  readonly bars: readonly { readonly id: string; readonly name: string }[];
  readonly bar: {
    readonly id: string;
    readonly name: string;
    readonly mass: number;
    readonly diameter: number;
  };
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
  /** What the venue cannot give of it, and the mend. */
  readonly fault: PlanFault | null;
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
  readonly plannedSetId: string | null;
  readonly load: number;
  readonly reps: number;
  readonly grip: Grip;
  readonly strapped: boolean;
  readonly slippedAtRep: number | null;
  readonly chalk: ChalkKind;
  readonly pain: number | null;
  readonly confidence: number | null;
  readonly cause: string | null;
  readonly note: string | null;
  readonly doneAt: string;
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
    /** What is there already, where two devices logged the same set. */
    readonly other?: LoggedSetView;
    readonly requestId?: string;
  };
}

/** Everything a floor needs to run a session without a network: the calls, and what they are called again from. */
export interface FloorView {
  readonly calls: CallsView;
  readonly finished: boolean;
  readonly handsOn: string | null;
  readonly hands: HandsToday;
  /** As the core takes a session under way; `observations` are those before this session. */
  readonly underWay: Omit<SessionUnderWay, 'done' | 'holds'>;
  /** What loads the bar. */
  readonly equipment: {
    readonly bar: number;
    readonly collars?: number;
    readonly plates: readonly PlatePairs[];
  };
}

/** What happens on the floor, told to whoever follows it. */
export interface LiveEvent {
  readonly sessionId: string;
  /** `changed`: something was logged, taken back or decided; `clock`: a hold clock runs or stopped. */
  readonly kind: 'changed' | 'clock' | 'finished';
  readonly clock?: {
    readonly state: 'running' | 'stopped';
    readonly seconds: number;
    readonly target: number;
  };
}

/** A session as it went. */
export interface SessionEndView {
  readonly session: SessionHead;
  readonly finishedAt: string | null;
  readonly note: string;
  readonly planned: number;
  readonly done: number;
  readonly slips: readonly {
    readonly liftName: string;
    readonly role: SetRole;
    readonly load: number;
    readonly reps: number;
    readonly slippedAtRep: number;
    readonly grip: Grip;
  }[];
  /** Likely causes, the likeliest first. */
  readonly causes: readonly LikelyCause[];
  readonly holds: readonly LoggedHoldView[];
  readonly nextHold: HoldPrescription | null;
  /** Sets that were left out, or done otherwise than called. */
  readonly otherwise: readonly string[];
}

export interface CorrectionView {
  readonly by: string | null;
  readonly at: string;
  readonly before: Readonly<Record<string, unknown>>;
}

/** One entry of the log. */
export interface LogEntry {
  readonly id: string;
  readonly kind: 'set' | 'hold';
  readonly sessionId: string;
  readonly doneAt: string;
  readonly day: string;
  readonly title: string;
  readonly noteToLifter: string | null;
  readonly liftName: string;
  readonly role: SetRole | null;
  readonly load: number;
  readonly reps: number | null;
  readonly seconds: number | null;
  readonly target: number | null;
  readonly grip: Grip;
  readonly sideUnder: Side | null;
  readonly strapped: boolean;
  readonly chalk: ChalkKind;
  readonly slippedAtRep: number | null;
  readonly ended: Ending | null;
  readonly pain: number | null;
  readonly confidence: number | null;
  readonly cause: string | null;
  readonly note: string | null;
  readonly corrections: readonly CorrectionView[];
}

export interface LogView {
  readonly entries: readonly LogEntry[];
  readonly next: string | null;
}
