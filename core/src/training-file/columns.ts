import { checkList, checkOneOf, checkText } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import type { FileTable } from './read-table.ts';

/** What a file can tell of. */
export const FILE_KINDS = ['training', 'lifters', 'grippers', 'squeeze'] as const;
export type FileKind = (typeof FILE_KINDS)[number];

export const FILE_KIND_NAMES: Readonly<Record<FileKind, string>> = {
  training: 'Past training',
  lifters: 'Lifters',
  grippers: 'Gripper attempts',
  squeeze: 'Squeeze scores',
};

/** What a column of a file can hold, as it is called where it is chosen. */
export const FILE_FIELD_NAMES = {
  day: 'Day',
  lifter: 'Lifter',
  lift: 'Lift',
  load: 'Load',
  reps: 'Repetitions',
  seconds: 'Seconds',
  sets: 'Sets',
  grip: 'Grip',
  straps: 'Straps',
  chalk: 'Chalk',
  slipped: 'Slipped',
  best: 'Best deadlift',
  bodyMass: 'Body mass',
  sport: 'Sport',
  gripper: 'Gripper',
  hand: 'Hand',
  closed: 'Closed',
  gap: 'Gap (mm)',
  force: 'Force',
  note: 'Note',
} as const;
export type FileField = keyof typeof FILE_FIELD_NAMES;
export const ALL_FILE_FIELDS = Object.keys(FILE_FIELD_NAMES) as readonly FileField[];

/** What files of a kind tell, and without what a row tells nothing. */
export const FILE_FIELDS: Readonly<
  Record<FileKind, { readonly all: readonly FileField[]; readonly needed: readonly FileField[] }>
> = {
  training: {
    all: [
      'day',
      'lifter',
      'lift',
      'load',
      'reps',
      'seconds',
      'sets',
      'grip',
      'straps',
      'chalk',
      'slipped',
      'note',
    ],
    needed: ['day', 'lift', 'load'],
  },
  lifters: { all: ['lifter', 'best', 'bodyMass', 'sport'], needed: ['lifter', 'best'] },
  grippers: {
    all: ['day', 'lifter', 'gripper', 'hand', 'closed', 'gap', 'seconds', 'note'],
    needed: ['day', 'gripper', 'hand'],
  },
  squeeze: { all: ['day', 'lifter', 'hand', 'force', 'note'], needed: ['day', 'hand', 'force'] },
};

/** Which column holds what, counted from 0; what is left out the file does not say. */
export type FileColumns = Readonly<Partial<Record<FileField, number>>>;

/** Heads by what they mostly mean; the first pattern that fits takes the column. */
const HEADS: readonly (readonly [FileField, RegExp])[] = [
  ['day', /^(date|day|when|workout date|datum|session date)\b/iu],
  ['lifter', /^(lifter|athlete|name|client|who)\b/iu],
  ['lift', /^(lift|exercise|movement|exercise name|übung)\b/iu],
  ['sets', /^(sets|number of sets)\b/iu],
  ['reps', /^(reps?|repetitions?|rep count|wdh)\b/iu],
  ['seconds', /^(seconds?|secs?|time|duration|hold time|held)\b/iu],
  ['best', /^(best|max|1 ?rm|deadlift|best deadlift|deadlift max)\b/iu],
  ['bodyMass', /^(body ?mass|body ?weight|bw)\b/iu],
  ['sport', /^(sport|discipline)\b/iu],
  ['gripper', /^(gripper|model)\b/iu],
  ['hand', /^(hand|side)\b/iu],
  ['closed', /^(closed?|result|done)\b/iu],
  ['gap', /^(gap|mm|distance)\b/iu],
  ['force', /^(force|score|kgf|squeeze|peak)\b/iu],
  ['load', /^(load|weight|kg|lbs?|mass|gewicht)\b/iu],
  ['straps', /^straps?\b/iu],
  ['grip', /^(grip|hold|hand)\b/iu],
  ['chalk', /^chalk\b/iu],
  ['slipped', /^(slip|slipped|failed|failure)\b/iu],
  ['note', /^(notes?|comments?|remarks?)\b/iu],
];

/**
 * Guesses which column holds what from the heads of a file; each column and each field is taken once.
 * @throws InvalidInputError for heads that are no texts, or an unknown kind of file.
 * @example guessColumns(['Date', 'Exercise', 'Weight (kg)', 'Reps'], 'training') // { day: 0, lift: 1, load: 2, reps: 3 }
 * @example guessColumns(['Name', 'Max'], 'lifters') // { lifter: 0, best: 1 }
 */
export function guessColumns(head: readonly string[], kind: FileKind): FileColumns {
  checkList('head', head, (each, name) => void (each !== '' && checkText(name, each)));
  const { all } = FILE_FIELDS[checkOneOf('kind', kind, FILE_KINDS)];
  const found: Partial<Record<FileField, number>> = {};
  head.forEach((words, column) => {
    const field = HEADS.find(
      ([each, sign]) => all.includes(each) && found[each] === undefined && sign.test(words.trim()),
    )?.[0];
    if (field) found[field] = column;
  });
  return found;
}

/** Asserts that every column is one of the table, and that none is left out without which a row tells nothing. */
export function checkColumns({ width }: FileTable, columns: FileColumns, kind: FileKind): void {
  for (const field of FILE_FIELDS[kind].needed)
    if (columns[field] === undefined)
      throw new InvalidInputError(
        `columns.${field}`,
        `the column that holds: ${FILE_FIELD_NAMES[field]}`,
        undefined,
      );
  for (const [field, column] of Object.entries(columns))
    if (column !== undefined && !(Number.isInteger(column) && column >= 0 && column < width))
      throw new InvalidInputError(`columns.${field}`, `a column from 0 to ${width - 1}`, column);
}
