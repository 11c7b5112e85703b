import { toCsv } from './table-file.ts';

it('writes a head and rows, quoted where they must be', () => {
  const table = { head: ['day', 'load (kg)', 'why'], rows: [['2026-11-24', 142.5, 'slipped, again "late"']] };
  expect(toCsv(table)).toBe('day,load (kg),why\r\n2026-11-24,142.5,"slipped, again ""late"""\r\n');
});

it('leaves empty what is not known', () => {
  expect(toCsv({ head: ['a', 'b'], rows: [[null, 0]] })).toBe('a,b\r\n,0\r\n');
});

it('writes no formula for a spreadsheet to run', () => {
  expect(toCsv({ head: ['note'], rows: [['=1+1'], ['@home']] })).not.toMatch(/^[=@]/m);
});
