import { CHALK_NAMES, SPORT_NAMES, type SetCall, type Sport } from '@iron-clasp/core';
import type { SessionHead } from '@iron-clasp/contract';

/** The sport as it stands beside a name, with what the coach added in words. */
export function saySport({ sport, sportWords }: { sport: Sport; sportWords: string }): string {
  if (sport === 'other' && sportWords !== '') return sportWords;
  return sportWords === '' ? SPORT_NAMES[sport] : `${SPORT_NAMES[sport]}, ${sportWords}`;
}

/** What is said of a set that hangs from no hand: that it needs no grip, and its chalk where there is any. */
export function sayFree({ chalk: { kind, where } }: Pick<SetCall, 'chalk'>): string[] {
  const chalked = kind !== 'none' && where.length > 0;
  return ['no grip', ...(chalked ? [`${CHALK_NAMES[kind]} on the ${where.join(', ')}`] : [])];
}

/** What the rules of a meet do to a session: on its day, and where it is rehearsed. */
export function sayEvent({ name, rehearsal }: NonNullable<SessionHead['event']>): string {
  return rehearsal
    ? `Rehearses ${name}: its rules bind, and top sets are called like attempts.`
    : `The day of ${name}: its rules bind, and top sets are attempts.`;
}
