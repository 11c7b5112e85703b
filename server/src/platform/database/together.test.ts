import type { DataSource, EntityManager } from 'typeorm';
import { together, togetherOrWithin } from './together.ts';

interface Row {
  readonly owner: string;
  readonly n: number;
}
const ROWS: readonly Row[] = [
  { owner: 'b', n: 1 },
  { owner: 'a', n: 2 },
  { owner: 'b', n: 3 },
];
const asked: [readonly string[], string][] = [];
const read = together(
  async (owners, given) => {
    asked.push([owners, given]);
    if (given === 'never') throw new Error('no such day');
    return ROWS.filter((row) => owners.includes(row.owner));
  },
  (row: Row) => row.owner,
);
const numbers = async (owners: readonly string[], given?: string): Promise<number[]> =>
  (await read(owners, given)).map(({ n }) => n);
beforeEach(() => {
  asked.length = 0;
});

it('who asks in one turn is read for with one query, each their own rows in their order', async () => {
  expect(await Promise.all([numbers(['a']), numbers(['b']), numbers(['b']), numbers(['c'])])).toEqual([
    ...[[2], [1, 3], [1, 3], []],
  ]);
  expect(asked).toEqual([[['a', 'b', 'c'], '']]);
});

it('what is asked otherwise is another query, and a later turn reads anew', async () => {
  await Promise.all([numbers(['a'], 'monday'), numbers(['b'], 'tuesday')]);
  await numbers(['a'], 'monday');
  expect(asked).toEqual([
    [['a'], 'monday'],
    [['b'], 'tuesday'],
    [['a'], 'monday'],
  ]);
});

it('several owners come as they were read, and none at all too', async () => {
  expect(await numbers(['a', 'b'])).toEqual([1, 2, 3]);
  expect(await numbers([])).toEqual([]);
});

it('nobody gets a list that another may change, and a fault reaches everybody who asked', async () => {
  const [one, other] = await Promise.all([read(['b']), read(['b'])]);
  expect(one).not.toBe(other);
  const ends = await Promise.allSettled([read(['a'], 'never'), read(['b'], 'never')]);
  expect(ends.map(({ status }) => status)).toEqual(['rejected', 'rejected']);
});

it('a transaction reads by its own connection, and with nobody else', async () => {
  const [pool, within] = [{ name: 'pool' }, { name: 'transaction' }] as unknown as [
    EntityManager,
    EntityManager,
  ];
  const by: [EntityManager, readonly string[]][] = [];
  const readBy = togetherOrWithin(
    () => ({ manager: pool }) as DataSource,
    async (owners, manager) => {
      by.push([manager, owners]);
      return ROWS.filter((row) => owners.includes(row.owner));
    },
    (row) => row.owner,
  );
  const all = await Promise.all([readBy(['a']), readBy(['b'], within), readBy(['b'])]);
  expect(all.map((rows) => rows.map(({ n }) => n))).toEqual([[2], [1, 3], [1, 3]]);
  expect(by).toEqual([
    [within, ['b']],
    [pool, ['a', 'b']],
  ]);
});
