import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt, ensurePackages } from './lib/build.mjs';
import { alive, checkNode } from './lib/machine.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run, say, Trouble } from './lib/say.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/*
 * npm run restore -- FILE
 *
 * Puts a backup in the place of the database. It is restored beside it first and looked through; only then the two change
 * names, so that a file that is none, or is broken, changes nothing. What was there is kept under a name that is told.
 */
run(async () => {
  checkNode();
  const file = process.argv[2] && resolve(process.argv[2]);
  if (!file) throw new Trouble('Name the backup: npm run restore -- FILE');
  if (!existsSync(file)) throw new Trouble(`There is no file ${file}.`);
  if (readFileSync(file).subarray(0, 5).toString('latin1') !== 'PGDMP')
    throw new Trouble(`${file} is no backup of Iron Clasp: those are made by the server and end in .dump.`);
  await ensurePackages(ROOT);
  await ensureBuilt(ROOT);
  const data = resolve(process.env.IRON_CLASP_DATA || join(ROOT, '.data'));
  const lock = join(data, 'running.json');
  const held = existsSync(lock) ? pidIn(lock) : undefined;
  if (held !== undefined && alive(held))
    throw new Trouble(
      `Iron Clasp runs with these data (process ${held}). Stop it first: Ctrl-C where it was started.`,
    );
  const own = process.env.DATABASE_URL ? undefined : await startPostgres(join(data, 'postgres'));
  try {
    const kept = await restore(process.env.DATABASE_URL || own.url, file);
    say(`Restored from ${file}.`);
    say(`What was there before is kept as the database ${kept}. Start again with: npm start`);
  } finally {
    own?.stop();
  }
});

function pidIn(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8')).pid;
  } catch {
    return undefined; // Half-written by a crash: nobody holds it.
  }
}

async function restore(databaseUrl, file) {
  const { default: pg } = await import('pg');
  // Built before it is read: an import at the head of this file would look for it too early.
  const { connectionEnv, databaseBeside, MIGRATIONS, runProgram } = await import('../server/dist/kept.js');
  const at = (name) => databaseBeside(databaseUrl, name);
  const ask = async (url, ...query) => {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    try {
      return (await client.query(...query)).rows;
    } finally {
      await client.end();
    }
  };
  const live = decodeURIComponent(new URL(databaseUrl).pathname.slice(1));
  const stamp = new Date().toISOString().replaceAll(/[-:T]/g, '').slice(0, 14);
  const [fresh, kept] = [`restored_${stamp}`, `before_restore_${stamp}`];
  // Databases are made and renamed from another one than those it is about.
  const admin = at('template1');
  await ask(admin, `CREATE DATABASE ${fresh} TEMPLATE template0`);
  try {
    const args = ['--exit-on-error', '--no-owner', '--no-privileges', `--dbname=${fresh}`, file];
    await runProgram('pg_restore', args, connectionEnv(databaseUrl, fresh)).catch((error) => {
      throw new Trouble(`The backup could not be read, and nothing was changed: ${error.message}`);
    });
    const known = new Set(MIGRATIONS.map((each) => each.name));
    const made = await ask(at(fresh), 'SELECT name FROM migrations').catch(() => {
      throw new Trouble('This is a dump of another database, not of Iron Clasp. Nothing was changed.');
    });
    const newer = made.filter(({ name }) => !known.has(name));
    if (newer.length > 0)
      throw new Trouble(
        `This backup was made by a newer version of Iron Clasp (${newer[0].name}). Install that version, then restore. Nothing was changed.`,
      );
    const [{ clubs, lifters, sets }] = await ask(
      at(fresh),
      `SELECT (SELECT count(*) FROM club) AS clubs, (SELECT count(*) FROM lifter) AS lifters,
              (SELECT count(*) FROM logged_set) AS sets`,
    );
    say(`The backup holds ${clubs} clubs, ${lifters} lifters and ${sets} logged sets.`);
    const using = await ask(admin, 'SELECT 1 FROM pg_stat_activity WHERE datname = $1', [live]);
    if (using.length > 0)
      throw new Trouble(
        `Somebody is connected to the database ${live}. Stop the server first. Nothing was changed.`,
      );
    await ask(admin, `ALTER DATABASE "${live}" RENAME TO ${kept}`);
    await ask(admin, `ALTER DATABASE ${fresh} RENAME TO "${live}"`);
    return kept;
  } catch (error) {
    await ask(admin, `DROP DATABASE IF EXISTS ${fresh} WITH (FORCE)`);
    throw error;
  }
}
