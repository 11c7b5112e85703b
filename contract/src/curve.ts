import type { Ending, Estimate, Grip, HoldCurve } from '@iron-clasp/core';

export interface CurvePoint {
  readonly load: number;
  readonly seconds: number;
  readonly ended: Ending;
  readonly grip: Grip;
  readonly ageDays: number;
  readonly source: 'hold' | 'set';
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
  /** What the next session's heaviest sets ask of the hands. */
  readonly demands: readonly {
    readonly label: string;
    readonly load: number;
    readonly seconds: number;
    readonly grip: Grip;
  }[];
}
