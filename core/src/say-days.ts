import { checkRange } from './check.ts';

/** Longest span that is told in days: a century. */
const LONGEST = 36_525;

const whole = (days: number): number => Math.round(checkRange('days', days, -LONGEST, LONGEST));

/**
 * A number of days in words, as whole days.
 * @throws InvalidInputError for more days than a century has.
 * @example countDays(1) // '1 day'
 */
export function countDays(days: number): string {
  const count = whole(days);
  return Math.abs(count) === 1 ? `${count} day` : `${count} days`;
}

/**
 * When a day comes that lies so many days ahead.
 * @throws InvalidInputError for more days than a century has.
 * @example untilDay(5) // 'in 5 days'
 */
export function untilDay(days: number): string {
  const count = whole(days);
  return count === 0 ? 'today' : count === 1 ? 'tomorrow' : `in ${countDays(count)}`;
}
