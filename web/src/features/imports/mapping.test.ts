import {
  cellsOf,
  columnName,
  columnsOf,
  daysOf,
  likelyKind,
  likelyLifter,
  namesIn,
  NOTHING_SAID,
  openFile,
  remembering,
  withColumn,
} from './mapping.ts';
import { cellText, isWorkbook, readWorkbook, rowsText } from './sheets.ts';
import { saidOfImport } from './import-words.ts';

const FILE = openFile(
  'log.csv',
  'Date;Athlete;Lift;kg;Reps\n3/4/2026;Ana;Deadlift;180;1\n3/5/2026;ana;Squat;120;5\n3/5/2026;Bo;Squat;90;5',
);
const COLUMNS = columnsOf(FILE, 'training', NOTHING_SAID);
const LIFTERS = [
  { id: 'a', name: 'Ana Lind' },
  { id: 'b', name: 'Bo Marsh' },
  { id: 'c', name: 'Bo Thorne' },
];

it('tells at once what it can of a file', () => {
  expect(columnsOf(FILE, 'training', NOTHING_SAID)).toEqual({ day: 0, lifter: 1, lift: 2, load: 3, reps: 4 });
  expect(daysOf(FILE.table, COLUMNS)).toEqual({ order: 'dayFirst', certain: false });
  expect(columnName(FILE.table, 3)).toBe('kg (180)');
  expect(cellsOf(FILE.table, undefined)).toEqual([]);
});

it('names are those of the file, each once, and likely who they are', () => {
  expect(namesIn(FILE.table, COLUMNS)).toEqual(['Ana', 'Bo']);
  expect(namesIn(FILE.table, {})).toEqual(['']);
  expect(likelyLifter('ana', LIFTERS)).toBe('a');
  expect(likelyLifter('Bo Marsh', LIFTERS)).toBe('b');
  // Two begin with it: somebody has to say.
  expect(likelyLifter('Bo', LIFTERS)).toBeNull();
  expect(likelyLifter('', LIFTERS)).toBeNull();
  expect(likelyLifter('', [LIFTERS[0]!])).toBe('a');
});

it('a column holds one thing', () => {
  expect(withColumn({ day: 0, lift: 1 }, 'load', 1)).toEqual({ day: 0, load: 1 });
  expect(withColumn({ day: 0, lift: 1 }, 'lift', undefined)).toEqual({ day: 0 });
});

it('what is no table throws what is wrong', () =>
  expect(() => openFile('x', ' ')).toThrow(/at least one row/));

it('what was said of a file of the same shape is known the next time', () => {
  const columns = { day: 1, lifter: 0, load: 3, lift: 2 };
  const said = remembering(NOTHING_SAID, FILE, 'training', columns, [
    { name: 'Ana', lifterId: 'a' },
    { name: 'Bo', lifterId: null },
  ]);
  const next = openFile('next.csv', 'Date;Athlete;Lift;kg;Reps\n1/2/2026;Cy;Deadlift;100;3');
  expect(columnsOf(next, 'training', said)).toEqual(columns);
  expect(said.names).toEqual({ ana: 'a' });
  // Another shape, or another kind, is guessed by its heads.
  expect(columnsOf(openFile('x', 'Date;Lift;kg;Reps\n1/2/2026;Deadlift;100;3'), 'training', said)).toEqual({
    ...{ day: 0, lift: 1, load: 2, reps: 3 },
  });
  expect(columnsOf(next, 'lifters', said)).toEqual({ lifter: 1 });
});

it('remembers so many shapes, the oldest forgotten first', () => {
  let said = NOTHING_SAID;
  for (let i = 0; i < 40; i++)
    said = remembering(
      said,
      openFile('x', `Date;Column ${'a'.repeat(i + 1)}\n1.2.2026;b`),
      'training',
      { day: 0 },
      [],
    );
  expect(Object.keys(said.columns)).toHaveLength(30);
  expect(Object.keys(said.columns).at(-1)).toContain('a'.repeat(40));
});

it.each([
  ['Date;Lift;kg;Reps', 'training'],
  ['Name;Best deadlift;Sport', 'lifters'],
  ['Date;Gripper;Hand;Closed', 'grippers'],
  ['Date;Hand;Force (lb)', 'squeeze'],
  ['One;Two', 'training'],
])('%s most likely tells of %s', (head, kind) =>
  expect(likelyKind(openFile('x', `${head}\n1;2;3;4`).table)).toBe(kind),
);

it('cells of a workbook are written as a table writes them', () => {
  expect(cellText(new Date('2026-02-03T00:00:00Z'))).toBe('2026-02-03');
  expect([cellText(null), cellText(true), cellText(false), cellText(182.5), cellText('-')]).toEqual([
    ...['', 'yes', 'no', '182.5', '-'],
  ]);
  const text = rowsText([
    ['Lift', 'Note'],
    ['Deadlift', 'said "hm", then\nslipped'],
  ]);
  expect(openFile('x', text).table.rows[0]!.cells).toEqual(['Deadlift', 'said "hm", then\nslipped']);
  expect([isWorkbook('Log.XLSX'), isWorkbook('log.csv')]).toEqual([true, false]);
});

it('what is no workbook says what to do', async () => {
  await expect(readWorkbook(new File(['not one'], 'log.xlsx'))).rejects.toThrow(/Save it once more as .xlsx/);
});

it('says what an import brought by what it is', () => {
  expect(saidOfImport('training', 1200, 1)).toBe('1,200 sets on 1 day');
  expect(saidOfImport('lifters', 1, 0)).toBe('1 lifter');
});
