import type { DataSource, QueryRunner, ReplicationMode } from 'typeorm';

/** What of a query runner asks its connection. */
export type Asking = Pick<QueryRunner, 'query'>;

/**
 * Has every query runner ask its connection one query after the other. Within a transaction all reads go by one connection:
 * several at once wait for one another there in any case, and the driver will refuse them from its next version on.
 */
export function oneAtATime(db: DataSource): DataSource {
  const create = db.createQueryRunner.bind(db);
  db.createQueryRunner = (mode?: ReplicationMode) => inTurn(create(mode));
  return db;
}

/** The runner, whose queries wait for those before them; one that failed holds up nobody. */
export function inTurn<Runner extends Asking>(runner: Runner): Runner {
  const ask = runner.query.bind(runner) as (...args: unknown[]) => Promise<unknown>;
  let last: Promise<unknown> = Promise.resolve();
  const waiting = (...args: unknown[]): Promise<unknown> => {
    const answer = last.then(() => ask(...args));
    last = answer.catch(() => undefined);
    return answer;
  };
  runner.query = waiting as Runner['query'];
  return runner;
}
