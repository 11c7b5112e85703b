import type { BestPulled } from '@iron-clasp/core';
import type { LifterView } from './lifters.ts';

export interface SeasonMark {
  /** Null for what is no mark of its own: a meet. */
  readonly id: string | null;
  readonly kind: 'holdBlock' | 'test' | 'meet';
  readonly label: string;
  readonly from: string;
  readonly to: string;
}

export interface SeasonSession {
  readonly id: string;
  readonly version: number;
  readonly on: string;
  readonly title: string;
  readonly done: boolean;
  readonly holds: number;
}

/** The lifter's sheet: who they are and the weeks around today. */
export interface SheetView {
  readonly today: string;
  readonly lifter: LifterView;
  readonly season: {
    readonly from: string;
    readonly to: string;
    readonly marks: readonly SeasonMark[];
    readonly sessions: readonly SeasonSession[];
  };
  readonly nextSessionId: string | null;
  /** A deadlift in the log that is heavier than the best that percentages go by, for the coach to agree to. */
  readonly newBest: {
    readonly load: number;
    readonly on: string;
    readonly pulled: BestPulled;
    /** Of the lifter, for whoever makes it the best. */
    readonly version: number;
  } | null;
}
