import { findLift, type EventRules, type SetRole } from '@iron-clasp/core';
import type { Meet } from '../../records/meets/meet.entity.ts';
import type { PlannedSet, TrainingSession } from '../../records/training/training.entity.ts';

/** The event that a lift is at a meet, where it is one of its own. */
const ownEvent = ({ events }: Meet, liftId: string | undefined): Meet['events'][number] | undefined =>
  events.find((each) => each.liftId === liftId);

/** The rules of a meet as the engine takes them; for a lift that is an event of its own, those of the event. */
export function rulesOf(meet: Meet, liftId?: string): EventRules {
  const { name, straps, thumbTape, liquidChalk } = meet;
  const own = ownEvent(meet, liftId);
  if (!own) return { name, straps, thumbTape, liquidChalk };
  return { name: `${name}, ${findLift(own.liftId)!.name}`, straps: own.straps, thumbTape, liquidChalk };
}

type OnDay = Pick<TrainingSession, 'heldOn'>;

/** The bar of a lift at a meet, mm: the event's own, else the meet's; undefined where nobody knows. */
export function meetBar(meet: Meet, liftId: string): number | undefined {
  return ownEvent(meet, liftId)?.barDiameter ?? meet.barDiameter ?? undefined;
}

/** The bar of an event of its own on the day of the meet, mm: it outranks what the lift is usually done on, but no handle. */
export function eventBar(
  { heldOn }: OnDay,
  meet: Meet | null,
  { liftId, handle }: Pick<PlannedSet, 'liftId' | 'handle'>,
): number | undefined {
  if (meet?.heldOn !== heldOn || handle) return undefined;
  return ownEvent(meet, liftId)?.barDiameter ?? undefined;
}

/** What a set of a session is for: on the day of the meet, and where it is rehearsed, a top set is an attempt. */
export const roleUnder = (event: EventRules | undefined, role: SetRole): SetRole =>
  event && role === 'top' ? 'attempt' : role;

/** The diameter of whatever bar a session uses, mm: its own, or the meet's on its day; null where it is the bar's. */
export function fixedDiameter(
  { heldOn, ownDiameter }: OnDay & Pick<TrainingSession, 'ownDiameter'>,
  meet: Meet | null,
): number | null {
  return ownDiameter ?? (meet?.heldOn === heldOn ? meet.barDiameter : null);
}

/** The rulebook that binds a session: that of the meet on its day, and of the next meet where it is rehearsed. */
export function eventOf(
  { heldOn, rehearsesMeet }: Pick<TrainingSession, 'heldOn' | 'rehearsesMeet'>,
  meet: Meet | null,
  liftId?: string,
): EventRules | undefined {
  if (!meet) return undefined;
  if (meet.heldOn === heldOn) return rulesOf(meet, liftId);
  return rehearsesMeet && heldOn < meet.heldOn ? { ...rulesOf(meet, liftId), rehearsal: true } : undefined;
}
