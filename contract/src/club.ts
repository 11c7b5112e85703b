import type { AttentionFinding, Estimate, HookStage } from '@iron-clasp/core';

/** Who needs the coach and why, over all lifters of the club. */
export interface ClubView {
  readonly today: string;
  /** The gravest first. */
  readonly lifters: readonly {
    readonly id: string;
    readonly name: string;
    readonly findings: readonly AttentionFinding[];
    /** Where the hook goes next; null where it stays. */
    readonly hook: { readonly from: HookStage; readonly to: HookStage } | null;
  }[];
  /** Lifters of whom nothing is found. */
  readonly quiet: readonly { readonly id: string; readonly name: string }[];
}

/** One lifter's curve over the weeks, as the club's fit reports it while it runs. */
export interface ClubCurvesEvent {
  readonly done: number;
  readonly total: number;
  /** Null in the first event, which only says how many there are. */
  readonly lifter: {
    readonly id: string;
    readonly name: string;
    /** Load held 10 s as often as not, double overhand, kg, the earliest week first. */
    readonly weeks: readonly {
      readonly on: string;
      readonly tenSeconds: Estimate;
      readonly behind: number;
    }[];
  } | null;
}
