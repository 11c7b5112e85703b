import { STRAP_NAMES } from '../vocabulary.ts';
import { STRAP_TYPES, type StrapFit, type StrapType } from '../set-demand/lift.ts';
import type { Barred } from './rules.ts';
import { applies, type PolicyFacts } from './school-policy.ts';
import type { School } from './school.ts';
import type { Reason } from './types.ts';
import { capital } from './plain-words.ts';

/** Where the lift names none: rework of the strap between sets matters more than the last bit of hold. */
const USUAL_FIT: StrapFit = {
  type: 'loop',
  turns: 2,
  reason: 'a loop with two turns holds and comes off between sets',
};

/** Turns that a strap of each type is wound where it stands in for another. */
const STAND_IN_TURNS: Record<StrapType, number> = {
  loop: 2,
  plain: 3,
  quickRelease: 1,
  figureEight: 1,
  heavyDuty: 3,
};

/** Which strap, how many turns, and why: the school's where it has one for the set, else the lift's, else one at hand. */
export function strapCall(
  school: School,
  facts: PolicyFacts,
  barred: Barred,
): { type: StrapType; turns: number; reason: Reason } {
  const own = school.strapFits.find((each) => applies(each, facts) && !barred.strapTypes.has(each.fit.type));
  const fit = own?.fit ?? facts.set.lift.strapFit ?? USUAL_FIT;
  const instead = barred.strapTypes.has(fit.type)
    ? STRAP_TYPES.find((type) => !barred.strapTypes.has(type))
    : undefined;
  const type = instead ?? fit.type;
  const turns = instead ? STAND_IN_TURNS[instead] : fit.turns;
  const why = instead ? `the best of what may be used here in place of ${STRAP_NAMES[fit.type]}` : fit.reason;
  return {
    type,
    turns,
    reason: {
      ruleId: own?.id ?? `lift.strap-type.${type}`,
      rank: own ? 'school' : 'lift',
      text: `${capital(STRAP_NAMES[type])} straps, ${turns} ${turns === 1 ? 'turn' : 'turns'}: ${why}.`,
    },
  };
}
