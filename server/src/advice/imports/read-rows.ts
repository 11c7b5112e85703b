import { InvalidInputError, readTable, type FileTable } from '@iron-clasp/core';
import type { ImportFault } from '@iron-clasp/contract';
import { derivedId } from '../../platform/database/derived-id.ts';
import { invalid } from '../../platform/http/problem.ts';
import type { Brought } from '../../records/imports/imports.service.ts';

/** What was made of a file: what it brings, and the rows that are left out. */
export interface ReadFile {
  readonly rows: number;
  readonly faults: readonly ImportFault[];
  readonly brought: Brought;
}

/** When what a file dates by day only is taken to have begun, o'clock by the club. */
export const HOUR = 12;

/** Lifters of the club by the names of the file, in small letters. */
export type WhoIs = ReadonlyMap<string, string>;

/** The same row has the same id, whichever file it comes from. */
export const idOf = (...words: readonly string[]): string =>
  derivedId(JSON.stringify(['iron-clasp import', ...words]));

/** Reads a table by `read`; what the core cannot use is said of the field that it came from. */
export function understood<Row>(
  text: string,
  read: (table: FileTable) => readonly Row[],
): readonly [FileTable, readonly Row[]] {
  try {
    const table = readTable(text);
    return [table, read(table)];
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    throw invalid(error.field, `${error.field} must be ${error.allowed}.`);
  }
}

/** A row that was read, with whose it is. */
export type Whose<Row> = Row & { readonly lifterId: string };

/** Parts rows that were read, and are somebody's of the club, from those that are left out. */
export function sorted<
  Row extends { readonly line: number; readonly fault?: undefined; readonly lifter: string },
>(
  rows: readonly (Row | ImportFault)[],
  whoIs: WhoIs,
): { readonly good: readonly Whose<Row>[]; readonly faults: ImportFault[] } {
  const [good, faults]: [Whose<Row>[], ImportFault[]] = [[], []];
  for (const row of rows) {
    if (row.fault !== undefined) {
      faults.push({ line: row.line, fault: row.fault });
      continue;
    }
    const lifterId = whoIs.get(row.lifter.toLowerCase());
    if (lifterId) good.push({ ...row, lifterId });
    else
      faults.push({
        line: row.line,
        fault: row.lifter ? `Nobody of the club is “${row.lifter}”.` : 'Nobody is named.',
      });
  }
  return { good, faults };
}

/** Numbers what is equal from 1 on: the third of three equal rows is the third in every file that tells of them. */
export function placesOfEqual(): (says: string) => string {
  const seen = new Map<string, number>();
  return (says) => {
    const place = (seen.get(says) ?? 0) + 1;
    seen.set(says, place);
    return String(place);
  };
}

/** Rows by lifter and day, in the order of the file. */
export function byDay<Row extends { readonly lifterId: string; readonly day: string }>(
  rows: readonly Row[],
): readonly (readonly Row[])[] {
  const days = new Map<string, Row[]>();
  for (const row of rows) {
    const key = `${row.lifterId} ${row.day}`;
    const day = days.get(key);
    if (day) day.push(row);
    else days.set(key, [row]);
  }
  return [...days.values()];
}
