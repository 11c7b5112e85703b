import {
  GRIP_CHOICES,
  LIMITS,
  SIDES,
  type Estimate,
  type Grip,
  type GripChoice,
  type HandsToday,
  type HoldPrescription,
  type LikelyCause,
  type PlatePairs,
  type SessionUnderWay,
  type SetRole,
  type Side,
  type SqueezeProtocol,
  type SqueezeTest,
} from '@iron-clasp/core';
import type { CallsView, SessionHead } from './calls.ts';
import {
  Amount,
  CHOICE_MESSAGE,
  Id,
  Moment,
  Nullable,
  OneOf,
  Optional,
  SIDE_MESSAGE,
  TARGET_MESSAGE,
  Text,
} from './fields.ts';
import type { LoggedHoldView } from './log.ts';

/** Ends a session, with a word to the lifter. */
export class FinishRequest {
  @Moment('The end of the session is not a date and time.')
  finishedAt: string;

  @Text(1000, 'Keep the note to 1000 characters.', 0)
  note: string;
}

export const CLOCK_STATES = ['running', 'stopped'] as const;

/** What a hold clock on the floor does now, for those who follow on another screen; nothing of it is stored. */
export class ClockRequest {
  @OneOf(CLOCK_STATES, 'A clock runs or is stopped.')
  state: (typeof CLOCK_STATES)[number];

  /** Seconds on the clock when this was sent; negative while it counts in. */
  @Amount({ min: -60, max: 3600 }, 'Say how long the clock has run.')
  seconds: number;

  @Amount(LIMITS.holdTarget, TARGET_MESSAGE)
  target: number;
}

/**
 * What a lane on the floor stands at, for those who follow on another screen: the set of now as the coach agreed on it,
 * which may be another than the server would call. Nothing of it is stored.
 */
export class StandsRequest {
  /** Null at the hold, and where all is done. */
  @Nullable()
  @Id('Name the set.')
  plannedSetId: string | null;

  /** kg on the bar. */
  @Amount({ min: 0, max: LIMITS.load.max }, `Load must be a number from 0 to ${LIMITS.load.max} kg.`)
  load: number;

  /** The call as one would say it. */
  @Text(300, 'Say the call in at most 300 characters.', 0)
  line: string;

  @Optional()
  @OneOf(GRIP_CHOICES, CHOICE_MESSAGE)
  choice?: GripChoice;

  @Optional()
  @OneOf(SIDES, SIDE_MESSAGE)
  sideUnder?: Side;
}

/** Everything a floor needs to run a session without a network: the calls, and what they are called again from. */
export interface FloorView {
  readonly calls: CallsView;
  readonly finished: boolean;
  /** What a squeeze test that opens the session is read against, so that it can be without a network. */
  readonly squeeze: {
    readonly protocolId: string | null;
    readonly protocol: SqueezeProtocol;
    readonly earlier: readonly SqueezeTest[];
    /** The test of the day, where there was one. */
    readonly today: SqueezeTest | null;
    /** All of the day, the latest first. */
    readonly todays: readonly SqueezeTest[];
  };
  /** Day of the check behind `hands`; null where nobody has looked. */
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
  /**
   * `changed`: something was logged, taken back or decided; `clock`: a hold clock runs or stopped; `stands`: the lane is at
   * another set, or at another call.
   */
  readonly kind: 'changed' | 'clock' | 'stands' | 'finished';
  readonly stands?: StandsRequest;
  readonly clock?: {
    readonly state: 'running' | 'stopped';
    readonly seconds: number;
    readonly target: number;
  };
}

/** What a grip holds for 10 s as often as not, before an audit and with it, kg. */
export interface AuditFinding {
  readonly grip: Grip;
  readonly before: Estimate;
  readonly after: Estimate;
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
  /** What a grip audit found; null for any other session. */
  readonly audit: readonly AuditFinding[] | null;
  /** What comes next of each kind held. */
  readonly nextHolds: readonly HoldPrescription[];
  /** Sets that were left out, or done otherwise than called. */
  readonly otherwise: readonly string[];
}
