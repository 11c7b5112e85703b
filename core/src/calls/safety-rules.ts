import { GRIPS } from '../clasp-curve/types.ts';
import {
  PAIN_PARTS,
  PAINS,
  SIDES,
  type HandToday,
  type HistoryKind,
  type Side,
} from '../hands/hand-state.ts';
import type { CallRule, RuleEffect, RuleFacts } from './rules.ts';
import { GRIP_CHOICES, type CallLifter, type GripChoice } from './types.ts';

const BARE: readonly GripChoice[] = GRIPS;

/** Pain, 0–10, anywhere from the hand to the biceps, from which a hand is not loaded at all. */
export const SHARP_PAIN = 8;
/** Pain in the thumb joint, 0–10, from which the thumb does not go under the fingers. */
export const THUMB_JOINT_PAIN = 3;
/** Pain in the biceps or its tendon, 0–10, from which that hand is not turned under. */
export const BICEPS_PAIN = 3;
/** Least chance of holding a timed hold for a lifter who must not strain: nowhere near the limit. */
export const EASY_HOLD = 0.9;

const sidesWhere = (lifter: CallLifter, test: (hand: HandToday) => boolean): Side[] =>
  SIDES.filter((side) => test(lifter.hands[side]));
const flaggedSides = (lifter: CallLifter, kind: HistoryKind): Side[] =>
  lifter.flags.filter((flag) => flag.kind === kind).flatMap((flag) => (flag.side ? [flag.side] : [...SIDES]));
const named = (sides: readonly Side[]): string => SIDES.filter((side) => sides.includes(side)).join(' and ');

/** Is the skin, a finger or the nail of one hand damaged? */
export function handsDamaged(lifter: CallLifter): boolean {
  return SIDES.some((side) => {
    const { palm, thumb, finger, nail } = lifter.hands[side];
    return palm === 'torn' || thumb === 'torn' || finger !== 'sound' || nail === 'bleeding';
  });
}

/** Bars choices where a hand is in some state. */
function whereHand(
  test: (hand: HandToday) => boolean,
  bars: readonly GripChoice[],
  text: (sides: string) => string,
): (facts: RuleFacts) => RuleEffect | undefined {
  return ({ lifter }) => {
    const sides = sidesWhere(lifter, test);
    return sides.length ? { bars, text: text(named(sides)) } : undefined;
  };
}

/** Bars a side from turning under where the history flags it, cleared or not. */
function neverUnder(
  kind: HistoryKind,
  text: (sides: string) => string,
): (facts: RuleFacts) => RuleEffect | undefined {
  return ({ lifter }) => {
    const sides = flaggedSides(lifter, kind);
    return sides.length ? { barsUnder: sides, text: text(named(sides)) } : undefined;
  };
}

/** History of which a physician must say whether straining is safe. */
const NO_STRAIN_UNTIL_CLEARED: readonly HistoryKind[] = ['bloodPressure', 'fainting', 'heart'];

/** The flag that forbids straining, where one is not cleared. */
export function noStrainFlag(lifter: CallLifter): HistoryKind | undefined {
  return lifter.flags.find((flag) => !flag.cleared && NO_STRAIN_UNTIL_CLEARED.includes(flag.kind))?.kind;
}

