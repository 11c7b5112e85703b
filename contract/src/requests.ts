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
  School,
  Side,
  Thresholds,
  VenueKit,
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
const PAIN_MESSAGE = 'Pain must be a whole number from 0 to 10.';
const CONFIDENCE_MESSAGE = 'Confidence must be a whole number from 1 to 5.';
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

  @IsISO8601({ strict: true }, { message: 'The time of the set is not a date and time.' })
  doneAt: string;
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const SESSION_DAY = 'Choose the day of the session.';

/** Where, with which bar and on which day a session is held; what is left out stays. `version` is the one the page was drawn from. */
export class MoveSessionRequest {
  @IsOptional()
  @IsUUID(undefined, { message: 'Choose a venue.' })
  venueId?: string;

  /** Left out with another venue, that venue's first bar. */
  @IsOptional()
  @IsUUID(undefined, { message: 'Choose a bar.' })
  barId?: string;

  @IsOptional()
  @Matches(DAY, { message: SESSION_DAY })
  @IsISO8601({ strict: true }, { message: SESSION_DAY })
  heldOn?: string;

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
const HAND_LENGTH_MESSAGE =
  'Hand length must be a number from 100 to 300 mm: wrist crease to the tip of the middle finger.';
const HAND_SPAN_MESSAGE =
  'Hand span must be a number from 100 to 350 mm: thumb tip to little finger tip, hand spread.';
const USUAL_REPS_MESSAGE = 'Usual repetitions must be a whole number from 1 to 30.';
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

  /** An entry may say since when, `since`: a day. */
  @IsOptional()
  @IsArray({ message: 'History is a list.' })
  @ArrayMaxSize(20, { message: 'At most 20 entries of history.' })
  history?: KnownHistory[];

  /** Wrist crease to the tip of the middle finger, mm; null takes it back. */
  @IsOptional()
  @IsNumber(FINITE, { message: HAND_LENGTH_MESSAGE })
  @Min(100, { message: HAND_LENGTH_MESSAGE })
  @Max(300, { message: HAND_LENGTH_MESSAGE })
  handLength?: number | null;

  /** Thumb tip to little finger tip, hand spread, mm; null takes it back. */
  @IsOptional()
  @IsNumber(FINITE, { message: HAND_SPAN_MESSAGE })
  @Min(100, { message: HAND_SPAN_MESSAGE })
  @Max(350, { message: HAND_SPAN_MESSAGE })
  handSpan?: number | null;

  /** Repetitions of a usual working set; null takes it back. */
  @IsOptional()
  @IsInt({ message: USUAL_REPS_MESSAGE })
  @Min(1, { message: USUAL_REPS_MESSAGE })
  @Max(30, { message: USUAL_REPS_MESSAGE })
  usualReps?: number | null;

  /** Day of the best deadlift; null where nobody knows. */
  @IsOptional()
  @IsISO8601({ strict: true }, { message: 'The day of the best deadlift is not a day.' })
  deadliftOn?: string | null;

  /** Best lifts beside the deadlift, each with its day where that is known. */
  @IsOptional()
  @IsArray({ message: 'Best lifts are a list.' })
  @ArrayMaxSize(30, { message: 'At most 30 best lifts.' })
  bestLifts?: BestLift[];
}

/** An entry of history with the day since which it is known. */
export type KnownHistory = HistoryFlag & { readonly since?: string };

/** A lifter's best in a lift: kg, and the day where that is known. */
export interface BestLift {
  readonly liftId: string;
  readonly load: number;
  readonly on: string | null;
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
  @Matches(DAY, { message: SESSION_DAY })
  @IsISO8601({ strict: true }, { message: SESSION_DAY })
  heldOn: string;

  @IsUUID(undefined, { message: 'Choose a venue.' })
  venueId: string;

  /** Left out for the venue's first bar. */
  @IsOptional()
  @IsUUID(undefined, { message: 'Choose a bar.' })
  barId?: string;

  /** Write the same into every later week that repeats this session and is not begun. */
  @IsOptional()
  @IsBoolean({ message: 'Say whether later weeks change too.' })
  later?: boolean;

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

/** A venue with all that stands there; the core says what of it cannot be used. */
export class VenueRequest {
  /** The version the editor was drawn from; 0 for a new venue. */
  @IsInt()
  @Min(0)
  version: number;

