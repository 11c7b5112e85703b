import { GRIP_NAMES, STRAP_NAMES } from '../vocabulary.ts';
import { checkObject, checkOneOf } from '../check.ts';
import { SIDES } from '../hands/hand-state.ts';
import { CHALK_KINDS } from '../clasp-curve/types.ts';
import { STRAP_TYPES } from '../set-demand/lift.ts';
import { listOf, oneOf, record, text, whole } from '../shape.ts';
import type { ChalkCall, SetCall, StrapCall } from './types.ts';

const chalkCheck = record<ChalkCall>({ kind: oneOf(CHALK_KINDS), where: listOf(text(200), 20) });
const strapsCheck = record<StrapCall>({ type: oneOf(STRAP_TYPES), turns: whole(1, 6) });

/**
 * The call as one would read it aloud across a gym, without the load.
 * @throws InvalidInputError for something that is no call.
 * @example sayCall({ choice: 'mixed', sideUnder: 'left', chalk: { kind: 'block', where: [] }, verdict: 'called' }) // 'mixed, left under, block chalk'
 */
export function sayCall(
  call: Pick<SetCall, 'choice' | 'sideUnder' | 'onlyHand' | 'straps' | 'chalk' | 'verdict'> &
    Partial<Pick<SetCall, 'lighterLoad'>>,
): string {
  checkObject('call', call);
  if (call.choice) checkOneOf('call.choice', call.choice, Object.keys(GRIP_NAMES));
  if (call.choice) chalkCheck('call.chalk', call.chalk);
  if (call.straps) strapsCheck('call.straps', call.straps);
  if (call.onlyHand) checkOneOf('call.onlyHand', call.onlyHand, SIDES);
  const alone = call.onlyHand ? [`${call.onlyHand} hand only`] : [];
  if (call.verdict === 'free') return ['no grip call', ...alone].join(', ');
  if (!call.choice) return call.lighterLoad === undefined ? 'leave it out' : 'only lighter';
  const parts: string[] = [GRIP_NAMES[call.choice], ...alone];
  if (call.sideUnder) parts.push(`${call.sideUnder} under`);
  if (call.straps)
    parts.push(
      `${STRAP_NAMES[call.straps.type]}, ${call.straps.turns} ${call.straps.turns === 1 ? 'turn' : 'turns'}`,
    );
  if (call.chalk.kind !== 'none') {
    const thumb = call.chalk.where.includes('outer side of the thumb') ? ', outer thumb too' : '';
    parts.push(`${call.chalk.kind} chalk${thumb}`);
  }
  return parts.join(', ');
}
