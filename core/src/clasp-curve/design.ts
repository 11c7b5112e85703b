import { checkOneOf, checkPositive, checkRange } from '../check.ts';
import { BASE_DIAMETER_MM } from './priors.ts';
import { CHALK_KINDS, EFFECTS, GRIPS, HOLD_POSITIONS, type Effect, type HoldConditions } from './types.ts';

const BASE = { grip: 'doubleOverhand', chalk: 'block', position: 'front', earlierHolds: 0 } as const;

/** How much of each effect is present under the given conditions: 0 or 1, or mm and a count for the last two. */
export function effectSizes(conditions: HoldConditions, field = 'conditions'): Record<Effect, number> {
  const grip = checkOneOf(`${field}.grip`, conditions.grip ?? BASE.grip, GRIPS);
  const chalk = checkOneOf(`${field}.chalk`, conditions.chalk ?? BASE.chalk, CHALK_KINDS);
  const position = checkOneOf(`${field}.position`, conditions.position ?? BASE.position, HOLD_POSITIONS);
  const diameter = checkPositive(`${field}.diameter`, conditions.diameter ?? BASE_DIAMETER_MM, 200);
  const earlier = checkRange(`${field}.earlierHolds`, conditions.earlierHolds ?? BASE.earlierHolds, 0, 100);
  return {
    mixed: grip === 'mixed' ? 1 : 0,
    hook: grip === 'hook' ? 1 : 0,
    noChalk: chalk === 'none' ? 1 : 0,
    liquidChalk: chalk === 'liquid' ? 1 : 0,
    behindBack: position === 'behindBack' ? 1 : 0,
    supinated: position === 'supinated' ? 1 : 0,
    extraDiameterMm: diameter - BASE_DIAMETER_MM,
    earlierHolds: earlier,
  };
}

/** The effects that are present in at least one of the rows. */
export function presentEffects(rows: readonly Record<Effect, number>[]): Effect[] {
  return EFFECTS.filter((effect) => rows.some((row) => row[effect] !== 0));
}
