import { InvalidInputError } from '../errors.ts';
import { listOf, record, whole, type Check } from '../shape.ts';
import type { FileColumns, FileField } from './columns.ts';
import { MOST_TABLE_ROWS, type FileRow, type FileTable } from './read-table.ts';

/** What is wrong with a row. */
export interface RowFault {
  readonly line: number;
  readonly fault: string;
}

/** What a note says beyond it is cut off, characters. */
export const LONGEST_NOTE = 500;

/** A cell may hold nothing. */
const cellCheck: Check = (field, value) => {
  if (typeof value !== 'string') throw new InvalidInputError(field, 'the text of a cell', value);
};

/** Asserts a table as {@link FileTable} says. */
export const tableCheck: Check = record<FileTable>({
  head: listOf(cellCheck, 60),
  rows: listOf(record<FileRow>({ line: whole(1, 1e9), cells: listOf(cellCheck, 60) }), MOST_TABLE_ROWS),
  width: whole(1, 60),
});

/** The text of a field in a row; empty where the file has no column for it. */
export const cellOf =
  (cells: readonly string[], columns: FileColumns) =>
  (field: FileField): string => {
    const column = columns[field];
    return column === undefined ? '' : (cells[column] ?? '');
  };

/** A whole number from 1 to `most`; undefined for what is none. */
export function countOf(cell: string, most: number): number | undefined {
  const found = Number(cell);
  return cell !== '' && Number.isInteger(found) && found >= 1 && found <= most ? found : undefined;
}

/** A figure within bounds, with a point or a comma; undefined for what is none. */
export function amountOf(
  cell: string,
  { min, max }: { readonly min: number; readonly max: number },
): number | undefined {
  if (!/^\d+(?:[.,]\d+)?$/u.test(cell.trim())) return undefined;
  const found = Number(cell.trim().replace(',', '.'));
  return found >= min && found <= max ? found : undefined;
}
