import { checkDay } from './check.ts';

const DAY_MS = 86_400_000;

const at = (day: string): number => Date.parse(`${day}T00:00:00Z`);

/** Whole days from one day (YYYY-MM-DD) to another; below 0 where the other is earlier. */
export function daysBetween(from: string, to: string): number {
  return Math.round((at(checkDay('from', from)) - at(checkDay('to', to))) / -DAY_MS);
}

/** The day so many days later (YYYY-MM-DD). */
export function addDays(day: string, days: number): string {
  return new Date(at(checkDay('day', day)) + days * DAY_MS).toISOString().slice(0, 10);
}
