import { LIMITS } from '@iron-clasp/core';
import { Validate, ValidatorConstraint, type ValidatorConstraintInterface } from 'class-validator';
import { Amounts, Day, Flag, SeenVersion, Text } from './fields.ts';

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
  /** kg, in order. */
  readonly attempts: readonly number[];
}
