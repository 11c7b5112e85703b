import {
  CHALK_KINDS,
  GRIP_CHOICES,
  LIMITS,
  SIDES,
  type BarLoading,
  type ChalkKind,
  type GripChoice,
  type Handle,
  type HandsToday,
  type HoldCurve,
  type LinePurpose,
  type LoadMeaning,
  type PlanFault,
  type RepStyle,
  type SetCall,
  type SetRole,
  type Side,
} from '@iron-clasp/core';
import { ArrayMaxSize, ArrayMinSize, ArrayUnique, IsUUID } from 'class-validator';
import {
  Amount,
  CHALK_MESSAGE,
  CHOICE_MESSAGE,
  Flag,
  Id,
  OneOf,
  Optional,
  Part,
  SIDE_MESSAGE,
  Text,
  DIAMETER_MESSAGE,
} from './fields.ts';
import { HandsBody } from './hands.ts';
import type { SessionHoldView } from './holds.ts';
import type { LoggedHoldView, LoggedSetView } from './log.ts';

const REASON_MESSAGE = 'Say why in 3 to 300 characters: the reason is kept with the call.';

/** A coach's decision against the call, for one set or a group of alike ones. Its id is made by the client. */
export class OverrideRequest {
  @IsUUID(undefined, { each: true, message: 'Name the sets.' })
  @ArrayMinSize(1, { message: 'Name at least one set.' })
  @ArrayMaxSize(50, { message: 'At most 50 sets at once.' })
  @ArrayUnique({ message: 'Name each set once.' })
  plannedSetIds: string[];

  @OneOf(GRIP_CHOICES, CHOICE_MESSAGE)
  choice: GripChoice;

  @Optional()
  @OneOf(SIDES, SIDE_MESSAGE)
  sideUnder?: Side;

  @Text(300, REASON_MESSAGE, 3)
  reason: string;

  /** Also in the later weeks that repeat the session, written already or not. */
  @Optional()
  @Flag('Say whether it repeats with the week.')
  repeats?: boolean;
}

/** Circumstances to try on a session without saving anything; what is left out stays as it is. */
export class WhatIfRequest {
  @Optional()
  @Id('Choose a venue.')
  venueId?: string;

  @Optional()
  @OneOf(CHALK_KINDS, CHALK_MESSAGE)
  chalk?: ChalkKind;

  @Optional()
  @Amount(LIMITS.barDiameter, DIAMETER_MESSAGE)
  barDiameter?: number;

  /** As on the day of the next meet: its rulebook, top sets as attempts. */
  @Optional()
  @Flag('Say whether the rules of the meet apply.')
  meetRules?: boolean;

  /** Other hands than those of the last check. */
  @Optional()
  @Part(() => HandsBody, 'Say how both hands are.')
  hands?: HandsToday;
}

export interface SessionHead {
  readonly id: string;
  readonly lifterId: string;
  readonly lifterName: string;
  readonly title: string;
  readonly on: string;
  readonly version: number;
  /** Heat, or hands that sweat through the chalk. */
  readonly sweat: boolean;
  /** What the coach tells the lifter of it; empty for nothing. */
  readonly note: string;
  /** Chalk and bar that hold for this session alone, mm; null for what the house allows, and the bar as it is. */
  readonly own: { readonly chalk: ChalkKind | null; readonly barDiameter: number | null };
  /** Of whatever bar is used, mm: the session's own, or the meet's on its day; null where it is the bar's. */
  readonly fixedDiameter: number | null;
  /** The meet whose rules bind the session: on its day, or rehearsed. */
  readonly event: { readonly name: string; readonly rehearsal: boolean } | null;
  /** The hands of the last check in words, and why nothing is lifted today where that is so. */
  readonly hands: { readonly said: string; readonly stop: string | null };
  readonly venue: {
    readonly id: string;
    readonly name: string;
    readonly chalk: ChalkKind;
    /** Heat, humidity and the like. */
    readonly note: string;
  };
  readonly bars: readonly { readonly id: string; readonly name: string; readonly diameter: number }[];
  readonly bar: {
    readonly id: string;
    readonly name: string;
    readonly mass: number;
    readonly diameter: number;
  };
  readonly venues: readonly { readonly id: string; readonly name: string; readonly chalk: ChalkKind }[];
  /** Holes of the venue's rack, mm above the floor, from low to high. */
  readonly pinHeights: readonly number[];
}

export interface CalledSet {
  readonly id: string;
  readonly liftId: string;
  readonly liftName: string;
  /** Whose load it is: all of the bar, or in each hand. */
  readonly loadMeans: LoadMeaning;
  readonly role: SetRole;
  /** What the coach wrote, kg. */
  readonly planned: number;
  /** What the plates of the venue make of it. */
  readonly loading: BarLoading;
  readonly reps: number;
  readonly style: RepStyle;
  /** s, where the set is timed. */
  readonly seconds: number | null;
  /** What its line is there for, where it says so. */
  readonly purpose: LinePurpose | null;
  /** What its line puts between hand and bar. */
  readonly handle: Handle | null;
  /** Of the bar of its event on the day of the meet, mm; null where it stands on the session's. */
  readonly eventBar: number | null;
  /** s, where its line asks for a rest of its own. */
  readonly rest: number | null;
  readonly line: string;
  readonly call: SetCall;
  /** What the venue cannot give of it, and the mend. */
  readonly fault: PlanFault | null;
  /** Where the call is weak: the heaviest load of the venue’s plates that meets the threshold, kg. */
  readonly lighter: number | null;
  readonly done: LoggedSetView | null;
  /** The coach's decision that is followed, or refused, here; null where the call stands. */
  readonly override: OverrideView | null;
  /** Every decision ever made on this set, undone ones too, the latest first. */
  readonly overrides: readonly OverrideView[];
}

/** A coach's decision against a call. */
export interface OverrideView {
  readonly id: string;
  readonly choice: GripChoice;
  readonly sideUnder: Side | null;
  readonly reason: string;
  /** It repeats with the week of its session. */
  readonly repeats: boolean;
  readonly by: string;
  readonly at: string;
  readonly undone: { readonly by: string; readonly at: string } | null;
}

/** A set as it would be called under other circumstances. */
export interface TriedSet {
  readonly id: string;
  readonly line: string;
  readonly choice: GripChoice | null;
  readonly probability: number | null;
  readonly verdict: SetCall['verdict'];
  /** True where it differs from the real call in grip, side, strap or chalk. */
  readonly changed: boolean;
  /** The reason that leads. */
  readonly why: string;
}

export interface WhatIfView {
  /** The circumstances that were tried, as one would say them. */
  readonly tried: string;
  readonly sets: readonly TriedSet[];
}

/** The called session: every set, its holds, and what the log has to say about it. */
export interface CallsView {
  readonly session: SessionHead;
  readonly sets: readonly CalledSet[];
  readonly holds: readonly SessionHoldView[];
  readonly holdsDone: readonly LoggedHoldView[];
  readonly evidence: HoldCurve['evidence'];
  /** Days since the last logged hold or bare-handed set; null where there is none. */
  readonly heldDaysAgo: number | null;
}
