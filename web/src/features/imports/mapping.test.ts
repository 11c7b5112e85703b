import { cellsOf, columnName, daysOf, likelyLifter, namesIn, openFile, withColumn } from './mapping.ts';

const FILE = openFile(
  'log.csv',
  'Date;Athlete;Lift;kg;Reps\n3/4/2026;Ana;Deadlift;180;1\n3/5/2026;ana;Squat;120;5\n3/5/2026;Bo;Squat;90;5',
);
const LIFTERS = [
  { id: 'a', name: 'Ana Lind' },
  { id: 'b', name: 'Bo Marsh' },
  { id: 'c', name: 'Bo Thorne' },
];

it('tells at once what it can of a file', () => {
  expect(FILE.columns).toEqual({ day: 0, lifter: 1, lift: 2, load: 3, reps: 4 });
  expect(daysOf(FILE.table, FILE.columns)).toEqual({ order: 'dayFirst', certain: false });
  expect(columnName(FILE.table, 3)).toBe('kg (180)');
  expect(cellsOf(FILE.table, undefined)).toEqual([]);
});

it('names are those of the file, each once, and likely who they are', () => {
  expect(namesIn(FILE.table, FILE.columns)).toEqual(['Ana', 'Bo']);
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
