import Papa from 'papaparse';
import { InvalidInputError } from '../errors.ts';
import { checkText } from '../check.ts';
import { oneOf, optional, positive, record, type Check } from '../shape.ts';
import { MOST_SAMPLES, type ForceTrace } from './clean-trace.ts';

/** Units of force that a file may be in, with what one is in kgf. Source: standard gravity 9.80665 m/s². */
export const FORCE_UNITS = { kgf: 1, N: 1 / 9.80665, lbf: 0.45359237 } as const;
export type ForceUnit = keyof typeof FORCE_UNITS;

/** Units of time that a file may be in, with what one is in s. */
export const TIME_UNITS = { s: 1, ms: 0.001 } as const;
export type TimeUnit = keyof typeof TIME_UNITS;

export interface TraceCsvOptions {
  /** Unit of force, where the file does not say. Default kgf. */
  readonly force?: ForceUnit;
  /** Unit of time, where the file does not say. Default s. */
  readonly time?: TimeUnit;
  /** Samples a second, for a file of forces alone. */
  readonly rate?: number;
}

/** A force trace as a file held it, and how it was read. */
export interface ReadTrace {
  readonly trace: ForceTrace;
  readonly force: ForceUnit;
  readonly time: TimeUnit;
  /** What was taken for granted or passed over, as one would say it. */
  readonly notes: readonly string[];
}

/** Longest file taken in one go, characters: a million samples with room. */
export const LONGEST_TRACE_FILE = 40_000_000;

const optionsCheck: Check = record<TraceCsvOptions>({
  force: optional(oneOf(Object.keys(FORCE_UNITS))),
  time: optional(oneOf(Object.keys(TIME_UNITS))),
  rate: optional(positive(10_000)),
});

const FORCE_WORDS: readonly (readonly [ForceUnit, RegExp])[] = [
  ['N', /\b(n|newtons?)\b/i],
  ['lbf', /\b(lbf?|lbs|pounds?)\b/i],
  ['kgf', /\b(kgf?|kilograms?|kp)\b/i],
];
const TIME_WORDS: readonly (readonly [TimeUnit, RegExp])[] = [
  ['ms', /\b(ms|msec|milliseconds?)\b/i],
  ['s', /\b(s|sec|secs|seconds?)\b/i],
];
const TIME_NAMES = /\b(time|t|zeit|temps|elapsed)\b/i;
const FORCE_NAMES = /\b(force|load|f|grip|squeeze|kraft|value|kgf?|n|newtons?|lbf?)\b/i;

/**
 * Reads a force trace from the text of a CSV file: a column of times and one of forces, or forces alone with the sampling
 * rate given. Separators (comma, semicolon, tab, bar, blank), a byte order mark, a header with units, comment lines from #,
 * and decimal commas are all taken; forces in kgf, N or lbf and times in s or ms come back in kgf and s. What is no number
 * stays as a dropped sample for {@link cleanTrace} to bridge.
 * @throws InvalidInputError for text without two samples of numbers, more than a million rows, or a unit that is unknown.
 * @example readTraceCsv('time (ms);force (N)\n0;0,0\n12,5;98,0665').trace.forces // [0, 10]
 */
export function readTraceCsv(text: string, options: TraceCsvOptions = {}): ReadTrace {
  checkText('file', text, LONGEST_TRACE_FILE);
  optionsCheck('options', options);
  const plain = text.replace(/^\uFEFF/, '');
  const separator = separatorOf(plain);
  const { data } = Papa.parse<string[]>(plain, {
    delimiter: separator,
    comments: '#',
    skipEmptyLines: 'greedy',
    preview: MOST_SAMPLES + 50,
  });
  const rows = data.map((row) => row.map((cell) => cell.trim()));
  const first = rows.findIndex((row) => row.some((cell) => !Number.isNaN(numberOf(cell, separator))));
  if (first < 0) throw noNumbers(plain);
  const body = rows.slice(first);
  if (body.length > MOST_SAMPLES)
    throw new InvalidInputError(
      'file',
      `at most ${MOST_SAMPLES} samples: cut the trace into trials`,
      body.length,
    );
  const header = first > 0 ? rows[first - 1]!.map((name) => name.slice(0, LONGEST_NAME)) : [];
  const notes: string[] = [];
  const width = Math.max(...body.slice(0, 50).map((row) => row.length));
  const columns = columnsOf(header, width, notes);
  const force = unitOf(header[columns.force] ?? '', FORCE_WORDS) ?? options.force;
  const time = unitOf(columns.time === null ? '' : (header[columns.time] ?? ''), TIME_WORDS) ?? options.time;
  const forces = body.map(
    (row) => numberOf(row[columns.force] ?? '', separator) * FORCE_UNITS[force ?? 'kgf'],
  );
  if (!force && !options.force) notes.push('The file names no unit of force: taken as kgf.');
  const times = timesOf(body, columns.time, separator, time ?? 's', options.rate, notes);
  const dropped = forces.filter((each) => Number.isNaN(each)).length;
  if (dropped) notes.push(`${dropped} ${dropped === 1 ? 'row holds' : 'rows hold'} no force: bridged.`);
  if (forces.length - dropped < 2) throw noNumbers(plain);
  return { trace: { times, forces }, force: force ?? 'kgf', time: time ?? 's', notes };
}

