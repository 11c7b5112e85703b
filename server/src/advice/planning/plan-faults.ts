import { planFaults, type PlanFault } from '@iron-clasp/core';
import type { VenueKit } from '../../records/kit/kit.service.ts';
import type { PlannedSet } from '../../records/training/training.entity.ts';

/** What the venue cannot give of the planned sets. */
export function faultsOf(sets: readonly PlannedSet[], { venue, equipment }: VenueKit): PlanFault[] {
  return planFaults(
    sets.map(({ liftId, role, load }) => ({ lift: liftId, role, load })),
    { name: venue.name, ...equipment, ...(venue.has && { has: venue.has }) },
  );
}
