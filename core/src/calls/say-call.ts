import type { GripChoice, SetCall } from './types.ts';

/** Each choice in the words of the trade. */
export const GRIP_NAMES: Record<GripChoice, string> = {
  doubleOverhand: 'double overhand',
  mixed: 'mixed',
  hook: 'hook',
  straps: 'straps',
};

export const STRAP_NAMES = {
  loop: 'loop',
  plain: 'plain',
  quickRelease: 'quick-release',
  figureEight: 'figure-eight',
  heavyDuty: 'heavy-duty',
} as const;

/**
 * The call as one would read it aloud across a gym, without the load.
 * @example sayCall(call) // 'mixed, left under, block chalk'
 */
export function sayCall(
  call: Pick<SetCall, 'choice' | 'sideUnder' | 'straps' | 'chalk' | 'verdict'>,
): string {
  if (call.verdict === 'free') return 'no grip call';
  if (!call.choice) return 'leave it out';
  const parts: string[] = [GRIP_NAMES[call.choice]];
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
