import {
  IsBoolean,
  IsDefined,
  IsISO8601,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import type { ChalkKind, Ending, Grip, SetRole, Side, HoldKindId } from '@iron-clasp/core';
import {
  GRIPS,
  CHALK,
  SIDES,
  LIMITS,
  LOAD_MESSAGE,
  SECONDS_MESSAGE,
  TARGET_MESSAGE,
  PAIN_MESSAGE,
  CONFIDENCE_MESSAGE,
  FINITE,
} from './fields.ts';

const ENDINGS = ['slipped', 'stopped'] as const satisfies readonly Ending[];

const SLIP_MESSAGE = 'The repetition that slipped must be a whole number from 1 on.';

/** What is said of a set or hold beside its figures. */
abstract class Said {
  /** Pain of the hand, 0–10. */
  @IsOptional()
  @IsInt({ message: PAIN_MESSAGE })
  @Min(0, { message: PAIN_MESSAGE })
  @Max(10, { message: PAIN_MESSAGE })
  pain?: number;

  /** Confidence before the set, 1–5. */
  @IsOptional()
  @IsInt({ message: CONFIDENCE_MESSAGE })
  @Min(1, { message: CONFIDENCE_MESSAGE })
  @Max(5, { message: CONFIDENCE_MESSAGE })
  confidence?: number;

  /** Why it slipped, as the coach saw it: an id of the slip causes. */
  @IsOptional()
  @IsString()
  @MaxLength(60, { message: 'Choose one of the causes.' })
  cause?: string;

  @IsOptional()
  @IsString()
  @MaxLength(500, { message: 'Keep the note to 500 characters.' })
  note?: string;
}

/** One set of a hold as it was done. Its id is made by the client, so that sending it again changes nothing. */
export class LogHoldRequest extends Said {
  /** kg as the hold is written: what is added to the body for a hang, which may be nothing. */
  @IsNumber(FINITE, { message: LOAD_MESSAGE })
  @Min(0, { message: LOAD_MESSAGE })
  @Max(LIMITS.load.max, { message: LOAD_MESSAGE })
  load: number;

  @IsNumber(FINITE, { message: SECONDS_MESSAGE })
  @Min(LIMITS.holdSeconds.min, { message: SECONDS_MESSAGE })
  @Max(LIMITS.holdSeconds.max, { message: SECONDS_MESSAGE })
  seconds: number;

  /** Seconds that were asked for. */
  @IsNumber(FINITE, { message: TARGET_MESSAGE })
  @Min(1, { message: TARGET_MESSAGE })
  @Max(LIMITS.holdSeconds.max, { message: TARGET_MESSAGE })
  target: number;

  @IsIn(ENDINGS, { message: 'Say how the hold ended: slipped, or stopped on purpose.' })
  ended: Ending;

  @IsIn(GRIPS, { message: 'Grip must be double overhand, mixed or hook.' })
  grip: Grip;

  @IsOptional()
  @IsIn(SIDES, { message: 'Side under must be left or right.' })
  sideUnder?: Side;

  @IsIn(CHALK, { message: 'Chalk must be block, liquid or none.' })
  chalk: ChalkKind;

  @IsISO8601({ strict: true }, { message: 'The time of the hold is not a date and time.' })
  doneAt: string;
}

/** One lifting set as it was done. */
export class LogSetRequest extends Said {
  @IsUUID(undefined, { message: 'Name the planned set.' })
  plannedSetId: string;

  @IsNumber(FINITE, { message: LOAD_MESSAGE })
  @Min(LIMITS.load.min, { message: LOAD_MESSAGE })
  @Max(LIMITS.load.max, { message: LOAD_MESSAGE })
  load: number;

  @IsInt({ message: 'Reps must be a whole number.' })
  @Min(LIMITS.reps.min, { message: 'Log at least one repetition.' })
  @Max(LIMITS.reps.max, { message: 'More than 100 repetitions is not one set.' })
  reps: number;

  @IsIn(GRIPS, { message: 'Grip must be double overhand, mixed or hook.' })
  grip: Grip;

  @IsDefined()
  @IsBoolean({ message: 'Say whether straps were used.' })
  strapped: boolean;

  @IsOptional()
  @IsIn(SIDES, { message: 'Side under must be left or right.' })
  sideUnder?: Side;

  @IsIn(CHALK, { message: 'Chalk must be block, liquid or none.' })
  chalk: ChalkKind;

  /** The repetition during which the grip failed. */
  @IsOptional()
  @IsInt({ message: SLIP_MESSAGE })
  @Min(1, { message: SLIP_MESSAGE })
  @Max(LIMITS.reps.max, { message: SLIP_MESSAGE })
  slippedAtRep?: number;

  @IsISO8601({ strict: true }, { message: 'The time of the set is not a date and time.' })
  doneAt: string;
}

/** Puts a logged entry right; what is left out stays. The first value is kept beside it. */
export class CorrectionRequest {
  @IsOptional()
  @IsNumber(FINITE, { message: LOAD_MESSAGE })
  @Min(LIMITS.load.min, { message: LOAD_MESSAGE })
  @Max(LIMITS.load.max, { message: LOAD_MESSAGE })
  load?: number;

  @IsOptional()
  @IsInt({ message: 'Reps must be a whole number.' })
  @Min(LIMITS.reps.min, { message: 'Log at least one repetition.' })
  @Max(LIMITS.reps.max, { message: 'More than 100 repetitions is not one set.' })
  reps?: number;

  @IsOptional()
  @IsNumber(FINITE, { message: SECONDS_MESSAGE })
  @Min(LIMITS.holdSeconds.min, { message: SECONDS_MESSAGE })
  @Max(LIMITS.holdSeconds.max, { message: SECONDS_MESSAGE })
  seconds?: number;

  @IsOptional()
  @IsIn(ENDINGS, { message: 'Say how the hold ended: slipped, or stopped on purpose.' })
  ended?: Ending;

  @IsOptional()
  @IsIn(GRIPS, { message: 'Grip must be double overhand, mixed or hook.' })
  grip?: Grip;

  @IsOptional()
  @IsBoolean({ message: 'Say whether straps were used.' })
  strapped?: boolean;

  /** Null where it did not slip after all. */
  @IsOptional()
  @IsInt({ message: SLIP_MESSAGE })
  @Min(1, { message: SLIP_MESSAGE })
  @Max(LIMITS.reps.max, { message: SLIP_MESSAGE })
  slippedAtRep?: number | null;

  @IsOptional()
  @IsString()
  @MaxLength(500, { message: 'Keep the note to 500 characters.' })
  note?: string;
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
  readonly kind: HoldKindId;
  readonly load: number;
  readonly seconds: number;
  readonly target: number;
  readonly ended: Ending;
  readonly grip: Grip;
  readonly doneAt: string;
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
  /** False for work that hangs from no grip, as a press or a band: its grip says nothing. */
  readonly gripped: boolean;
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
