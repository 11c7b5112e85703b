import {
  dayHabitOf,
  guessColumns,
  readTable,
  type DayHabit,
  type FileTable,
  type TrainingColumns,
  type TrainingField,
} from '@iron-clasp/core';

/** A file as it was opened, with what can be told of it at once. */
export interface OpenedFile {
  readonly name: string;
  readonly text: string;
  readonly table: FileTable;
  readonly columns: TrainingColumns;
}

/** Opens a table; throws what is wrong with it. */
export function openFile(name: string, text: string): OpenedFile {
  const table = readTable(text);
  return { name, text, table, columns: guessColumns(table.head) };
}

/** Cells of one column. */
export const cellsOf = ({ rows }: FileTable, column: number | undefined): string[] =>
  column === undefined ? [] : rows.map(({ cells }) => cells[column] ?? '');

/** How days are written in the column that holds them. */
export const daysOf = (table: FileTable, { day }: TrainingColumns): DayHabit =>
  dayHabitOf(cellsOf(table, day).map((cell) => cell.slice(0, 100)));

/** What a column is called where it is chosen: its head, or its letter, with a first cell as a sample. */
export function columnName(table: FileTable, column: number): string {
  const head = table.head[column] || `column ${column + 1}`;
  const sample = cellsOf(table, column).find((cell) => cell !== '');
  return sample ? `${head} (${sample.slice(0, 24)})` : head;
}

/** Names that the file writes, each once; one empty name where it has no column for them. */
export function namesIn(table: FileTable, { lifter }: TrainingColumns): string[] {
  if (lifter === undefined) return [''];
  const seen = new Map<string, string>();
  for (const name of cellsOf(table, lifter))
    if (!seen.has(name.toLowerCase())) seen.set(name.toLowerCase(), name);
  return [...seen.values()].slice(0, 500);
}

/** The lifter that a name of the file most likely is: the same name, else the only one that begins with it. */
export function likelyLifter(
  name: string,
  lifters: readonly { readonly id: string; readonly name: string }[],
): string | null {
  const wanted = name.trim().toLowerCase();
  if (wanted === '') return lifters.length === 1 ? lifters[0]!.id : null;
  const same = lifters.find((each) => each.name.toLowerCase() === wanted);
  if (same) return same.id;
  const alike = lifters.filter((each) => each.name.toLowerCase().startsWith(`${wanted} `));
  return alike.length === 1 ? alike[0]!.id : null;
}

/** Columns with one field put elsewhere, or nowhere; no column holds two things. */
export function withColumn(
  columns: TrainingColumns,
  field: TrainingField,
  column: number | undefined,
): TrainingColumns {
  const others = Object.entries(columns).filter(([each, at]) => each !== field && at !== column);
  return Object.fromEntries(column === undefined ? others : [...others, [field, column]]);
}
