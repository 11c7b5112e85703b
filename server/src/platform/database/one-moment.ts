import type { DataSource, EntityManager } from 'typeorm';
import { withoutHurry } from './without-hurry.ts';

/**
 * Works on the database as it stands in one moment, however long it takes: a club of many years takes minutes to read.
 * @param on the database, or one connection of it.
 */
export function inOneMoment<Result>(
  on: DataSource | EntityManager,
  work: (manager: EntityManager) => Promise<Result>,
): Promise<Result> {
  return on.transaction('REPEATABLE READ', async (manager) => {
    await withoutHurry(manager);
    return work(manager);
  });
}
