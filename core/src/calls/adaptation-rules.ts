import { SIDES } from '../hands/hand-state.ts';
import type { LiftFamily } from '../set-demand/lift.ts';
import { GRIPS } from '../clasp-curve/types.ts';
import { HOOK_STAGES_BY_ID } from '../hands/hook-stages.ts';
import type { CallRule, RuleEffect, RuleFacts } from './rules.ts';
import { handsDamaged, isHeavyOrLastWarmUp } from './safety-rules.ts';

/** Limits for now: a coach may go past them, and then they are said. */
export const ADAPTATION_RULES: readonly CallRule[] = [
  {
    id: 'adaptation.hook-stage',
    rank: 'adaptation',
    reason: 'The hook is built up in stages so that skin and thumbs keep pace.',
    effect: (facts) =>
      facts.lift.admits.includes('hook') && !mayHook(facts)
        ? { bars: ['hook'], text: HOOK_STAGES_BY_ID[facts.lifter.hookStage].limit }
        : undefined,
  },
  {
    id: 'adaptation.hook-practice',
    rank: 'adaptation',
    reason: 'While the hook is learnt, what the stage allows is hooked, in every school: light first.',
    effect: (facts: RuleFacts): RuleEffect | undefined => {
      const { lifter, lift } = facts;
      if (!PRACTISED_ON.includes(lift.family) || !lift.admits.includes('hook')) return undefined;
      const { name, practises } = HOOK_STAGES_BY_ID[lifter.hookStage];
      return practises && mayHook(facts)
        ? { prefers: 'hook', text: `Hook stage “${name}”: ${practises}.` }
        : undefined;
    },
  },
  {
    id: 'adaptation.arthritis-hook-not-cold',
    rank: 'adaptation',
    reason: 'Thumb-joint arthritis: the last warm-ups are hooked, so that the heavy hook does not come cold.',
    effect: (facts) =>
      facts.role === 'warmup' &&
      facts.lifter.flags.some((flag) => flag.kind === 'thumbArthritis') &&
      facts.lift.admits.includes('hook') &&
      facts.lifter.hookStage !== 'none' &&
      isHeavyOrLastWarmUp(facts)
        ? { prefers: 'hook' }
        : undefined,
  },
  {
    id: 'adaptation.split-nail-top-sets',
    rank: 'adaptation',
    reason: 'Split nail: a hooked top set, taped, is the coach’s to choose.',
    effect: ({ lifter, lift, role }) =>
      (role === 'top' || role === 'attempt') &&
      lift.admits.includes('hook') &&
      SIDES.some((side) => lifter.hands[side].nail === 'split')
        ? { bars: ['hook'] }
        : undefined,
  },
  {
    id: 'adaptation.cleared-shoulder-not-supinated',
    rank: 'adaptation',
    reason:
      'A cleared shoulder: that hand is still not turned under, nor loaded palm up, unless the coach decides so.',
    effect: ({ lifter, lift }: RuleFacts): RuleEffect | undefined => {
      const cleared = lifter.flags.filter(({ kind, cleared: done }) => kind === 'shoulder' && done);
      if (!cleared.length) return undefined;
      if (lift.position === 'supinated') return lift.family === 'hold' ? { bars: GRIPS } : undefined;
      return { barsUnder: cleared.flatMap(({ side }) => (side ? [side] : [...SIDES])) };
    },
  },
  {
    id: 'adaptation.max-single-bare',
    rank: 'adaptation',
    reason: 'A max single is pulled bare: strapped, it says nothing about the hand.',
    effect: ({ lifter, lift, role, reps, load, max, event }) =>
      lift.family === 'deadlift' &&
      role === 'top' &&
      reps === 1 &&
      (load ?? 0) >= MAX_SINGLE_SHARE * (max ?? lifter.deadliftMax) &&
      !(event?.straps ?? lifter.nextEventStraps) &&
      !lifter.slippedToday?.length &&
      !handsDamaged(lifter)
        ? { bars: ['straps'] }
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
      demand.load * demand.seconds > (lifter.hookBudgetLeft ?? Infinity)
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

/** Share of the best from which a single is one near the max. */
const MAX_SINGLE_SHARE = 0.975;

/** Lifts on which a hook that is being learnt is practised. */
const PRACTISED_ON: readonly LiftFamily[] = ['deadlift', 'olympicPull', 'clean', 'snatch'];

/** Does the stage allow the hook on this set? */
function mayHook({ lifter, role, reps, load, max, hookedBefore = 0 }: RuleFacts): boolean {
  const share = (load ?? 0) / (max ?? lifter.deadliftMax);
  return HOOK_STAGES_BY_ID[lifter.hookStage].allows({ role, reps, share, hookedBefore });
}
