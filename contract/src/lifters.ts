import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsISO8601,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  MinLength,
} from 'class-validator';
import type {
  HandsToday,
  HistoryFlag,
  HookStage,
  MassUnit,
  ProfileConflict,
  Side,
  Thresholds,
} from '@iron-clasp/core';
import { SIDES, UNITS, LIMITS, FINITE } from './fields.ts';
import type { MeetView } from './meets.ts';
import type { ShareLinkView } from './sharing.ts';

const HOOK = ['none', 'learn', 'build', 'carry', 'settled'] as const satisfies readonly HookStage[];

const NAME_MESSAGE = 'Name must be 1 to 120 characters.';

const MAX_MESSAGE = `Best deadlift must be a number from 20 to ${LIMITS.load.max} kg. Check the figure and the unit.`;

const THRESHOLD_MESSAGE = 'Each threshold must be a chance from 0.5 to 0.999.';

const HAND_LENGTH_MESSAGE =
  'Hand length must be a number from 100 to 300 mm: wrist crease to the tip of the middle finger.';

const BODY_MASS_MESSAGE = 'Body mass must be a number from 25 to 300 kg. Check the figure and the unit.';

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

  /** kg, for hangs; null takes it back. */
  @IsOptional()
  @IsNumber(FINITE, { message: BODY_MASS_MESSAGE })
  @Min(25, { message: BODY_MASS_MESSAGE })
  @Max(300, { message: BODY_MASS_MESSAGE })
  bodyMass?: number | null;

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

export interface LifterView {
  readonly id: string;
  readonly name: string;
  readonly sport: string;
  readonly unit: MassUnit;
  readonly dominantHand: Side;
  readonly stance: string;
  readonly deadliftMax: number;
  readonly bestLifts: readonly BestLift[];
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
  /** kg. */
  readonly bodyMass: number | null;
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
