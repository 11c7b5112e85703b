import Papa from 'papaparse';
import { checkList, checkRange, checkText } from '../check.ts';
import { LONGEST_TABLE } from './read-table.ts';

/** Rows written in one go at most. */
const MOST_ROWS = 1_000_000;

/**
 * Writes rows as CSV: comma between, decimal points, quoted where it must be, a line end after each row, and a cell that a
 * spreadsheet would take for a formula marked as text. The head is a row like any other; a missing figure is an empty cell.
 * @throws InvalidInputError for what is no list of rows of figures, texts and nulls, or more than a million rows.
 * @example writeTable([['lifter', 'load (kg)'], ['Ana', 182.5]]) // 'lifter,load (kg)\r\nAna,182.5\r\n'
 */
export function writeTable(rows: readonly (readonly (string | number | null)[])[]): string {
  const cell = (value: string | number | null, field: string): void => {
    if (typeof value === 'number') checkRange(field, value, -Number.MAX_VALUE, Number.MAX_VALUE);
    else if (value !== null && value !== '') checkText(field, value, LONGEST_TABLE);
  };
  checkList('rows', rows, (row, field) => checkList(field, row, cell), { max: MOST_ROWS });
  if (rows.length === 0) return '';
  return `${Papa.unparse(
    rows.map((row) => [...row]),
    { escapeFormulae: true },
  )}\r\n`;
}
