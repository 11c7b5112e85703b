import { oneWord, pageOf, readKey } from './paging.ts';

const rows = ['a', 'b', 'c'].map((name, i) => ({ name, id: `0000000${i}-0000-4000-8000-000000000000` }));
const keyOf = (row: (typeof rows)[number]): { value: string; id: string } => ({
  value: row.name,
  id: row.id,
});

it('a page holds as many as it may, and its key leads to the row after its last', () => {
  const { items, next } = pageOf(rows, 2, keyOf);
  expect(items.map((row) => row.name)).toEqual(['a', 'b']);
  expect(readKey(next!, 'text')).toEqual({ value: 'b', id: rows[1]!.id });
});

it('the last page leads nowhere', () => {
  expect(pageOf(rows, 3, keyOf)).toEqual({ items: rows, next: null });
  expect(pageOf([], 3, keyOf)).toEqual({ items: [], next: null });
});

it('a name with quotes and accents goes through a key and back', () => {
  const row = { name: 'Ø"\'é', id: rows[0]!.id };
  expect(readKey(pageOf([row, row], 1, keyOf).next!, 'text')).toEqual({ value: row.name, id: row.id });
});

it.each(['nonsense', 'W10', Buffer.from('["a","no-uuid"]').toString('base64url')])(
  'the key %s is refused',
  (key) => {
    expect(() => readKey(key, 'text')).toThrow(/Open the list afresh/);
  },
);

it('no key is the first page; a word given twice, or endless, is not there', () => {
  expect(readKey(undefined, 'text')).toBeNull();
  expect(oneWord(['a', 'b'])).toBeUndefined();
  expect(oneWord('x'.repeat(500))).toBeUndefined();
  expect(oneWord('x')).toBe('x');
});

it('a forged key of a list by time is refused: the database would not read it', () => {
  const forged = (value: string): string =>
    Buffer.from(JSON.stringify([value, rows[0]!.id])).toString('base64url');
  for (const value of ['yesterday', '2026-13-40T00:00:00.000Z', 'infinity', '\0'])
    expect(() => readKey(forged(value), 'moment')).toThrow(/Open the list afresh/);
  expect(readKey(forged('2026-11-24T11:00:00.000Z'), 'moment')!.value).toBe('2026-11-24T11:00:00.000Z');
  expect(() => readKey(forged('a\0b'), 'text')).toThrow(/Open the list afresh/);
});
