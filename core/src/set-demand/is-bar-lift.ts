import type { KitNeed, Lift } from './lift.ts';
import { liftOf } from './lifts.ts';

/** Kit that changes the bar or where it stands, not that there is one. */
const STILL_A_BAR: readonly KitNeed[] = ['rack', 'thickBar', 'axle', 'block'];

/**
 * Is the lift done with plates on a bar, so that its load must be made from a venue's plates? Dumbbells, cables,
 * handles, hangs and hand work are loaded as they are written.
 * @throws InvalidInputError for a lift that is not in the catalogue.
 * @example isBarLift('deadlift.conventional') // true
 * @example isBarLift('row.dumbbell') // false
 */
export function isBarLift(lift: Lift | string): boolean {
  const { loadMeans, needs } = liftOf(lift);
  return loadMeans === 'total' && needs.every((need) => STILL_A_BAR.includes(need));
}

/**
 * May a set of the lift carry nothing? The body alone may, and work that hangs from no hand, as a band.
 * @throws InvalidInputError for a lift that is not in the catalogue.
 * @example mayCarryNothing('hang.dead') // true
 * @example mayCarryNothing('deadlift.conventional') // false
 */
export function mayCarryNothing(lift: Lift | string): boolean {
  const { loadMeans, curve } = liftOf(lift);
  return loadMeans === 'addedToBody' || curve === null;
}
