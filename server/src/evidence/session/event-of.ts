import type { EventRules } from '@iron-clasp/core';
import type { Meet } from '../../records/meets/meet.entity.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';

/** The rules of a meet as the engine takes them. */
export function rulesOf({ name, straps, thumbTape, liquidChalk }: Meet): EventRules {
  return { name, straps, thumbTape, liquidChalk };
}

/** The rulebook that binds a session: that of the meet on its day, and of the next meet where it is rehearsed. */
export function eventOf(
  { heldOn, rehearsesMeet }: Pick<TrainingSession, 'heldOn' | 'rehearsesMeet'>,
  meet: Meet | null,
): EventRules | undefined {
  if (!meet) return undefined;
  if (meet.heldOn === heldOn) return rulesOf(meet);
  return rehearsesMeet && heldOn < meet.heldOn ? { ...rulesOf(meet), rehearsal: true } : undefined;
}
