import type { HookStage } from '../hands/hand-state.ts';
import { HOOK_STAGES_BY_ID } from '../hands/hook-stages.ts';
import type { CallRule } from './rules.ts';

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
];

function stageText(stage: HookStage): string {
  return HOOK_STAGES_BY_ID[stage].limit;
}
