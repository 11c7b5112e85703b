import { checkText } from '../check.ts';
import type { ChalkKind, Grip } from '../clasp-curve/types.ts';
import type { MassUnit } from '../units/mass.ts';
import { LIFTS } from '../set-demand/lifts.ts';

/** Words as they are compared: small letters, no marks, one blank between. */
const plain = (words: string): string =>
  words
    .normalize('NFKD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** What lifts are called in files beside their names in the catalogue. */
const LIFT_WORDS: Readonly<Record<string, string>> = {
  dl: 'deadlift.conventional',
  'conventional deadlift': 'deadlift.conventional',
  'barbell deadlift': 'deadlift.conventional',
  'deadlift barbell': 'deadlift.conventional',
  'deadlift conventional': 'deadlift.conventional',
  'sumo dl': 'deadlift.sumo',
  sumo: 'deadlift.sumo',
  'deadlift sumo': 'deadlift.sumo',
  'clean grip dl': 'deadlift.clean-grip',
  'clean deadlift': 'deadlift.clean-grip',
  'deficit dl': 'deadlift.deficit',
  'pause deadlift': 'deadlift.paused',
  'paused dl': 'deadlift.paused',
  rdl: 'romanian',
  romanian: 'romanian',
  'romanian dl': 'romanian',
  sldl: 'stiff-leg',
  'stiff leg': 'stiff-leg',
  'stiff legged deadlift': 'stiff-leg',
  'straight leg deadlift': 'stiff-leg',
  shrugs: 'shrug',
  'barbell shrug': 'shrug',
  row: 'row.barbell',
  'bent over row': 'row.barbell',
  'pendlay row': 'row.barbell',
  'bb row': 'row.barbell',
  'db row': 'row.dumbbell',
  'one arm row': 'row.dumbbell',
  pulldown: 'pull-down',
  'lat pulldown': 'pull-down',
  'clean and jerk': 'clean',
  'c j': 'clean',
  'squat clean': 'clean',
  'squat snatch': 'snatch',
  ohp: 'press',
  'overhead press': 'press',
  'military press': 'press',
  'strict press': 'press',
  bp: 'bench',
  bench: 'bench',
  'barbell bench press': 'bench',
  sq: 'squat',
  'back squat': 'squat',
  'front squat': 'squat',
  'low bar squat': 'squat',
  pullup: 'pull-up',
  pullups: 'pull-up',
  'pull ups': 'pull-up',
  chinup: 'chin-up',
  'chin ups': 'chin-up',
  'farmers walk': 'carry.handles',
  'farmers carry': 'carry.handles',
  'farmer walk': 'carry.handles',
  curls: 'curl',
  'barbell curl': 'curl',
};

const byWords = new Map([
  ...LIFTS.map(({ id, name }) => [plain(name), id] as const),
  ...LIFTS.map(({ id }) => [plain(id), id] as const),
  ...Object.entries(LIFT_WORDS),
]);

/**
 * The lift that words name, however they are written; undefined where they name none of the catalogue.
 * @throws InvalidInputError for what is no text.
 * @example liftOfWords('Barbell Dead-lift') // undefined
 * @example liftOfWords('RDL') // 'romanian'
 */
export function liftOfWords(words: string): string | undefined {
  if (words !== '') checkText('words', words);
  return byWords.get(plain(words));
}

/** How a set was held, as a file says it. */
export interface GripWords {
  readonly grip: Grip;
  readonly strapped: boolean;
}

const bare = (grip: Grip): GripWords => ({ grip, strapped: false });
const STRAPPED: GripWords = { grip: 'doubleOverhand', strapped: true };

const GRIP_WORDS: ReadonlyMap<string, GripWords> = new Map([
  ...['double overhand', 'doh', 'overhand', 'pronated', 'normal', 'd o h', 'double'].map(
    (words) => [words, bare('doubleOverhand')] as const,
  ),
  ...['mixed', 'mixed grip', 'alternate', 'alternated', 'over under', 'mix', 'm'].map(
    (words) => [words, bare('mixed')] as const,
  ),
  ...['hook', 'hook grip', 'hooked', 'hg', 'h'].map((words) => [words, bare('hook')] as const),
  ...['straps', 'strap', 'strapped', 'with straps', 's'].map((words) => [words, STRAPPED] as const),
]);

/**
 * The grip that words name; undefined where they name none.
 * @throws InvalidInputError for what is no text.
 * @example gripOfWords('DOH') // { grip: 'doubleOverhand', strapped: false }
 */
export function gripOfWords(words: string): GripWords | undefined {
  if (words !== '') checkText('words', words);
  return GRIP_WORDS.get(plain(words));
}

const CHALK_WORDS: ReadonlyMap<string, ChalkKind> = new Map([
  ...['none', 'no', 'no chalk', 'n', '0', 'false', 'without'].map((words) => [words, 'none'] as const),
  ...['block', 'chalk', 'yes', 'y', '1', 'true', 'x', 'block chalk', 'magnesium'].map(
    (words) => [words, 'block'] as const,
  ),
  ...['liquid', 'liquid chalk'].map((words) => [words, 'liquid'] as const),
]);

/**
 * The chalk that words name; undefined where they name none.
 * @throws InvalidInputError for what is no text.
 * @example chalkOfWords('Liquid chalk') // 'liquid'
 */
export function chalkOfWords(words: string): ChalkKind | undefined {
  if (words !== '') checkText('words', words);
  return CHALK_WORDS.get(plain(words));
}

const YES_WORDS = new Set([
  'yes',
  'y',
  'x',
  '1',
  'true',
  'slipped',
  'slip',
  'failed',
  'dropped',
  'straps',
  'strapped',
]);
const NO_WORDS = new Set(['', 'no', 'n', '0', 'false', 'none', 'ok', 'held']);

/**
 * Yes or no, as a file says it; undefined where it says neither.
 * @throws InvalidInputError for what is no text.
 * @example yesOfWords('x') // true
 */
export function yesOfWords(words: string): boolean | undefined {
  if (words !== '') checkText('words', words);
  const said = plain(words);
  return YES_WORDS.has(said) ? true : NO_WORDS.has(said) ? false : undefined;
}

/**
 * The unit of mass that words name, as the head of a column does; undefined where they name none.
 * @throws InvalidInputError for what is no text.
 * @example unitOfWords('Weight (lbs)') // 'lb'
 */
export function unitOfWords(words: string): MassUnit | undefined {
  if (words !== '') checkText('words', words);
  if (/\b(lbs?|pounds?)\b/iu.test(words)) return 'lb';
  return /\b(kgs?|kilos?)\b/iu.test(words) ? 'kg' : undefined;
}
