import { checkBoolean, checkOneOf, checkPositive, checkRange } from '../check.ts';
import { BASE_DIAMETER_MM } from './priors.ts';
import {
  CHALK_KINDS,
  EFFECTS,
  GRIPS,
  HANDS_ON,
  HOLD_POSITIONS,
  type Effect,
  type HoldConditions,
} from './types.ts';

const BASE = {
  grip: 'doubleOverhand',
  chalk: 'block',
  position: 'front',
  earlierHolds: 0,
  hand: 'both',
  sweat: false,
} as const;

/** How much of each effect is present under the given conditions: 0 or 1, or mm and a count for the last two. */
export function effectSizes(conditions: HoldConditions, field = 'conditions'): Record<Effect, number> {
  const grip = conditions.grip ?? BASE.grip;
  const chalk = conditions.chalk ?? BASE.chalk;
  const position = conditions.position ?? BASE.position;
  const diameter = conditions.diameter ?? BASE_DIAMETER_MM;
  const earlier = conditions.earlierHolds ?? BASE.earlierHolds;
  const hand = conditions.hand ?? BASE.hand;
  const sweat = conditions.sweat ?? BASE.sweat;
  // A fit asks this of a thousand rows: the path of each field is only spelt out where something is wrong.
  const fine =
    GRIPS.includes(grip) &&
    CHALK_KINDS.includes(chalk) &&
    HOLD_POSITIONS.includes(position) &&
    HANDS_ON.includes(hand) &&
    typeof sweat === 'boolean' &&
    typeof diameter === 'number' &&
    diameter > 0 &&
    diameter <= MAX_DIAMETER_MM &&
    typeof earlier === 'number' &&
    earlier >= 0 &&
    earlier <= MAX_EARLIER_HOLDS;
  if (!fine) {
    checkOneOf(`${field}.grip`, grip, GRIPS);
    checkOneOf(`${field}.chalk`, chalk, CHALK_KINDS);
    checkOneOf(`${field}.position`, position, HOLD_POSITIONS);
    checkOneOf(`${field}.hand`, hand, HANDS_ON);
    checkBoolean(`${field}.sweat`, sweat);
    checkPositive(`${field}.diameter`, diameter, MAX_DIAMETER_MM);
    checkRange(`${field}.earlierHolds`, earlier, 0, MAX_EARLIER_HOLDS);
  }
  return {
    mixed: grip === 'mixed' ? 1 : 0,
    hook: grip === 'hook' ? 1 : 0,
    noChalk: chalk === 'none' ? 1 : 0,
    liquidChalk: chalk === 'liquid' ? 1 : 0,
    behindBack: position === 'behindBack' ? 1 : 0,
    supinated: position === 'supinated' ? 1 : 0,
    extraDiameterMm: diameter - BASE_DIAMETER_MM,
    earlierHolds: earlier,
    leftHand: hand === 'left' ? 1 : 0,
    rightHand: hand === 'right' ? 1 : 0,
    sweat: sweat ? 1 : 0,
  };
}

const MAX_DIAMETER_MM = 200;
const MAX_EARLIER_HOLDS = 100;

/** The effects that are present in at least one of the rows. */
export function presentEffects(rows: readonly Record<Effect, number>[]): Effect[] {
  return EFFECTS.filter((effect) => rows.some((row) => row[effect] !== 0));
}
