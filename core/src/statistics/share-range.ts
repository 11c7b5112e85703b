import { checkWhole } from '../check.ts';
import { EIGHTY_PERCENT, type Estimate } from './estimate.ts';

/**
 * A share with its 80 % range: `count` of `of`. Source: Wilson's score interval, which stays inside 0 and 1 and is honest
 * for small numbers. With nothing counted the share is 0.5 and the range everything.
 * @throws InvalidInputError for figures that are no counts, or a count above the whole.
 * @example shareRange(0, 20).high.toFixed(3) // '0.076'
 */
export function shareRange(count: number, of: number): Estimate {
  checkWhole('of', of, 0, 1e9);
  checkWhole('count', count, 0, of);
  if (of === 0) return { value: 0.5, low: 0, high: 1 };
  const p = count / of;
  const z2 = EIGHTY_PERCENT ** 2 / of;
  const middle = (p + z2 / 2) / (1 + z2);
  const half = (EIGHTY_PERCENT * Math.sqrt((p * (1 - p)) / of + z2 / (4 * of))) / (1 + z2);
  return { value: p, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}
