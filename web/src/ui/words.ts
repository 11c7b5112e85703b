import { CHALK_NAMES, SPORT_NAMES, type SetCall, type Sport } from '@iron-clasp/core';

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
