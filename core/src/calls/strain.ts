import { GRIPS } from '../clasp-curve/types.ts';
import { SIDES, type HandToday, type HistoryKind } from '../hands/hand-state.ts';
import { HISTORY_CAUTIONS } from './history-cautions.ts';
import type { RuleEffect, RuleFacts } from './rules.ts';
import { named } from './stop-rules.ts';
import type { CallLifter } from './types.ts';

/** Elbow pain, 0–10, from which nothing is closed near its limit. */
export const SORE_ELBOW = 4;
/** Share of the max above which an effort counts as maximal. */
export const MAXIMAL_SHARE = 0.8;
/** Least chance of holding a timed hold for a lifter who must not strain: nowhere near the limit. */
export const EASY_HOLD = 0.9;

/** History of which a clinician must say whether straining is safe. */
const NO_STRAIN_UNTIL_CLEARED: readonly HistoryKind[] = [
  'bloodPressure',
  'heart',
  'fainting',
  'pregnancy',
  'recentOperation',
  'underEighteen',
];
/** Of these, what also bars maximal efforts: under 18 bars only what is held near the limit. */
export const NO_MAXIMAL_UNTIL_CLEARED = NO_STRAIN_UNTIL_CLEARED.filter((kind) => kind !== 'underEighteen');

export const unclearedOf = (lifter: CallLifter, kinds: readonly HistoryKind[]): HistoryKind | undefined =>
  lifter.flags.find((flag) => !flag.cleared && kinds.includes(flag.kind))?.kind;

/** The flag that forbids straining, where one is not cleared. */
export function noStrainFlag(lifter: CallLifter): HistoryKind | undefined {
  return unclearedOf(lifter, NO_STRAIN_UNTIL_CLEARED);
}

/** Does an elbow or wrist hurt so much that nothing is closed near its limit? */
export const isSore = ({ elbowPain, wristPain = 0 }: HandToday): boolean =>
  Math.max(elbowPain, wristPain) >= SORE_ELBOW;

/** Why nothing may be held near the limit today, and by which rule; undefined where it may. */
export function noNearLimit(lifter: CallLifter): { ruleId: string; text: string } | undefined {
  const flag = noStrainFlag(lifter);
  if (flag)
    return {
      ruleId: 'safety.no-near-limit-holds',
      text: `No near-limit holds until cleared. ${HISTORY_CAUTIONS[flag]}`,
    };
  const sore = SIDES.filter((side) => isSore(lifter.hands[side]));
  return sore.length
    ? {
        ruleId: 'safety.elbow-pain-no-near-limit',
        text: `Elbow or wrist pain on the ${named(sore)}: no near-limit holds and no gripper goals; opening work stays.`,
      }
    : undefined;
}

/** Takes away what a timed hold would need near its limit, where one of the two rules about it speaks. */
export const nearLimitRule =
  (ruleId: string) =>
  ({ lifter, lift, odds }: RuleFacts): RuleEffect | undefined => {
    const why = odds && lift.timed && lift.grips ? noNearLimit(lifter) : undefined;
    if (!odds || why?.ruleId !== ruleId) return undefined;
    const bars = GRIPS.filter((grip) => lift.admits.includes(grip) && odds(grip) < EASY_HOLD);
    return bars.length ? { bars, byLoad: true, text: why.text } : undefined;
  };
