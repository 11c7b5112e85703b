import { checkOneOf } from '../check.ts';

export const SIDES = ['left', 'right'] as const;
export type Side = (typeof SIDES)[number];

/**
 * The other side.
 * @throws InvalidInputError for anything but a side.
 * @example otherSide('left') // 'right'
 */
export function otherSide(side: Side): Side {
  checkOneOf('side', side, SIDES);
  return side === 'left' ? 'right' : 'left';
}

export const SKIN_STATES = ['sound', 'callused', 'tender', 'torn'] as const;
export type SkinState = (typeof SKIN_STATES)[number];

export const FINGER_STATES = ['sound', 'sprained', 'dislocated'] as const;
export type FingerState = (typeof FINGER_STATES)[number];

/** The thumb nail, on which the hook presses; `bleeding` is blood under it. */
export const NAIL_STATES = ['sound', 'split', 'bleeding'] as const;
export type NailState = (typeof NAIL_STATES)[number];

/** One hand on one day, as the hands check records it. */
export interface HandToday {
  /** Palm and finger skin; `torn` is a torn callus. */
  readonly palm: SkinState;
  readonly thumb: SkinState;
  readonly finger: FingerState;
  /** Numbness or tingling. */
  readonly numb: boolean;
  /** Pain in hand or thumb, 0–10. */
  readonly pain: number;
  /** Pain at the elbow, 0–10. */
  readonly elbowPain: number;
  /** Thumb nail; left out where nothing is wrong with it. */
  readonly nail?: NailState;
  /** Pain in the joint at the base of the thumb, 0–10; left out for none. */
  readonly thumbJointPain?: number;
  /** Pain at the wrist, 0–10; left out for none. */
  readonly wristPain?: number;
  /** Pain in the biceps or in its tendon at the front of the elbow, 0–10; left out for none. */
  readonly bicepsPain?: number;
  /** Pain that spreads up the arm or into the fingers; left out for no. */
  readonly spreadingPain?: boolean;
}

/** Both hands on one day, and whether the lifter is well enough to lift at all. */
export interface HandsToday extends Readonly<Record<Side, HandToday>> {
  /** Dizzy, faint or otherwise unwell: nothing is lifted; left out for well. */
  readonly unwell?: boolean;
}

/** Pains that a hands check asks for, each 0–10, and where they sit as one says it. */
export const PAINS = {
  pain: 'hand',
  thumbJointPain: 'thumb joint',
  wristPain: 'wrist',
  elbowPain: 'elbow',
  bicepsPain: 'biceps',
} as const satisfies Partial<Record<keyof HandToday, string>>;
export type PainPart = keyof typeof PAINS;
export const PAIN_PARTS = Object.keys(PAINS) as readonly PainPart[];

/** A hand with nothing to report. */
export const SOUND_HAND: HandToday = {
  palm: 'sound',
  thumb: 'sound',
  finger: 'sound',
  numb: false,
  pain: 0,
  elbowPain: 0,
};

export const HISTORY_KINDS = [
  'bicepsTendon',
  'shoulder',
  'elbowTendon',
  'thumbArthritis',
  'bloodPressure',
  'fainting',
  'heart',
  'recentOperation',
  'pregnancy',
  'underEighteen',
] as const;
export type HistoryKind = (typeof HISTORY_KINDS)[number];

/** Something in the lifter's history that bars or limits grips or holds. */
export interface HistoryFlag {
  readonly kind: HistoryKind;
  readonly side?: Side;
  /** True once a physician or physiotherapist has cleared it. */
  readonly cleared: boolean;
}

/** Stages of getting used to the hook: warm-ups only, plus light work, plus top sets, everything. */
export const HOOK_STAGES = ['none', 'learn', 'build', 'carry', 'settled'] as const;
export type HookStage = (typeof HOOK_STAGES)[number];
