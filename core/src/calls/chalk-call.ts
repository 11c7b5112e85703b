import type { ChalkKind } from '../clasp-curve/types.ts';
import type { Lift, LiftFamily } from '../set-demand/lift.ts';
import type { ChalkCall, GripChoice, SetToCall } from './types.ts';

/** Where chalk goes for each grip; the web between thumb and index finger is always part of a bare one. */
export const CHALK_PLACES: Record<GripChoice, readonly string[]> = {
  doubleOverhand: ['palm and fingers', 'web of the thumb'],
  mixed: ['palm and fingers', 'web of the thumb'],
  hook: ['palm and fingers', 'web of the thumb', 'outer side of the thumb'],
  straps: ['palm and fingers'],
};

/** Places that a lift family adds to those of the grip, or has instead where there is no grip to call. */
export const FAMILY_CHALK_PLACES: Partial<Record<LiftFamily, readonly string[]>> = {
  hold: ['finger where the thumb locks on'],
  press: ['heel of the hand'],
  squat: ['back at bar height'],
  pinch: ['thumb pad', 'finger pads'],
};

/** A warm-up that the dry hand holds nearly for certain needs no chalk; everything else gets what the house allows. */
export const DRY_ENOUGH = 0.99;

/** Kind and places of chalk. `dry` is the chance that the choice holds without any; sweat matters where no hand holds the bar. */
export function chalkCall(
  { lift, role }: Pick<SetToCall, 'role'> & { readonly lift: Lift },
  choice: GripChoice | null,
  allowed: ChalkKind,
  dry: () => number,
  sweat = false,
): ChalkCall {
  const none: ChalkCall = { kind: 'none', where: [] };
  if (allowed === 'none' || !lift.chalk || (lift.grips && !choice)) return none;
  // A dry back holds the bar without: only heat and sweat are a reason to chalk a squat.
  if (lift.family === 'squat' && !sweat) return none;
  if (role === 'warmup' && (!choice || (choice !== 'straps' && dry() >= DRY_ENOUGH))) return none;
  return {
    kind: allowed,
    where: [...(choice ? CHALK_PLACES[choice] : []), ...(FAMILY_CHALK_PLACES[lift.family] ?? [])],
  };
}
