import { STRAP_NAMES } from '../vocabulary.ts';
import { CHALK_KINDS, type ChalkKind } from '../clasp-curve/types.ts';
import { STRAP_TYPES } from '../set-demand/lift.ts';
import type { CallRule, RuleEffect, RuleFacts } from './rules.ts';

/** The rulebook of the day. */
export const EVENT_RULES: readonly CallRule[] = [
  {
    id: 'event.straps-barred',
    rank: 'event',
    reason: 'The rulebook of the day bars straps.',
    effect: ({ event }) =>
      event && !event.straps
        ? { bars: ['straps'], text: `${event.name}: the rulebook bars straps.` }
        : undefined,
  },
  {
    id: 'event.straps-always-used',
    rank: 'event',
    reason: 'The rulebook of the day allows straps, so they are used.',
    effect: ({ event, lift, role }) =>
      event?.straps && lift.straps.allowed && (role === 'attempt' || role === 'top')
        ? { strapsFirst: true, text: `${event.name}: the rulebook allows straps, so they are used.` }
        : undefined,
  },
  {
    id: 'event.thumb-tape-barred',
    rank: 'event',
    reason: 'The rulebook of the day bars thumb tape.',
    effect: ({ event, lift }) =>
      event && !event.thumbTape && lift.admits.includes('hook')
        ? { noTape: true, text: `${event.name}: the rulebook bars thumb tape.` }
        : undefined,
  },
  {
    id: 'event.liquid-chalk-barred',
    rank: 'event',
    reason: 'The rulebook of the day bars liquid chalk.',
    effect: ({ event, venue, lift }) =>
      event && !event.liquidChalk && venue?.chalk === 'liquid' && lift.chalk
        ? {
            chalkAtMost: 'none',
            text: `${event.name}: the rulebook bars liquid chalk, and the house allows no other.`,
          }
        : undefined,
  },
];

/** House rules and what is at hand. */
export const VENUE_RULES: readonly CallRule[] = [
  {
    id: 'venue.liquid-chalk-only',
    rank: 'venue',
    reason: 'The house allows liquid chalk only.',
    effect: ({ venue, lift }) =>
      venue?.chalk === 'liquid' && lift.chalk
        ? { chalkAtMost: 'liquid', text: `${venue.name}: liquid chalk only.` }
        : undefined,
  },
  {
    id: 'venue.no-chalk',
    rank: 'venue',
    reason: 'The house allows no chalk.',
    effect: ({ venue, lift }) =>
      venue?.chalk === 'none' && lift.chalk
        ? { chalkAtMost: 'none', text: `${venue.name}: no chalk.` }
        : undefined,
  },
  {
    id: 'venue.strap-types-at-hand',
    rank: 'venue',
    reason: 'Only the straps at hand can be used.',
    effect: ({ venue, lift }: RuleFacts): RuleEffect | undefined => {
      if (!venue?.straps || !lift.straps.allowed) return undefined;
      const missing = STRAP_TYPES.filter((type) => !venue.straps!.includes(type));
      if (!missing.length) return undefined;
      const words =
        missing.length === STRAP_TYPES.length
          ? 'no straps at hand'
          : `straps at hand: ${venue.straps.map((type) => STRAP_NAMES[type]).join(', ')}`;
      return { barsStrapTypes: missing, text: `${venue.name}: ${words}.` };
    },
  },
];

const LIMITING_CHALK = [...EVENT_RULES, ...VENUE_RULES];

/** The chalk that house and rulebook leave: the strictest of what they say. */
export function chalkAllowed(facts: RuleFacts): ChalkKind {
  return LIMITING_CHALK.reduce<ChalkKind>((least, rule) => {
    const most = rule.effect(facts)?.chalkAtMost;
    return most && CHALK_KINDS.indexOf(most) > CHALK_KINDS.indexOf(least) ? most : least;
  }, 'block');
}
