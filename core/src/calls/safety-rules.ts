import { GRIPS } from '../clasp-curve/types.ts';
import { SIDES, type HandToday, type HistoryKind, type Side } from '../hands/hand-state.ts';
import type { GripKind } from '../set-demand/lift.ts';
import { HISTORY_CAUTIONS } from './history-cautions.ts';
import { oneHanded, type CallRule, type RuleEffect, type RuleFacts } from './rules.ts';
import { SET_ROLES, type SetRole } from './set-role.ts';
import { named, STOP_RULES } from './stop-rules.ts';
import { MAXIMAL_SHARE, nearLimitRule, NO_MAXIMAL_UNTIL_CLEARED, SORE_ELBOW, unclearedOf } from './strain.ts';
import { GRIP_CHOICES, type CallLifter, type GripChoice } from './types.ts';
import { capital } from './plain-words.ts';

const BARE: readonly GripChoice[] = GRIPS;

/** Pain in the thumb joint, 0–10, from which the thumb does not go under the fingers. */
export const THUMB_JOINT_PAIN = 3;
/** Pain in the biceps or its tendon, 0–10, from which that hand is not turned under. */
export const BICEPS_PAIN = 3;
const sidesWhere = (lifter: CallLifter, test: (hand: HandToday) => boolean): Side[] =>
  SIDES.filter((side) => test(lifter.hands[side]));

/** Is its skin, a finger or the nail damaged? */
export const isDamaged = ({ palm, thumb, finger, nail }: HandToday): boolean =>
  palm === 'torn' || thumb === 'torn' || finger !== 'sound' || nail === 'bleeding';

/** Is one of the hands damaged? */
export const handsDamaged = (lifter: CallLifter): boolean => sidesWhere(lifter, isDamaged).length > 0;

/** Hand work that closes the hand on something: damaged skin or fingers take no part in it. */
const CLOSING: readonly GripKind[] = ['crush', 'pinch', 'support', 'openHand'];

/** The sides that have a part in the set. */
const working = ({ hand }: RuleFacts, sides: readonly Side[]): readonly Side[] =>
  hand ? sides.filter((side) => side === hand) : sides;

/** Bars the hook where a thumb is in some state. */
function noHookWhere(
  test: (hand: HandToday) => boolean,
  text: (sides: string) => string,
  roles: readonly SetRole[] = SET_ROLES,
): (facts: RuleFacts) => RuleEffect | undefined {
  return (facts) => {
    const sides = working(facts, sidesWhere(facts.lifter, test));
    return sides.length && roles.includes(facts.role)
      ? { bars: ['hook'], text: text(named(sides)) }
      : undefined;
  };
}

/**
 * A damaged hand: pulling that can be strapped is strapped, and what cannot be, like work of the hand itself, leaves that
 * hand out. The other may go on alone.
 */
function damaged(
  test: (hand: HandToday) => boolean,
  text: (sides: string) => string,
): (facts: RuleFacts) => RuleEffect | undefined {
  return (facts) => {
    const { lifter, lift } = facts;
    const sides = working(facts, sidesWhere(lifter, test));
    if (!sides.length) return undefined;
    const said = text(named(sides));
    if (!lift.grips)
      return lift.kind && CLOSING.includes(lift.kind) ? { handsOut: sides, text: said } : undefined;
    return oneHanded(lift) && !lift.straps.allowed
      ? { handsOut: sides, text: said }
      : { bars: BARE, text: said };
  };
}

/** The sides of a flag, cleared or not, or only while it is not. */
function flagged(lifter: CallLifter, kind: HistoryKind, until: 'always' | 'cleared'): Side[] {
  return lifter.flags
    .filter((flag) => flag.kind === kind && (until === 'always' || !flag.cleared))
    .flatMap((flag) => (flag.side ? [flag.side] : [...SIDES]));
}

/** What a split nail means, said the same on every screen. */
export const SPLIT_NAIL =
  'split thumb nail: no hook on warm-ups and volume until it has grown; taped on top sets only if the coach wants it';

const LIGHT_ROLES: readonly SetRole[] = SET_ROLES.filter((role) => role !== 'top' && role !== 'attempt');

