import type { ChalkKind, Grip } from '../clasp-curve/types.ts';
import { otherSide, SIDES, type Side } from '../hands/hand-state.ts';
import { STRAP_TYPES, type Lift, type StrapType } from '../set-demand/lift.ts';
import type { SetDemand } from '../set-demand/set-demand.ts';
import type { SetRole } from './set-role.ts';
import {
  GRIP_CHOICES,
  type CallLifter,
  type CallVenue,
  type EventRules,
  type GripChoice,
  type LinePurpose,
  type Reason,
  type ReasonRank,
} from './types.ts';

/** What a rule may look at: the lifter today, the set, the place, and the rulebook of the day. */
export interface RuleFacts {
  readonly lifter: CallLifter;
  readonly lift: Lift;
  readonly role: SetRole;
  readonly reps: number;
  /** kg as the lift is written. */
  readonly load?: number;
  /** The lifter's best single of the lift, or of the one that stands in for it, kg as the lift is written. */
  readonly max?: number;
  /** What the line is there for, where it says so or the lift does. */
  readonly purpose?: LinePurpose;
  /** The one hand that works, where the line says which. */
  readonly hand?: Side;
  /** Heat, or hands that sweat through the chalk. */
  readonly sweat?: boolean;
  /** Work sets (no warm-ups) hooked earlier in the session. */
  readonly hookedBefore?: number;
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
  /** Called before the school's own order while it holds. */
  readonly prefers?: Grip;
  /** The most that may be lifted, kg as the lift is written. */
  readonly loadAtMost?: number;
  /** Hands that do no work here: a lift of one hand goes on with the other, one of both is left out. */
  readonly handsOut?: readonly Side[];
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
  readonly prefers: ReadonlyMap<Grip, Reason>;
  readonly loadAtMost?: { readonly load: number; readonly reason: Reason };
  /** The hand that works alone, where the other one may not. */
  readonly onlyHand?: { readonly side: Side; readonly reason: Reason };
  /** Hands that do no work here, by the rule that says so. */
  readonly handBarred: ReadonlyMap<Side, Reason>;
  readonly noTape: boolean;
  readonly stops?: Reason;
  /** Rules that did something here, in order. */
  readonly fired: readonly Reason[];
}

/** Does a rule say nothing here but which straps may be used? */
function onlyOfStrapTypes({ text: _text, barsStrapTypes, ...more }: RuleEffect): boolean {
  return barsStrapTypes !== undefined && Object.keys(more).length === 0;
}

/** Does a bar refuse what coach or line ask for? Limits of adaptation are advice for now: they are passed, and said. */
export function refuses(bar: Reason | undefined): bar is Reason {
  return bar !== undefined && bar.rank !== 'adaptation';
}

/** Does one hand work at a time, so that the other may go on alone? */
export function oneHanded(lift: Lift): boolean {
  return lift.loadMeans === 'oneHand' || lift.needs.includes('gripper');
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
  const prefers = new Map<Grip, Reason>();
  const handsOut = new Map<Side, Reason>();
  let loadAtMost: Barred['loadAtMost'];
  let strapsFirst: Reason | undefined;
  let stops: Reason | undefined;
  let noTape = false;
  for (const rule of rules) {
    const effect = rule.effect(facts);
    if (!effect) continue;
    const reason: Reason = { ruleId: rule.id, rank: rule.rank, text: effect.text ?? rule.reason };
    // What only prefers a grip, or says which straps may be used, is a reason where that grip or straps are called for it.
    if (!effect.prefers && !onlyOfStrapTypes(effect)) fired.push(reason);
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
    if (effect.prefers && !prefers.has(effect.prefers)) prefers.set(effect.prefers, reason);
    if (effect.loadAtMost !== undefined && effect.loadAtMost < (loadAtMost?.load ?? Infinity))
      loadAtMost = { load: effect.loadAtMost, reason };
    for (const side of effect.handsOut ?? []) if (!handsOut.has(side)) handsOut.set(side, reason);
    noTape ||= effect.noTape === true;
  }
  if (sidesUnder.size === SIDES.length && !choices.has('mixed'))
    choices.set('mixed', [...sidesUnder.values()][0]!);
  if (strapTypes.size === STRAP_TYPES.length && !choices.has('straps')) {
    const [first] = strapTypes.values();
    choices.set('straps', first!);
    if (!fired.includes(first!)) fired.push(first!);
  }
  const out = SIDES.filter((side) => handsOut.has(side));
  const alone = out.length === 1 && oneHanded(facts.lift) ? otherSide(out[0]!) : undefined;
  if (out.length && !alone) stops ??= handsOut.get(out[0]!)!;
  if (stops) for (const choice of GRIP_CHOICES) if (!choices.has(choice)) choices.set(choice, stops);
  if (stops) for (const side of SIDES) if (!handsOut.has(side)) handsOut.set(side, stops);
  return {
    handBarred: handsOut,
    prefers,
    ...(loadAtMost && { loadAtMost }),
    ...(alone && { onlyHand: { side: alone, reason: handsOut.get(out[0]!)! } }),
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
