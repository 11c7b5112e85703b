import { dayIn, daysBetween, instantOf, isTimeZone, mondayOf, shiftDay, weekOf } from './club-day.ts';

describe('days of a club', () => {
  it.each([
    ['Pacific/Auckland', '2026-11-24T12:00:00Z', '2026-11-25'],
    ['Europe/Amsterdam', '2026-11-24T12:00:00Z', '2026-11-24'],
    ['America/New_York', '2026-11-25T04:30:00Z', '2026-11-24'],
    ['Europe/Amsterdam', '2026-11-24T23:30:00Z', '2026-11-25'],
  ])('in %s the instant %s falls on %s', (zone, instant, day) => {
    expect(dayIn(zone, new Date(instant))).toBe(day);
  });

  it('a time of a day in a zone is an instant, over changes of the clocks too', () => {
    expect(instantOf('Europe/Amsterdam', '2026-11-24', 17).toISOString()).toBe('2026-11-24T16:00:00.000Z');
    expect(instantOf('Europe/Amsterdam', '2026-07-24', 17).toISOString()).toBe('2026-07-24T15:00:00.000Z');
    expect(instantOf('Pacific/Auckland', '2026-11-25').toISOString()).toBe('2026-11-24T11:00:00.000Z');
  });

  it('days are counted and shifted over months, years and changes of the clocks', () => {
    expect(shiftDay('2026-10-24', 2)).toBe('2026-10-26');
    expect(shiftDay('2027-01-01', -1)).toBe('2026-12-31');
    expect(daysBetween('2026-10-01', '2026-11-01')).toBe(31);
    expect(daysBetween('2026-11-01', '2026-10-01')).toBe(-31);
  });

  it('weeks begin on Monday', () => {
    expect(mondayOf('2026-11-29')).toBe('2026-11-23');
    expect(weekOf('2026-11-23')).toEqual(['2026-11-23', '2026-11-29']);
  });

  it('zones are told from nonsense', () => {
    expect(isTimeZone('Europe/Oslo')).toBe(true);
    expect(isTimeZone('Europe/Tarn Quay')).toBe(false);
  });
});