/** Rules that protect people. Nothing outranks them. */
export const SAFETY_RULES: readonly CallRule[] = [
  {
    id: 'safety.unwell-stop',
    rank: 'safety',
    reason: 'Dizziness or fainting today: stop, lift nothing; refer to a physician.',
    effect: ({ lifter }) => (lifter.unwell ? { bars: GRIP_CHOICES, stops: true } : undefined),
  },
  {
    id: 'safety.numbness-stop',
    rank: 'safety',
    reason: 'Numbness or tingling: stop, no gripping today; refer to a clinician.',
    effect: whereHand(
      (hand) => hand.numb,
      GRIP_CHOICES,
      (sides) => `Numbness or tingling in the ${sides} hand: stop, no gripping today; refer to a clinician.`,
    ),
  },
  {
    id: 'safety.spreading-pain-stop',
    rank: 'safety',
    reason: 'Spreading pain: stop, no gripping today; refer to a clinician.',
    effect: whereHand(
      (hand) => hand.spreadingPain === true,
      GRIP_CHOICES,
      (sides) => `Pain spreading from the ${sides} hand: stop, no gripping today; refer to a clinician.`,
    ),
  },
  {
    id: 'safety.sharp-pain-stop',
    rank: 'safety',
    reason: 'Sharp pain in a hand, its thumb joint, elbow or biceps: stop, no gripping today.',
    effect: ({ lifter }: RuleFacts): RuleEffect | undefined => {
      const sharp = PAIN_PARTS.flatMap((part) => {
        const sides = sidesWhere(lifter, (hand) => (hand[part] ?? 0) >= SHARP_PAIN);
        return sides.length ? [`${named(sides)} ${PAINS[part]}`] : [];
      });
      return sharp.length
        ? {
            bars: GRIP_CHOICES,
            text: `Pain of ${SHARP_PAIN} or more in the ${sharp.join(', ')}: stop, no gripping today.`,
          }
        : undefined;
    },
  },
  {
    id: 'safety.biceps-never-supinated',
    rank: 'safety',
    reason: 'A hand with a biceps injury or repair is never turned under.',
    effect: neverUnder(
      'bicepsTendon',
      (sides) => `Biceps injury or repair on the ${sides}: that hand is never turned under.`,
    ),
  },
  {
    id: 'safety.shoulder-never-supinated',
    rank: 'safety',
    reason: 'A hand below a troubled shoulder is never turned under.',
    effect: neverUnder(
      'shoulder',
      (sides) => `Shoulder trouble on the ${sides}: that hand is never turned under.`,
    ),
  },
  {
    id: 'safety.biceps-pain-not-under',
    rank: 'safety',
    reason: 'Pain in the biceps or its tendon: that hand is not turned under today.',
    effect: ({ lifter }: RuleFacts): RuleEffect | undefined => {
      const sides = sidesWhere(lifter, ({ bicepsPain = 0 }) => bicepsPain >= BICEPS_PAIN);
      return sides.length
        ? {
            barsUnder: sides,
            text: `Biceps pain on the ${named(sides)}: that hand is not turned under today; ask a physiotherapist if it stays.`,
          }
        : undefined;
    },
  },
  {
    id: 'safety.torn-callus-straps',
    rank: 'safety',
    reason: 'Torn callus: straps for pulling until it has healed.',
    effect: whereHand(
      (hand) => hand.palm === 'torn',
      BARE,
      (sides) => `Torn callus on the ${sides} hand: straps for pulling until it has healed.`,
    ),
  },
  {
    id: 'safety.finger-injury-straps',
    rank: 'safety',
    reason: 'Sprained or dislocated finger: straps for pulling until it has healed.',
    effect: whereHand(
      (hand) => hand.finger !== 'sound',
      BARE,
      (sides) => `Injured finger on the ${sides} hand: straps for pulling until it has healed.`,
    ),
  },
  {
    id: 'safety.damaged-thumb-no-hook',
    rank: 'safety',
    reason: 'No hook on damaged thumb skin.',
    effect: whereHand(
      (hand) => hand.thumb === 'torn',
      ['hook'],
      (sides) => `Thumb skin torn on the ${sides}: no hook until it has healed.`,
    ),
  },
  {
    id: 'safety.bleeding-nail-no-hook',
    rank: 'safety',
    reason: 'No hook with blood under the thumb nail.',
    effect: whereHand(
      (hand) => hand.nail === 'bleeding',
      ['hook'],
      (sides) => `Blood under the ${sides} thumb nail: no hook until it has healed.`,
    ),
  },
  {
    id: 'safety.thumb-joint-pain-no-hook',
    rank: 'safety',
    reason: 'Pain in the thumb joint: no hook today.',
    effect: ({ lifter }: RuleFacts): RuleEffect | undefined => {
      const arthritic = flaggedSides(lifter, 'thumbArthritis');
      const sides = SIDES.filter((side) => {
        const { pain, thumbJointPain = 0 } = lifter.hands[side];
        return (
          (arthritic.includes(side) ? Math.max(pain, thumbJointPain) : thumbJointPain) >= THUMB_JOINT_PAIN
        );
      });
      return sides.length
        ? { bars: ['hook'], text: `Pain in the ${named(sides)} thumb joint: no hook today.` }
        : undefined;
    },
  },
  {
    id: 'safety.thumb-arthritis-hook-top-only',
    rank: 'safety',
    reason: 'Thumb-joint arthritis: hook on top sets only, and stop on joint pain.',
    effect: ({ lifter, role }) =>
      flaggedSides(lifter, 'thumbArthritis').length && role !== 'top' && role !== 'attempt'
        ? { bars: ['hook'] }
        : undefined,
  },
  {
    id: 'safety.thumb-arthritis-straps-on-volume',
    rank: 'safety',
    reason: 'Thumb-joint arthritis: straps on the volume spare the joint.',
    effect: ({ lifter, role, lift, event }) =>
      flaggedSides(lifter, 'thumbArthritis').length &&
      (role === 'volume' || role === 'backoff') &&
      lift.straps.allowed &&
      event?.straps !== false
        ? { bars: BARE }
        : undefined,
  },
  {
    id: 'safety.no-near-limit-holds',
    rank: 'safety',
    reason:
      'Long hard holds raise blood pressure sharply: nothing near the limit until a physician has cleared it.',
    effect: ({ lifter, lift, odds }: RuleFacts): RuleEffect | undefined => {
      if (!odds || !lift.timed || !lift.grips || !noStrainFlag(lifter)) return undefined;
      const bars = GRIPS.filter((grip) => lift.admits.includes(grip) && odds(grip) < EASY_HOLD);
      return bars.length ? { bars, byLoad: true } : undefined;
    },
  },
];
