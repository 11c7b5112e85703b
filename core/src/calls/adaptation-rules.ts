import type { HookStage } from '../hands/hand-state.ts';
import { GRIPS } from '../clasp-curve/types.ts';
import { HOOK_STAGES_BY_ID } from '../hands/hook-stages.ts';
import type { CallRule, RuleEffect, RuleFacts } from './rules.ts';

/** Limits for now: a coach may go past them, and then they are said. */
export const ADAPTATION_RULES: readonly CallRule[] = [
  {
    id: 'adaptation.hook-stage',
    rank: 'adaptation',
    reason: 'The hook is built up in stages so that skin and thumbs keep pace.',
    effect: ({ lifter, role, lift }) =>
      lift.admits.includes('hook') && !HOOK_STAGES_BY_ID[lifter.hookStage].roles.includes(role)
        ? { bars: ['hook'], text: stageText(lifter.hookStage) }
        : undefined,
  },
  {
    id: 'adaptation.hook-skin-budget',
    rank: 'adaptation',
    reason: 'This week’s skin budget for the hook is spent: keep what is left for the heavy sets.',
    effect: ({ lifter, role, lift, demand }) =>
      demand &&
      role !== 'attempt' &&
      lift.admits.includes('hook') &&
      lifter.hookBudgetLeft !== undefined &&
      demand.load * demand.seconds > lifter.hookBudgetLeft
        ? { bars: ['hook'] }
        : undefined,
  },
  {
    id: 'adaptation.mixed-waits-for-long-arms',
    rank: 'adaptation',
    reason: 'The elbow bends and the arm yanks under mixed grip: no mixed grip until the arms stay long.',
    effect: ({ lifter, lift }) =>
      lifter.armsBendUnderMixed && lift.admits.includes('mixed') ? { bars: ['mixed'] } : undefined,
  },
  {
    id: 'adaptation.slipped-today',
    rank: 'adaptation',
    reason: 'This grip slipped today at this load: another grip, straps, or lighter.',
    effect: ({ lifter, demand, role, odds }: RuleFacts): RuleEffect | undefined => {
      // An attempt comes as it is written in the rulebook; there the chance alone speaks.
      if (!demand || role === 'attempt') return undefined;
      const slips = (lifter.slippedToday ?? []).filter((slip) => demand.load >= SAME_LOAD * slip.load);
      if (slips.length === 0) return undefined;
      // What the lifter's own curve rates no stronger than a grip that slipped would slip as well.
      const slipped = slips.map((slip) => slip.grip);
      const weaker = odds
        ? GRIPS.filter((grip) => slipped.some((each) => odds(grip) <= odds(each)))
        : slipped;
      return { bars: weaker, byLoad: true };
    },
  },
];

/** Share of the load that slipped from which it is the same load again. */
const SAME_LOAD = 0.97;

function stageText(stage: HookStage): string {
  return HOOK_STAGES_BY_ID[stage].limit;
}
