/** What the restore command needs to know of a database that is kept: how it is reached, copied, and brought up to date. */
export { connection, migrated } from './platform/database/connection.ts';
export { connectionEnv, databaseBeside, runProgram } from './records/backups/pg-programs.ts';
export { MIGRATIONS } from './schema.ts';
