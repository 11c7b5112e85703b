import type { BackTestReading, Estimate, HoldKindId } from '@iron-clasp/core';

/** What was said of a lifter's holds and sets beforehand, against what happened. */
export interface BackTestView {
  /** Null where none has been worked out yet. */
  readonly reading: BackTestReading | null;
  /** False while it is worked out anew in the background: ask again. */
  readonly fresh: boolean;
}

/** The same of all lifters together, and of each. */
export interface ClubBackTestView {
  readonly club: BackTestReading;
  readonly lifters: readonly {
    readonly id: string;
    readonly name: string;
    readonly trials: number;
    readonly verdict: BackTestReading['verdict'];
  }[];
  /** Lifters whose back-test is being worked out: ask again. */
  readonly underWay: number;
}

/** What hold blocks did to the hands of the club's lifters, learned over all of them. */
export interface BlockEffectView {
  /** Gain a week of a block beyond the lifter's own drift, as a share of load. */
  readonly perWeek: Estimate;
  /** The blocks it rests on, the latest first. */
  readonly blocks: readonly {
    readonly id: string;
    readonly lifterId: string;
    readonly lifter: string;
    readonly kind: HoldKindId;
    readonly startsOn: string;
    readonly endsOn: string;
    readonly perWeek: Estimate;
  }[];
}
