import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { DataSource } from 'typeorm';
import { connection, connectionEnv, migrated, MIGRATIONS, runProgram } from '../../server/dist/kept.js';
import { temporaryFolder } from '../lib/machine.mjs';

const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const PATIENCE = 60_000;
const admin = process.env['IRON_CLASP_E2E_DATABASE'];
const name = `restore_${randomUUID().replaceAll('-', '')}`;
const url = admin.replace(/\/[^/]*$/, `/${name}`);
const folder = temporaryFolder('iron-clasp-restore-');
const file = join(folder, 'kept.dump');

async function ask(to, ...query) {
  const client = new pg.Client({ connectionString: to });
  await client.connect();
  try {
    return (await client.query(...query)).rows;
  } finally {
    await client.end();
  }
}
const clubs = () => ask(url, 'SELECT name FROM club ORDER BY name');
const addClub = (club) =>
  ask(url, 'INSERT INTO club (id, name, time_zone) VALUES ($1, $2, $3)', [randomUUID(), club, 'UTC']);
const dump = (to) => runProgram('pg_dump', ['--format=custom', `--file=${to}`], connectionEnv(url));

/** `npm run restore -- FILE` as a person runs it. */
function restore(...args) {
  const child = spawn(process.execPath, [join(ROOT, 'tools', 'restore.mjs'), ...args], {
    env: { ...process.env, DATABASE_URL: url, IRON_CLASP_DATA: join(folder, 'data') },
  });
  let words = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (words += text));
  return new Promise((resolve) => child.once('close', (code) => resolve({ code, words })));
}

beforeAll(async () => {
  await ask(admin, `CREATE DATABASE ${name}`);
  const db = await migrated(await new DataSource(connection(url, MIGRATIONS)).initialize());
  await db.destroy();
  await addClub('Kept');
  await dump(file);
  await addClub('Added since');
}, PATIENCE);
afterAll(async () => {
  const rows = await ask(
    admin,
    `SELECT datname FROM pg_database WHERE datname ~ '^(restored|before_restore)_' OR datname = $1`,
    [name],
  );
  for (const { datname } of rows) await ask(admin, `DROP DATABASE "${datname}" WITH (FORCE)`);
  rmSync(folder, { recursive: true, force: true });
});

it.each([
  ['nothing', [], /Name the backup/],
  ['a file that is not there', [join(folder, 'nowhere.dump')], /There is no file/],
])(
  'says what is wrong with %s',
  async (_what, args, words) => {
    const done = await restore(...args);
    expect(done.words).toMatch(words);
    expect(done.code).toBe(1);
  },
  PATIENCE,
);

it(
  'refuses what is no backup, a broken one, one of another database and one of a newer version; nothing changes',
  async () => {
    const refused = async (path, words) => {
      const done = await restore(path);
      expect(done.words).toMatch(words);
      expect(done.code).toBe(1);
      expect(await clubs()).toEqual([{ name: 'Added since' }, { name: 'Kept' }]);
      expect(
        await ask(admin, `SELECT 1 FROM pg_database WHERE datname ~ '^(restored|before_restore)_'`),
      ).toEqual([]);
    };
    const other = join(folder, 'other.dump');
    writeFileSync(other, 'a letter to the coach');
    await refused(other, /is no backup of Iron Clasp/);
    writeFileSync(other, 'PGDMP and then nothing that makes sense');
    await refused(other, /could not be read, and nothing was changed/);
    await runProgram('pg_dump', ['--format=custom', `--file=${other}`], connectionEnv(admin));
    await refused(other, /another database, not of Iron Clasp/);
    await ask(url, `INSERT INTO migrations (timestamp, name) VALUES (1, 'FromTheFuture9')`);
    await dump(other);
    await ask(url, `DELETE FROM migrations WHERE name = 'FromTheFuture9'`);
    await refused(other, /newer version of Iron Clasp \(FromTheFuture9\)/);
  },
  PATIENCE,
);

it(
  'puts a backup in the place of the database, and keeps what was there',
  async () => {
    const { code, words } = await restore(file);
    expect(words).toMatch(/holds 1 clubs, 0 lifters and 0 logged sets/);
    expect(code).toBe(0);
    expect(await clubs()).toEqual([{ name: 'Kept' }]);
    const [, kept] = /kept as the database (\w+)\./.exec(words);
    expect(await ask(admin.replace(/\/[^/]*$/, `/${kept}`), 'SELECT name FROM club ORDER BY name')).toEqual([
      { name: 'Added since' },
      { name: 'Kept' },
    ]);
  },
  PATIENCE,
);
