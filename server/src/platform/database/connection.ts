import type { DataSource, DataSourceOptions, MigrationInterface } from 'typeorm';
import { SnakeNaming } from './snake-naming.ts';

/** How PostgreSQL is reached; migrations are run by {@link migrated}, never schema sync. */
export function connection(
  databaseUrl: string,
  migrations: readonly (new () => MigrationInterface)[],
): DataSourceOptions {
  return {
    type: 'postgres',
    url: databaseUrl,
    migrations: [...migrations],
    migrationsRun: false,
    // All or none: a failed one leaves the schema and every row as they were.
    migrationsTransactionMode: 'all',
    namingStrategy: new SnakeNaming(),
    poolSize: 10,
    // A database that is gone refuses at once; this long a request waits for a free connection behind others.
    connectTimeoutMS: 15_000,
    extra: { statement_timeout: 15_000, idle_in_transaction_session_timeout: 15_000 },
  };
}

/** Of PostgreSQL's advisory locks: one process migrates, those that start with it wait. */
const LOCK = 4810_0001;
/** A long log takes longer to change than any request may, ms; none is changed for ever. */
const PATIENCE = 30 * 60_000;

/**
 * Brings the schema forward, one process at a time.
 * @throws Error that says that nothing was changed, with what went wrong.
 */
export async function migrated(db: DataSource): Promise<DataSource> {
  const runner = db.createQueryRunner();
  await runner.connect();
  try {
    await runner.query(`SET statement_timeout = ${PATIENCE}`);
    await runner.query('SELECT pg_advisory_lock($1)', [LOCK]);
    try {
      await db.runMigrations();
    } finally {
      await runner.query('SELECT pg_advisory_unlock($1)', [LOCK]);
    }
  } catch (error) {
    await runner.release();
    await db.destroy();
    throw new Error(
      `The database could not be brought to this version; it was left as it was. ${error instanceof Error ? error.message : String(error)}`,
      { cause: error },
    );
  }
  // The connection goes back to the pool with the patience of all others.
  await runner.query('RESET statement_timeout');
  await runner.release();
  return db;
}
