import { GRIP_NAMES, SET_ROLE_NAMES } from '../vocabulary.ts';
import type { Grip, HoldCurve } from '../clasp-curve/types.ts';
import type { SetDemand } from '../set-demand/set-demand.ts';
import { type SetRole } from './set-role.ts';
import type { GripChoice, Reason } from './types.ts';

/** The log’s own sentence on a grip: how likely it holds, against what is asked, and what stands behind that. */
export function evidenceReason(
  curve: HoldCurve,
  role: SetRole,
  grip: Grip,
  probability: number,
  demand: SetDemand,
  threshold: number,
): Reason {
  const { observations, slipped } = curve.evidence;
  const verdict = probability >= threshold ? 'at or above' : 'below';
  return {
    ruleId: 'evidence.clasp-curve',
    rank: 'evidence',
    text: `${capital(GRIP_NAMES[grip])} holds this set’s ${demand.seconds.toFixed(0)} s with ${percent(probability)} probability, ${verdict} the ${percent(threshold)} asked of a ${SET_ROLE_NAMES[role]}; ${observations} logged holds and sets behind it, ${slipped} of them slips.`,
  };
}

/** A grip that stays below what is asked. */
export function weakText(choice: GripChoice, probability: number, threshold: number): string {
  return `${capital(GRIP_NAMES[choice])} holds with ${percent(probability)} probability only; ${percent(threshold)} is asked for.`;
}

/** Whole per cent, never claiming certainty. */
export function percent(probability: number): string {
  return probability > 0.99
    ? 'over 99\u00a0%'
    : probability < 0.01
      ? 'under 1\u00a0%'
      : `${Math.round(probability * 100)}\u00a0%`;
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
