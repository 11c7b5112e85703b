import { readDay, writeDay, type DateHabit } from './date-words.ts';

const EUROPE: DateHabit = { order: 'dayFirst', weekStartsOn: 1 };
const AMERICA: DateHabit = { order: 'monthFirst', weekStartsOn: 0 };

it.each([
  '3.12.2026',
  '03.12.2026',
  '3/12/2026',
  '3-12-2026',
  '3 12 2026',
  '3.12.26',
  '3 Dec 2026',
  '3 December 2026',
  '2026-12-03',
  '  3  dec 2026 ',
])('%s is the third of December where the day comes first', (text) =>
  expect(readDay(text, EUROPE)).toBe('2026-12-03'),
);

it.each(['12/3/2026', '12-3-2026', '12/3/26', 'Dec 3, 2026', 'Dec 3 2026', '3 Dec 2026', '2026-12-03'])(
  '%s is the same day where the month comes first',
  (text) => expect(readDay(text, AMERICA)).toBe('2026-12-03'),
);

it.each(['', 'yesterday', '31.2.2026', '13/13/2026', '2026-13-01', '3.12.', '3.12.202'])(
  '"%s" is no day',
  (text) => expect(readDay(text, EUROPE)).toBeUndefined(),
);

it('what is written is read back as the same day', () => {
  for (const habit of [EUROPE, AMERICA])
    for (const day of ['2026-01-01', '2024-02-29', '1999-12-31'])
      expect(readDay(writeDay(day, habit), habit)).toBe(day);
  expect(writeDay('2026-12-03', EUROPE)).toBe('3 Dec 2026');
  expect(writeDay('2026-12-03', AMERICA)).toBe('Dec 3, 2026');
});

it('what is no day stands as it was typed', () => {
  expect(writeDay('soon', EUROPE)).toBe('soon');
  expect(writeDay('2026-02-31', EUROPE)).toBe('2026-02-31');
});
