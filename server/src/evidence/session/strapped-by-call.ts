import { callSet, maxOfLift, type HoldCurve, type MixedLedger } from '@iron-clasp/core';
import type { VenueKit } from '../../records/kit/kit.service.ts';
import type { PlannedSet } from '../../records/training/training.entity.ts';
import { forCalls } from '../lifter-today/for-calls.ts';
import type { LifterProfile } from '../lifter-today/lifter-today.service.ts';
import { liftOf, termsOf, venueOf } from './session-parts.ts';

/** What a planned pull is called from, as far as straps go. */
export interface StrapFacts {
  readonly profile: LifterProfile;
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  readonly kit: VenueKit | undefined;
}

/** Will a heavy planned pull be strapped: by its line, or as the school would call it? Without a venue only the line is known. */
export function isStrappedByCall(set: PlannedSet, { profile, curve, ledger, kit }: StrapFacts): boolean {
  if (set.fixed) return set.fixed === 'straps';
  // Only of heavy pulls does the week ask.
  const heavy = set.role === 'top' || set.role === 'attempt';
  if (!kit || !heavy || liftOf(set).family !== 'deadlift') return false;
  const { deadliftMax, bestLifts } = profile.lifter;
  const best = maxOfLift(set.liftId, { deadliftMax, bests: bestLifts });
  const { rest: _rest, ...terms } = termsOf(set);
  const call = callSet({
    ...{ lifter: forCalls(profile), school: profile.school, schools: [], curve, ledger },
    venue: venueOf(kit),
    set: {
      ...{ lift: liftOf(set), role: set.role, load: set.load, reps: set.reps, style: set.style, ...terms },
      ...(best && { max: best.max }),
    },
  });
  return call.choice === 'straps';
}
