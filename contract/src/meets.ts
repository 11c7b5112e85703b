import { LIMITS } from '@iron-clasp/core';
import {
  ArrayUnique,
  Validate,
  ValidatorConstraint,
  type ValidatorConstraintInterface,
} from 'class-validator';
import {
  Amount,
  Amounts,
  Day,
  Flag,
  Nullable,
  OneOf,
  Optional,
  Parts,
  SeenVersion,
  Text,
  LIFT_IDS,
  DIAMETER_MESSAGE,
} from './fields.ts';

const ATTEMPT_MESSAGE = `Each attempt must be a number from ${LIMITS.best.min} to ${LIMITS.best.max} kg. Check the figure and the unit.`;

@ValidatorConstraint({ name: 'rising' })
class Rising implements ValidatorConstraintInterface {
  validate(value: unknown): boolean {
    return !Array.isArray(value) || value.every((each, i) => i === 0 || each >= value[i - 1]);
  }

  defaultMessage(): string {
    return 'An attempt is never lighter than the one before it.';
  }
}

/** One event of a meet, with its own rule on straps and its own bar. */
export class MeetEventBody {
  @OneOf(LIFT_IDS, 'Choose the lift of the event.')
  liftId: string;

  @Flag('Say whether straps are allowed in the event.')
  straps: boolean;

  /** Of the event's bar, mm; null or left out where it is the meet's. */
  @Nullable()
  @Amount(LIMITS.barDiameter, DIAMETER_MESSAGE)
  barDiameter?: number | null;
}

/** A contest as a coach writes it; the rulebook of the day outranks the program, so it carries its own switches. */
export class MeetRequest {
  @Text(80, 'Name the meet in 1 to 80 characters.')
  name: string;

  @Day('Choose the day of the meet.')
  heldOn: string;

  @Flag('Say whether straps are allowed.')
  straps: boolean;

  @Flag('Say whether thumb tape is allowed.')
  thumbTape: boolean;

  @Flag('Say whether liquid chalk is allowed.')
  liquidChalk: boolean;

  @Optional()
  @Text(120, 'The place is at most 120 characters.', 0)
  place?: string;

  /** Of the meet's bar, mm; null where nobody knows. */
  @Nullable()
  @Amount(LIMITS.barDiameter, DIAMETER_MESSAGE)
  barDiameter?: number | null;

  /** Events whose rule on straps or bar is another than the meet's. */
  @Optional()
  @ArrayUnique((each: MeetEventBody | null) => each?.liftId, { message: 'Name each event once.' })
  @Parts(() => MeetEventBody, { max: 12, message: 'Name the events of the meet.' })
  events?: MeetEventBody[];

  /** Planned deadlift attempts in order, kg. */
  @Amounts(LIMITS.best, 4, ATTEMPT_MESSAGE)
  @Validate(Rising)
  attempts: number[];

  @SeenVersion()
  version: number;
}

/** A contest with its own switches. */
export interface MeetView {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly heldOn: string;
  readonly straps: boolean;
  readonly thumbTape: boolean;
  readonly liquidChalk: boolean;
  readonly place: string;
  /** Of the meet's bar, mm; null where nobody knows. */
  readonly barDiameter: number | null;
  readonly events: readonly {
    readonly liftId: string;
    readonly straps: boolean;
    /** Of the event's bar, mm; null where it is the meet's. */
    readonly barDiameter: number | null;
  }[];
  /** kg, in order. */
  readonly attempts: readonly number[];
}
