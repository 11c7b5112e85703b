import type {
  AttentionLevel,
  AttentionStep,
  GripChoice,
  HandsToday,
  HoldKindId,
  HookStage,
  MassUnit,
  SetRole,
  Side,
  Verdict,
} from '@iron-clasp/core';

/** What a coach sees first: who trains today, what is to be decided, and the week ahead. */
export interface DayView {
  readonly today: string;
  /** Sessions of today, by venue and name; at most {@link DayView.total} of them, the rest on the floor's own list. */
  readonly sessions: readonly DaySession[];
  readonly total: number;
  readonly decide: readonly DayDecision[];
  /** Decisions beyond those listed. */
  readonly moreToDecide: number;
  readonly week: DayWeek;
  /** The nearest meet of the club. */
  readonly meet: { readonly name: string; readonly days: number } | null;
}

/** A session of today in the one line that matters. */
export interface DaySession {
  readonly id: string;
  readonly lifterId: string;
  readonly lifterName: string;
  readonly title: string;
  readonly venue: string;
  readonly chalk: string;
  readonly hands: HandsToday;
  readonly handsOn: string | null;
  /** Why nothing is lifted today. */
  readonly stop: string | null;
  readonly finished: boolean;
  readonly top: DaySet | null;
  /** What is held after the lifts. */
  readonly holds: readonly DayHold[];
  /** What has changed or is to be watched, the gravest first. */
  readonly note: { readonly level: AttentionLevel; readonly text: string } | null;
}

/** A set as Today names it. */
export interface DaySet {
  readonly liftName: string;
  readonly role: SetRole;
  /** kg, as the plates make it. */
  readonly load: number;
  /** The unit of the plates on the bar; null where there are none, or of both. */
  readonly plates: MassUnit | null;
  readonly reps: number;
  /** s, where it is timed. */
  readonly seconds: number | null;
  readonly choice: GripChoice | null;
  readonly sideUnder: Side | null;
  /** As it is read aloud. */
  readonly line: string;
  readonly probability: number | null;
  readonly range: { readonly low: number; readonly high: number } | null;
  readonly threshold: number;
  readonly verdict: Verdict;
}

/** A hold as Today names it. */
export interface DayHold {
  readonly kind: HoldKindId;
  readonly sets: number;
  /** Null where seconds count. */
  readonly reps: number | null;
  readonly seconds: number;
  /** kg as the lift is written; 0 for the body alone. */
  readonly load: number;
}

/** Something that waits for the coach. */
export interface DayDecision {
  /** The same for the same thing at every request. */
  readonly id: string;
  readonly level: AttentionLevel;
  /** Null for what is a venue's. */
  readonly lifterId: string | null;
  /** The lifter, or the venue. */
  readonly who: string;
  readonly about:
    | { readonly kind: 'found'; readonly text: string }
    | { readonly kind: 'hold'; readonly on: string; readonly hold: DayHold; readonly why: string }
    | { readonly kind: 'set'; readonly on: string; readonly set: DaySet }
    | {
        readonly kind: 'block';
        readonly holds: readonly HoldKindId[];
        readonly from: string;
        readonly to: string;
        readonly why: string;
      }
    | { readonly kind: 'bar'; readonly bar: string; readonly chalkedSets: number };
  /** Where it is looked at, as an address of the application. */
  readonly open: string;
  /** What one click decides; null where it has to be looked at first. */
  readonly act:
    | { readonly kind: 'acceptHold'; readonly sessionId: string; readonly hold: HoldKindId }
    | { readonly kind: 'brush'; readonly barId: string }
    | { readonly kind: 'moveHook'; readonly from: HookStage; readonly to: HookStage }
    | {
        readonly kind: 'placeBlock';
        readonly blocks: readonly {
          readonly kind: HoldKindId;
          readonly startsOn: string;
          readonly weeks: number;
          readonly sessionsAWeek: number;
        }[];
      }
    | null;
}

/** The coming seven days: days across, lifters down. */
export interface DayWeek {
  readonly days: readonly string[];
  readonly rows: readonly DayWeekRow[];
  /** Lifters with something this week beyond those listed. */
  readonly more: number;
}

export interface DayWeekRow {
  readonly lifterId: string;
  readonly lifterName: string;
  /** One a day. */
  readonly cells: readonly DayCell[];
}

export interface DayCell {
  readonly sessions: readonly {
    readonly id: string;
    readonly title: string;
    /** Holds the heaviest pull of the week or another top set in the bare hands. */
    readonly heavy: boolean;
    readonly holds: number;
  }[];
  readonly block: string | null;
  readonly meet: string | null;
}

/** A lifter's own day. */
export interface OwnDayView {
  readonly today: string;
  /** Sessions of today that are not over; where there is none, the one that comes next. */
  readonly sessions: readonly (DaySession & { readonly on: string })[];
  readonly hands: HandsToday;
  /** The day the hands were last looked at, and whether that is too long ago. */
  readonly handsOn: string | null;
  readonly handsStale: boolean;
  /** What is to be minded, the gravest first, with the page of the sheet on which it stands. */
  readonly mind: readonly {
    readonly level: AttentionLevel;
    readonly text: string;
    readonly step: AttentionStep;
  }[];
  /** The latest word of the coach at the end of a session, of the last weeks. */
  readonly note: { readonly on: string; readonly title: string; readonly text: string } | null;
  readonly week: DayWeek;
  readonly meet: { readonly name: string; readonly days: number } | null;
}
