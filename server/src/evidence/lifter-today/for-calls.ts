import { profileConflicts, type CallLifter, type ProfileConflict } from '@iron-clasp/core';
import { differenceInMonths, parseISO } from 'date-fns';
import { OnceFor } from '../../platform/memory/once-for.ts';
import type { LifterProfile } from './lifter-today.service.ts';

const known = new OnceFor<LifterProfile, CallLifter>();

/** What the engine has to know about the lifter: one object a profile, which the engine looks over once. */
export const forCalls = (profile: LifterProfile): CallLifter => known.of(profile, () => askedOf(profile));

function askedOf(profile: LifterProfile): CallLifter {
  const { lifter, history, hands, nextMeet } = profile;
  return {
    dominantHand: lifter.dominantHand,
    trainingMonths: trainingMonths(profile),
    deadliftMax: lifter.deadliftMax,
    flags: history.map(({ kind, side, cleared }) => ({ kind, cleared, ...(side && { side }) })),
    hands,
    hookStage: lifter.hookStage,
    thresholds: lifter.thresholds,
    tightThighs: lifter.largeThighs,
    alternation: lifter.alternation,
    clenches: lifter.clenches,
    armsBendUnderMixed: lifter.armsBendUnderMixed,
    ...(lifter.practisedUnder && { practisedUnder: lifter.practisedUnder }),
    ...(lifter.thumbFingers && { thumbFingers: lifter.thumbFingers }),
    ...(nextMeet && { nextEventStraps: nextMeet.straps }),
  };
}

/** What in the profile does not go together. */
export function conflictsOf(profile: LifterProfile): ProfileConflict[] {
  const { lifter, school, history, nextMeet } = profile;
  return profileConflicts({
    sport: lifter.sport,
    stance: lifter.stance,
    largeThighs: lifter.largeThighs,
    trainingMonths: trainingMonths(profile),
    hookStage: lifter.hookStage,
    history: history.map(({ kind, side, cleared, since }) => ({
      ...{ kind, cleared },
      ...(side && { side }),
      ...(since && { monthsAgo: Math.max(0, differenceInMonths(parseISO(profile.today), parseISO(since))) }),
    })),
    school,
    ...(nextMeet && { nextEventStraps: nextMeet.straps }),
  });
}

/** Whole months of training up to today. */
export function trainingMonths({ lifter, today }: LifterProfile): number {
  return Math.max(0, differenceInMonths(parseISO(today), parseISO(lifter.trainingSince)));
}
