import type { Ending, Estimate, Grip, HoldCurve } from '@iron-clasp/core';

export interface CurvePoint {
  readonly load: number;
  readonly seconds: number;
  readonly ended: Ending;
  readonly grip: Grip;
  readonly ageDays: number;
  readonly source: 'hold' | 'set';
}

/** Something that will be asked of the hands. */
export interface CurveDemand {
  /** Of the next session, or an attempt of the next meet. */
  readonly kind: 'session' | 'attempt';
  readonly label: string;
  readonly load: number;
  readonly seconds: number;
  readonly grip: Grip;
}

export interface CurveView {
  readonly curve: HoldCurve;
  /** The most telling points: every slip and hold, and the longest stops. */
  readonly points: readonly CurvePoint[];
  readonly readOuts: {
    readonly tenSeconds: Estimate;
    readonly thirtySeconds: Estimate;
    readonly worth: readonly {
      readonly effect: 'mixed' | 'hook' | 'noChalk';
      readonly estimate: Estimate & { readonly fromLog: number };
    }[];
  };
  /** What the next session's heaviest sets ask of the hands, and the attempts of the next meet. */
  readonly demands: readonly CurveDemand[];
}

/** How the curve moved, and how it is expected to go on. */
export interface CurveMonthsView {
  readonly today: string;
  /** The next meet, where it is near enough to be shown. */
  readonly meet: { readonly on: string; readonly name: string } | null;
  readonly then: readonly CurveDay[];
  /** Days of squeeze tests, and stretches of two weeks and more without a bare hold or set. */
  readonly tests: readonly string[];
  readonly layoffs: readonly { readonly from: string; readonly to: string }[];
  /** Gain a week as a share of load, with its range; null where nothing is logged. */
  readonly weekly: Estimate | null;
}

/** The curve of one day. */
export interface CurveDay {
  readonly on: string;
  readonly curve: HoldCurve;
  /** Holds and bare-handed sets logged up to the day. */
  readonly behind: number;
  readonly tenSeconds: Estimate;
  readonly thirtySeconds: Estimate;
  /** The load held as long over that of the first day; null for the first day and for days to come. */
  readonly sinceFirst: Estimate | null;
}
