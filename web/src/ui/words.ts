import { SPORT_NAMES, type Sport } from '@iron-clasp/core';

/** The sport as it stands beside a name, with what the coach added in words. */
export function saySport({ sport, sportWords }: { sport: Sport; sportWords: string }): string {
  if (sport === 'other' && sportWords !== '') return sportWords;
  return sportWords === '' ? SPORT_NAMES[sport] : `${SPORT_NAMES[sport]}, ${sportWords}`;
}
