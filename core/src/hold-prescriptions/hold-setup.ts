import type { RuleFacts } from '../calls/rules.ts';
import type { ChalkKind, Grip, HoldConditions } from '../clasp-curve/types.ts';
import { InvalidInputError } from '../errors.ts';
import type { Lift } from '../set-demand/lift.ts';
import { findLift } from '../set-demand/lifts.ts';
import { setDemand, writtenLoad } from '../set-demand/set-demand.ts';
import type { HoldKind } from './hold-kinds.ts';
import type { HoldRequest } from './hold-request.ts';

/** The rules see a hold as accessory work: a thumb that may hook only top sets does not hook holds. */
export function rulesOf({ lifter, venue, event }: HoldRequest, lift: Lift): RuleFacts {
  return { lifter, lift, role: 'accessory', reps: 1, venue, ...(event && { event }) };
}

/** Of what the hand closes on, mm; a pinched plate has a width, not a diameter. */
export function diameterOf({ diameter, venue }: HoldRequest, lift: Lift): number | undefined {
  return lift.curve === 'pinch' ? undefined : (diameter ?? lift.diameter ?? venue.barDiameter);
}

export function conditionsOf(request: HoldRequest, lift: Lift, chalk: ChalkKind, grip: Grip): HoldConditions {
  const diameter = diameterOf(request, lift) ?? request.diameter ?? lift.diameter ?? 28.5;
  return { grip, chalk, position: lift.position, diameter };
}

export function loadOnHands({ bodyMass }: HoldRequest, lift: Lift, load: number): number {
  if (load <= 0 && !(lift.loadMeans === 'addedToBody' && bodyMass)) return 0;
  return setDemand({ lift, reps: 1, seconds: 1, load, ...(bodyMass && { bodyMass }) }).load;
}

export function liftFor(kind: HoldKind, { lift }: HoldRequest): Lift {
  if (lift !== undefined && !kind.lifts.includes(lift))
    throw new InvalidInputError('lift', `one of ${kind.lifts.join(', ')}`, lift);
  return findLift(lift ?? kind.lifts[0])!;
}

/** Most load as written, kg. */
export function ceilingOf(kind: HoldKind, lift: Lift, request: HoldRequest): number {
  if (request.ceiling !== undefined) return request.ceiling;
  if (kind.ceilingShare !== null)
    return writtenLoad(lift, kind.ceilingShare * request.lifter.deadliftMax * lift.dynamicFactor);
  // A hang takes no more than the body's own mass again; a pinch is its own limit.
  return lift.loadMeans === 'addedToBody' ? request.bodyMass! : 2000;
}

export function ceilingText(kind: HoldKind): string {
  const share = kind.ceilingShare;
  if (share === 1) return 'Capped at the deadlift max; only the coach raises that.';
  return share === null
    ? 'Capped at what is safe to add; only the coach raises that.'
    : `Capped at ${Math.round(share * 100)} % of the deadlift max; only the coach raises that.`;
}
