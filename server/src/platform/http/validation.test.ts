import { Problem } from './problem.ts';
import { QueriedVersion } from './validation.ts';

const read = (value: unknown): number => new QueriedVersion().transform(value);

it('a version is a whole number that the database can hold', () => {
  expect(read('1')).toBe(1);
  expect(read(3)).toBe(3);
  expect(read('2147483647')).toBe(2_147_483_647);
});

it.each([
  '',
  '0',
  '-1',
  '-2147483649',
  '2147483648',
  '1.5',
  '1e3',
  'NaN',
  undefined,
  ['1'],
  0,
  1.5,
  -2147483649,
  Number.NaN,
])('%j is refused', (value) => expect(() => read(value)).toThrow(Problem));
