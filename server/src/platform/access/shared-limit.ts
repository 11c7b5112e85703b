import { RateLimiterPostgres, RateLimiterRes, type IRateLimiterPostgresOptions } from 'rate-limiter-flexible';
import type { DataSource } from 'typeorm';
import type { Problem } from '../http/problem.ts';

/** A bound that is kept in PostgreSQL, so that every process counts the same. */
export const sharedLimit = (
  db: DataSource,
  tableName: string,
  bound: Pick<IRateLimiterPostgresOptions, 'keyPrefix' | 'points' | 'duration' | 'inMemoryBlockOnConsumed'>,
): RateLimiterPostgres =>
  new RateLimiterPostgres({
    ...{ storeClient: db, storeType: 'typeorm', tableName, tableCreated: true },
    ...bound,
  });

/** Counts one; one too many is refused in words, by the ms that are to be waited. */
export async function countOne(
  limit: RateLimiterPostgres,
  key: string,
  refusal: (wait: number) => Problem,
): Promise<void> {
  try {
    await limit.consume(key);
  } catch (refused) {
    if (!(refused instanceof RateLimiterRes)) throw refused;
    throw refusal(refused.msBeforeNext);
  }
}
