import {
  ALTERNATIONS,
  BEST_PULLED,
  CHALK_KINDS,
  HOOK_STAGES,
  LIMITS,
  MASS_UNITS,
  SIDES,
  SPORTS,
  STANCES,
  type Alternation,
  type BestPulled,
  type ChalkKind,
  type HandsToday,
  type HookStage,
  type MassUnit,
  type ProfileConflict,
  type Side,
  type Sport,
  type Stance,
  type Thresholds,
} from '@iron-clasp/core';
import {
  Amount,
  CHALK_MESSAGE,
  Day,
  Flag,
  Nullable,
  OneOf,
  Optional,
  Part,
  Parts,
  SeenVersion,
  SIDE_MESSAGE,
  Text,
  Whole,
  LIFT_IDS,
} from './fields.ts';
import { HistoryBody, HISTORY_MESSAGE, type KnownHistory } from './history.ts';
import type { MeetView } from './meets.ts';
import type { ShareLinkView } from './sharing.ts';

const SPORT_MESSAGE = 'Choose a sport of the list.';
const MAX_MESSAGE = `Best deadlift must be a number from ${LIMITS.best.min} to ${LIMITS.best.max} kg. Check the figure and the unit.`;
const STAGE_MESSAGE = 'Hook stage must be none, learn, build, carry or settled.';
const THRESHOLD_MESSAGE = 'Each threshold must be a chance from 0.5 to 0.999.';

/** Chance asked of a grip, by role of the set. */
export class ThresholdsBody implements Thresholds {
  @Amount(LIMITS.threshold, THRESHOLD_MESSAGE)
  warmup: number;

  @Amount(LIMITS.threshold, THRESHOLD_MESSAGE)
  top: number;

  @Amount(LIMITS.threshold, THRESHOLD_MESSAGE)
  backoff: number;

  @Amount(LIMITS.threshold, THRESHOLD_MESSAGE)
  volume: number;

  @Amount(LIMITS.threshold, THRESHOLD_MESSAGE)
  accessory: number;

  @Amount(LIMITS.threshold, THRESHOLD_MESSAGE)
  attempt: number;
}

/** Answers about a lifter that can be given later; until then their usual values stand. */
export const ASKED_LATER = [
  'dominantHand',
  'stance',
  'trainingSince',
  'schoolId',
  'hookStage',
  'bestPulled',
  'practisedUnder',
] as const;

/** A lifter's best in a lift: kg, and the day where that is known. */
export class BestLiftBody {
  @OneOf(LIFT_IDS, 'Choose a lift of the catalogue.')
  liftId: string;

  @Amount({ min: 0.1, max: LIMITS.load.max }, 'A best lift is above 0 and at most 600 kg.')
  load: number;

  @Nullable()
  @Day('The day of a best lift must be a day, or left out.')
  on: string | null;
}

/** A lifter as a coach writes them. Only the first three are needed; what is left out keeps its usual value and is asked later. */
export class LifterRequest {
  @Text(120, 'Name must be 1 to 120 characters.')
  name: string;

  @OneOf(SPORTS, SPORT_MESSAGE)
  sport: Sport;

  @Amount(LIMITS.best, MAX_MESSAGE)
  deadliftMax: number;

  @SeenVersion()
  version: number;

  @Optional()
  @OneOf(MASS_UNITS, 'Unit must be kg or lb.')
  unit?: MassUnit;

  @Optional()
  @OneOf(SIDES, 'Dominant hand must be left or right.')
  dominantHand?: Side;

  /** What the coach adds to the sport; nothing is computed from it. */
  @Optional()
  @Text(200, 'Words on the sport are at most 200 characters.', 0)
  sportWords?: string;

  @Optional()
  @OneOf(STANCES, 'Stance must be conventional, sumo or clean-grip.')
  stance?: Stance;

  @Optional()
  @Flag('Say yes or no to large thighs.')
  largeThighs?: boolean;

  /** Day on which barbell training began. */
  @Optional()
  @Day('Training since must be a day.')
  trainingSince?: string;

  @Optional()
  @Text(60, 'Choose a school.')
  schoolId?: string;

  @Optional()
  @OneOf(HOOK_STAGES, STAGE_MESSAGE)
  hookStage?: HookStage;

  @Optional()
  @Part(() => ThresholdsBody, THRESHOLD_MESSAGE)
  thresholds?: ThresholdsBody;

  @Optional()
  @Parts(() => HistoryBody, { max: 20, message: HISTORY_MESSAGE })
  history?: HistoryBody[];

  /** Wrist crease to the tip of the middle finger, mm; null takes it back. */
  @Nullable()
  @Amount(
    LIMITS.handLength,
    'Hand length must be a number from 100 to 300 mm: wrist crease to the tip of the middle finger.',
  )
  handLength?: number | null;

