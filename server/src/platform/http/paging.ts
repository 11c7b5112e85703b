import { isUUID } from 'class-validator';
import { Problem } from './problem.ts';

/** Where a page of a list begins: the sorted value and the id of the last row before it. */
export interface PageKey {
  readonly value: string;
  readonly id: string;
}

/** Reads a key as it was given out, its value a text or a moment as the list is sorted; null for the first page. */
export function readKey(text: string | undefined, sortedBy: 'text' | 'moment'): PageKey | null {
  if (!text) return null;
  try {
    const [value, id] = JSON.parse(Buffer.from(text, 'base64url').toString('utf8')) as unknown[];
    const sound =
      sortedBy === 'moment'
        ? typeof value === 'string' && MOMENT.test(value) && !Number.isNaN(Date.parse(value))
        : typeof value === 'string' && isKept(value);
    if (sound && isUUID(id)) return { value: value as string, id: id as string };
  } catch {
    // Told below, as any other key that is none.
  }
  throw new Problem(400, 'invalid-input', 'This page of the list cannot be read. Open the list afresh.');
}

/** The page out of one row more than it holds, and the key of the next one. */
export function pageOf<Row>(
  rows: readonly Row[],
  size: number,
  keyOf: (row: Row) => PageKey,
): { items: Row[]; next: string | null } {
  const items = rows.slice(0, size);
  if (rows.length <= size) return { items, next: null };
  const { value, id } = keyOf(items.at(-1)!);
  return { items, next: Buffer.from(JSON.stringify([value, id])).toString('base64url') };
}

/** A word of the address that is given once; given twice, or holding what the database cannot, it is not there. */
export function oneWord(value: unknown): string | undefined {
  return typeof value === 'string' && value.length <= 400 && isKept(value) ? value : undefined;
}

/** As `Date.toISOString` writes it: what keys are made of. */
const MOMENT = /^2\d{3}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/;

/** Can PostgreSQL keep it? NUL is no character there, nor is half of a surrogate pair. */
function isKept(text: string): boolean {
  return !text.includes('\0') && !/[\ud800-\udfff]/u.test(text);
}
