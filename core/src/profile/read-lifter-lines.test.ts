import fc from 'fast-check';
import { readLifterLines } from './read-lifter-lines.ts';

const read = (text: string, unit: 'kg' | 'lb' = 'kg'): unknown[] =>
  readLifterLines(text, unit).map((row) =>
    row.fault === undefined ? [row.name, Math.round(row.deadliftMax * 100) / 100] : row.fault,
  );

it.each([
  ['Ana Lind 182.5', 'Ana Lind', 182.5],
  ['Ana Lind 182,5 kg', 'Ana Lind', 182.5],
  ['Ana Lind\t180', 'Ana Lind', 180],
  ['Ana Lind; 400 lb', 'Ana Lind', 181.44],
  ['"Lind, Ana",180', 'Lind, Ana', 180],
  ['  Ana   , 180  ', 'Ana', 180],
  ['Ana 2 150', 'Ana 2', 150],
  ['Ana 20', 'Ana', 20],
  ['Ana 600', 'Ana', 600],
  [`${'x'.repeat(120)} 180`, 'x'.repeat(120), 180],
  ['Żaneta Örn-Ødegård: 97.5kg', 'Żaneta Örn-Ødegård', 97.5],
])('reads %j', (text, name, best) => expect(read(text)).toEqual([[name, best]]));

it('takes figures without a unit in the club’s', () =>
  expect(read('Ana 400\nBo 180 kg', 'lb')).toEqual([
    ['Ana', 181.44],
    ['Bo', 180],
  ]));

it('passes over blank lines, a byte order mark and column names, and keeps the count of lines', () => {
  const rows = readLifterLines('\ufeffName;Best deadlift\r\n\r\nAna;180\r\n;;\r\nBo;200', 'kg');
  expect(rows.map(({ line }) => line)).toEqual([3, 5]);
});

it.each([
  ['Ana', 'Write the best deadlift after the name, as in “Ana 180”.'],
  ['180', 'Write the best deadlift after the name, as in “180 180”.'],
  [', 180', 'Write the name before the best deadlift.'],
  ['Ana 1800', 'A best deadlift is 20 kg to 600 kg. Check the figure and the unit.'],
  ['Ana 19.9', 'A best deadlift is 20 kg to 600 kg. Check the figure and the unit.'],
  ['Ana 600.5', 'A best deadlift is 20 kg to 600 kg. Check the figure and the unit.'],
  ['Ana 5', 'A best deadlift is 20 kg to 600 kg. Check the figure and the unit.'],
  [`${'x'.repeat(121)} 180`, 'A name has at most 120 characters.'],
])('says what is wrong with %j', (text, fault) => expect(read(text)).toEqual([fault]));

it('says a long line short, and reads no more than it was asked to', () => {
  const [row] = readLifterLines('y'.repeat(300), 'kg');
  expect(row).toEqual({
    line: 1,
    text: 'y'.repeat(120),
    fault: `Write the best deadlift after the name, as in “${'y'.repeat(40)} 180”.`,
  });
  expect(readLifterLines(Array.from({ length: 501 }, (_, i) => `A${i} 100`).join('\n'), 'kg')).toHaveLength(
    500,
  );
  expect(() => readLifterLines('Ana 180 '.repeat(130_000), 'kg')).toThrow(/text/);
});

it('what stands around a line is no part of it', () => {
  expect(readLifterLines('  Ana  ', 'kg')).toMatchObject([{ text: 'Ana' }]);
});

it('a byte order mark is passed over at the start only, where it is one', () => {
  expect(read('\ufeffAna 180')).toEqual([['Ana', 180]]);
  expect(read('An\ufeffa 180')).toEqual([['An\ufeffa', 180]]);
});

it('says where a name stands twice', () =>
  expect(read('Ana 180\nBo 190\nana 200')[2]).toBe('ana stands in line 1 already.'));

it('reads whatever is pasted: a sound lifter or a fault for every line that is not blank', () => {
  fc.assert(
    fc.property(fc.array(fc.string(), { maxLength: 20 }), (lines) => {
      for (const row of readLifterLines(lines.join('\n'), 'kg'))
        if (row.fault === undefined) {
          expect(row.name.trim()).not.toBe('');
          expect(row.deadliftMax).toBeGreaterThanOrEqual(20);
          expect(row.deadliftMax).toBeLessThanOrEqual(600);
        } else expect(row.fault).toMatch(/\.$/);
    }),
  );
});
