import {
  IsISO8601,
  IsIn,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import type {
  Grip,
  GripChoice,
  HandsToday,
  HoldPrescription,
  LikelyCause,
  PlatePairs,
  SessionUnderWay,
  SetRole,
  Side,
  SqueezeProtocol,
  SqueezeTest,
} from '@iron-clasp/core';
import { CHOICES, type SessionHead, type CallsView } from './calls.ts';
import { SIDES, LIMITS, TARGET_MESSAGE, FINITE } from './fields.ts';
import type { LoggedHoldView } from './log.ts';

/** Ends a session, with a word to the lifter. */
export class FinishRequest {
  @IsISO8601({ strict: true }, { message: 'The end of the session is not a date and time.' })
  finishedAt: string;

  @IsString({ message: 'The note is text.' })
  @MaxLength(1000, { message: 'Keep the note to 1000 characters.' })
  note: string;
}

const LOAD_STANDS = `Load must be a number from 0 to ${LIMITS.load.max} kg.`;

const CLOCK_STATES = ['running', 'stopped'] as const;

/** What a hold clock on the floor does now, for those who follow on another screen; nothing of it is stored. */
export class ClockRequest {
  @IsIn(CLOCK_STATES, { message: 'A clock runs or is stopped.' })
  state: (typeof CLOCK_STATES)[number];

  /** Seconds on the clock when this was sent; negative while it counts in. */
  @IsNumber(FINITE, { message: 'Say how long the clock has run.' })
  @Min(-60)
  @Max(3600)
  seconds: number;

  @IsNumber(FINITE, { message: TARGET_MESSAGE })
  @Min(1, { message: TARGET_MESSAGE })
  @Max(LIMITS.holdSeconds.max, { message: TARGET_MESSAGE })
  target: number;
}

/**
 * What a lane on the floor stands at, for those who follow on another screen: the set of now as the coach agreed on it,
 * which may be another than the server would call. Nothing of it is stored.
 */
export class StandsRequest {
  /** Null at the hold, and where all is done. */
  @IsOptional()
  @IsUUID(undefined, { message: 'Name the set.' })
  plannedSetId: string | null;

  /** kg on the bar. */
  @IsNumber(FINITE, { message: LOAD_STANDS })
  @Min(0, { message: LOAD_STANDS })
  @Max(LIMITS.load.max, { message: LOAD_STANDS })
  load: number;

  /** The call as one would say it. */
  @IsString({ message: 'Say the call.' })
  @MaxLength(300, { message: 'Say the call in at most 300 characters.' })
  line: string;

  @IsOptional()
  @IsIn(CHOICES, { message: 'Choose double overhand, mixed, hook or straps.' })
  choice?: GripChoice;

  @IsOptional()
  @IsIn(SIDES, { message: 'Side under must be left or right.' })
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
  };
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
