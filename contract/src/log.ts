import {
  CHALK_KINDS,
  GRIPS,
  HOLD_ENDINGS,
  HOLD_KINDS,
  LIMITS,
  SET_ROLES,
  SIDES,
  SLIP_CAUSES,
  SLIP_SIGNS,
  type SlipSign,
  type UsualMistake,
  type ChalkKind,
  type Grip,
  type HoldEnding,
  type HoldKindId,
  type LoadMeaning,
  type RepStyle,
  type SetRole,
  type Side,
} from '@iron-clasp/core';
import { ValidateBy } from 'class-validator';
import {
  Amount,
  CHALK_MESSAGE,
  Flag,
  GRIP_MESSAGE,
  Id,
  LOAD_MESSAGE,
  Moment,
  Nullable,
  OneOf,
  Optional,
  SECONDS_MESSAGE,
  SIDE_MESSAGE,
  TARGET_MESSAGE,
  Text,
  Whole,
  Words,
  LIFT_IDS,
  PIN_MESSAGE,
} from './fields.ts';

const SLIP_MESSAGE = 'The repetition that slipped must be a whole number from 1 on.';
const REPS_MESSAGE = `Reps must be a whole number: at least one repetition, and more than ${LIMITS.reps.max} is not one set.`;
const ENDED_MESSAGE = 'Say how the hold ended: slipped, put down on purpose, or not broken from the pins.';
const NOTE_MESSAGE = 'Keep the note to 500 characters.';
const SLIP = { min: 1, max: LIMITS.reps.max };
/** A hang may carry nothing but the body. */
const LOAD_OR_NONE = { min: 0, max: LIMITS.load.max };
const CAUSE_IDS = SLIP_CAUSES.map((cause) => cause.id);

/** What is said of a set or hold beside its figures. */
abstract class Said {
  /** Pain of the hand, 0–10. */
  @Optional()
  @Whole(LIMITS.pain, 'Pain must be a whole number from 0 to 10.')
  pain?: number;

  /** Confidence before the set, 1–5. */
  @Optional()
  @Whole(LIMITS.confidence, 'Confidence must be a whole number from 1 to 5.')
  confidence?: number;

  /** Why it slipped, as the coach saw it: an id of the slip causes. */
  @Optional()
  @OneOf(CAUSE_IDS, 'Choose one of the causes of the practice book.')
  cause?: string;

  /** What the coach saw when it slipped. */
  @Optional()
  @Words(SLIP_SIGNS, SLIP_SIGNS.length, 'Choose what was seen from the list.')
  signs?: SlipSign[];

  @Optional()
  @Text(500, NOTE_MESSAGE, 0)
  note?: string;

  /** The bar it was done on, as it was then; left out, the session's. */
  @Optional()
  @Id('Name the bar.')
  barId?: string;
}

/** A hold lasted some time, unless it was never lifted. */
function HeldOrNotLifted(): PropertyDecorator {
  const check = ValidateBy({
    name: 'heldOrNotLifted',
    validator: {
      validate: (seconds: unknown, asked) =>
        (asked?.object as Partial<LogHoldRequest> | undefined)?.ended === 'notLifted' ||
        (seconds as number) >= LIMITS.holdSeconds.min,
      defaultMessage: () => SECONDS_MESSAGE,
    },
  });
  return (target, name) => check(target, name as string);
}

/** One set of a hold as it was done. Its id is made by the client, so that sending it again changes nothing. */
export class LogHoldRequest extends Said {
  /** What was held, as it was then: the plan may change before the entry is sent. Left out, what the session plans. */
  @Optional()
  @OneOf(HOLD_KINDS, 'Choose a kind of hold.')
  kind?: HoldKindId;

  /** Where the kind leaves a choice: handles, a frame, dumbbells. */
  @Optional()
  @OneOf(LIFT_IDS, 'Choose a lift of the catalogue.')
  liftId?: string;

  /** Of what the hand closed on, mm; left out, the lift's own handle or the bar. */
  @Optional()
  @Amount({ min: 5, max: 200 }, 'Diameter must be a number from 5 to 200 mm.')
  diameter?: number;

  /** kg as the hold is written: what is added to the body for a hang, which may be nothing. */
  @Amount(LOAD_OR_NONE, LOAD_MESSAGE)
  load: number;

  /** 0 where it could not be broken from the pins. */
  @Amount({ min: 0, max: LIMITS.holdSeconds.max }, SECONDS_MESSAGE)
  @HeldOrNotLifted()
  seconds: number;

  /** Seconds that were asked for. */
  @Amount(LIMITS.holdTarget, TARGET_MESSAGE)
  target: number;

  @OneOf(HOLD_ENDINGS, ENDED_MESSAGE)
  ended: HoldEnding;

  /** Of the pins it started from, mm above the floor. */
  @Optional()
  @Amount(LIMITS.pinHeight, PIN_MESSAGE)
  pin?: number;

  @OneOf(GRIPS, GRIP_MESSAGE)
  grip: Grip;

  @Optional()
  @OneOf(SIDES, SIDE_MESSAGE)
  sideUnder?: Side;

  @OneOf(CHALK_KINDS, CHALK_MESSAGE)
  chalk: ChalkKind;

  @Moment('The time of the hold is not a date and time.')
  doneAt: string;
}

/** One lifting set as it was done. */
export class LogSetRequest extends Said {
  @Id('Name the planned set.')
  plannedSetId: string;

  /** kg as the lift is written; nothing for the body alone, or a band. */
  @Amount(LOAD_OR_NONE, LOAD_MESSAGE)
  load: number;

