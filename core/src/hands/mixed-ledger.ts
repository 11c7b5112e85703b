import { checkOneOf } from '../check.ts';
import { listOf, oneOf, range, record, whole, type Check } from '../shape.ts';
import { otherSide, SIDES, type Side } from './hand-state.ts';

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

const EMPTY_LEDGER: MixedLedger = { left: EMPTY, right: EMPTY, imbalance: 0 };

const setsCheck: Check = listOf(
  record<MixedSet>({
    sideUnder: oneOf(SIDES),
    reps: whole(1, 1000),
    load: range(0, 2000),
    seconds: range(0, 3600),
  }),
);
const sideCheck: Check = record<LedgerSide>({
  sets: whole(0, 1e9),
  reps: whole(0, 1e9),
  loadReps: range(0, 1e12),
  loadSeconds: range(0, 1e12),
});

/** Asserts a ledger as {@link mixedLedger} makes it. */
export const ledgerCheck: Check = record<MixedLedger>({
  left: sideCheck,
  right: sideCheck,
  imbalance: range(0, 1),
});

/**
 * The ledger of which palm faced away, and how hard that side worked. Loads in kg, times in s.
 * @throws InvalidInputError naming the set and field that cannot be used.
 * @example mixedLedger([{ sideUnder: 'left', reps: 1, load: 180, seconds: 5 }]).imbalance // 1
 */
export function mixedLedger(sets: readonly MixedSet[]): MixedLedger {
  setsCheck('sets', sets);
  return sets.reduce(withMixedSet, EMPTY_LEDGER);
}

/** The ledger with one more set in it; both are taken as checked. */
export function withMixedSet(ledger: MixedLedger, set: MixedSet): MixedLedger {
  const before = ledger[set.sideUnder];
  const sides: Record<Side, LedgerSide> = {
    left: ledger.left,
    right: ledger.right,
    [set.sideUnder]: {
      sets: before.sets + 1,
      reps: before.reps + set.reps,
      loadReps: before.loadReps + set.load * set.reps,
      loadSeconds: before.loadSeconds + set.load * set.seconds,
    },
  };
  const total = sides.left.loadSeconds + sides.right.loadSeconds;
  const imbalance = total === 0 ? 0 : Math.abs(sides.left.loadSeconds - sides.right.loadSeconds) / total;
  return { ...sides, imbalance };
}

/**
 * The side to turn under next: the one with less behind it; with an empty ledger the non-dominant hand.
 * @throws InvalidInputError for something that is no ledger, or an unknown side.
 * @example nextSideUnder(mixedLedger([]), 'right') // 'left'
 */
export function nextSideUnder(ledger: MixedLedger, dominantHand: Side): Side {
  ledgerCheck('ledger', ledger);
  checkOneOf('dominantHand', dominantHand, SIDES);
  const { left, right } = ledger;
  if (left.loadSeconds === right.loadSeconds) return otherSide(dominantHand);
  return left.loadSeconds < right.loadSeconds ? 'left' : 'right';
}