  @IsObject({ message: 'Say what stands there.' })
  kit: VenueKit;
}

export class BrushingRequest {
  @IsISO8601({ strict: true }, { message: 'The time of the brushing is not a date and time.' })
  brushedAt: string;
}

const WEEKS_MESSAGE = 'Repeat for 1 to 12 weeks.';

/** Writes a week into the weeks that follow. */
export class RepeatWeekRequest {
  @IsInt({ message: WEEKS_MESSAGE })
  @Min(1, { message: WEEKS_MESSAGE })
  @Max(12, { message: WEEKS_MESSAGE })
  weeks: number;
}

/** Moves a week as a whole; `to` is any day of the week it goes to. */
export class MoveWeekRequest {
  @Matches(DAY, { message: 'Choose the week to move to.' })
  @IsISO8601({ strict: true }, { message: 'Choose the week to move to.' })
  to: string;
}

/** A club's own copy of a school, as it is now; the core says what of it cannot be used. */
export class SchoolRequest {
  /** The school of the practice book it was copied from. */
  @IsString({ message: 'Name the school that is copied.' })
  @MaxLength(60, { message: 'Name the school that is copied.' })
  basedOn: string;

  /** The version the editor was drawn from; 0 for a new copy. */
  @IsInt()
  @Min(0)
  version: number;

  @IsObject({ message: 'Say what the school does.' })
  school: School;
}

const DAYS_MESSAGE = 'A link lasts 1 to 90 days.';

/** A read-only link to a lifter's coming sessions. */
export class ShareRequest {
  @IsInt({ message: DAYS_MESSAGE })
  @Min(1, { message: DAYS_MESSAGE })
  @Max(90, { message: DAYS_MESSAGE })
  days: number;
}

/** Invites a lifter to an account of their own. */
export class InvitationRequest {
  @IsEmail({}, { message: 'Type the lifter’s e-mail address.' })
  @MaxLength(200)
  email: string;
}

const PASSWORD_MESSAGE = 'Choose a password of at least 10 characters.';

/** A lifter takes up the invitation with a password of their own. */
export class JoinRequest {
  @IsString({ message: PASSWORD_MESSAGE })
  @MinLength(10, { message: PASSWORD_MESSAGE })
  @MaxLength(200, { message: 'At most 200 characters.' })
  password: string;
}

/** Ends a session, with a word to the lifter. */
export class FinishRequest {
  @IsISO8601({ strict: true }, { message: 'The end of the session is not a date and time.' })
  finishedAt: string;

  @IsString({ message: 'The note is text.' })
  @MaxLength(1000, { message: 'Keep the note to 1000 characters.' })
  note: string;
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

const ATTEMPT_MESSAGE = `Each attempt must be a number from 20 to ${LIMITS.load.max} kg. Check the figure and the unit.`;

/** A contest as a coach writes it; the rulebook of the day outranks the program, so it carries its own switches. */
export class MeetRequest {
  @IsString({ message: 'Name the meet in 1 to 80 characters.' })
  @MinLength(1, { message: 'Name the meet in 1 to 80 characters.' })
  @MaxLength(80, { message: 'Name the meet in 1 to 80 characters.' })
  name: string;

  @Matches(DAY, { message: 'Choose the day of the meet.' })
  @IsISO8601({ strict: true }, { message: 'Choose the day of the meet.' })
  heldOn: string;

  @IsBoolean({ message: 'Say whether straps are allowed.' })
  straps: boolean;

  @IsBoolean({ message: 'Say whether thumb tape is allowed.' })
  thumbTape: boolean;

  @IsBoolean({ message: 'Say whether liquid chalk is allowed.' })
  liquidChalk: boolean;

  /** Planned deadlift attempts in order, kg. */
  @IsArray({ message: 'Attempts are a list.' })
  @ArrayMaxSize(4, { message: 'At most four attempts.' })
  @IsNumber(FINITE, { each: true, message: ATTEMPT_MESSAGE })
  @Min(20, { each: true, message: ATTEMPT_MESSAGE })
  @Max(LIMITS.load.max, { each: true, message: ATTEMPT_MESSAGE })
  attempts: number[];

  /** The version the editor was drawn from; 0 for a new meet. */
  @IsInt()
  @Min(0)
  version: number;
}
