import { PAIN_PARTS, PAINS, SIDES, type HandsToday, type HandToday, type Side } from '../hands/hand-state.ts';
import { handsCheck } from './check-call.ts';

/** Pain, 0–10, anywhere from the hand to the biceps, from which a hand is not loaded at all. */
export const SHARP_PAIN = 8;

/** Sides as one says them. */
export const named = (sides: readonly Side[]): string =>
  SIDES.filter((side) => sides.includes(side)).join(' and ');

/** What stops the day for both hands and everything they lift, hold or press. */
export interface StopRule {
  readonly id: string;
  readonly reason: string;
  /** The sentence, where the hands are so; undefined where they are not. */
  readonly says: (hands: HandsToday) => string | undefined;
}

const handsWhere = (hands: HandsToday, test: (hand: HandToday) => boolean): string =>
  named(SIDES.filter((side) => test(hands[side])));

/** Read in order; each stops every line of a session, gripped or not. */
export const STOP_RULES: readonly StopRule[] = [
  {
    id: 'safety.unwell-stop',
    reason: 'Unwell, dizzy or faint: stop, lift nothing; refer to a physician.',
    says: ({ unwell }) =>
      unwell ? 'Unwell, dizzy or faint: stop, lift nothing; refer to a physician.' : undefined,
  },
  {
    id: 'safety.numbness-stop',
    reason: 'Numbness or tingling: stop, nothing is lifted today; refer to a clinician.',
    says: (hands: HandsToday): string | undefined => {
      const found = handsWhere(hands, (hand) => hand.numb);
      return found
        ? `Numbness or tingling in the ${found} hand: stop, nothing is lifted today; refer to a clinician.`
        : undefined;
    },
  },
  {
    id: 'safety.spreading-pain-stop',
    reason: 'Spreading pain: stop, nothing is lifted today; refer to a clinician.',
    says: (hands: HandsToday): string | undefined => {
      const found = handsWhere(hands, (hand) => hand.spreadingPain === true);
      return found
        ? `Pain spreading from the ${found} hand: stop, nothing is lifted today; refer to a clinician.`
        : undefined;
    },
  },
  {
    id: 'safety.sharp-pain-stop',
    reason: 'Sharp pain in a hand, its thumb joint, wrist, elbow or biceps: stop, nothing is lifted today.',
    says: (hands: HandsToday): string | undefined => {
      const sharp = PAIN_PARTS.flatMap((part) => {
        const found = handsWhere(hands, (hand) => (hand[part] ?? 0) >= SHARP_PAIN);
        return found ? [`${found} ${PAINS[part]}`] : [];
      });
      return sharp.length
        ? `Pain of ${SHARP_PAIN} or more in the ${sharp.join(', ')}: stop, nothing is lifted today.`
        : undefined;
    },
  },
];

/**
 * Why nothing is lifted today, as every screen that shows the hands says it; undefined where the day goes on.
 * @throws InvalidInputError naming the part of the hands that cannot be used.
 * @example stopToday({ left: SOUND_HAND, right: { ...SOUND_HAND, numb: true } })
 * // 'Numbness or tingling in the right hand: stop, nothing is lifted today; refer to a clinician.'
 */
export function stopToday(hands: HandsToday): string | undefined {
  handsCheck('hands', hands);
  return STOP_RULES.map(({ says }) => says(hands)).find((said) => said !== undefined);
}
