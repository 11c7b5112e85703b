import { otherSide, type Side } from './hand-state.ts';

/** One mixed-grip set as the ledger needs it. */
export interface MixedSet {
  readonly sideUnder: Side;
  readonly reps: number;
  /** kg. */
  readonly load: number;
  /** s on the bar. */
  readonly seconds: number;
}

export interface LedgerSide {
  readonly sets: number;
  readonly reps: number;
  /** Σ load × reps, kg. */
  readonly loadReps: number;
  /** Σ load × seconds, kg·s. */
  readonly loadSeconds: number;
}

export interface MixedLedger {
  readonly left: LedgerSide;
  readonly right: LedgerSide;
  /** |L − R|/(L + R) in load-seconds: 0 even, 1 always the same side; 0 where nothing is logged. */
  readonly imbalance: number;
}

/** Imbalance from which the ledger speaks up: three quarters of the work on one side. */
export const IMBALANCE_FLAG = 0.5;

const EMPTY: LedgerSide = { sets: 0, reps: 0, loadReps: 0, loadSeconds: 0 };

/**
 * The ledger of which palm faced away, and how hard that side worked.
 * @example mixedLedger([{ sideUnder: 'left', reps: 1, load: 180, seconds: 5 }]).imbalance // 1
 */
export function mixedLedger(sets: readonly MixedSet[]): MixedLedger {
  const sides: Record<Side, LedgerSide> = { left: EMPTY, right: EMPTY };
  for (const set of sets) {
    const before = sides[set.sideUnder];
    sides[set.sideUnder] = {
      sets: before.sets + 1,
      reps: before.reps + set.reps,
      loadReps: before.loadReps + set.load * set.reps,
      loadSeconds: before.loadSeconds + set.load * set.seconds,
    };
  }
  const total = sides.left.loadSeconds + sides.right.loadSeconds;
  const imbalance = total === 0 ? 0 : Math.abs(sides.left.loadSeconds - sides.right.loadSeconds) / total;
  return { ...sides, imbalance };
}

/** The side to turn under next: the one with less behind it; with an empty ledger the non-dominant hand. */
export function nextSideUnder(ledger: MixedLedger, dominantHand: Side): Side {
  const { left, right } = ledger;
  if (left.loadSeconds === right.loadSeconds) return otherSide(dominantHand);
  return left.loadSeconds < right.loadSeconds ? 'left' : 'right';
}
