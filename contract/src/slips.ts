import {
  cluesOf,
  type ChalkKind,
  type Grip,
  type LoggedSlip,
  type SetRole,
  type SlipSign,
} from '@iron-clasp/core';

/** A set in which the grip failed, as it is being said or as it was logged; what nobody said is null or left out. */
export interface SlippedSet {
  readonly reps: number;
  readonly slippedAtRep: number;
  readonly grip: Grip;
  readonly chalk: ChalkKind;
  readonly confidence?: number | null;
  readonly pain?: number | null;
  /** What the coach saw. */
  readonly signs?: readonly SlipSign[];
}

/**
 * A slipped set as the causes of slips look at it.
 * @param expected chance of holding that the call before the set gave, 0–1; null where it called no bare grip.
 */
export function slipOf(
  { liftId, role }: { readonly liftId: string; readonly role: SetRole },
  { reps, slippedAtRep, grip, chalk, confidence, pain, signs = [] }: SlippedSet,
  expected: number | null,
): LoggedSlip {
  return {
    ...{ lift: liftId, role, reps, slippedAtRep, grip, chalk },
    ...(confidence != null && { confidence }),
    ...(pain != null && grip === 'hook' && { thumbPain: pain }),
    ...(expected !== null && { expected }),
    ...cluesOf(signs),
  };
}
