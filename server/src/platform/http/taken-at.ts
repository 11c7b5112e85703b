import { addDays } from 'date-fns';
import type { Clock } from '../clock/clock.ts';
import { Problem } from './problem.ts';

/** The moment that a device says something happened; more than a day ahead of ours its clock is wrong. */
export function takenAt(clock: Clock, given: string, path: string): Date {
  const at = new Date(given);
  if (at > addDays(clock.now(), 1)) {
    const message = 'The time lies in the future. Check the clock of this device.';
    throw new Problem(400, 'invalid-input', message, [{ path, message }]);
  }
  return at;
}
