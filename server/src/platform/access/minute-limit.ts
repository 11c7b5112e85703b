import { RateLimiterMemory } from 'rate-limiter-flexible';
import { Problem } from '../http/problem.ts';

/** How often somebody may ask in a minute, counted by each process for itself: it keeps one from holding the server. */
export class MinuteLimit {
  readonly #limit: RateLimiterMemory;

  /** @param refusal code and words for who asks more often. */
  constructor(
    most: number,
    private readonly refusal: readonly [code: string, words: string],
  ) {
    this.#limit = new RateLimiterMemory({ points: most, duration: 60 });
  }

  /** Counts a request; one too many is refused. */
  async count(who: string): Promise<void> {
    await this.#limit.consume(who).catch(() => {
      throw new Problem(429, ...this.refusal);
    });
  }
}
