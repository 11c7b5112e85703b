import { countDays, untilDay } from './say-days.ts';

it.each([
  [0, '0 days', 'today'],
  [1, '1 day', 'tomorrow'],
  [2, '2 days', 'in 2 days'],
  [14.2, '14 days', 'in 14 days'],
])('%d days are “%s”, and come “%s”', (days, counted, until) => {
  expect(countDays(days)).toBe(counted);
  expect(untilDay(days)).toBe(until);
});

it('no number of days is no day', () => expect(() => untilDay(Number.NaN)).toThrow(/days/));
