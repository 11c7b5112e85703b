import { AsyncLocalStorage } from 'node:async_hooks';
import type { DataSource } from 'typeorm';

/** Whether what runs now runs within a transaction. */
const within = new AsyncLocalStorage<true>();

/** What of TypeORM takes connections from the pool. */
interface Pool {
  obtainMasterConnection(): Promise<unknown>;
}

/**
 * Makes whatever asks the pool for a connection within a transaction fail: as many requests as the pool has connections, each
 * holding one and waiting for a second, wait for one another until all of them are refused.
 */
export function oneConnectionEach(db: DataSource): void {
  const { manager } = db;
  const pool = db.driver as unknown as Pool;
  const [transaction, obtain] = [manager.transaction.bind(manager), pool.obtainMasterConnection.bind(pool)];
  const guarded =
    (work: unknown) =>
    (...given: unknown[]): Promise<unknown> =>
      within.run(true, () => (work as (...all: unknown[]) => Promise<unknown>)(...given));
  manager.transaction = ((...args: unknown[]) =>
    (transaction as (...all: unknown[]) => Promise<unknown>)(
      ...args.map((arg) => (typeof arg === 'function' ? guarded(arg) : arg)),
    )) as typeof manager.transaction;
  pool.obtainMasterConnection = () => {
    if (within.getStore())
      throw new Error(
        'Within a transaction everything is asked through its manager: a second connection may never come.',
      );
    return obtain();
  };
}
