import { spawnSync } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt, ensurePackages } from './lib/build.mjs';
import { installDebian, temporaryFolder } from './lib/machine.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
/** The week that is run through; its first day is a Monday. */
const WEEK = '2026-11-23';
const HOURS = ['23:30:00', '00:30:00'];
const ZONES = ['America/New_York', 'Pacific/Auckland'];
/** What depends on time: who trains today, two tabs of one floor, entries that wait offline. */
const FILES = ['today', 'floor', 'offline'];

/**
 * Runs browser tests that depend on time with the machine's clock at each weekday, half an hour before and after midnight, in two
 * zones: `npm run weekdays`, or `npm run weekdays -- today` for one of the files.
 */
run(async () => {
  ensurePackages(ROOT);
  ensureBuilt(ROOT);
  if (!existsSync('/usr/bin/faketime')) installDebian(['faketime'], 'faketime is not installed.');
  const work = temporaryFolder('iron-clasp-weekdays-');
  const postgres = await startPostgres(join(work, 'postgres'), { settings: { fsync: 'off' } });
  const wanted = process.argv.slice(2);
  let failed = 0;
  try {
    for (let day = 0; day < 7; day++)
      for (const [i, hour] of HOURS.entries()) {
        const on = new Date(Date.parse(WEEK) + day * 86_400_000).toISOString().slice(0, 10);
        const zone = ZONES[(day + i) % ZONES.length];
        const { status } = runAt(`${on} ${hour}`, zone, postgres.url, wanted.length ? wanted : FILES);
        if (status !== 0) failed += 1;
        const name = new Date(`${on}T12:00:00Z`).toLocaleDateString('en', {
          weekday: 'long',
          timeZone: 'UTC',
        });
        say(`${status === 0 ? 'ok    ' : 'FAILED'} ${name} ${hour.slice(0, 5)} ${zone}`);
      }
  } finally {
    await postgres.remove();
    rmSync(work, { recursive: true, force: true, maxRetries: 5 });
  }
  say(`\n${14 - failed} passed, ${failed} failed`);
  if (failed > 0) process.exitCode = 1;
});

/** Everything but PostgreSQL believes that it is this time: the tests, the server and the browser. */
function runAt(time, zone, databaseUrl, files) {
  return spawnSync(
    '/usr/bin/faketime',
    ['-f', `@${time}`, process.execPath, join(ROOT, 'tools', 'lib', 'weekday.mjs'), ...files],
    {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', 'inherit'],
      // Waits go by the true clock.
      env: { ...process.env, TZ: zone, FAKETIME_DONT_FAKE_MONOTONIC: '1', DATABASE_URL: databaseUrl },
    },
  );
}
