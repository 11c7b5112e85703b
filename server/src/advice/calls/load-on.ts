import { isBarLift, loadBar, type BarLoading, type HoldEquipment } from '@iron-clasp/core';
import type { PlannedSet } from '../../records/training/training.entity.ts';
import { liftOf } from '../../evidence/session/session-parts.ts';

/** What the plates of the venue make of a planned set; what hangs from no bar is its load. */
export function loadOn(set: PlannedSet, equipment: HoldEquipment): BarLoading {
  return isBarLift(liftOf(set))
    ? loadBar({ target: set.load, ...equipment }).nearest
    : { total: set.load, perSide: [] };
}

/** The heaviest load at or below one that the plates can make; null where there is none. */
export function loadBelow(set: PlannedSet, load: number, equipment: HoldEquipment): number | null {
  if (!isBarLift(liftOf(set))) return load;
  return loadBar({ target: load, ...equipment }).atOrBelow?.total ?? null;
}
