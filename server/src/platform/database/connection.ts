import type { DataSourceOptions, MigrationInterface } from 'typeorm';
import { SnakeNaming } from './snake-naming.ts';

/** How PostgreSQL is reached; migrations are run on connecting, never schema sync. */
export function connection(
  databaseUrl: string,
  migrations: readonly (new () => MigrationInterface)[],
): DataSourceOptions {
  return {
    type: 'postgres',
    url: databaseUrl,
    migrations: [...migrations],
    migrationsRun: true,
    namingStrategy: new SnakeNaming(),
    poolSize: 10,
    connectTimeoutMS: 5000,
    extra: { statement_timeout: 15_000, idle_in_transaction_session_timeout: 15_000 },
  };
}
