import { ADAPTATION_RULES } from './adaptation-rules.ts';
import { EVENT_RULES, VENUE_RULES } from './event-and-venue-rules.ts';
import { LIFT_RULES } from './lift-rules.ts';
import type { CallRule } from './rules.ts';
import { SAFETY_RULES } from './safety-rules.ts';

/** Every rule that is read before school and coach are heard, in the order in which they outrank one another. */
export const CALL_RULES: readonly CallRule[] = [
  ...SAFETY_RULES,
  ...EVENT_RULES,
  ...VENUE_RULES,
  ...LIFT_RULES,
  ...ADAPTATION_RULES,
];
