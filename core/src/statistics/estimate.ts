import { normalInverse } from './normal.ts';

/** A figure with its doubt: the middle and an interval that holds the truth four times in five. */
export interface Estimate {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Standard deviations either side of the middle of an 80 % interval. */
export const EIGHTY_PERCENT = normalInverse(0.9);

/** An estimate whose logarithm is uncertain by `sdOfLog`. */
export function aroundLog(value: number, sdOfLog: number): Estimate {
  const factor = Math.exp(EIGHTY_PERCENT * sdOfLog);
  return { value, low: value / factor, high: value * factor };
}

/** An estimate that is uncertain by `sd` on its own scale. */
export function around(value: number, sd: number): Estimate {
  return { value, low: value - EIGHTY_PERCENT * sd, high: value + EIGHTY_PERCENT * sd };
}
