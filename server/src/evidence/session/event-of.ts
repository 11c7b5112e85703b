import { findLift, type EventRules } from '@iron-clasp/core';
import type { Meet } from '../../records/meets/meet.entity.ts';
import type { PlannedSet, TrainingSession } from '../../records/training/training.entity.ts';

/** The rules of a meet as the engine takes them; for a lift that is an event of its own, those of the event. */
export function rulesOf({ name, straps, thumbTape, liquidChalk, events }: Meet, liftId?: string): EventRules {
  const own = events.find((each) => each.liftId === liftId);
  if (!own) return { name, straps, thumbTape, liquidChalk };
  return { name: `${name}, ${findLift(own.liftId)!.name}`, straps: own.straps, thumbTape, liquidChalk };
}

type OnDay = Pick<TrainingSession, 'heldOn'>;

/** The bar of a lift at a meet, mm: the event's own, else the meet's; undefined where nobody knows. */
export function meetBar({ events, barDiameter }: Meet, liftId: string): number | undefined {
  return events.find((each) => each.liftId === liftId)?.barDiameter ?? barDiameter ?? undefined;
}

/** The bar of an event of its own on the day of the meet, mm: it outranks what the lift is usually done on, but no handle. */
export function eventBar(
  { heldOn }: OnDay,
  meet: Meet | null,
  { liftId, handle }: Pick<PlannedSet, 'liftId' | 'handle'>,
): number | undefined {
  if (meet?.heldOn !== heldOn || handle) return undefined;
  return meet.events.find((each) => each.liftId === liftId)?.barDiameter ?? undefined;
}

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
