import type {
  Asymmetry,
  BackOffForetelling,
  Estimate,
  Grip,
  LevelChange,
  MixedLedger,
  SameLoad,
  Side,
  SqueezeAgainstHold,
} from '@iron-clasp/core';

/** What a bare grip has held and lost in the recent log. */
export interface GripRecord {
  readonly grip: Grip;
  readonly sets: number;
  readonly slips: number;
  /** kg; null where none slipped, or none was held. */
  readonly lightestSlip: number | null;
  readonly heaviestHeld: number | null;
}

/** A lifter against their own history. */
export interface CompareView {
  readonly today: string;
  /** What became of the load held as long from a week ago to today, by the moving level; null without a log. */
  readonly week: LevelChange | null;
  readonly sameLoad: readonly (SameLoad & { readonly liftName: string })[];
  readonly backOff: readonly BackOffForetelling[];
  readonly grips: readonly GripRecord[];
  readonly sides: {
    /** Best of each hand by test, kgf, the earliest first. */
    readonly squeeze: readonly {
      readonly on: string;
      readonly left: number | null;
      readonly right: number | null;
    }[];
    readonly asymmetry: Asymmetry | null;
    /** Resistance closed as often as not, kg. */
    readonly gripper: Readonly<Record<Side, Estimate>> | null;
    readonly ledger: MixedLedger;
    readonly nextUnder: Side;
    /** Worst pain of hand or elbow in the checks of the last eight weeks, 0–10. */
    readonly worstPain: Readonly<Record<Side, number>>;
  };
  readonly squeezeAgainstHold: SqueezeAgainstHold & {
    readonly points: readonly {
      readonly on: string;
      readonly squeeze: number;
      readonly tenSeconds: Estimate;
    }[];
  };
}
