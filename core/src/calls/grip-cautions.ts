import { checkText } from '../check.ts';

/** Cautions about the grip that is called, not about the hands or the lift: with another grip they are none. */
export const GRIP_CAUTIONS = {
  strappedBar: 'Nobody near a loaded bar held with straps: it cannot be let go at once.',
  fixedStraps:
    'Figure-eight and heavy-duty straps do not come off when the hand opens: never where the bar may have to be dropped.',
  arthritisJoint: 'Thumb joint: stop the hook as soon as the joint is felt.',
} as const;

const ALL: readonly string[] = Object.values(GRIP_CAUTIONS);

/**
 * Tells a caution about the grip that is called from one about hands or lift: it does not stand where another grip is kept.
 * @throws InvalidInputError for a text that is none.
 * @example isGripCaution('Thumb joint: stop the hook as soon as the joint is felt.') // true
 */
export function isGripCaution(caution: string): boolean {
  return ALL.includes(checkText('caution', caution, 500));
}
