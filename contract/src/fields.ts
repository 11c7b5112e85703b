// What decides how values are transformed is kept as metadata; without this every page that takes a request class breaks.
import 'reflect-metadata';
import { LIFTS, LIMITS } from '@iron-clasp/core';
import { Transform, Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsISO8601,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  IsUUID,
  isEmail,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator';

/*
 * How fields of requests are checked: one decorator a kind of value, so that every text is trimmed and bounded alike, every
 * number finite and in range, every day one that the calendar has. Lists of words and bounds are the core's.
 */

type Decorate = PropertyDecorator;

function all(...decorators: readonly Decorate[]): Decorate {
  return (target, key) => decorators.forEach((decorate) => decorate(target, key));
}

interface Bounds {
  readonly min: number;
  readonly max: number;
}

const FINITE = { allowNaN: false, allowInfinity: false } as const;
/** No NUL, which PostgreSQL cannot keep, and no half of a surrogate pair, which is no character. */
// oxlint-disable-next-line no-control-regex -- NUL is what it is about
const CLEAN = /^[^\u0000\ud800-\udfff]*$/u;
const MESSAGE_CLEAN = 'The text holds characters that cannot be kept. Type it again.';
const INT = 2_147_483_647;

/** Every lift a request may name. */
export const LIFT_IDS = LIFTS.map((lift) => lift.id);

/** May be left out; null is no way to leave it out. */
export const Optional = (): Decorate => ValidateIf((_, value) => value !== undefined);
/** May be left out, and null takes back what was said before. */
export const Nullable = (): Decorate => ValidateIf((_, value) => value !== undefined && value !== null);

/** Text, trimmed; at least one character unless `least` is 0. */
export function Text(max: number, message: string, least = 1): Decorate {
  return all(
    Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.trim() : value)),
    IsString({ message }),
    ...(least > 0 ? [MinLength(least, { message })] : []),
    MaxLength(max, { message }),
    Matches(CLEAN, { message: MESSAGE_CLEAN }),
  );
}

/** Text that is taken to the letter, as a password is. */
export function Secret(least: number, max: number, message: string): Decorate {
  return all(
    IsString({ message }),
    MinLength(least, { message }),
    MaxLength(max, { message: `At most ${max} characters.` }),
    Matches(CLEAN, { message: MESSAGE_CLEAN }),
  );
}

/** Text of one form. */
export function Matching(pattern: RegExp, message: string): Decorate {
  return all(IsString({ message }), MaxLength(200, { message }), Matches(pattern, { message }));
}

/** The name of a time zone, as `Europe/Oslo`. */
export function TimeZone(message: string): Decorate {
  return all(
    MaxLength(60, { message }),
    ValidateBy({ name: 'isTimeZone', validator: { validate: isTimeZone, defaultMessage: () => message } }),
  );
}

function isTimeZone(value: unknown): boolean {
  if (typeof value !== 'string' || !/^[A-Za-z]+(\/[\w+-]+)*$/.test(value)) return false;
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: value }));
  } catch {
    return false;
  }
}

/** An e-mail address, trimmed. */
export function Email(message: string): Decorate {
  return all(
    Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.trim() : value)),
    ValidateBy({
      name: 'isEmail',
      validator: {
        // What is no text of ours is never shown to the parser of addresses, which fails on half of a surrogate pair.
        validate: (value: unknown) =>
          typeof value === 'string' && value.length <= 200 && CLEAN.test(value) && isEmail(value),
        defaultMessage: () => message,
      },
    }),
  );
}

/** A finite number within bounds. */
export function Amount({ min, max }: Bounds, message: string): Decorate {
  return all(IsNumber(FINITE, { message }), Min(min, { message }), Max(max, { message }));
}

/** A whole number within bounds. */
export function Whole({ min, max }: Bounds, message: string): Decorate {
  return all(IsInt({ message }), Min(min, { message }), Max(max, { message }));
}

