import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsBoolean,
  IsIn,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
  MinLength,
} from 'class-validator';
import type {
  BarLoading,
  ChalkKind,
  GripChoice,
  HandsToday,
  HoldCurve,
  HoldPrescription,
  PlanFault,
  SetCall,
  SetRole,
  Side,
} from '@iron-clasp/core';
import { GRIPS, CHALK, SIDES, FINITE } from './fields.ts';
import type { HoldDecisionView } from './holds.ts';
import type { LoggedSetView, LoggedHoldView } from './log.ts';

export const CHOICES = [...GRIPS, 'straps'] as const satisfies readonly GripChoice[];

const REASON_MESSAGE = 'Say why in 3 to 300 characters: the reason is kept with the call.';

/** A coach's decision against the call, for one set or a group of alike ones. Its id is made by the client. */
export class OverrideRequest {
  @IsUUID(undefined, { each: true, message: 'Name the sets.' })
  @ArrayMinSize(1, { message: 'Name at least one set.' })
  @ArrayMaxSize(50, { message: 'At most 50 sets at once.' })
  @ArrayUnique({ message: 'Name each set once.' })
  plannedSetIds: string[];

  @IsIn(CHOICES, { message: 'Choose double overhand, mixed, hook or straps.' })
  choice: GripChoice;

  @IsOptional()
  @IsIn(SIDES, { message: 'Side under must be left or right.' })
  sideUnder?: Side;

  @IsString({ message: REASON_MESSAGE })
  @MinLength(3, { message: REASON_MESSAGE })
  @MaxLength(300, { message: REASON_MESSAGE })
  reason: string;
}

const DIAMETER_MESSAGE = 'Diameter must be a number from 20 to 120 mm.';

/** Circumstances to try on a session without saving anything; what is left out stays as it is. */
export class WhatIfRequest {
  @IsOptional()
  @IsUUID(undefined, { message: 'Choose a venue.' })
  venueId?: string;

  @IsOptional()
  @IsIn(CHALK, { message: 'Chalk must be block, liquid or none.' })
  chalk?: ChalkKind;

  @IsOptional()
  @IsNumber(FINITE, { message: DIAMETER_MESSAGE })
  @Min(20, { message: DIAMETER_MESSAGE })
  @Max(120, { message: DIAMETER_MESSAGE })
  barDiameter?: number;

  /** As on the day of the next meet: its rulebook, top sets as attempts. */
  @IsOptional()
  @IsBoolean({ message: 'Say whether the rules of the meet apply.' })
  meetRules?: boolean;

  /** Other hands than those of the last check; the core says what is wrong with them. */
  @IsOptional()
  @IsObject({ message: 'Say how both hands are.' })
  hands?: HandsToday;
}

export interface SessionHead {
  readonly id: string;
  readonly lifterId: string;
  readonly lifterName: string;
  readonly title: string;
  readonly on: string;
  readonly version: number;
  readonly venue: {
    readonly id: string;
    readonly name: string;
    readonly chalk: ChalkKind;
    /** Heat, humidity and the like. */
    readonly note: string;
  };
  readonly bars: readonly { readonly id: string; readonly name: string }[];
  readonly bar: {
    readonly id: string;
    readonly name: string;
    readonly mass: number;
    readonly diameter: number;
  };
  readonly venues: readonly { readonly id: string; readonly name: string; readonly chalk: ChalkKind }[];
}

export interface CalledSet {
  readonly id: string;
  readonly liftId: string;
  readonly liftName: string;
  readonly role: SetRole;
  /** What the coach wrote, kg. */
  readonly planned: number;
  /** What the plates of the venue make of it. */
  readonly loading: BarLoading;
  readonly reps: number;
  /** s, where the set is timed. */
  readonly seconds: number | null;
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

/** The called session: every set, the hold, and what the log has to say about it. */
export interface CallsView {
  readonly session: SessionHead;
  readonly sets: readonly CalledSet[];
  readonly hold: HoldPrescription | null;
  readonly holdsDone: readonly LoggedHoldView[];
  /** The next prescription, once something of today's is logged. */
  readonly nextHold: HoldPrescription | null;
  /** The coach's decision on today's hold. */
  readonly holdDecision: HoldDecisionView | null;
  /** Today's squeeze test where it proposes easier holds. */
  readonly easing: {
    readonly testId: string;
    /** Share of the load that is kept. */
    readonly share: number;
    readonly text: string;
    readonly declined: boolean;
    /** The hold as it would be without the test. */
    readonly full: Pick<HoldPrescription, 'load' | 'loading' | 'change' | 'why'>;
  } | null;
  readonly evidence: HoldCurve['evidence'];
}
