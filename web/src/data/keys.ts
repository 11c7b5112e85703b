import type { WhatIfRequest } from '@iron-clasp/contract';

/** What is read of a lifter. */
export type LifterNoun =
  | 'sheet'
  | 'day'
  | 'profile'
  | 'program'
  | 'changes'
  | 'curve'
  | 'months'
  | 'backTest'
  | 'compare'
  | 'hands'
  | 'holds'
  | 'squeeze'
  | 'grippers'
  | 'log'
  | 'preview'
  | 'mistakes';
/** What is read of a training session. */
export type TrainingNoun = 'calls' | 'floor' | 'end' | 'plan' | 'whatIf';
/** What owners keep. */
export type PeopleNoun = 'list' | 'settings' | 'deeds' | 'backups' | 'export' | 'apiTokens' | 'calendar';
/** What is read of the club as a whole. */
export type ClubNoun =
  | 'rack'
  | 'today'
  | 'day'
  | 'imports'
  | 'everyLifter'
  | 'archived'
  | 'attention'
  | 'backTest'
  | 'blockEffect'
  | 'venues'
  | 'kit'
  | 'schools'
  | 'library'
  | 'protocols';

/**
 * Names of everything that is fetched. Each begins with its owner, so that a write lets go of all that is the owner's by one
 * prefix: a new screen of a lifter is never stale for want of a line in some list.
 */
export const keys = {
  session: ['account'],
  ownAccount: ['account', 'own'],
  welcome: ['welcome'],
  club: (noun: ClubNoun, ...more: readonly unknown[]) => ['club', noun, ...more],
  people: (noun: PeopleNoun, ...more: readonly unknown[]) => ['people', noun, ...more],
  lifter: (lifterId: string, noun: LifterNoun, ...more: readonly unknown[]) => [
    'lifter',
    lifterId,
    noun,
    ...more,
  ],
  training: (sessionId: string, noun: TrainingNoun, asked?: WhatIfRequest | null) => [
    ...['training', sessionId, noun],
    ...(asked === undefined ? [] : [asked]),
  ],
} as const;
