import { findLift, type HoldRequest, type Lift } from '@iron-clasp/core';
import type { VenueKit } from '../../records/kit/kit.service.ts';
import type { PlannedSet } from '../../records/training/training.entity.ts';

/** A venue as the engine takes it. */
export function venueOf({ venue, bar }: VenueKit): HoldRequest['venue'] {
  return {
    name: venue.name,
    chalk: venue.chalk,
    barDiameter: bar.diameter,
    ...(venue.straps && { straps: venue.straps }),
  };
}

/** The lift of a planned set; sets are only stored with lifts of the catalogue. */
export function liftOf(set: PlannedSet): Lift {
  const lift = findLift(set.liftId);
  if (!lift) throw new Error(`Planned set ${set.id} names the unknown lift ${set.liftId}.`);
  return lift;
}
