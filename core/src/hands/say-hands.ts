import { handCheck, handsCheck } from '../calls/check-call.ts';
import { PAIN_PARTS, PAINS, SIDES, type HandsToday, type HandToday } from './hand-state.ts';

/**
 * What is to be said of one hand, the gravest first; empty where there is nothing.
 * @throws InvalidInputError naming the part of the hand that cannot be used.
 * @example handWords({ palm: 'torn', thumb: 'sound', finger: 'sound', numb: false, pain: 3, elbowPain: 0 }) // ['callus torn', 'pain 3']
 */
export function handWords(hand: HandToday): string[] {
  handCheck('hand', hand);
  return [
    ...(hand.numb ? ['numb'] : []),
    ...(hand.spreadingPain ? ['pain that spreads'] : []),
    ...(hand.palm === 'torn' ? ['callus torn'] : hand.palm === 'tender' ? ['palm tender'] : []),
    ...(hand.thumb === 'torn' ? ['thumb torn'] : hand.thumb === 'tender' ? ['thumb tender'] : []),
    ...(hand.nail === 'bleeding' ? ['blood under the nail'] : hand.nail === 'split' ? ['nail split'] : []),
    ...(hand.finger === 'sound' ? [] : [`finger ${hand.finger}`]),
    ...PAIN_PARTS.flatMap((part) => {
      const pain = hand[part] ?? 0;
      return pain > 0 ? [`${part === 'pain' ? 'pain' : PAINS[part]} ${pain}`] : [];
    }),
  ];
}

/**
 * Both hands in a sentence. Hands that nobody has looked at are not said to be sound.
 * @param looked whether anybody has looked at them.
 * @throws InvalidInputError naming the part of a hand that cannot be used.
 * @example sayHands({ left: SOUND_HAND, right: SOUND_HAND }, false) // 'Hands not looked at yet'
 */
export function sayHands(hands: HandsToday, looked: boolean): string {
  handsCheck('hands', hands);
  if (!looked) return 'Hands not looked at yet';
  const said = [
    ...(hands.unwell ? ['unwell: nothing is lifted'] : []),
    ...SIDES.flatMap((side) => {
      const words = handWords(hands[side]);
      return words.length ? [`${side}: ${words.join(', ')}`] : [];
    }),
  ];
  return said.length ? said.join('; ') : 'Both hands sound';
}