/** The version of what is edited; 0 where it is new. */
export const SeenVersion = (least = 0): Decorate =>
  Whole({ min: least, max: INT - 1 }, 'Say which version the page was drawn from.');

export const Flag = (message: string): Decorate => IsBoolean({ message });

export const OneOf = (values: readonly string[], message: string): Decorate => IsIn(values, { message });

export const Id = (message: string): Decorate => IsUUID(undefined, { message });

/** A list of ids, each once. */
export function Ids({ min, max }: Bounds, message: string): Decorate {
  return all(
    IsArray({ message }),
    ArrayMinSize(min, { message }),
    ArrayMaxSize(max, { message: `At most ${max}. ${message}` }),
    ArrayUnique({ message: `Each once. ${message}` }),
    IsUUID(undefined, { each: true, message }),
  );
}

/** A day, `YYYY-MM-DD`, that the calendar has and that is near enough to be meant. */
export function Day(message: string): Decorate {
  return all(
    Matches(/^(19[5-9]\d|20\d\d)-\d{2}-\d{2}$/, { message }),
    IsISO8601({ strict: true }, { message }),
  );
}

/** A moment with its zone, as `2026-11-24T17:00:00Z`. */
export function Moment(message: string): Decorate {
  return all(
    Matches(/^20\d\d-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,9})?)?(Z|[+-]\d{2}:?\d{2})$/, { message }),
    IsISO8601({ strict: true }, { message }),
  );
}

/** One record of its own class. */
export function Part(type: () => new () => object, message: string): Decorate {
  return all(IsObject({ message }), ValidateNested({ message }), Type(type as () => new () => object));
}

/** A list of records of one class. */
export function Parts(
  type: () => new () => object,
  { min = 0, max, message }: { min?: number; max: number; message: string },
): Decorate {
  return all(
    IsArray({ message }),
    ArrayMinSize(min, { message }),
    ArrayMaxSize(max, { message: `At most ${max}. ${message}` }),
    IsObject({ each: true, message }),
    ValidateNested({ each: true, message }),
    Type(type as () => new () => object),
  );
}

/** A list of words, each one of those allowed. */
export function Words(values: readonly string[], max: number, message: string): Decorate {
  return all(IsArray({ message }), ArrayMaxSize(max, { message }), IsIn(values, { each: true, message }));
}

/** A list of finite numbers within bounds. */
export function Amounts({ min, max }: Bounds, most: number, message: string): Decorate {
  return all(
    IsArray({ message }),
    ArrayMaxSize(most, { message: `At most ${most}. ${message}` }),
    IsNumber(FINITE, { each: true, message }),
    Min(min, { each: true, message }),
    Max(max, { each: true, message }),
  );
}

export const DIAMETER_MESSAGE = `Diameter must be a number from ${LIMITS.barDiameter.min} to ${LIMITS.barDiameter.max} mm.`;
export const PIN_MESSAGE = `Pin height must be a number from ${LIMITS.pinHeight.min} to ${LIMITS.pinHeight.max} mm.`;
export const LOAD_MESSAGE = `Load must be a number from ${LIMITS.load.min} to ${LIMITS.load.max} kg. Check the figure and the unit.`;
export const SECONDS_MESSAGE = `Seconds must be a number from ${LIMITS.holdSeconds.min} to ${LIMITS.holdSeconds.max}. Longer than ten minutes is not one hold.`;
export const TARGET_MESSAGE = `Target must be a number of seconds from ${LIMITS.holdTarget.min} to ${LIMITS.holdTarget.max}.`;
export const SIDE_MESSAGE = 'Side under must be left or right.';
export const CHALK_MESSAGE = 'Chalk must be block, liquid or none.';
export const GRIP_MESSAGE = 'Grip must be double overhand, mixed or hook.';
export const CHOICE_MESSAGE = 'Choose double overhand, mixed, hook or straps.';
