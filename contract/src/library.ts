import type { HoldKindId } from '@iron-clasp/core';
import { Day, Id, Ids, OneOf, Optional, Part, Parts, SeenVersion, Whole } from './fields.ts';
import { HoldKinds } from './holds.ts';
import { SessionLines, Title, type SessionLineBody } from './programs.ts';

const SOURCE_MESSAGE = 'Choose a session, a week of a lifter, or a plan of the library.';

/** What is copied: exactly one of a session, the week of a lifter that holds a day, and a plan of the library. */
export class PlanSource {
  @Optional()
  @Id(SOURCE_MESSAGE)
  sessionId?: string;

  @Optional()
  @Id(SOURCE_MESSAGE)
  lifterId?: string;

  /** Any day of the lifter's week. */
  @Optional()
  @Day(SOURCE_MESSAGE)
  week?: string;

  @Optional()
  @Id(SOURCE_MESSAGE)
  planId?: string;
}

/** How loads are carried over: as each lifter's share of a best, or as they stand. */
export const LOADS_CARRIED = ['own', 'written'] as const;
export type LoadsCarried = (typeof LOADS_CARRIED)[number];
/** Lifters that one request copies to. */
export const MOST_COPIED_TO = 60;

/** Writes a session, a week or a plan into the programs of several lifters. */
export class CopyRequest {
  @Part(() => PlanSource, SOURCE_MESSAGE)
  from: PlanSource;

  @Ids({ min: 1, max: MOST_COPIED_TO }, 'Choose at least one lifter.')
  lifters: string[];

  /** The day a session goes to; of a week any day of the one it goes to. */
  @Day('Choose the day to copy to.')
  on: string;

  @OneOf(LOADS_CARRIED, 'Say whose loads: own or written.')
  loads: LoadsCarried;
}

/** What a copy did, lifter by lifter: all of it or nothing each. */
export interface CopyView {
  readonly lifters: readonly {
    readonly lifterId: string;
    readonly name: string;
    /** What is written now, to be taken back. */
    readonly written: readonly { readonly id: string; readonly version: number; readonly on: string }[];
    /** Lines whose load stayed as written, because no best tells how it would change. */
    readonly kept: readonly string[];
    /** Why nothing was written. */
    readonly refused: string | null;
  }[];
}

/** Sessions that a plan holds at most. */
export const MOST_IN_A_PLAN = 21;

/** A session of a plan as a coach writes it. */
export class LibrarySessionBody {
  /** Days after Monday. */
  @Whole({ min: 0, max: 6 }, 'Choose the day of the week.')
  day: number;

  @Title()
  title: string;

  @SessionLines()
  lines: SessionLineBody[];

  /** Holds after the lifts, in order. */
  @HoldKinds()
  holds: HoldKindId[];
}

/** Keeps a session or a week in the club's library, or changes a plan there. */
export class LibraryPlanRequest {
  @Title()
  title: string;

  /** What is kept; left out to change a plan that is there. */
  @Optional()
  @Part(() => PlanSource, SOURCE_MESSAGE)
  from?: PlanSource;

  /** What the plan holds from now on; left out where it stays. */
  @Optional()
  @Parts(() => LibrarySessionBody, {
    ...{ min: 1, max: MOST_IN_A_PLAN, message: 'A plan needs at least one session.' },
  })
  sessions?: LibrarySessionBody[];

  @SeenVersion()
  version: number;
}

/** A session of a plan: nobody's own, so its loads are shares wherever a best is known. */
export interface LibrarySession {
  /** Days after Monday, 0–6. */
  readonly day: number;
  readonly title: string;
  readonly lines: readonly { readonly liftId: string; readonly text: string }[];
  readonly holds: readonly HoldKindId[];
}

export interface LibraryPlan {
  readonly id: string;
  readonly version: number;
  readonly title: string;
  readonly kind: 'session' | 'week';
  readonly sessions: readonly LibrarySession[];
}

export interface LibraryView {
  /** By title. */
  readonly plans: readonly LibraryPlan[];
}