/** Rules that protect people. Nothing outranks them. */
export const SAFETY_RULES: readonly CallRule[] = [
  ...STOP_RULES.map(({ id, reason, says }): CallRule => ({
    ...{ id, rank: 'safety', reason },
    effect: ({ lifter }) => {
      const text = says(lifter.hands);
      return text ? { bars: GRIP_CHOICES, stops: true, text } : undefined;
    },
  })),
  {
    id: 'safety.biceps-never-supinated',
    rank: 'safety',
    reason: 'A hand with a biceps injury or repair is never turned under.',
    effect: ({ lifter }: RuleFacts): RuleEffect | undefined => {
      const sides = flagged(lifter, 'bicepsTendon', 'always');
      return sides.length
        ? {
            barsUnder: sides,
            text: `Biceps injury or repair on the ${named(sides)}: that hand is never turned under.`,
          }
        : undefined;
    },
  },
  {
    id: 'safety.biceps-no-palm-up-load',
    rank: 'safety',
    reason:
      'Biceps injury or repair: no supinated holds, cleared or not; curls and chin-ups only once a clinician has cleared it.',
    effect: ({ lifter, lift }: RuleFacts): RuleEffect | undefined => {
      if (lift.position !== 'supinated') return undefined;
      const sides = flagged(lifter, 'bicepsTendon', lift.family === 'hold' ? 'always' : 'cleared');
      return sides.length
        ? {
            bars: GRIP_CHOICES,
            stops: true,
            text:
              lift.family === 'hold'
                ? `Biceps injury or repair on the ${named(sides)}: no supinated hold, cleared or not.`
                : `Biceps injury or repair on the ${named(sides)}: no palm-up load until a clinician has cleared it.`,
          }
        : undefined;
    },
  },
  {
    id: 'safety.shoulder-not-supinated',
    rank: 'safety',
    reason: 'Shoulder trouble that is not cleared: that hand is not turned under, and no palm-up load.',
    effect: ({ lifter, lift }: RuleFacts): RuleEffect | undefined => {
      const sides = flagged(lifter, 'shoulder', 'cleared');
      if (!sides.length) return undefined;
      return lift.position === 'supinated'
        ? {
            bars: GRIP_CHOICES,
            stops: true,
            text: `Shoulder trouble on the ${named(sides)}: no palm-up load until a clinician has cleared it.`,
          }
        : {
            barsUnder: sides,
            text: `Shoulder trouble on the ${named(sides)}: that hand is not turned under until a clinician has cleared it.`,
          };
    },
  },
  {
    id: 'safety.biceps-pain-not-under',
    rank: 'safety',
    reason: 'Pain in the biceps or its tendon: that hand is not turned under today.',
    effect: ({ lifter, lift }: RuleFacts): RuleEffect | undefined => {
      const sides = sidesWhere(lifter, ({ bicepsPain = 0 }) => bicepsPain >= BICEPS_PAIN);
      if (sides.length && lift.position === 'supinated')
        return {
          bars: GRIP_CHOICES,
          stops: true,
          text: `Biceps pain on the ${named(sides)}: no palm-up load today; ask a physiotherapist if it stays.`,
        };
      return sides.length
        ? {
            barsUnder: sides,
            text: `Biceps pain on the ${named(sides)}: that hand is not turned under today; ask a physiotherapist if it stays.`,
          }
        : undefined;
    },
  },
  {
    id: 'safety.operated-side-spared',
    rank: 'safety',
    reason: 'Operated on a side and not cleared: that side does no work of the hand.',
    effect: (facts: RuleFacts): RuleEffect | undefined => {
      const { lifter, lift } = facts;
      const sides = lifter.flags.flatMap(({ kind, side, cleared }) =>
        kind === 'recentOperation' && side && !cleared ? [side] : [],
      );
      const spared = working(facts, sides);
      return spared.length && lift.family !== 'squat'
        ? {
            handsOut: spared,
            text: `Operated on the ${named(spared)}: that side is spared until a clinician has cleared it.`,
          }
        : undefined;
    },
  },
  {
    id: 'safety.torn-callus-straps',
    rank: 'safety',
    reason:
      'Torn callus: straps for pulling until it has healed; where straps are barred that day, covered and bare.',
    effect: (facts: RuleFacts): RuleEffect | undefined => {
      // On the platform straps cannot stand in: the coach decides, with the caution said.
      if (facts.event?.straps === false && !facts.event.rehearsal && facts.lift.grips) return undefined;
      return tornCallus(facts);
    },
  },
  {
    id: 'safety.finger-injury-straps',
    rank: 'safety',
    reason: 'Sprained or dislocated finger: straps for pulling until it has healed.',
    effect: damaged(
      (hand) => hand.finger !== 'sound',
      (sides) => `Injured finger on the ${sides} hand: straps for pulling until it has healed.`,
    ),
  },
  {
    id: 'safety.damaged-thumb-no-hook',
    rank: 'safety',
    reason: 'No hook on damaged thumb skin.',
    effect: noHookWhere(
      (hand) => hand.thumb === 'torn',
      (sides) => `Thumb skin torn on the ${sides}: no hook until it has healed.`,
    ),
  },
  {
    id: 'safety.bleeding-nail-no-hook',
    rank: 'safety',
    reason: 'No hook with blood under the thumb nail.',
    effect: noHookWhere(
      (hand) => hand.nail === 'bleeding',
      (sides) => `Blood under the ${sides} thumb nail: no hook at all until it has healed.`,
    ),
  },
  {
    id: 'safety.split-nail-no-hook-on-volume',
    rank: 'safety',
    reason: `${capital(SPLIT_NAIL)}.`,
    effect: noHookWhere(
      (hand) => hand.nail === 'split',
      (sides) => `On the ${sides}, ${SPLIT_NAIL}.`,
      LIGHT_ROLES,
    ),
  },
  {
    id: 'safety.tender-skin-no-hook-on-volume',
    rank: 'safety',
    reason: 'Tender skin: never the hook on volume.',
    effect: noHookWhere(
      (hand) => hand.thumb === 'tender' || hand.palm === 'tender',
      (sides) => `Tender skin on the ${sides}: no hook on volume, and one hard bare-handed set less today.`,
      ['backoff', 'volume', 'accessory'],
    ),
  },
  {
    id: 'safety.thumb-joint-pain-no-hook',
    rank: 'safety',
    reason: 'Pain in the thumb joint: no hook today.',
    effect: ({ lifter }: RuleFacts): RuleEffect | undefined => {
      const sides = sidesWhere(lifter, ({ thumbJointPain = 0 }) => thumbJointPain >= THUMB_JOINT_PAIN);
      return sides.length
        ? { bars: ['hook'], text: `Pain in the ${named(sides)} thumb joint: no hook today.` }
        : undefined;
    },
  },
  {
    id: 'safety.thumb-arthritis-hook-top-only',
    rank: 'safety',
    reason:
      'Thumb-joint arthritis: hook on the last warm-ups and the top sets only, so that the heavy hook does not come cold; stop on joint pain.',
    effect: (facts) =>
      arthritic(facts).length && !isHeavyOrLastWarmUp(facts) ? { bars: ['hook'] } : undefined,
  },
  {
    id: 'safety.thumb-arthritis-straps-on-volume',
    rank: 'safety',
    reason: 'Thumb-joint arthritis, and the joint is felt today: straps on the volume spare it.',
    effect: (facts: RuleFacts): RuleEffect | undefined => {
      const { lifter, role, lift, event } = facts;
      const felt = arthritic(facts).some((side) => (lifter.hands[side].thumbJointPain ?? 0) > 0);
      return felt &&
        (role === 'volume' || role === 'backoff') &&
        lift.straps.allowed &&
        event?.straps !== false
        ? { bars: BARE }
        : undefined;
    },
  },
  {
    id: 'safety.no-near-limit-holds',
    rank: 'safety',
    reason:
      'Long hard holds raise blood pressure sharply: nothing near the limit for blood pressure, heart, fainting, pregnancy, a recent operation or under 18, until a clinician has cleared it.',
    effect: nearLimitRule('safety.no-near-limit-holds'),
  },
  {
    id: 'safety.elbow-pain-no-near-limit',
    rank: 'safety',
    reason: `Elbow or wrist pain of ${SORE_ELBOW} or more: no near-limit holds and no gripper goals; opening work stays.`,
    effect: nearLimitRule('safety.elbow-pain-no-near-limit'),
  },
  {
    id: 'safety.no-maximal-efforts',
    rank: 'safety',
    reason: `Until a clinician has cleared it nothing above about ${MAXIMAL_SHARE * 100} % of the max: blood pressure, heart, fainting, pregnancy, recent operation.`,
    effect: ({ lifter, lift, load, max }: RuleFacts): RuleEffect | undefined => {
      const flag = unclearedOf(lifter, NO_MAXIMAL_UNTIL_CLEARED);
      if (!flag || lift.timed) return undefined;
      const most = MAXIMAL_SHARE * (max ?? Infinity);
      return (load ?? 0) > most + 1e-9
        ? {
            bars: GRIP_CHOICES,
            byLoad: true,
            loadAtMost: most,
            text: `No maximal effort until cleared: at most about ${MAXIMAL_SHARE * 100} % of the max, and no breath held. ${HISTORY_CAUTIONS[flag]}`,
          }
        : undefined;
    },
  },
];

const tornCallus = damaged(
  (hand) => hand.palm === 'torn',
  (sides) => `Torn callus on the ${sides} hand: straps for pulling until it has healed.`,
);

const arthritic = ({ lifter }: RuleFacts): Side[] => flagged(lifter, 'thumbArthritis', 'always');

/** Share of the max from which a warm-up is one of the last. */
export const LAST_WARM_UP_SHARE = 0.6;

/** Is the set heavy, or one of the last warm-ups before what is? */
export function isHeavyOrLastWarmUp({ role, load, max, lifter }: RuleFacts): boolean {
  if (role === 'top' || role === 'attempt') return true;
  return role === 'warmup' && (load ?? 0) >= LAST_WARM_UP_SHARE * (max ?? lifter.deadliftMax);
}
