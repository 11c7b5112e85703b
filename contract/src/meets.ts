import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsISO8601,
  IsInt,
  IsNumber,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
} from 'class-validator';
import { LIMITS, FINITE, DAY } from './fields.ts';

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
