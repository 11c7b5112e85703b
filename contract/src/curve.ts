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

/** How the curve moved: as it was fitted from what was logged by each day. */
export interface CurveMonthsView {
  readonly then: readonly {
    readonly on: string;
    readonly curve: HoldCurve;
    readonly tenSeconds: Estimate;
    readonly thirtySeconds: Estimate;
  }[];
}
