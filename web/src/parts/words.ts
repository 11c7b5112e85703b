import { SPORT_NAMES, type HoldPrescription, type SetRole, type Sport } from '@iron-clasp/core';

/** What a set is for, as it stands beside its load. */
export const ROLE_WORDS: Record<SetRole, string> = {
  warmup: 'warm-up',
  top: 'top',
  backoff: 'back-off',
  volume: 'volume',
  accessory: 'accessory',
  attempt: 'attempt',
};

/** What became of a hold's load since the last time. */
export const CHANGE_WORDS: Record<HoldPrescription['change'], string> = {
  start: 'first session',
  add: 'one step more',
  longer: 'longer',
  repeat: 'same again',
  lighter: 'lighter',
  back: '7.5 % off',
};

/** The sport as it stands beside a name, with what the coach added in words. */
export function saySport({ sport, sportWords }: { sport: Sport; sportWords: string }): string {
  if (sport === 'other' && sportWords !== '') return sportWords;
  return sportWords === '' ? SPORT_NAMES[sport] : `${SPORT_NAMES[sport]}, ${sportWords}`;
}