  @Whole(LIMITS.reps, REPS_MESSAGE)
  reps: number;

  /** Seconds done, where the set is timed; left out, those planned. */
  @Optional()
  @Amount(LIMITS.holdSeconds, SECONDS_MESSAGE)
  seconds?: number;

  @OneOf(GRIPS, GRIP_MESSAGE)
  grip: Grip;

  @Flag('Say whether straps were used.')
  strapped: boolean;

  @Optional()
  @OneOf(SIDES, SIDE_MESSAGE)
  sideUnder?: Side;

  @OneOf(CHALK_KINDS, CHALK_MESSAGE)
  chalk: ChalkKind;

  /** The repetition during which the grip failed. */
  @Optional()
  @Whole(SLIP, SLIP_MESSAGE)
  slippedAtRep?: number;

  @Moment('The time of the set is not a date and time.')
  doneAt: string;
}

/** A set that the day adds to a session under way: one more like another, or one of another lift. */
export class ExtraSetRequest {
  /** The set of the session that it repeats; left out, the lift is named. */
  @Optional()
  @Id('Name the set.')
  like?: string;

  @Optional()
  @OneOf(LIFT_IDS, 'Choose a lift of the catalogue.')
  liftId?: string;

  @Optional()
  @OneOf(SET_ROLES, 'Say what the set is for.')
  role?: SetRole;

  /** kg as the lift is written; left out, that of the set it repeats. */
  @Optional()
  @Amount(LOAD_OR_NONE, LOAD_MESSAGE)
  load?: number;

  @Optional()
  @Whole(LIMITS.reps, REPS_MESSAGE)
  reps?: number;

  /** Of a lift that is done for time. */
  @Optional()
  @Amount(LIMITS.holdSeconds, SECONDS_MESSAGE)
  seconds?: number;
}

/** Corrects a logged entry; what is left out stays. The first value is kept beside it. */
export class CorrectionRequest {
  @Optional()
  @Amount(LOAD_OR_NONE, LOAD_MESSAGE)
  load?: number;

  @Optional()
  @Whole(LIMITS.reps, REPS_MESSAGE)
  reps?: number;

  @Optional()
  @Amount(LIMITS.holdSeconds, SECONDS_MESSAGE)
  seconds?: number;

  @Optional()
  @OneOf(HOLD_ENDINGS, ENDED_MESSAGE)
  ended?: HoldEnding;

  @Optional()
  @OneOf(GRIPS, GRIP_MESSAGE)
  grip?: Grip;

  /** Which hand was under, where the grip is mixed. */
  @Optional()
  @OneOf(SIDES, SIDE_MESSAGE)
  sideUnder?: Side;

  @Optional()
  @Flag('Say whether straps were used.')
  strapped?: boolean;

  /** Null where it did not slip after all. */
  @Nullable()
  @Whole(SLIP, SLIP_MESSAGE)
  slippedAtRep?: number | null;

  @Optional()
  @Text(500, NOTE_MESSAGE, 0)
  note?: string;
}

export interface LoggedSetView {
  readonly id: string;
  readonly plannedSetId: string | null;
  readonly load: number;
  readonly reps: number;
  readonly style: RepStyle;
  /** s, where the set was timed. */
  readonly seconds: number | null;
  /** Of what the hand closed on, mm. */
  readonly diameter: number;
  readonly grip: Grip;
  readonly sideUnder: Side | null;
  readonly strapped: boolean;
  readonly slippedAtRep: number | null;
  readonly chalk: ChalkKind;
  readonly pain: number | null;
  readonly confidence: number | null;
  readonly cause: string | null;
  /** What the coach saw when it slipped. */
  readonly signs: readonly SlipSign[];
  readonly note: string | null;
  readonly doneAt: string;
}

export interface LoggedHoldView {
  readonly id: string;
  readonly kind: HoldKindId;
  readonly liftId: string;
  readonly load: number;
  readonly seconds: number;
  readonly target: number;
  readonly ended: HoldEnding;
  /** mm above the floor; null where nobody noted it. */
  readonly pin: number | null;
  /** 1 to 5, where it was said. */
  readonly confidence: number | null;
  /** 0 to 10, where it was said. */
  readonly pain: number | null;
  readonly grip: Grip;
  readonly sideUnder: Side | null;
  readonly chalk: ChalkKind;
  /** Of what the hand closed on, mm. */
  readonly diameter: number;
  /** Holds of the session before it. */
  readonly place: number;
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
  /** Taken back: it counts no more; `by` is null where an import was undone, or nobody knows. */
  readonly undone: { readonly by: string | null; readonly at: string } | null;
  readonly day: string;
  readonly title: string;
  readonly noteToLifter: string | null;
  readonly liftName: string;
  readonly loadMeans: LoadMeaning;
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
  readonly ended: HoldEnding | null;
  readonly pain: number | null;
  readonly confidence: number | null;
  readonly cause: string | null;
  /** What the coach saw when it slipped. */
  readonly signs: readonly SlipSign[];
  readonly note: string | null;
  readonly corrections: readonly CorrectionView[];
  /** Lightest load that it can be corrected to, where that is another than usual: a hang may carry nothing. */
  readonly leastLoad: number | null;
}

/** The usual mistakes that the log of the last four weeks shows. */
export interface MistakesView {
  readonly mistakes: readonly UsualMistake[];
}

export interface LogView {
  readonly entries: readonly LogEntry[];
  readonly next: string | null;
}
