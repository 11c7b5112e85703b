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

/** Asserts a record of named values; throws {@link InvalidInputError} naming `field`. */
export function checkObject(field: string, value: unknown): void {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new InvalidInputError(field || 'the question', 'a record of named values', value);
}

/** Asserts a list and checks each of its items under its own path, `field[i]`. */
export function checkList<T>(
  field: string,
  value: readonly T[],
  each?: (item: T, field: string) => void,
  { max = MAX_LIST }: { readonly max?: number } = {},
): readonly T[] {
  if (!Array.isArray(value)) throw new InvalidInputError(field, 'a list', value);
  if (value.length > max) throw new InvalidInputError(field, `a list of at most ${max}`, value);
  if (each) value.forEach((item: T, i) => each(item, `${field}[${i}]`));
  return value;
}

/** No list of the job is longer: a lifetime of sets. */
const MAX_LIST = 1_000_000;

/** Asserts true or false; throws {@link InvalidInputError} naming `field`. */
export function checkBoolean(field: string, value: unknown): boolean {
  if (typeof value !== 'boolean') throw new InvalidInputError(field, 'true or false', value);
  return value;
}

/** Asserts text that is not empty and at most `max` characters long; throws {@link InvalidInputError} naming `field`. */
export function checkText(field: string, value: unknown, max = 2000): string {
  if (typeof value !== 'string' || value.length === 0 || value.length > max)
    throw new InvalidInputError(field, `text of 1 to ${max} characters`, value);
  return value;
}

/** Asserts a day written YYYY-MM-DD that the calendar has; throws {@link InvalidInputError} naming `field`. */
export function checkDay(field: string, value: unknown): string {
  if (typeof value === 'string' && soundDays.has(value)) return value;
  const known =
    typeof value === 'string' &&
    /^\d{4}-\d{2}-\d{2}$/.test(value) &&
    !Number.isNaN(Date.parse(`${value}T00:00:00Z`)) &&
    new Date(`${value}T00:00:00Z`).toISOString().startsWith(value);
  if (!known) throw new InvalidInputError(field, 'a day written YYYY-MM-DD', value);
  if (soundDays.size >= MOST_DAYS) soundDays.clear();
  soundDays.add(value);
  return value;
}

/** Days already found sound: a year of a log names the same few hundred again and again. */
const soundDays = new Set<string>();
const MOST_DAYS = 20_000;

/** Asserts a moment, a whole minute or finer, written as ISO 8601 with its zone; gives it in ms since 1970. */
export function checkMoment(field: string, value: unknown): number {
  const at =
    typeof value === 'string' && /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}.*(Z|[+-]\d{2}:?\d{2})$/.test(value)
      ? Date.parse(value)
      : Number.NaN;
  if (Number.isNaN(at))
    throw new InvalidInputError(field, 'a moment written as ISO 8601 with its zone', value);
  return at;
}
