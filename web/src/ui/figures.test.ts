import { load, nearDay, percent, seconds, shortDay, soon, times, minutes } from './figures.ts';

describe('figures as a person reads them', () => {
  it.each([
    [0.874, '87\u00a0%'],
    [0.999, '> 99\u00a0%'],
    [0.001, '< 1\u00a0%'],
    [0.99, '99\u00a0%'],
  ])('a chance of %d', (chance, words) => expect(percent(chance)).toBe(words));

  it.each([
    [125, 'kg', '125'],
    [101.25, 'kg', '101.25'],
    [125, 'lb', '275.6'],
  ] as const)('%d kg in %s', (kg, unit, words) => expect(load(kg, unit)).toBe(words));

  it('seconds to the tenth while short, whole when long', () => {
    expect(seconds(5)).toBe('5.0 s');
    expect(seconds(32.4)).toBe('32 s');
    expect(times(1.284)).toBe('× 1.28');
  });

  it('days by their nearness', () => {
    expect(nearDay('2026-11-24', '2026-11-24')).toBe('today');
    expect(nearDay('2026-11-25', '2026-11-24')).toBe('tomorrow');
    expect(nearDay('2026-11-26', '2026-11-24')).toBe(shortDay('2026-11-26'));
    expect(shortDay('2026-11-26')).toBe('Thu 26 Nov');
    expect([0, 1, 2, 39].map(soon)).toEqual(['today', 'tomorrow', 'in 2 d', 'in 39 d']);
    // The day the clocks go back is 25 hours long and still one day.
    expect(nearDay('2026-10-26', '2026-10-25')).toBe('tomorrow');
  });
});

it('says rest as a clock does', () => {
  expect([0, 9, 65, 240].map(minutes)).toEqual(['0:00', '0:09', '1:05', '4:00']);
});
