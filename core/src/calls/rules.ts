import type { ChalkKind, Grip } from '../clasp-curve/types.ts';
import { SIDES, type Side } from '../hands/hand-state.ts';
import { STRAP_TYPES, type Lift, type StrapType } from '../set-demand/lift.ts';
import type { SetDemand } from '../set-demand/set-demand.ts';
import type { SetRole } from './set-role.ts';
import type { CallLifter, CallVenue, EventRules, GripChoice, Reason, ReasonRank } from './types.ts';

/** What a rule may look at: the lifter today, the set, the place, and the rulebook of the day. */
export interface RuleFacts {
  readonly lifter: CallLifter;
  readonly lift: Lift;
  readonly role: SetRole;
  readonly reps: number;
  readonly event?: EventRules;
  readonly venue?: CallVenue;
  /** What the set asks of the hand. */
  readonly demand?: SetDemand;
  /** Chance that a bare grip holds that demand. */
  readonly odds?: (grip: Grip) => number;
}

/** What a rule does. */
export interface RuleEffect {
  /** Grips, or straps, that it takes away. */
  readonly bars?: readonly GripChoice[];
  /** True where a lighter load would give them back. */
  readonly byLoad?: boolean;
  /** Sides that may not be turned under. */
  readonly barsUnder?: readonly Side[];
  readonly barsStrapTypes?: readonly StrapType[];
  /** Straps are called before any bare grip. */
  readonly strapsFirst?: boolean;
  /** The most chalk it leaves. */
  readonly chalkAtMost?: ChalkKind;
  readonly noTape?: boolean;
  /** The set must not be done at all. */
  readonly stops?: boolean;
  /** The sentence, where its wording depends on the case (a side, a lift). */
  readonly text?: string;
}

/** A rule that bars something whatever school and coach say (ranks safety to lift), or limits it for now (adaptation). */
export interface CallRule {
  readonly id: string;
  readonly rank: Extract<ReasonRank, 'safety' | 'event' | 'venue' | 'lift' | 'adaptation'>;
  /** The sentence a coach would say. */
  readonly reason: string;
  /** Undefined where the rule does not apply. */
  readonly effect: (facts: RuleFacts) => RuleEffect | undefined;
}

/** Everything the rules do to a set. */
export interface Barred {
  /** The first rule, in order of rank, that takes each choice away. */
  readonly choices: ReadonlyMap<GripChoice, Reason>;
  /** Choices that only the load takes away. */
  readonly byLoad: ReadonlySet<GripChoice>;
  readonly sidesUnder: ReadonlyMap<Side, Reason>;
  readonly strapTypes: ReadonlyMap<StrapType, Reason>;
  readonly strapsFirst?: Reason;
  readonly noTape: boolean;
  readonly stops?: Reason;
  /** Rules that did something here, in order. */
  readonly fired: readonly Reason[];
}

/**
 * Reads the rules in order. Both sides barred from turning under bar the mixed grip by the same rule, and every strap
 * type barred bars straps.
 */
export function applyRules(facts: RuleFacts, rules: readonly CallRule[]): Barred {
  const choices = new Map<GripChoice, Reason>();
  const byLoad = new Set<GripChoice>();
  const sidesUnder = new Map<Side, Reason>();
  const strapTypes = new Map<StrapType, Reason>();
  const fired: Reason[] = [];
  let strapsFirst: Reason | undefined;
  let stops: Reason | undefined;
  let noTape = false;
  for (const rule of rules) {
    const effect = rule.effect(facts);
    if (!effect) continue;
    const reason: Reason = { ruleId: rule.id, rank: rule.rank, text: effect.text ?? rule.reason };
    fired.push(reason);
    for (const choice of effect.bars ?? []) {
      if (!choices.has(choice)) {
        choices.set(choice, reason);
        if (effect.byLoad) byLoad.add(choice);
      } else if (!effect.byLoad) byLoad.delete(choice);
    }
    for (const side of effect.barsUnder ?? []) if (!sidesUnder.has(side)) sidesUnder.set(side, reason);
    for (const type of effect.barsStrapTypes ?? []) if (!strapTypes.has(type)) strapTypes.set(type, reason);
    if (effect.strapsFirst) strapsFirst ??= reason;
    if (effect.stops) stops ??= reason;
    noTape ||= effect.noTape === true;
  }
  if (sidesUnder.size === SIDES.length && !choices.has('mixed'))
    choices.set('mixed', [...sidesUnder.values()][0]!);
  if (strapTypes.size === STRAP_TYPES.length && !choices.has('straps'))
    choices.set('straps', [...strapTypes.values()][0]!);
  return {
    choices,
    byLoad,
    sidesUnder,
    strapTypes,
    ...(strapsFirst && { strapsFirst }),
    noTape,
    ...(stops && { stops }),
    fired,
  };
}
