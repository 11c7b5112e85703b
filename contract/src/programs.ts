import {
  CHALK_KINDS,
  LIMITS,
  type ChalkKind,
  type GripChoice,
  type HoldKindId,
  type PlanFault,
  type SetRole,
  type Side,
} from '@iron-clasp/core';
import { HoldKinds } from './holds.ts';
import {
  Amount,
  CHALK_MESSAGE,
  Day,
  Flag,
  Id,
  Nullable,
  OneOf,
  Optional,
  Parts,
  SeenVersion,
  Text,
  Whole,
  LIFT_IDS,
  DIAMETER_MESSAGE,
} from './fields.ts';

const SESSION_DAY = 'Choose the day of the session.';

/** The title of a session or a plan. */
export const Title = (): PropertyDecorator => Text(80, 'Title must be 1 to 80 characters.');

/** Where, with which bar and on which day a session is held; what is left out stays. */
export class MoveSessionRequest {
  @Optional()
  @Id('Choose a venue.')
  venueId?: string;

  /** Left out with another venue, that venue's first bar. */
  @Optional()
  @Id('Choose a bar.')
  barId?: string;

  @Optional()
  @Day(SESSION_DAY)
  heldOn?: string;

  /** Heat, or hands that sweat through the chalk. */
  @Optional()
  @Flag('Say whether it is hot, or the hands sweat.')
  sweat?: boolean;

  /** The rules of the next meet bind the session. */
  @Optional()
  @Flag('Say whether the session rehearses the meet.')
  rehearsesMeet?: boolean;

  /** What the coach tells the lifter of this session; empty for nothing. */
  @Optional()
  @Text(1000, 'Keep the note to 1000 characters.', 0)
  note?: string;

  /** Chalk for this session alone; null for what the house allows. */
  @Nullable()
  @OneOf(CHALK_KINDS, CHALK_MESSAGE)
  chalk?: ChalkKind | null;

  /** mm, for this session alone; null for the bar as it is. */
  @Nullable()
  @Amount(LIMITS.barDiameter, DIAMETER_MESSAGE)
  barDiameter?: number | null;

  @SeenVersion(1)
  version: number;
}

/** Sets of one lift as a coach writes them; the core says where a line cannot be read. */
export class SessionLineBody {
  @OneOf(LIFT_IDS, 'Choose a lift of the catalogue.')
  liftId: string;

  @Text(200, 'Write the sets, as 3x5 @ 75%.')
  text: string;
}

/** The lines of a session, in order. */
export const SessionLines = (): PropertyDecorator =>
  Parts(() => SessionLineBody, { min: 1, max: 60, message: 'Write at least one line.' });

/** A session as a coach writes it. */
export class SessionRequest {
  @Title()
  title: string;

  /** Day, YYYY-MM-DD. */
  @Day(SESSION_DAY)
  heldOn: string;

  @Id('Choose a venue.')
  venueId: string;

  /** Left out or null for the venue's first bar. */
  @Nullable()
  @Id('Choose a bar.')
  barId?: string | null;

  /** Write the same into every later week that repeats this session and is not begun. */
  @Optional()
  @Flag('Say whether later weeks change too.')
  later?: boolean;

  /** Holds after the lifts, in order. */
  @HoldKinds()
  holds: HoldKindId[];

  /** The rules of the next meet bind the session. */
  @Optional()
  @Flag('Say whether the session rehearses the meet.')
  rehearsesMeet?: boolean;

  @SeenVersion()
  version: number;

  @SessionLines()
  lines: SessionLineBody[];
}

/** Lines that are being written, to be called before they are saved. */
export class SessionPreviewRequest {
  @Day(SESSION_DAY)
  heldOn: string;

  @Id('Choose a venue.')
  venueId: string;

  @Nullable()
  @Id('Choose a bar.')
  barId?: string | null;

  @Optional()
  @Flag('Say whether the session rehearses the meet.')
  rehearsesMeet?: boolean;

  @Parts(() => SessionLineBody, { max: 60, message: 'Send the lines.' })
  lines: SessionLineBody[];
}

/** What stands against a line, or has to be minded with it. */
export interface LineWarning {
  readonly text: string;
  /** Nothing of the line is done as it is written. */
  readonly stop: boolean;
}

export interface SessionPreviewView {
  /** By line; empty for one that cannot be read yet. */
  readonly lines: readonly {
    /** The call of its heaviest set, as one would say it; null where it needs none. */
    readonly call: string | null;
    readonly warnings: readonly LineWarning[];
  }[];
}

/** Writes a week into the weeks that follow. */
export class RepeatWeekRequest {
  @Whole({ min: 1, max: 12 }, 'Repeat for 1 to 12 weeks.')
  weeks: number;
}

/** Moves a week as a whole; `to` is any day of the week it goes to. */
export class MoveWeekRequest {
  @Day('Choose the week to move to.')
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
  readonly holds: readonly HoldKindId[];
  readonly rehearsesMeet: boolean;
  /** Later sessions, not begun, that repeat this one. */
  readonly later: number;
  /** What the venue cannot give of it. */
  readonly faults: readonly PlanFault[];
  readonly lines: readonly { readonly liftId: string; readonly text: string }[];
  /** True once something of it is logged: it is then history, and copied rather than changed. */
  readonly started: boolean;
}

/** A line of a session, with what its working sets are for; null where it can no longer be read, as without the best it is a share of. */
export interface ProgramLine {
  readonly liftId: string;
  readonly text: string;
  readonly role: SetRole | null;
}

/** A session of the program with what it holds. */
export interface ProgramSession {
  readonly id: string;
  readonly version: number;
  readonly on: string;
  readonly title: string;
  /** Finished, or something of it is logged: it stays where it is. */
  readonly begun: boolean;
  readonly rehearsesMeet: boolean;
  readonly lines: readonly ProgramLine[];
  readonly holds: readonly HoldKindId[];
}

/** The grip that the heaviest set of a lift in one role is called with. */
export interface ProgramMark {
  readonly liftId: string;
  readonly role: SetRole;
  readonly choice: GripChoice;
  readonly sideUnder: Side | null;
}

/** The grips of a week's sessions that are still to come. */
export interface ProgramMarksView {
  readonly sessions: readonly { readonly id: string; readonly marks: readonly ProgramMark[] }[];
}

/** Some weeks of a lifter's program. */
export interface ProgramView {
  readonly today: string;
  /** The Monday of each week. */
  readonly weeks: readonly string[];
  readonly sessions: readonly ProgramSession[];
  /** Sessions written for the year after these weeks. */
  readonly later: number;
}

/** What a change to whole weeks did. */
export interface WeeksView {
  /** Sessions written, moved or removed. */
  readonly sessions: number;
  /** Sessions left as they are, since something of them is logged or they were there already. */
  readonly left: number;
}