  /** kg, for hangs; null takes it back. */
  @Nullable()
  @Amount(LIMITS.bodyMass, 'Body mass must be a number from 25 to 300 kg. Check the figure and the unit.')
  bodyMass?: number | null;

  /** Thumb tip to little finger tip, hand spread, mm; null takes it back. */
  @Nullable()
  @Amount(
    LIMITS.handSpan,
    'Hand span must be a number from 100 to 350 mm: thumb tip to little finger tip, hand spread.',
  )
  handSpan?: number | null;

  /** Repetitions of a usual working set; null takes it back. */
  @Nullable()
  @Whole(LIMITS.usualReps, 'Usual repetitions must be a whole number from 1 to 30.')
  usualReps?: number | null;

  /** Day of the best deadlift; null where nobody knows. */
  @Nullable()
  @Day('The day of the best deadlift is not a day.')
  deadliftOn?: string | null;

  /** How the best deadlift was held. */
  @Optional()
  @OneOf(BEST_PULLED, 'Say how the best deadlift was held: a grip, straps, or not said.')
  bestPulled?: BestPulled;

  /** Chalk of the best deadlift; null where nobody knows. */
  @Nullable()
  @OneOf(CHALK_KINDS, CHALK_MESSAGE)
  bestChalk?: ChalkKind | null;

  /** The side practised under in a mixed grip; null where nobody has said. */
  @Nullable()
  @OneOf(SIDES, SIDE_MESSAGE)
  practisedUnder?: Side | null;

  /** Where the side under changes. */
  @Optional()
  @OneOf(ALTERNATIONS, 'Say where the side under changes: never, on light sets, or always.')
  alternation?: Alternation;

  /** Fingers that reach over the thumb in a hook; null where nobody has said. */
  @Nullable()
  @Whole({ min: 2, max: 3 }, 'Two or three fingers reach over the thumb.')
  thumbFingers?: 2 | 3 | null;

  /** Clenches the bar so hard that the arms stay stiff. */
  @Optional()
  @Flag('Say yes or no to clenching the bar.')
  clenches?: boolean;

  /** The elbow bends and the arm yanks under mixed grip. */
  @Optional()
  @Flag('Say yes or no to bent arms under mixed grip.')
  armsBendUnderMixed?: boolean;

  /** Best lifts beside the deadlift, each with its day where that is known. */
  @Optional()
  @Parts(() => BestLiftBody, { max: 30, message: 'Best lifts are a list.' })
  bestLifts?: BestLiftBody[];
}

/** A lifter's best in a lift: kg, and the day where that is known. */
export interface BestLift {
  readonly liftId: string;
  readonly load: number;
  readonly on: string | null;
}

/** Archives something, or takes it back; nothing is deleted. */
export class ArchiveRequest {
  @Flag('Say whether it is archived.')
  archived: boolean;

  @SeenVersion(1)
  version: number;
}

/** Moves a hook from the stage that was seen to another. */
export class HookStageRequest {
  @OneOf(HOOK_STAGES, STAGE_MESSAGE)
  from: HookStage;

  @OneOf(HOOK_STAGES, STAGE_MESSAGE)
  to: HookStage;
}

export interface LifterView {
  readonly id: string;
  readonly name: string;
  readonly sport: Sport;
  readonly sportWords: string;
  readonly unit: MassUnit;
  readonly dominantHand: Side;
  readonly stance: Stance;
  readonly largeThighs: boolean;
  readonly deadliftMax: number;
  readonly bestLifts: readonly BestLift[];
  readonly trainingMonths: number;
  readonly school: { readonly id: string; readonly name: string; readonly summary: string };
  readonly hookStage: HookStage;
  readonly thresholds: Thresholds;
  readonly history: readonly KnownHistory[];
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
  readonly sport: Sport;
  readonly sportWords: string;
  readonly version: number;
  readonly archivedAt: string;
}

/** A lifter with everything a coach may change, and what was changed before. */
export interface ProfileView {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
  readonly name: string;
  readonly sport: Sport;
  readonly sportWords: string;
  readonly unit: MassUnit;
  readonly deadliftMax: number;
  readonly dominantHand: Side;
  readonly stance: Stance;
  readonly largeThighs: boolean;
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
  /** How the best deadlift was held. */
  readonly bestPulled: BestPulled;
  readonly bestChalk: ChalkKind | null;
  readonly practisedUnder: Side | null;
  readonly alternation: Alternation;
  readonly thumbFingers: 2 | 3 | null;
  readonly clenches: boolean;
  readonly armsBendUnderMixed: boolean;
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
