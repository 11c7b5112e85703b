import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsISO8601,
  IsInt,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
} from 'class-validator';
import type { PlanFault } from '@iron-clasp/core';
import { DAY } from './fields.ts';

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

/** A session as it is written, for its editor. */
export interface SessionPlanView {
  readonly id: string;
  readonly lifterId: string;
  readonly version: number;
  readonly title: string;
  readonly heldOn: string;
  readonly venueId: string;
  readonly barId: string | null;
  readonly hasHold: boolean;
  /** Later sessions, not begun, that repeat this one. */
  readonly later: number;
  /** What the venue cannot give of it. */
  readonly faults: readonly PlanFault[];
  readonly lines: readonly { readonly liftId: string; readonly text: string }[];
  /** True once something of it is logged: it is then history, and copied rather than changed. */
  readonly started: boolean;
}

/** What a change to whole weeks did. */
export interface WeeksView {
  /** Sessions written, moved or removed. */
  readonly sessions: number;
  /** Sessions left as they are, since something of them is logged or they were there already. */
  readonly left: number;
}
