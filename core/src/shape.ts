import {
  checkBoolean,
  checkDay,
  checkList,
  checkMoment,
  checkObject,
  checkOneOf,
  checkPositive,
  checkRange,
  checkText,
  checkWhole,
} from './check.ts';

/** Asserts that `value`, named `field`, is usable; throws InvalidInputError otherwise. */
export type Check = (field: string, value: unknown) => void;

/** The checks of a record's fields: every field of the type must be named, so that none is forgotten. */
export type ShapeOf<T> = { readonly [Key in keyof Required<T>]: Check };

export const positive =
  (max?: number): Check =>
  (field, value) =>
    void checkPositive(field, value, max);
export const range =
  (min: number, max: number): Check =>
  (field, value) =>
    void checkRange(field, value, min, max);
export const whole =
  (min: number, max: number): Check =>
  (field, value) =>
    void checkWhole(field, value, min, max);
export const oneOf =
  (allowed: readonly string[]): Check =>
  (field, value) =>
    void checkOneOf(field, value, allowed);
export const text =
  (max?: number): Check =>
  (field, value) =>
    void checkText(field, value, max);
export const bool: Check = (field, value) => void checkBoolean(field, value);
export const day: Check = (field, value) => void checkDay(field, value);
export const moment: Check = (field, value) => void checkMoment(field, value);

/** What may be left out. */
export const optional =
  (check: Check): Check =>
  (field, value) =>
    value === undefined ? undefined : check(field, value);

/** A list of which each item passes `each`. */
export const listOf =
  (each: Check, max?: number): Check =>
  (field, value) =>
    void checkList(
      field,
      value as readonly unknown[],
      (item, name) => each(name, item),
      max ? { max } : undefined,
    );

/** A record of the named fields; others are passed over. */
export function record<T>(fields: ShapeOf<T>): Check {
  const entries = Object.entries<Check>(fields);
  return (field, value) => {
    checkObject(field, value);
    const prefix = field === '' ? '' : `${field}.`;
    for (const [name, check] of entries) check(prefix + name, (value as Record<string, unknown>)[name]);
  };
}

/** A record that says in `kind` which of several it is. */
export function variant(kinds: Readonly<Record<string, Check>>): Check {
  const names = Object.keys(kinds);
  return (field, value) => {
    checkObject(field, value);
    const kind = checkOneOf(
      field === '' ? 'kind' : `${field}.kind`,
      (value as { kind?: unknown }).kind,
      names,
    );
    kinds[kind]!(field, value);
  };
}

/** A check that remembers the objects it has found sound: a session asks hundreds of questions of the same ones. */
export function once(check: Check): Check {
  const sound = new WeakSet<object>();
  return (field, value) => {
    const known = typeof value === 'object' && value !== null;
    if (known && sound.has(value)) return;
    check(field, value);
    if (known) sound.add(value);
  };
}
