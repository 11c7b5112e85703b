import {
  HOLD_AIMS,
  HOLD_KINDS,
  LIMITS,
  type BlockReport,
  type EffortRule,
  type ForearmWeek,
  type GripWork,
  type HoldAim,
  type HoldBlockProposal,
  type HoldKindId,
  type HoldPrescription,
  type KitNeed,
  type WeekOfGripWork,
} from '@iron-clasp/core';
import { ArrayUnique } from 'class-validator';
import {
  Amount,
  Day,
  Id,
  LOAD_MESSAGE,
  Nullable,
  OneOf,
  Optional,
  Part,
  SECONDS_MESSAGE,
  SeenVersion,
  Text,
  Whole,
  Words,
  PIN_MESSAGE,
} from './fields.ts';
import type { LoggedHoldView } from './log.ts';
import { EffortBody } from './schools.ts';

const KIND = 'Choose a kind of hold.';

/** Kinds of hold that one session can hold. */
export const MOST_HOLDS = 4;
const KINDS = `Choose at most ${MOST_HOLDS} kinds of hold, each once.`;

/** Kinds of hold after a session's lifts, in order; where a block put one there and it stays, it stays the block's. */
export function HoldKinds(): PropertyDecorator {
  const checks = [ArrayUnique({ message: KINDS }), Words(HOLD_KINDS, MOST_HOLDS, KINDS)];
  return (target, name) => checks.forEach((check) => check(target, name as string));
}

/** What a session holds after its lifts; none takes all holds out. */
export class SessionHoldsRequest {
  @HoldKinds()
  kinds: HoldKindId[];

  @SeenVersion(1)
  version: number;
}

export const HOLD_DECISIONS = ['accepted', 'changed', 'skipped'] as const;
export type HoldDecisionKind = (typeof HOLD_DECISIONS)[number];

/** What the coach decides on a prescribed hold, under a client-made id. A change or a skip carries its reason. */
export class HoldDecisionRequest {
  /** Which of the session's holds. */
  @OneOf(HOLD_KINDS, KIND)
  kind: HoldKindId;

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

/** What should be held one day. */
export class HoldTargetBody {
  /** kg as the lift is written. */
  @Amount(LIMITS.load, LOAD_MESSAGE)
  load: number;

  @Day('Choose the day of the target.')
  on: string;
}

/** How one kind of hold is prescribed to a lifter, where the coach wants it otherwise than its kind or the school. */
export class HoldSettingRequest {
  /** What a hold behind the back is for; null for the usual. */
  @Nullable()
  @OneOf(HOLD_AIMS, 'Choose what the hold is for.')
  aim?: HoldAim | null;

  /** Null for the kind's or the school's own. */
  @Nullable()
  @Part(() => EffortBody, 'Say how close to the limit it is held.')
  effort?: EffortBody | null;

  /** The most that is put on, kg as the lift is written; null for what is safe without being asked. */
  @Nullable()
  @Amount(LIMITS.load, LOAD_MESSAGE)
  ceiling?: number | null;

  @Nullable()
  @Part(() => HoldTargetBody, 'Say what should be held, and on which day.')
  target?: HoldTargetBody | null;

  /** mm above the floor; null for that of the last hold. */
  @Nullable()
  @Amount(LIMITS.pinHeight, PIN_MESSAGE)
  pinHeight?: number | null;

  @SeenVersion()
  version: number;
}

export interface HoldSettingView {
  readonly version: number;
  readonly aim: HoldAim | null;
  readonly effort: EffortRule | null;
  readonly ceiling: number | null;
  readonly target: { readonly load: number; readonly on: string } | null;
  readonly pinHeight: number | null;
}

/** Takes the forearm work that is proposed for a day into the program. */
export class ForearmDayRequest {
  /** Made by the client: the session that is written where the day has none that is still to come. */
  @Id('Name the session that may be made.')
  sessionId: string;
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
  /** What it did; null before its first day, and of old ones. */
  readonly report: BlockReport | null;
}

/** One hold of a session: prescribed, made easier where the day's test asks, and as the coach decided. */
export interface SessionHoldView {
  readonly kind: HoldKindId;
  /** Null where the lifter's body mass is missing for a hang. */
  readonly hold: HoldPrescription | null;
  /** The next prescription, once something of today's is logged. */
  readonly next: HoldPrescription | null;
  readonly decision: HoldDecisionView | null;
  /** Today's squeeze test where it proposes an easier hold. */
  readonly easing: {
    readonly testId: string;
    /** Share of the load that is kept. */
    readonly share: number;
    readonly text: string;
    readonly declined: boolean;
    /** The hold as it would be without the test. */
    readonly full: Pick<HoldPrescription, 'load' | 'loading' | 'change' | 'why'>;
  } | null;
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
  readonly setting: HoldSettingView | null;
  /** Holes of the rack at the venue, mm above the floor, where the kind starts from pins. */
  readonly pinHeights: readonly number[];
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
    readonly holds: readonly HoldKindId[];
  }[];
}
