import Papa from 'papaparse';
import { checkText } from '../check.ts';
import { InvalidInputError } from '../errors.ts';

/** A table as a file or a paste held it: every cell a text, trimmed. */
export interface FileTable {
  /** Names of the columns, or none where the first row holds figures. */
  readonly head: readonly string[];
  readonly rows: readonly FileRow[];
  /** Columns of the widest row. */
  readonly width: number;
}

export interface FileRow {
  /** Counted from 1, the head among them. */
  readonly line: number;
  readonly cells: readonly string[];
}

/** Longest text taken in one go, characters. */
export const LONGEST_TABLE = 8_000_000;
/** Rows taken in one go. */
export const MOST_TABLE_ROWS = 50_000;
const MOST_COLUMNS = 60;
/** Rows that the separator is guessed from. */
const GUESSED_FROM = 50;

const isDayOrFigure = (cell: string): boolean => /\d/u.test(cell);

/**
 * Reads a table from the text of a file or from pasted cells: comma, semicolon, tab or bar between, quoted cells, a byte order
 * mark and blank lines. The first row is the head where no cell of it holds a figure.
 * @throws InvalidInputError for no text, more than eight million characters, more than 50,000 rows or 60 columns, or text that
 * was no table of words.
 * @example readTable('Date;Lift;kg\n1.2.2026;Deadlift;182,5').rows[0].cells // ['1.2.2026', 'Deadlift', '182,5']
 */
export function readTable(text: string): FileTable {
  checkText('text', text, LONGEST_TABLE);
  if (text.includes('\u0000') || text.includes('\ufffd'))
    throw new InvalidInputError('text', 'plain text: save the file as CSV in UTF-8', text.slice(0, 20));
  const plain = text.replace(/^\ufeff/u, '');
  // Blank lines would speak for no separator at all.
  const guess = { delimitersToGuess: [',', ';', '\t', '|'], skipEmptyLines: true, preview: GUESSED_FROM };
  const { delimiter } = Papa.parse(plain, guess).meta;
  const { data } = Papa.parse<string[]>(plain, { delimiter });
  const all = data
    .map((cells, i) => ({ line: i + 1, cells: cells.map((cell) => cell.trim()) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
  const [first, ...rest] = all;
  if (!first) throw new InvalidInputError('text', 'a table with at least one row', text.slice(0, 20));
  const named = rest.length > 0 && !first.cells.some(isDayOrFigure);
  const rows = named ? rest : all;
  const width = rows.reduce((most, { cells }) => Math.max(most, cells.length), first.cells.length);
  if (rows.length > MOST_TABLE_ROWS)
    throw new InvalidInputError('text', `at most ${MOST_TABLE_ROWS} rows: split the file`, rows.length);
  if (width > MOST_COLUMNS) throw new InvalidInputError('text', `at most ${MOST_COLUMNS} columns`, width);
  return { head: named ? first.cells : [], rows, width };
}
