import { ValidationPipe, type PipeTransform } from '@nestjs/common';
import { isISO8601, isUUID, type ValidationError } from 'class-validator';
import { notFound, Problem } from './problem.ts';

/** Checks every body against its contract class; fields the contract does not know are refused. */
export function validationPipe(): ValidationPipe {
  return new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    transform: true,
    forbidUnknownValues: true,
    exceptionFactory: (errors) => {
      const fields = errors.flatMap((error) => flatten(error));
      return new Problem(400, 'invalid-input', fields[0]?.message ?? 'Check what was sent.', fields);
    },
  });
}

function flatten(error: ValidationError, parent = ''): { path: string; message: string }[] {
  const inList = /^\d+$/.test(error.property);
  const path = !parent
    ? error.property
    : inList
      ? `${parent}[${error.property}]`
      : `${parent}.${error.property}`;
  const own = Object.values(error.constraints ?? {})
    .slice(0, 1)
    .map((message) => ({ path, message }));
  return [...own, ...(error.children ?? []).flatMap((child) => flatten(child, path))];
}

/** An id in the address: anything that is no UUID is simply not there. */
export class KnownId implements PipeTransform<string, string> {
  private readonly what: string;

  constructor(what: string) {
    this.what = what;
  }

  transform(value: string): string {
    if (!isUUID(value)) throw notFound(this.what);
    return value.toLowerCase();
  }
}

/** A word of a list in the address: any other is not there. */
export class KnownWord<Word extends string> implements PipeTransform<string, Word> {
  private readonly words: readonly Word[];
  private readonly what: string;

  constructor(words: readonly Word[], what: string) {
    this.words = words;
    this.what = what;
  }

  transform(value: string): Word {
    const word = this.words.find((each) => each === value);
    if (!word) throw notFound(this.what);
    return word;
  }
}

/** A day in the address. */
export class KnownDay implements PipeTransform<string, string> {
  transform(value: string): string {
    if (!/^\d{4}-\d{2}-\d{2}$/.test(value) || !isISO8601(value, { strict: true }))
      throw new Problem(400, 'invalid-input', 'The address names no day, as 2026-11-25.');
    return value;
  }
}

/** PostgreSQL's largest whole number of this kind. */
const MOST = 2_147_483_647;

/** The version, in the question of an address, of what the page was drawn from. */
export class QueriedVersion implements PipeTransform<unknown, number> {
  transform(value: unknown): number {
    // The pipe of all routes has made a number of it already, of whatever stood there.
    const version = typeof value === 'string' && /^\d{1,10}$/.test(value) ? Number(value) : value;
    if (typeof version !== 'number' || !Number.isInteger(version) || version < 1 || version > MOST)
      throw new Problem(400, 'invalid-input', 'Say which version the page was drawn from.');
    return version;
  }
}
