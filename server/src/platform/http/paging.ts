import { isUUID } from 'class-validator';
import { Problem } from './problem.ts';

/** Where a page of a list begins: the sorted value and the id of the last row before it. */
export interface PageKey {
  readonly value: string;
  readonly id: string;
}

/** Reads a key as it was given out; null for the first page. */
export function readKey(text: string | undefined): PageKey | null {
  if (!text) return null;
  try {
    const [value, id] = JSON.parse(Buffer.from(text, 'base64url').toString('utf8')) as unknown[];
    if (typeof value === 'string' && isUUID(id)) return { value, id: id as string };
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

/** A word of the address that is given once; given twice it is not there. */
export function oneWord(value: unknown): string | undefined {
  return typeof value === 'string' && value.length <= 400 ? value : undefined;
}
