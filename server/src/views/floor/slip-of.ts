import type { LoggedSlip, SetCall } from '@iron-clasp/core';
import type { CalledSet } from '@iron-clasp/contract';

/** A slipped set as the causes of slips look at it, with the call that was made before it. */
export function slipOf({ liftId, role, done }: CalledSet, { probability }: SetCall): LoggedSlip {
  const { reps, slippedAtRep, grip, chalk, confidence, pain } = done!;
  return {
    lift: liftId,
    role,
    reps,
    slippedAtRep: slippedAtRep!,
    grip,
    chalk,
    ...(confidence !== null && { confidence }),
    ...(pain !== null && grip === 'hook' && { thumbPain: pain }),
    ...(probability !== null && { expected: probability }),
  };
}
