import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

const ROOT = import.meta.dirname;
const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(
  (path) => path.endsWith('.ts') && !path.endsWith('.test.ts'),
);
const text = (path: string): string => readFileSync(join(ROOT, path), 'utf8');

/** The folder that keeps each table. */
const keepers = new Map(
  files
    .filter((path) => path.endsWith('.entity.ts'))
    .flatMap((path) =>
      [...text(path).matchAll(/@Entity\('(\w+)'\)/g)].map((match) => [match[1]!, dirname(path)] as const),
    ),
);

/** Tables named in SQL within a file. */
function named(path: string): string[] {
  return [...text(path).matchAll(/\b(?:FROM|JOIN|INTO|UPDATE|TABLE)\s+(\w+)/g)]
    .map((match) => match[1]!)
    .filter((table) => keepers.has(table));
}

it('every table is kept by one module of the records', () => {
  expect(keepers.size).toBeGreaterThan(25);
  for (const folder of keepers.values()) expect(folder).toMatch(/^records\/[\w-]+$/);
});

it('SQL names the tables of its own module only', () => {
  const trespassing = files
    // A migration may read what it fills a new column from; the first ones were written before tables had keepers.
    .filter((path) => !/\/migrations\/|^records\/schema\//.test(path))
    .flatMap((path) =>
      named(path)
        .filter((table) => keepers.get(table) !== dirname(path))
        .map((table) => `${relative('.', path)} names ${table}`),
    );
  expect(trespassing).toEqual([]);
});
