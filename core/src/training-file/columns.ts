import { checkList, checkText } from '../check.ts';

/** What a column of a training file can hold. */
export const TRAINING_FIELDS = [
  'day',
  'lifter',
  'lift',
  'load',
  'reps',
  'sets',
  'grip',
  'straps',
  'chalk',
  'slipped',
  'note',
] as const;
export type TrainingField = (typeof TRAINING_FIELDS)[number];

export const TRAINING_FIELD_NAMES: Readonly<Record<TrainingField, string>> = {
  day: 'Day',
  lifter: 'Lifter',
  lift: 'Lift',
  load: 'Load',
  reps: 'Repetitions',
  sets: 'Sets',
  grip: 'Grip',
  straps: 'Straps',
  chalk: 'Chalk',
  slipped: 'Slipped',
  note: 'Note',
};

/** Without these a row is no set. */
export const NEEDED_FIELDS: readonly TrainingField[] = ['day', 'lift', 'load', 'reps'];

/** Which column holds what, counted from 0; what is left out the file does not say. */
export type TrainingColumns = Readonly<Partial<Record<TrainingField, number>>>;

/** Heads by what they mostly mean; the first pattern that fits takes the column. */
const HEADS: readonly (readonly [TrainingField, RegExp])[] = [
  ['day', /^(date|day|when|workout date|datum|session date)\b/iu],
  ['lifter', /^(lifter|athlete|name|client|who)\b/iu],
  ['lift', /^(lift|exercise|movement|exercise name|übung)\b/iu],
  ['sets', /^(sets|number of sets)\b/iu],
  ['reps', /^(reps?|repetitions?|rep count|wdh)\b/iu],
  ['load', /^(load|weight|kg|lbs?|mass|gewicht)\b/iu],
  ['straps', /^straps?\b/iu],
  ['grip', /^(grip|hold|hand)\b/iu],
  ['chalk', /^chalk\b/iu],
  ['slipped', /^(slip|slipped|failed|failure)\b/iu],
  ['note', /^(notes?|comments?|remarks?)\b/iu],
];

/**
 * Guesses which column holds what from the heads of a file; each column and each field is taken once.
 * @throws InvalidInputError for heads that are no texts.
 * @example guessColumns(['Date', 'Exercise', 'Weight (kg)', 'Reps']) // { day: 0, lift: 1, load: 2, reps: 3 }
 */
export function guessColumns(head: readonly string[]): TrainingColumns {
  checkList('head', head, (each, name) => void (each !== '' && checkText(name, each)));
  const found: Partial<Record<TrainingField, number>> = {};
  head.forEach((words, column) => {
    const field = HEADS.find(([each, sign]) => found[each] === undefined && sign.test(words.trim()))?.[0];
    if (field) found[field] = column;
  });
  return found;
}
