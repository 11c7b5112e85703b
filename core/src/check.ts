import { InvalidInputError } from './errors.ts';

/** Asserts a finite number above zero and at or below `max`; throws {@link InvalidInputError} naming `field`. */
export function checkPositive(field: string, value: unknown, max = Number.MAX_VALUE): number {
  if (typeof value !== 'number' || !Number.isFinite(value) || value <= 0 || value > max) {
    const upper = max === Number.MAX_VALUE ? '' : ` and at most ${max}`;
    throw new InvalidInputError(field, `a number above 0${upper}`, value);
  }
  return value;
}

/** Asserts a finite number between `min` and `max`, both included; throws {@link InvalidInputError} naming `field`. */
export function checkRange(field: string, value: unknown, min: number, max: number): number {
  if (typeof value !== 'number' || !Number.isFinite(value) || value < min || value > max) {
    throw new InvalidInputError(field, `a number from ${min} to ${max}`, value);
  }
  return value;
}

/** Asserts a probability strictly between 0 and 1; throws {@link InvalidInputError} naming `field`. */
export function checkProbability(field: string, value: unknown): number {
  if (typeof value !== 'number' || !(value > 0 && value < 1)) {
    throw new InvalidInputError(field, 'a probability between 0 and 1, both excluded', value);
  }
  return value;
}

/** Asserts one of the listed values; throws {@link InvalidInputError} naming `field`. */
export function checkOneOf<T extends string>(field: string, value: unknown, allowed: readonly T[]): T {
  const found = allowed.find((each) => each === value);
  if (found === undefined) throw new InvalidInputError(field, `one of ${allowed.join(', ')}`, value);
  return found;
}

/** Asserts a whole number between `min` and `max`, both included; throws {@link InvalidInputError} naming `field`. */
export function checkWhole(field: string, value: unknown, min: number, max: number): number {
  if (typeof value !== 'number' || !Number.isInteger(value) || value < min || value > max) {
    throw new InvalidInputError(field, `a whole number from ${min} to ${max}`, value);
  }
  return value;
}
