import {
  IsBoolean,
  IsIn,
  IsISO8601,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
} from 'class-validator';
import type { Estimate, GripperPlan, Side, StartDepth } from '@iron-clasp/core';
import { FINITE, SIDES } from './fields.ts';

const DEPTHS = ['open', 'parallel', 'deep'] as const satisfies readonly StartDepth[];
const GAP = 'The gap left must be a number from 0 to 150 mm.';
const HELD = 'Seconds held must be a number from 0 to 600.';

/** One try at closing a gripper, under a client-made id. */
export class GripperAttemptRequest {
  @IsUUID(undefined, { message: 'Choose a gripper.' })
  gripperId: string;

  @IsIn(SIDES, { message: 'Say which hand.' })
  hand: Side;

  @IsIn(DEPTHS, { message: 'Say how deep it was set: open, parallel or deep.' })
  depth: StartDepth;

  @IsBoolean({ message: 'Say whether it was closed.' })
  closed: boolean;

  /** mm between the handles, where it was not closed. */
  @IsOptional()
  @IsNumber(FINITE, { message: GAP })
  @Min(0, { message: GAP })
  @Max(150, { message: GAP })
  gapMm?: number;

  @IsOptional()
  @IsNumber(FINITE, { message: HELD })
  @Min(0, { message: HELD })
  @Max(600, { message: HELD })
  seconds?: number;

  @IsISO8601({ strict: true }, { message: 'The time of the attempt is not a date and time.' })
  doneAt: string;

  @IsOptional()
  @IsString()
  @MaxLength(500, { message: 'Keep the note to 500 characters.' })
  note?: string;
}

export interface GripperRung {
  readonly id: string;
  readonly name: string;
  readonly venue: string;
  /** kg, or null where nobody has measured it. */
  readonly resistance: number | null;
  /** Chance of closing it from an open start, by hand; null without a measured resistance. */
  readonly chance: Readonly<Record<Side, Estimate | null>>;
}

export interface GripperAttemptView {
  readonly id: string;
  readonly on: string;
  readonly gripperId: string;
  readonly gripperName: string;
  readonly resistance: number | null;
  readonly hand: Side;
  readonly depth: StartDepth;
  readonly closed: boolean;
  readonly gapMm: number | null;
  readonly seconds: number | null;
  readonly note: string | null;
}

export interface GrippersView {
  /** The club's, the lightest first. */
  readonly ladder: readonly GripperRung[];
  /** The latest first. */
  readonly attempts: readonly GripperAttemptView[];
  readonly plans: Readonly<Record<Side, GripperPlan>>;
  /** Attempts that count, and those on grippers without a rating. */
  readonly evidence: { readonly attempts: number; readonly unrated: number; readonly settled: boolean };
  /** Resistance closed as often as not, kg, as it stood on earlier days, by hand. */
  readonly progress: readonly {
    readonly on: string;
    readonly left: Estimate;
    readonly right: Estimate;
    readonly attempts: number;
  }[];
}