function noNumbers(text: string): InvalidInputError {
  return new InvalidInputError(
    'file',
    'a table of times and forces, one sample a line, as “time (s),force (kgf)”',
    text.slice(0, 40),
  );
}

/** The separator that most lines of the start hold equally often; a comma between digits alone may be a decimal one. */
function separatorOf(text: string): string {
  const lines = text
    .slice(0, 4000)
    .split(/\r?\n/)
    .filter((line) => line.trim() && !line.startsWith('#'))
    .slice(0, 20);
  const found = [';', '\t', '|', ','].find((each) => {
    const holding = lines.filter((line) => line.includes(each)).length;
    return holding > 0 && holding >= lines.length / 2;
  });
  if (found) return found;
  return lines.filter((line) => /\d\s+[-\d]/.test(line)).length >= lines.length / 2 ? ' ' : ',';
}

/** Characters of the longest number, and of what is read of a column's name. */
const LONGEST_NUMBER = 40;
const LONGEST_NAME = 200;

/** A number as written, with a decimal comma where commas do not separate; NaN for anything else. */
function numberOf(cell: string, separator: string): number {
  // A longer cell is no number; matching it would take time by the square of its length.
  if (cell === '' || cell.length > LONGEST_NUMBER) return Number.NaN;
  const plain = separator === ',' ? cell : cell.replace(',', '.');
  return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(plain) ? Number(plain) : Number.NaN;
}

function columnsOf(
  header: readonly string[],
  width: number,
  notes: string[],
): { time: number | null; force: number } {
  if (width === 1) return { time: null, force: 0 };
  const time = header.findIndex((name) => TIME_NAMES.test(name.replace(/[^\p{L}]+/gu, ' ')));
  const force = header.findIndex(
    (name, i) => i !== time && FORCE_NAMES.test(name.replace(/[^\p{L}]+/gu, ' ')),
  );
  const columns = {
    time: time < 0 ? (force === 0 ? 1 : 0) : time,
    force: force < 0 ? (time === 1 ? 0 : 1) : force,
  };
  if (header.length === 0) notes.push('No header: the first column is taken as time, the second as force.');
  if (width > 2)
    notes.push(`${width} columns: ${columns.time + 1} read as time and ${columns.force + 1} as force.`);
  return columns;
}

function timesOf(
  body: readonly (readonly string[])[],
  column: number | null,
  separator: string,
  unit: TimeUnit,
  rate: number | undefined,
  notes: string[],
): number[] {
  if (column !== null) return body.map((row) => numberOf(row[column] ?? '', separator) * TIME_UNITS[unit]);
  if (rate === undefined)
    throw new InvalidInputError(
      'rate',
      'said, in samples a second, for a file of forces without times',
      rate,
    );
  notes.push(`Forces without times: ${rate} samples a second, as said.`);
  return body.map((_, i) => i / rate);
}

function unitOf<Unit extends string>(
  name: string,
  words: readonly (readonly [Unit, RegExp])[],
): Unit | undefined {
  // A unit stands in brackets or after the name: what is said inside the brackets counts first.
  const bracketed = /[([]([^)\]]*)[)\]]/.exec(name)?.[1];
  const spaced = (text: string): string => text.replace(/[_/,]/g, ' ');
  return words.find(([, word]) => word.test(spaced(bracketed ?? name)))?.[0];
}
