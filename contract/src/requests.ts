import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsDefined,
  IsEmail,
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
} from 'class-validator';
import type {
  ChalkKind,
  Ending,
  Grip,
  GripChoice,
  HandsToday,
  HistoryFlag,
  HookStage,
  MassUnit,
  Side,
  Thresholds,
} from '@iron-clasp/core';

/*
 * What may come in. Loads are kg, times s. The lists repeat the core's on purpose: this package takes only types of
 * the core, and `satisfies` makes the compiler hold the two together.
 */
const GRIPS = ['doubleOverhand', 'mixed', 'hook'] as const satisfies readonly Grip[];
const CHALK = ['block', 'liquid', 'none'] as const satisfies readonly ChalkKind[];
const CHOICES = [...GRIPS, 'straps'] as const satisfies readonly GripChoice[];
const ENDINGS = ['slipped', 'stopped'] as const satisfies readonly Ending[];
const SIDES = ['left', 'right'] as const satisfies readonly Side[];
const UNITS = ['kg', 'lb'] as const satisfies readonly MassUnit[];
const HOOK = ['none', 'learn', 'build', 'carry', 'settled'] as const satisfies readonly HookStage[];
const THEMES = ['light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];

/** Bounds of what a person can have done; past them the figure is a typing or unit mistake. */
export const LIMITS = {
  load: { min: 1, max: 600 },
  holdSeconds: { min: 0.5, max: 600 },
  reps: { min: 1, max: 100 },
} as const;

const LOAD_MESSAGE = `Load must be a number from ${LIMITS.load.min} to ${LIMITS.load.max} kg. Check the figure and the unit.`;
const SECONDS_MESSAGE = `Seconds must be a number from ${LIMITS.holdSeconds.min} to ${LIMITS.holdSeconds.max}. Longer than ten minutes is not one hold.`;
const TARGET_MESSAGE = `Target must be a number of seconds from 1 to ${LIMITS.holdSeconds.max}.`;
const SLIP_MESSAGE = 'The repetition that slipped must be a whole number from 1 on.';
const FINITE = { allowNaN: false, allowInfinity: false } as const;

export class SignInRequest {
  @IsEmail({}, { message: 'Type the e-mail address you signed up with.' })
  @MaxLength(200)
  email: string;

  @IsString({ message: 'Type your password.' })
  @MinLength(1, { message: 'Type your password.' })
  @MaxLength(200)
  password: string;
}

export class PreferencesRequest {
  @IsOptional()
  @IsIn(UNITS, { message: 'Unit must be kg or lb.' })
  unit?: MassUnit;

  @IsOptional()
  @IsIn(THEMES, { message: 'Theme must be light or dark.' })
  theme?: Theme;
}

/** One set of a hold as it was done. Its id is made by the client, so that sending it again changes nothing. */
export class LogHoldRequest {
  @IsNumber(FINITE, { message: LOAD_MESSAGE })
  @Min(LIMITS.load.min, { message: LOAD_MESSAGE })
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

  @IsOptional()
  @IsString()
  @MaxLength(500, { message: 'Keep the note to 500 characters.' })
  note?: string;
}

/** One lifting set as it was done. */
export class LogSetRequest {
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

/** A change to a session; `version` is the one the page was drawn from. */
export class MoveSessionRequest {
  @IsUUID(undefined, { message: 'Choose a venue.' })
  venueId: string;

  @IsInt()
  @Min(1)
  version: number;
}

const REASON_MESSAGE = 'Say why in 3 to 300 characters: the reason is kept with the call.';

/** A coach's decision against the call, for one set or a group of alike ones. Its id is made by the client. */
export class OverrideRequest {
  @IsUUID(undefined, { each: true, message: 'Name the sets.' })
  @ArrayMinSize(1, { message: 'Name at least one set.' })
  @ArrayMaxSize(50, { message: 'At most 50 sets at once.' })
  @ArrayUnique({ message: 'Name each set once.' })
  plannedSetIds: string[];

  @IsIn(CHOICES, { message: 'Choose double overhand, mixed, hook or straps.' })
  choice: GripChoice;

  @IsOptional()
  @IsIn(SIDES, { message: 'Side under must be left or right.' })
  sideUnder?: Side;

  @IsString({ message: REASON_MESSAGE })
  @MinLength(3, { message: REASON_MESSAGE })
  @MaxLength(300, { message: REASON_MESSAGE })
  reason: string;
}

const DIAMETER_MESSAGE = 'Diameter must be a number from 20 to 120 mm.';

/** Circumstances to try on a session without saving anything; what is left out stays as it is. */
export class WhatIfRequest {
  @IsOptional()
  @IsUUID(undefined, { message: 'Choose a venue.' })
  venueId?: string;

  @IsOptional()
  @IsIn(CHALK, { message: 'Chalk must be block, liquid or none.' })
  chalk?: ChalkKind;

  @IsOptional()
  @IsNumber(FINITE, { message: DIAMETER_MESSAGE })
  @Min(20, { message: DIAMETER_MESSAGE })
  @Max(120, { message: DIAMETER_MESSAGE })
  barDiameter?: number;

  /** As on the day of the next meet: its rulebook, top sets as attempts. */
  @IsOptional()
  @IsBoolean({ message: 'Say whether the rules of the meet apply.' })
  meetRules?: boolean;

  /** Other hands than those of the last check; the core says what is wrong with them. */
  @IsOptional()
  @IsObject({ message: 'Say how both hands are.' })
  hands?: HandsToday;
}

/** A hands check under a client-made id; the core says what is wrong with the hands. */
export class HandsCheckRequest {
  @IsObject({ message: 'Say how both hands are.' })
  hands: HandsToday;

  @IsISO8601({ strict: true }, { message: 'The time of the check is not a date and time.' })
  checkedAt: string;
}

const NAME_MESSAGE = 'Name must be 1 to 120 characters.';
const MAX_MESSAGE = `Best deadlift must be a number from 20 to ${LIMITS.load.max} kg. Check the figure and the unit.`;
const THRESHOLD_MESSAGE = 'Each threshold must be a chance from 0.5 to 0.999.';
const HAND = 'Dominant hand must be left or right.';

/** A lifter as a coach writes them. Only the first three are needed; what is left out keeps its usual value and is asked later. */
export class LifterRequest {
  @IsString({ message: NAME_MESSAGE })
  @MinLength(1, { message: NAME_MESSAGE })
  @MaxLength(120, { message: NAME_MESSAGE })
  name: string;

  @IsString({ message: 'Name the sport.' })
  @MinLength(1, { message: 'Name the sport.' })
  @MaxLength(60, { message: 'Name the sport in at most 60 characters.' })
  sport: string;

  @IsNumber(FINITE, { message: MAX_MESSAGE })
  @Min(20, { message: MAX_MESSAGE })
  @Max(LIMITS.load.max, { message: MAX_MESSAGE })
  deadliftMax: number;

  /** The version the editor was drawn from; 0 for a new lifter. */
  @IsInt()
  @Min(0)
  version: number;

  @IsOptional()
  @IsIn(UNITS, { message: 'Unit must be kg or lb.' })
  unit?: MassUnit;

  @IsOptional()
  @IsIn(SIDES, { message: HAND })
  dominantHand?: Side;

  @IsOptional()
  @IsString({ message: 'Say how the lifter stands.' })
  @MaxLength(60, { message: 'Say how the lifter stands in at most 60 characters.' })
  stance?: string;

  /** Day on which barbell training began. */
  @IsOptional()
  @IsISO8601({ strict: true }, { message: 'Training since must be a day.' })
  trainingSince?: string;

  @IsOptional()
  @IsString({ message: 'Choose a school.' })
  @MaxLength(60, { message: 'Choose a school.' })
  schoolId?: string;

  @IsOptional()
  @IsIn(HOOK, { message: 'Hook stage must be none, learn, build, carry or settled.' })
  hookStage?: HookStage;

  /** Chance asked of a grip, by role; the core says what is wrong with them. */
  @IsOptional()
  @IsObject({ message: THRESHOLD_MESSAGE })
  thresholds?: Thresholds;

  @IsOptional()
  @IsArray({ message: 'History is a list.' })
  @ArrayMaxSize(20, { message: 'At most 20 entries of history.' })
  history?: HistoryFlag[];
}

/** Puts a lifter aside, or takes them back; nothing is deleted. */
export class ArchiveRequest {
  @IsBoolean({ message: 'Say whether the lifter is put aside.' })
  archived: boolean;

  @IsInt()
  @Min(1)
  version: number;
}

const TITLE_MESSAGE = 'Title must be 1 to 80 characters.';

/** A session as a coach writes it: its lines are read by the core, which says where one cannot be. */
export class SessionRequest {
  @IsString({ message: TITLE_MESSAGE })
  @MinLength(1, { message: TITLE_MESSAGE })
  @MaxLength(80, { message: TITLE_MESSAGE })
  title: string;

  /** Day, YYYY-MM-DD. */
  @Matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'Choose the day of the session.' })
  @IsISO8601({ strict: true }, { message: 'Choose the day of the session.' })
  heldOn: string;

  @IsUUID(undefined, { message: 'Choose a venue.' })
  venueId: string;

  @IsBoolean({ message: 'Say whether a hold follows the lifts.' })
  hasHold: boolean;

  /** The version the editor was drawn from; 0 for a new session. */
  @IsInt()
  @Min(0)
  version: number;

  @IsArray({ message: 'Write at least one line.' })
  @ArrayMaxSize(60, { message: 'At most 60 lines in a session.' })
  lines: { readonly liftId: string; readonly text: string }[];
}
