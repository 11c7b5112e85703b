import type { ChalkKind } from '../clasp-curve/types.ts';
import type { LiftFamily } from '../set-demand/lift.ts';
import type { HistoryKind } from '../hands/hand-state.ts';
import type { GripChoice } from './types.ts';

/** What to say when the grip is set. */
export const GRIP_CUES: Record<GripChoice, readonly string[]> = {
  doubleOverhand: ['Bar at the base of the fingers, squeeze before it leaves the floor.'],
  mixed: ['Arms long, elbows locked.', 'Keep the bar against the legs on the side turned under.'],
  hook: [
    'Thumb down the back of the bar, turn from its base, wrist in line with the middle finger.',
    'Two or three fingers over the thumb, then pull back into it.',
  ],
  straps: [
    'Non-dominant hand first; the strap goes under the bar and winds inwards.',
    'Squeeze all the same.',
  ],
};

/** Where chalk goes for each grip; the web between thumb and index finger is always part of it. */
export const CHALK_PLACES: Record<GripChoice, readonly string[]> = {
  doubleOverhand: ['palm and fingers', 'web of the thumb'],
  mixed: ['palm and fingers', 'web of the thumb'],
  hook: ['palm and fingers', 'web of the thumb', 'outer side of the thumb'],
  straps: ['palm and fingers'],
};

/** The finger the thumb locks on takes the load in a hold. */
export const HOLD_CHALK_PLACE = 'finger where the thumb locks on';

export const CHALK_CUES: Record<ChalkKind, string | undefined> = {
  block: undefined,
  liquid: 'Liquid chalk: a small dab, rub in, let it dry before the bar.',
  none: 'No chalk here: dry hands and bar at the contact points.',
};

export const TAPE_CUE = 'Tape the thumb: one turn above and one below the knuckle.';

/** Cautions of the lift families. */
export const FAMILY_CAUTIONS: Partial<Record<LiftFamily, readonly string[]>> = {
  hold: ['Set the safety pins; feet clear of the bar.', 'Stop on sharp pain, numbness or dizziness.'],
  carry: ['Clear the lane; feet free of the handles.'],
};

export const STRAP_CAUTION = 'Nobody near a loaded bar held with straps: it cannot be let go at once.';
export const TORN_SKIN_CAUTION = 'Cover the torn skin; blood on a bar is cleaned before the next lifter.';

/** Cautions of an uncleared history: who must be asked. */
export const HISTORY_CAUTIONS: Record<HistoryKind, string> = {
  bicepsTendon: 'Biceps tendon not cleared: a physician or physiotherapist clears it before heavy pulling.',
  shoulder: 'Shoulder not cleared: a physician or physiotherapist clears it before heavy pulling.',
  elbowTendon: 'Elbow tendon pain: ask a physiotherapist; keep opening work in.',
  thumbArthritis: 'Thumb joint: stop on joint pain; ask a physician.',
  bloodPressure:
    'Blood pressure not cleared: no straining or breath-holding near the limit; ask a physician first.',
  fainting: 'Fainting history not cleared: no near-limit holds; ask a physician first.',
};
