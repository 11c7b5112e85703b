import { GRIP_NAMES } from '../vocabulary.ts';
import { GRIPS } from '../clasp-curve/types.ts';
import type { StrapType } from '../set-demand/lift.ts';
import { STRAP_REFUSALS } from '../set-demand/lift-families.ts';
import type { CallRule, RuleEffect, RuleFacts } from './rules.ts';
import { handsDamaged } from './safety-rules.ts';
import { capital } from './plain-words.ts';

/** Straps that do not come off the bar when the hand opens. */
const FIXED_STRAPS: readonly StrapType[] = ['figureEight', 'heavyDuty'];

const sentence = (text: string): string => (text.endsWith('.') ? text : `${text}.`);

const refusals: readonly CallRule[] = STRAP_REFUSALS.map(({ ruleId, reason }) => ({
  id: ruleId,
  rank: 'lift',
  reason: sentence(capital(reason)),
  effect: ({ lift }) =>
    !lift.straps.allowed && lift.straps.ruleId === ruleId
      ? { bars: ['straps'], text: sentence(`${lift.name}: ${reason}`) }
      : undefined,
}));
const known = new Set(STRAP_REFUSALS.map((each) => each.ruleId));

/** What the lift itself admits. */
export const LIFT_RULES: readonly CallRule[] = [
  ...refusals,
  {
    id: 'lift.straps-not-admitted',
    rank: 'lift',
    reason: 'The club’s own figures for the lift admit no straps.',
    effect: ({ lift }) =>
      !lift.straps.allowed && !known.has(lift.straps.ruleId)
        ? { bars: ['straps'], text: sentence(`${lift.name}: ${lift.straps.reason}`) }
        : undefined,
  },
  {
    id: 'lift.no-straps-on-grip-work',
    rank: 'lift',
    reason:
      'A carry, hold or thick-bar pull that is there for the grip is not strapped: the hand is what is trained.',
    effect: ({ lift, purpose, event, lifter }) =>
      lift.straps.allowed &&
      (purpose === 'grip' || (lift.family === 'carry' && purpose !== 'event')) &&
      !(lift.family === 'carry' && handsDamaged(lifter)) &&
      !event?.straps
        ? { bars: ['straps'] }
        : undefined,
  },
  {
    id: 'lift.no-straps-on-snatch-singles',
    rank: 'lift',
    reason: 'No straps on snatch singles or doubles unless the hands are damaged.',
    effect: ({ lift, reps, lifter }) =>
      lift.family === 'snatch' && reps < 3 && !handsDamaged(lifter) ? { bars: ['straps'] } : undefined,
  },
  {
    id: 'lift.no-fixed-straps-on-dropped-bars',
    rank: 'lift',
    reason: 'The bar must be let go at once: no figure-eight or heavy-duty straps.',
    effect: ({ lift }) =>
      lift.mustDropFast && lift.straps.allowed ? { barsStrapTypes: FIXED_STRAPS } : undefined,
  },
  {
    id: 'lift.grip-not-admitted',
    rank: 'lift',
    reason: 'The grip has no place on this lift.',
    effect: ({ lift }: RuleFacts): RuleEffect | undefined => {
      const bars = GRIPS.filter((grip) => !lift.admits.includes(grip));
      if (!lift.grips || bars.length === 0) return undefined;
      return {
        bars,
        text: `${lift.name}: no place for ${bars.map((grip) => GRIP_NAMES[grip]).join(' or ')} grip on this lift.`,
      };
    },
  },
];
