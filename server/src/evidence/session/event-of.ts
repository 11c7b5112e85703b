import { findLift, type EventRules } from '@iron-clasp/core';
import type { Meet } from '../../records/meets/meet.entity.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';

/** The rules of a meet as the engine takes them; for a lift that is an event of its own, those of the event. */
export function rulesOf({ name, straps, thumbTape, liquidChalk, events }: Meet, liftId?: string): EventRules {
  const own = events.find((each) => each.liftId === liftId);
  if (!own) return { name, straps, thumbTape, liquidChalk };
  return { name: `${name}, ${findLift(own.liftId)!.name}`, straps: own.straps, thumbTape, liquidChalk };
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
