import { createHash, randomBytes } from 'node:crypto';
import { Problem } from '../../platform/http/problem.ts';

/** A link or invitation just made: its secret is known this once. */
export interface MadeSecret {
  readonly secret: string;
  readonly expiresAt: Date;
}

/** A secret nobody guesses, for a cookie or an address. */
export const freshSecret = (): string => randomBytes(32).toString('base64url');

/** What is kept of a secret: a copy of the table opens nothing. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');

/** Sent again under its id, a link or invitation cannot tell its secret again. */
export function shownOnce(what: string): Problem {
  return new Problem(
    409,
    'shown-once',
    `This ${what} was made already and its address is shown only once. If it did not reach you, make another.`,
  );
}
