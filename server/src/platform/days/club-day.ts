import { TZDate } from '@date-fns/tz';
import { addDays, differenceInCalendarDays, format, parseISO, startOfISOWeek } from 'date-fns';

/*
 * Days are texts, `YYYY-MM-DD`, and belong to a club: the same instant is Tuesday in one zone and Wednesday in another.
 * Everything that turns an instant into a day, or counts days, is here.
 */

/** A club as far as time goes: whose it is, and the IANA zone its days are counted in. */
export interface ClubRef {
  readonly id: string;
  readonly timeZone: string;
}

const DAY = 'yyyy-MM-dd';

/** The club's day on which an instant falls. */
export function dayIn(timeZone: string, instant: Date): string {
  return format(new TZDate(instant, timeZone), DAY);
}

/** A day in a sentence. */
export function dayWords(day: string): string {
  return format(parseISO(day), 'EEEE d MMMM');
}

/** The instant at which a day begins in the zone, plus a time of day. */
export function instantOf(timeZone: string, day: string, hours = 0, minutes = 0): Date {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  return new Date(new TZDate(year, month - 1, date, hours, minutes, timeZone).getTime());
}

/** The day some days later, or earlier where `days` is negative. */
export function shiftDay(day: string, days: number): string {
  return format(addDays(parseISO(day), days), DAY);
}

/** Monday of the day's week. */
export function mondayOf(day: string): string {
  return format(startOfISOWeek(parseISO(day)), DAY);
}

/** Monday and Sunday of the day's week. */
export function weekOf(day: string): [monday: string, sunday: string] {
  const monday = mondayOf(day);
  return [monday, shiftDay(monday, 6)];
}

/** Days from one day to a later one; negative where it is earlier. */
export function daysBetween(from: string, to: string): number {
  return differenceInCalendarDays(parseISO(to), parseISO(from));
}

/** Is it a zone that this machine knows? */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
