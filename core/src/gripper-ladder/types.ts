import type { Side } from '../hands/hand-state.ts';

/** How far the handles already are together when the squeeze starts: wide open, parallel, or set deeper still. */
export const START_DEPTHS = ['open', 'parallel', 'deep'] as const;
export type StartDepth = (typeof START_DEPTHS)[number];

/** One try at closing a gripper. */
export interface GripperAttempt {
  readonly hand: Side;
  /** Measured resistance, kg; null where the gripper has never been measured. Such attempts are counted, not used. */
  readonly resistance: number | null;
  readonly depth: StartDepth;
  readonly closed: boolean;
  /** Gap left between the handles, mm, where it was not closed. */
  readonly gapMm?: number;
  /** s the close was held. */
  readonly seconds?: number;
  /** Days before the day of the fit: where on the moving level the attempt lies. Default 0. */
  readonly ageDays?: number;
  /** An explicit weight, multiplied into the recency weight. Default 1. */
  readonly weight?: number;
}

/** The terms of the ladder: each hand at 50 kg with an open start, the slope on ln resistance, and the easier starts. */
export const GRIPPER_TERMS = ['left', 'right', 'slope', 'parallel', 'deep'] as const;
export type GripperTerm = (typeof GRIPPER_TERMS)[number];

/** A fitted gripper ladder: P(close) = Φ(hand + slope·ln(resistance/50) + depth). Plain data. */
export interface GripperLadder {
  readonly terms: readonly { readonly name: GripperTerm; readonly value: number }[];
  /** Rows and columns in the order of the terms. */
  readonly covariance: readonly (readonly number[])[];
  readonly evidence: {
    /** Attempts used. */
    readonly attempts: number;
    readonly closed: number;
    /** Attempts on grippers without a measured resistance, set aside. */
    readonly unrated: number;
    readonly prior: 'default' | 'flat';
    /** False where the data could not fix every term (all closed, all missed): the doubt is then a lower limit. */
    readonly settled: boolean;
  };
}
