import type { HoldPrescription, SetRole } from '@iron-clasp/core';

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
