import { addDays, format, isValid, parse, parseISO, startOfISOWeek } from 'date-fns';
import { createContext, useContext } from 'react';

/** How a club writes and reads days. */
export interface DateHabit {
  /** Which comes first where a day is written in figures: `3.12.2026` or `12/3/2026`. */
  readonly order: 'dayFirst' | 'monthFirst';
  /** 0: Sunday, 1: Monday, 6: Saturday. */
  readonly weekStartsOn: 0 | 1 | 6;
}

export const DateHabitContext = createContext<DateHabit>({ order: 'dayFirst', weekStartsOn: 1 });
export const useDateHabit = (): DateHabit => useContext(DateHabitContext);

const DAY = 'yyyy-MM-dd';

/** The day so many days later. */
export const shiftDay = (day: string, days: number): string => format(addDays(parseISO(day), days), DAY);

/** Monday of the day's week. */
export const mondayOf = (day: string): string => format(startOfISOWeek(parseISO(day)), DAY);

/** How a day stands in a field: with the month in letters, nobody takes the one for the other. */
const WRITTEN = { dayFirst: 'd MMM yyyy', monthFirst: 'MMM d, yyyy' } as const;
const READ = {
  dayFirst: ['d.M.yyyy', 'd/M/yyyy', 'd-M-yyyy', 'd M yyyy', 'd.M.yy', 'd/M/yy'],
  monthFirst: ['M/d/yyyy', 'M-d-yyyy', 'M.d.yyyy', 'M d yyyy', 'M/d/yy'],
} as const;
/** Written like this it is the same day everywhere. */
const PLAIN = ['yyyy-MM-dd', 'd MMM yyyy', 'd MMMM yyyy', 'MMM d, yyyy', 'MMMM d, yyyy', 'MMM d yyyy'];

/** `24 Nov 2026`, or what stands there where it is no day. */
export function writeDay(day: string, { order }: DateHabit): string {
  const known = /^\d{4}-\d{2}-\d{2}$/.test(day) ? parseISO(day) : undefined;
  return known && isValid(known) ? format(known, WRITTEN[order]) : day;
}

/** The day as typed, `YYYY-MM-DD`; undefined where it is none. */
export function readDay(text: string, { order }: DateHabit): string | undefined {
  const typed = text.trim().replaceAll(/\s+/g, ' ');
  for (const pattern of [...PLAIN, ...READ[order]]) {
    const day = parse(typed, pattern, new Date(2026, 0, 1));
    // A year of two or three digits is read as one of antiquity by the longer patterns.
    if (isValid(day) && day.getFullYear() >= 1900) return format(day, 'yyyy-MM-dd');
  }
  return undefined;
}
