import {
  HOLD_KINDS,
  LIMITS,
  type ForearmWeek,
  type GripWork,
  type HoldBlockProposal,
  type HoldKindId,
  type HoldPrescription,
  type KitNeed,
  type WeekOfGripWork,
} from '@iron-clasp/core';
import {
  Amount,
  Day,
  LOAD_MESSAGE,
  Nullable,
  OneOf,
  Optional,
  SECONDS_MESSAGE,
  SeenVersion,
  Text,
  Whole,
} from './fields.ts';
import type { LoggedHoldView } from './log.ts';

const KIND = 'Choose a kind of hold.';

/** What a session holds after its lifts; null takes the hold out. */
export class SessionHoldRequest {
  @Nullable()
  @OneOf(HOLD_KINDS, KIND)
  kind?: HoldKindId | null;

  @SeenVersion(1)
  version: number;
}

export const HOLD_DECISIONS = ['accepted', 'changed', 'skipped'] as const;
export type HoldDecisionKind = (typeof HOLD_DECISIONS)[number];

/** What the coach decides on a prescribed hold, under a client-made id. A change or a skip carries its reason. */
export class HoldDecisionRequest {
  @OneOf(HOLD_DECISIONS, 'Accept the hold, change it, or skip it.')
  what: HoldDecisionKind;

  @Optional()
  @Whole(LIMITS.holdSets, 'Sets must be a whole number from 1 to 10.')
  sets?: number;

  @Optional()
  @Amount({ min: 1, max: LIMITS.holdSeconds.max }, SECONDS_MESSAGE)
  seconds?: number;

  /** kg as the lift is written. */
  @Optional()
  @Amount({ min: 0, max: LIMITS.load.max }, LOAD_MESSAGE)
  load?: number;

  @Optional()
  @Text(300, 'Keep the reason to 300 characters.', 0)
  reason?: string;
}

/** A block of heavy holds; it puts holds into the sessions of its weeks that the spacing rules leave free. */
export class HoldBlockRequest {
  @OneOf(HOLD_KINDS, KIND)
  kind: HoldKindId;

  /** Any day of its first week. */
  @Day('Choose the week it starts in.')
  startsOn: string;

  @Whole({ min: 2, max: 5 }, 'A hold block lasts 2 to 5 weeks.')
  weeks: number;

  @Whole({ min: 1, max: 3 }, 'A hold block asks 1 to 3 sessions a week.')
  sessionsAWeek: number;

  @SeenVersion()
  version: number;
}

export interface HoldDecisionView {
  readonly id: string;
  readonly what: HoldDecisionKind;
  readonly sets: number | null;
  readonly seconds: number | null;
  readonly load: number | null;
  readonly reason: string | null;
  readonly by: string;
  readonly at: string;
  readonly undone: { readonly by: string; readonly at: string } | null;
}

/** A hold that a session of the coming weeks has. */
export interface PlannedHoldView {
  readonly sessionId: string;
  readonly version: number;
  readonly on: string;
  readonly title: string;
  readonly kind: HoldKindId;
  readonly blockId: string | null;
  readonly decision: HoldDecisionView | null;
}

/** A session's holds of one kind as they were done. */
export interface DoneHoldsView {
  readonly sessionId: string;
  readonly on: string;
  readonly kind: HoldKindId;
  readonly holds: readonly LoggedHoldView[];
}

export interface HoldBlockView {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly kind: HoldKindId;
  readonly from: string;
  readonly to: string;
  readonly sessionsAWeek: number;
}

/** The next session of a hold, with what it rests on. */
export interface NextHoldView {
  readonly sessionId: string;
  readonly version: number;
  readonly on: string;
  readonly title: string;
  readonly venue: string;
  readonly prescription: HoldPrescription;
  readonly decision: HoldDecisionView | null;
  /** Holds of this kind logged so far. */
  readonly history: number;
}

/** A kind of hold as it stands for this lifter and their usual venue. */
export interface HoldKindView {
  readonly kind: HoldKindId;
  /** What the venue or the profile lacks for it; empty where nothing does. */
  readonly missing: readonly KitNeed[];
  readonly wantsBodyMass: boolean;
  readonly next: NextHoldView | null;
}

/** A clash with a spacing rule, with the days it is about. */
export interface SpacingClashView {
  readonly ruleId: string;
  readonly rule: string;
  readonly text: string;
  readonly days: readonly string[];
}

/** One seven-day week of grip work, planned and done. */
export interface GripWeekView {
  readonly from: string;
  readonly forearm: ForearmWeek;
  readonly clashes: readonly SpacingClashView[];
}

export interface HoldsView {
  readonly today: string;
  /** First days of the weeks shown, Mondays. */
  readonly weeks: readonly string[];
  readonly meetOn: string | null;
  readonly kinds: readonly HoldKindView[];
  readonly planned: readonly PlannedHoldView[];
  readonly done: readonly DoneHoldsView[];
  readonly blocks: readonly HoldBlockView[];
  readonly proposal: HoldBlockProposal;
  /** Grip work of the last seven days. */
  readonly work: GripWork;
  readonly workByWeek: readonly WeekOfGripWork[];
  /** This week and the next. */
  readonly week: GripWeekView;
  readonly nextWeek: GripWeekView;
  /** Sessions of the coming weeks that a hold could go into. */
  readonly sessions: readonly {
    readonly id: string;
    readonly version: number;
    readonly on: string;
    readonly title: string;
    readonly hasHold: boolean;
  }[];
}
