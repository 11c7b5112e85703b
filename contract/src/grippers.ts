import {
  SIDES,
  START_DEPTHS,
  type Estimate,
  type GripperPlan,
  type Side,
  type StartDepth,
} from '@iron-clasp/core';
import { Amount, Flag, Id, Moment, OneOf, Optional, Text } from './fields.ts';

/** One try at closing a gripper, under a client-made id. */
export class GripperAttemptRequest {
  @Id('Choose a gripper.')
  gripperId: string;

  @OneOf(SIDES, 'Say which hand.')
  hand: Side;

  @OneOf(START_DEPTHS, 'Say how deep it was set: open, parallel or deep.')
  depth: StartDepth;

  @Flag('Say whether it was closed.')
  closed: boolean;

  /** mm between the handles, where it was not closed. */
  @Optional()
  @Amount({ min: 0, max: 150 }, 'The gap left must be a number from 0 to 150 mm.')
  gapMm?: number;

  @Optional()
  @Amount({ min: 0, max: 600 }, 'Seconds held must be a number from 0 to 600.')
  seconds?: number;

  @Moment('The time of the attempt is not a date and time.')
  doneAt: string;

  @Optional()
  @Text(500, 'Keep the note to 500 characters.', 0)
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
