import { SIDES, type GripperPlan, type GripperWork, type Side } from '@iron-clasp/core';

/** What a set of grippers is done for, in the order in which it is done. */
export const GRIPPER_WORK = [
  ['working', 'working set'],
  ['timedCloses', 'timed close'],
  ['goal', 'goal attempt'],
  ['negatives', 'negative'],
] as const;
export type GripperWorkKind = (typeof GRIPPER_WORK)[number][0];

/** One set of one hand on one gripper. */
export interface GripperStep {
  /** The same at every reading of the same plan. */
  readonly key: string;
  readonly side: Side;
  readonly kind: GripperWorkKind;
  readonly words: string;
  readonly work: GripperWork;
  /** Which set of its kind, from 1. */
  readonly set: number;
}

/** A gripper session set by set: the hands take turns, so that one rests while the other works; a barred hand has none. */
export function gripperSteps(plans: Readonly<Record<Side, GripperPlan>>): GripperStep[] {
  const open = SIDES.filter((side) => !plans[side].barred);
  return GRIPPER_WORK.flatMap(([kind, words]) => {
    const most = Math.max(0, ...open.map((side) => plans[side][kind]?.sets ?? 0));
    return Array.from({ length: most }, (_, i) => i + 1).flatMap((set) =>
      open.flatMap((side): GripperStep[] => {
        const work = plans[side][kind];
        return work && set <= work.sets
          ? [{ key: `${kind} ${side} ${set}`, side, kind, words, work, set }]
          : [];
      }),
    );
  });
}
