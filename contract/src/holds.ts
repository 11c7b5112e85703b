import {
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import type {
  ForearmWeek,
  GripWork,
  HoldBlockProposal,
  HoldKindId,
  HoldPrescription,
  KitNeed,
  WeekOfGripWork,
} from '@iron-clasp/core';
import { DAY, FINITE, LIMITS, LOAD_MESSAGE, SECONDS_MESSAGE } from './fields.ts';
import type { LoggedHoldView } from './log.ts';

const KINDS = [
  'frontRackHold',
  'behindBackHold',
  'supinatedDeadHold',
  'thickBarHold',
  'deadHang',
  'fabricHang',
  'platePinch',
  'hexHold',
  'carry',
  'overhandReps',
] as const satisfies readonly HoldKindId[];
const KIND = 'Choose a kind of hold.';

/** What a session holds after its lifts; null takes the hold out. */
export class SessionHoldRequest {
  @IsOptional()
  @IsIn(KINDS, { message: KIND })
  kind: HoldKindId | null;

  /** The session's version that the page was drawn from. */
  @IsInt()
  @Min(1)
  version: number;
}

const DECISIONS = ['accepted', 'changed', 'skipped'] as const;
export type HoldDecisionKind = (typeof DECISIONS)[number];
const SETS = 'Sets must be a whole number from 1 to 10.';

/** What the coach decides on a prescribed hold, under a client-made id. A change or a skip carries its reason. */
export class HoldDecisionRequest {
  @IsIn(DECISIONS, { message: 'Accept the hold, change it, or skip it.' })
  what: HoldDecisionKind;

  @IsOptional()
  @IsInt({ message: SETS })
  @Min(1, { message: SETS })
  @Max(10, { message: SETS })
  sets?: number;

  @IsOptional()
  @IsNumber(FINITE, { message: SECONDS_MESSAGE })
  @Min(1, { message: SECONDS_MESSAGE })
  @Max(LIMITS.holdSeconds.max, { message: SECONDS_MESSAGE })
  seconds?: number;

  /** kg as the lift is written. */
  @IsOptional()
  @IsNumber(FINITE, { message: LOAD_MESSAGE })
  @Min(0, { message: LOAD_MESSAGE })
  @Max(LIMITS.load.max, { message: LOAD_MESSAGE })
  load?: number;

  @IsOptional()
  @IsString()
  @MaxLength(300, { message: 'Keep the reason to 300 characters.' })
  reason?: string;
}

const WEEKS = 'A hold block lasts 2 to 5 weeks.';
const A_WEEK = 'A hold block asks 1 to 3 sessions a week.';

/** A block of heavy holds; it puts holds into the sessions of its weeks that the spacing rules leave free. */
export class HoldBlockRequest {
  @IsIn(KINDS, { message: KIND })
  kind: HoldKindId;

  /** Any day of its first week. */
  @Matches(DAY, { message: 'Choose the week it starts in.' })
  @IsISO8601({ strict: true }, { message: 'Choose the week it starts in.' })
  startsOn: string;

  @IsInt({ message: WEEKS })
  @Min(2, { message: WEEKS })
  @Max(5, { message: WEEKS })
  weeks: number;

  @IsInt({ message: A_WEEK })
  @Min(1, { message: A_WEEK })
  @Max(3, { message: A_WEEK })
  sessionsAWeek: number;

  /** The version the editor was drawn from; 0 for a new block. */
  @IsInt()
  @Min(0)
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
