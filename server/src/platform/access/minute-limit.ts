import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { DataSource } from 'typeorm';
import { Problem } from '../http/problem.ts';

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
    this.#limit = new RateLimiterPostgres({
      ...{ storeClient: db, storeType: 'typeorm', tableName: 'minute_limit', tableCreated: true },
      ...{ keyPrefix: name, points: most, duration: 60, inMemoryBlockOnConsumed: most + 1 },
    });
  }

  /** Counts a request; one too many is refused. */
  async count(who: string): Promise<void> {
    try {
      await this.#limit.consume(who);
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused;
      throw new Problem(429, ...this.refusal);
    }
  }
}
