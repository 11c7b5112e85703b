import {
  BASE_DIAMETER_MM,
  callSet,
  findLift,
  type HoldCurve,
  type MixedLedger,
  type SetCall,
} from '@iron-clasp/core';
import { meetBar, rulesOf } from '../../evidence/session/event-of.ts';
import { forCalls } from '../../evidence/lifter-today/for-calls.ts';
import type { LifterProfile } from '../../evidence/lifter-today/lifter-today.service.ts';

/** A planned attempt with its call under the rules of the meet. */
export interface AttemptCall {
  /** kg. */
  readonly load: number;
  readonly call: SetCall;
}

/**
 * The attempts of the next meet as they are called on the day: its rulebook, its bar, block chalk, the hands as they are
 * now, each after the ones before it. Every page that speaks of an attempt asks this; empty where none is planned.
 */
export function attemptCalls(
  profile: LifterProfile,
  { curve, ledger }: { readonly curve: HoldCurve; readonly ledger: MixedLedger },
): AttemptCall[] {
  const { nextMeet: meet, lifter, school } = profile;
  if (!meet) return [];
  const lift = findLift(lifter.stance === 'sumo' ? 'deadlift.sumo' : 'deadlift.conventional')!;
  return meet.attempts.map((load, i) => ({
    load,
    call: callSet({
      lifter: forCalls(profile),
      ...{ school, schools: [], curve, ledger, event: rulesOf(meet, lift.id) },
      venue: {
        name: meet.place || meet.name,
        chalk: 'block',
        barDiameter: meetBar(meet, lift.id) ?? BASE_DIAMETER_MM,
      },
      set: { ...{ lift, load, reps: 1, role: 'attempt' }, earlierHolds: i, max: lifter.deadliftMax },
    }),
  }));
}
