import { createHash } from 'node:crypto';
import type { Written } from '../../platform/files/zip.ts';

export const FORMAT = 'iron-clasp export';
/** Grows when older readers could not read what is written. */
export const FORMAT_VERSION = 1;
export const MANIFEST = 'manifest.json';
/** Rows of a table: one JSON object a line between a line `[` and a line `]`, so that it is read without being held. */
export const dataFile = (table: string): string => `data/${table}.json`;

/** What an export says of itself. */
export interface Manifest {
  readonly format: typeof FORMAT;
  readonly version: number;
  readonly kind: 'club' | 'lifter';
  readonly club: { readonly id: string; readonly name: string };
  /** Whose it is, where it is of one lifter. */
  readonly lifter: { readonly id: string; readonly name: string } | null;
  readonly madeAt: string;
  /** What deleting asks for: a checksum over every file of rows. */
  readonly receipt: string;
  readonly files: readonly (Written & { readonly rows: number })[];
}

/** Checksum over files of rows; lists in words and the date do not count. */
export function receiptOf(files: readonly Written[]): string {
  const hash = createHash('sha256');
  for (const { path, sha256 } of files.filter((file) => file.path.startsWith('data/')))
    hash.update(`${path} ${sha256}\n`);
  return hash.digest('base64url');
}

/** The page that a person who unpacks it reads first. */
export function readMe({ kind, club, lifter, madeAt, files }: Manifest): string {
  const of = kind === 'club' ? `the club ${club.name}` : `${lifter!.name}, of the club ${club.name}`;
  const lines = files.map(({ path, rows, sha256 }) => `${path}  ${rows} rows  SHA-256 ${sha256}`);
  return [
    `This is everything that Iron Clasp kept of ${of} on ${madeAt.slice(0, 10)}.`,
    '',
    'lists/  tables for a spreadsheet: CSV, UTF-8, comma between, decimal points; loads kg, times s, lengths mm, squeezes kgf.',
    'data/   the same to the letter, for a machine: one JSON object a line. This is what comes back into Iron Clasp.',
    'manifest.json  what is here, with checksums.',
    '',
    'Not here: passwords, sign-ins, links that open something, and what is worked out from the rest.',
    '',
    ...lines,
    '',
  ].join('\r\n');
}

/** The manifest in a text; null where it is not one of ours. */
export function readManifest(text: string): Manifest | null {
  let read: Partial<Manifest> | null;
  try {
    read = JSON.parse(text) as Partial<Manifest> | null;
  } catch {
    return null;
  }
  if (read?.format !== FORMAT || !Number.isInteger(read.version)) return null;
  const whole =
    (read.kind === 'club' || read.kind === 'lifter') &&
    isNamed(read.club) &&
    (read.kind === 'club' || isNamed(read.lifter)) &&
    Array.isArray(read.files) &&
    read.files.every(
      (file) =>
        typeof file?.path === 'string' &&
        typeof file.sha256 === 'string' &&
        Number.isInteger(file.rows) &&
        file.rows >= 0,
    );
  return whole ? (read as Manifest) : null;
}

const isNamed = (value: unknown): boolean => {
  const named = value as { id?: unknown; name?: unknown } | null | undefined;
  return typeof named?.id === 'string' && typeof named.name === 'string';
};
