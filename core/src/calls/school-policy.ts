import { holdLoad } from '../clasp-curve/hold-load.ts';
import type { ChalkKind, Grip } from '../clasp-curve/types.ts';
import { SIDES } from '../hands/hand-state.ts';
import type { SetDemand } from '../set-demand/set-demand.ts';
import { conditions } from './chalk-call.ts';
import type { Barred } from './rules.ts';
import type { LadderStep, StrapCondition, StrapPolicy } from './school.ts';
import type { CallContext, Reason } from './types.ts';

/** The school's order for the role with `bestBare` resolved by the lifter's own curve, without what is barred. */
export function bareOrder(context: CallContext, barred: Barred, demand: SetDemand, chalk: ChalkKind): Grip[] {
  const strength = (grip: Grip): number =>
    holdLoad(context.curve, {
      seconds: demand.seconds,
      probability: 0.5,
      ...conditions(context, grip, chalk),
    });
  const resolve = (step: LadderStep): Grip[] => {
    if (step !== 'bestBare') return [step];
    return (['mixed', 'hook'] as const)
      .filter((grip) => !barred.choices.has(grip))
      .sort((a, b) => strength(b) - strength(a))
      .slice(0, 1);
  };
  const order = context.school.ladder[context.set.role].flatMap(resolve);
  return [...new Set(order)].filter((grip) => !barred.choices.has(grip));
}

/** Why the school uses no straps here at all; undefined where it may. */
export function schoolBarsStraps({ school, lifter }: CallContext): Reason | undefined {
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
export function applies(policy: StrapPolicy, context: CallContext): boolean {
  return policy.when.every((condition) => met(condition, context));
}

function met(condition: StrapCondition, { set, lifter, event }: CallContext): boolean {
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
      return set.lift.aimIsBack;
    case 'handPainAtLeast':
      return SIDES.some((side) => lifter.hands[side].pain >= condition.pain);
    case 'eventAllowsStraps':
      return (event ? event.straps : lifter.nextEventStraps) === true;
  }
}
