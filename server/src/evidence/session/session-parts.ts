import { findLift, type HoldRequest, type Lift, type LineTerms } from '@iron-clasp/core';
import { OnceFor } from '../../platform/memory/once-for.ts';
import type { VenueKit } from '../../records/kit/kit.service.ts';
import type { Meet } from '../../records/meets/meet.entity.ts';
import type { PlannedSet, TrainingSession } from '../../records/training/training.entity.ts';
import { fixedDiameter } from './event-of.ts';

const venues = new OnceFor<VenueKit, HoldRequest['venue']>();

/** A venue as the engine takes it: one object a kit, which the engine looks over once. */
export const venueOf = (kit: VenueKit): HoldRequest['venue'] =>
  venues.of(kit, () => ({
    name: kit.venue.name,
    chalk: kit.venue.chalk,
    barDiameter: kit.bar.diameter,
    ...(kit.venue.straps && { straps: kit.venue.straps }),
  }));

/** The lift of a planned set; sets are only stored with lifts of the catalogue. */
export function liftOf(set: PlannedSet): Lift {
  const lift = findLift(set.liftId);
  if (!lift) throw new Error(`Planned set ${set.id} names the unknown lift ${set.liftId}.`);
  return lift;
}

/** Are two planned sets the same work once more: lift, role and load alike? */
export function sameWork(a: PlannedSet | undefined, b: PlannedSet | undefined): boolean {
  return a !== undefined && a.liftId === b?.liftId && a.role === b.role && a.load === b.load;
}

/** The kit of a session that keeps chalk or a bar's diameter of its own, or stands on the meet's bar. */
export function ownKit(
  kit: VenueKit,
  session: Pick<TrainingSession, 'ownChalk' | 'ownDiameter' | 'heldOn'>,
  meet: Meet | null,
): VenueKit {
  return {
    ...kit,
    venue: { ...kit.venue, chalk: session.ownChalk ?? kit.venue.chalk },
    bar: { ...kit.bar, diameter: fixedDiameter(session, meet) ?? kit.bar.diameter },
  };
}

/** What the line of a planned set says beside sets and load. */
export function termsOf({ purpose, fixed, under, handle, hand, rest }: PlannedSet): LineTerms {
  return {
    ...(purpose && { purpose }),
    ...(fixed && { fixed }),
    ...(under && { under }),
    ...(handle && { handle }),
    ...(hand && { hand }),
    ...(rest && { rest }),
  };
}
