import { Injectable } from '@nestjs/common';
import type { RateLimiterPostgres } from 'rate-limiter-flexible';
import { DataSource } from 'typeorm';
import { Problem } from '../http/problem.ts';
import { countOne, sharedLimit } from './shared-limit.ts';

/** Wrong guesses at one account from one address in a quarter of an hour: enough for a forgetful coach. */
export const GUESSES_HERE = 10;
/** Wrong guesses at one account from anywhere in a day: slow guessing from many addresses ends here. */
export const GUESSES_AN_ACCOUNT = 100;
/** Wrong guesses from one address at anything in a quarter of an hour: one password tried at every account. */
export const GUESSES_AN_ADDRESS = 200;

const QUARTER = 15 * 60;
const DAY = 24 * 60 * 60;

/**
 * Bounds guessing at passwords and codes, by account and by address; kept in PostgreSQL, so that every process counts
 * the same. A guess is counted before it is looked at, so that many at once are not all looked at, and given back where it
 * was right.
 */
@Injectable()
export class GuessLimit {
  readonly #here: RateLimiterPostgres;
  readonly #account: RateLimiterPostgres;
  readonly #address: RateLimiterPostgres;

  constructor(db: DataSource) {
    const limiter = (keyPrefix: string, points: number, duration: number): RateLimiterPostgres =>
      sharedLimit(db, 'guess_limit', { keyPrefix, points, duration });
    this.#here = limiter('here', GUESSES_HERE, QUARTER);
    this.#account = limiter('account', GUESSES_AN_ACCOUNT, DAY);
    this.#address = limiter('address', GUESSES_AN_ADDRESS, QUARTER);
  }

  /**
   * Lets a guess be looked at, or refuses it.
   * @param what is guessed at: an e-mail address; null where only the address it comes from counts.
   * @param from the address it comes from.
   * @param look what tells whether it is right; what it throws is a wrong guess.
   */
  async guess<Answer>(what: string | null, from: string, look: () => Promise<Answer>): Promise<Answer> {
    const thing = what === null ? null : named(what);
    await count(this.#address, from);
    if (thing !== null) {
      await count(this.#account, thing);
      await count(this.#here, `${from} ${thing}`);
    }
    const answer = await look();
    await this.#address.reward(from);
    if (thing !== null)
      await Promise.all([this.#account.reward(thing), this.#here.delete(`${from} ${thing}`)]);
    return answer;
  }

  /** Lets an account be tried again, from wherever it was locked: its owner has just been made sure of. */
  async forget(what: string): Promise<void> {
    await this.#account.delete(named(what));
  }
}

const named = (what: string): string => what.trim().toLowerCase().slice(0, 120);

const count = (limiter: RateLimiterPostgres, key: string): Promise<void> => countOne(limiter, key, tooMany);

function tooMany(ms: number): Problem {
  const minutes = Math.max(1, Math.ceil(ms / 60_000));
  const wait =
    minutes > 90 ? `${Math.ceil(minutes / 60)} hours` : minutes === 1 ? 'a minute' : `${minutes} minutes`;
  return new Problem(429, 'too-many-tries', `Too many tries. Wait ${wait}, then try again.`);
}
