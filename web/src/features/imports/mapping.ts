import {
  dayHabitOf,
  FILE_FIELDS,
  FILE_KINDS,
  guessColumns,
  readTable,
  type DayHabit,
  type FileTable,
  type FileColumns,
  type FileField,
  type FileKind,
} from '@iron-clasp/core';

/** A file as it was opened, with what can be told of it at once. */
export interface OpenedFile {
  readonly name: string;
  readonly text: string;
  readonly table: FileTable;
}

/** Opens a table; throws what is wrong with it. */
export function openFile(name: string, text: string): OpenedFile {
  return { name, text, table: readTable(text) };
}

/** Files that look alike have the same heads. */
const shapeOf = ({ head, width }: FileTable): string => JSON.stringify([width, ...head]);

/** What was said of files before, on this device: how the columns of each shape were mapped, and who each name is. */
export interface SaidBefore {
  readonly columns: Readonly<Record<string, FileColumns>>;
  readonly names: Readonly<Record<string, string>>;
}
export const NOTHING_SAID: SaidBefore = { columns: {}, names: {} };
/** Shapes that are remembered. */
const MOST_SHAPES = 30;

/** The columns of a file: as a file of its shape was mapped before, else by its heads. */
export const columnsOf = ({ table }: OpenedFile, kind: FileKind, before: SaidBefore): FileColumns =>
  before.columns[`${kind} ${shapeOf(table)}`] ?? guessColumns(table.head, kind);

/** What was said before, with what has been said of this file. */
export function remembering(
  before: SaidBefore,
  { table }: OpenedFile,
  kind: FileKind,
  columns: FileColumns,
  names: readonly { readonly name: string; readonly lifterId?: string | null }[],
): SaidBefore {
  const shape = `${kind} ${shapeOf(table)}`;
  const others = Object.entries(before.columns).filter(([each]) => each !== shape);
  const said = names.flatMap(({ name, lifterId }) =>
    name && lifterId ? [[name.toLowerCase(), lifterId] as const] : [],
  );
  return {
    columns: Object.fromEntries([...others.slice(1 - MOST_SHAPES), [shape, columns]]),
    names: { ...before.names, ...Object.fromEntries(said) },
  };
}

/** What a file most likely tells of, by its heads: the kind of which most columns are known. */
export function likelyKind({ head }: FileTable): FileKind {
  const known = (kind: FileKind): number => {
    const found = guessColumns(head, kind);
    const needed = FILE_FIELDS[kind].needed.every((field) => found[field] !== undefined);
    return (needed ? 100 : 0) + Object.keys(found).length;
  };
  return FILE_KINDS.reduce((best, kind) => (known(kind) > known(best) ? kind : best));
}

/** Cells of one column. */
export const cellsOf = ({ rows }: FileTable, column: number | undefined): string[] =>
  column === undefined ? [] : rows.map(({ cells }) => cells[column] ?? '');

/** How days are written in the column that holds them. */
export const daysOf = (table: FileTable, { day }: FileColumns): DayHabit =>
  dayHabitOf(cellsOf(table, day).map((cell) => cell.slice(0, 100)));

/** What a column is called where it is chosen: its head, or its letter, with a first cell as a sample. */
export function columnName(table: FileTable, column: number): string {
  const head = table.head[column] || `column ${column + 1}`;
  const sample = cellsOf(table, column).find((cell) => cell !== '');
  return sample ? `${head} (${sample.slice(0, 24)})` : head;
}

/** Names that the file writes, each once; one empty name where it has no column for them. */
export function namesIn(table: FileTable, { lifter }: FileColumns): string[] {
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
export function withColumn(columns: FileColumns, field: FileField, column: number | undefined): FileColumns {
  const others = Object.entries(columns).filter(([each, at]) => each !== field && at !== column);
  return Object.fromEntries(column === undefined ? others : [...others, [field, column]]);
}
