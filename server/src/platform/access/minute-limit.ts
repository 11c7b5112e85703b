import type { RateLimiterPostgres } from 'rate-limiter-flexible';
import type { DataSource } from 'typeorm';
import { Problem } from '../http/problem.ts';
import { countOne, sharedLimit } from './shared-limit.ts';

/**
 * How often somebody may ask for something in a minute; kept in PostgreSQL, so that every process counts the same. Who has asked
 * too often is turned away from memory: that costs the database nothing more.
 */
export class MinuteLimit {
  readonly #limit: RateLimiterPostgres;

  /**
   * @param name of what is asked for.
   * @param refusal code and words for who asks more often.
   */
  constructor(
    db: DataSource,
    name: string,
    most: number,
    private readonly refusal: readonly [code: string, words: string],
  ) {
    this.#limit = sharedLimit(db, 'minute_limit', {
      ...{ keyPrefix: name, points: most, duration: 60, inMemoryBlockOnConsumed: most + 1 },
    });
  }

  /** Counts a request; one too many is refused. */
  count(who: string): Promise<void> {
    return countOne(this.#limit, who, () => new Problem(429, ...this.refusal));
  }
}
