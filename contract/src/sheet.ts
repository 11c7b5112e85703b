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
}
