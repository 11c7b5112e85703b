import type { Grip } from '../clasp-curve/types.ts';
import { SIDES } from '../hands/hand-state.ts';
import type { Barred } from './rules.ts';
import type { School, StrapCondition, StrapPolicy } from './school.ts';
import type { CallLifter, EventRules, Reason, SetToCall } from './types.ts';

/** What a school's conditions look at. */
export interface PolicyFacts {
  readonly lifter: CallLifter;
  readonly set: Pick<SetToCall, 'lift' | 'role' | 'load' | 'reps' | 'purpose' | 'lastOfLine'>;
  readonly event?: EventRules;
}

/**
 * The school's order for the role with `bestBare` resolved by the lifter's own curve, without what is barred.
 * `strength` is any figure that grows with the load a grip holds.
 */
export function bareOrder(
  school: School,
  role: SetToCall['role'],
  barred: Barred,
  strength: (grip: Grip) => number,
): Grip[] {
  const order = new Set<Grip>();
  for (const step of school.ladder[role]) {
    if (step !== 'bestBare') {
      if (!barred.choices.has(step)) order.add(step);
      continue;
    }
    const [mixed, hook] = [!barred.choices.has('mixed'), !barred.choices.has('hook')];
    if (mixed && hook) order.add(strength('hook') > strength('mixed') ? 'hook' : 'mixed');
    else if (mixed || hook) order.add(mixed ? 'mixed' : 'hook');
  }
  return [...order];
}

/** Why the school uses no straps here at all; undefined where it may. */
export function schoolBarsStraps(school: School, { lifter }: PolicyFacts): Reason | undefined {
  if (!school.strapsFirst.length && !school.strapsLast) {
    return { ruleId: `school.${school.id}.straps-never`, rank: 'school', text: `${school.name}: no straps.` };
  }
  if (lifter.trainingMonths < school.strapsNotBeforeMonths) {
    return {
      ruleId: `school.${school.id}.straps-not-before`,
      rank: 'school',
      text: `${school.name}: no straps in the first ${school.strapsNotBeforeMonths} months of training (now ${lifter.trainingMonths}).`,
    };
  }
  return undefined;
}

/** Do all of the policy’s conditions hold for the set? */
export function applies(policy: Pick<StrapPolicy, 'when'>, facts: PolicyFacts): boolean {
  return policy.when.every((condition) => met(condition, facts));
}

/** Do the hands hurt at least this much? */
export function handsHurt(lifter: CallLifter, pain: number): boolean {
  return SIDES.some((side) => lifter.hands[side].pain >= pain);
}

function met(condition: StrapCondition, { set, lifter, event }: PolicyFacts): boolean {
  switch (condition.kind) {
    case 'roles':
      return condition.roles.includes(set.role);
    case 'repsAtLeast':
      return !set.lift.timed && set.reps >= condition.reps;
    case 'families':
      return condition.families.includes(set.lift.family);
    case 'loadAtLeastShareOfMax':
      return set.load >= condition.share * lifter.deadliftMax;
    case 'aimIsBack':
      return set.purpose ? set.purpose === 'back' : set.lift.aimIsBack;
    case 'handPainAtLeast':
      return handsHurt(lifter, condition.pain);
    case 'trainingMonthsBelow':
      return lifter.trainingMonths < condition.months;
    case 'gripWorkHigh':
      return lifter.gripWorkHigh === true;
    case 'clenches':
      return lifter.clenches === true;
    case 'slippedToday':
      return (lifter.slippedToday?.length ?? 0) > 0;
    case 'eventAllowsStraps':
      return (event ? event.straps : lifter.nextEventStraps) === true;
  }
}
