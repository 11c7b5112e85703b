import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { ensureBuilt, ensurePackages } from './lib/build.mjs';
import { temporaryFolder } from './lib/machine.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run, say, Trouble } from './lib/say.mjs';
import { soak } from './lib/soak.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/** Plays sessions with random kills: `npm run soak -- [rounds] [seed] [processes]`. */
run(async () => {
  const [rounds = 20, seed = Date.now() % 100_000, processes = 1] = process.argv.slice(2).map(Number);
  if (!(rounds > 0) || !Number.isInteger(seed) || !(processes > 0))
    throw new Trouble('Say how many rounds, a whole seed, and how many processes: npm run soak -- 20 7 2');
  await ensurePackages(ROOT);
  await ensureBuilt(ROOT);
  const work = temporaryFolder('iron-clasp-soak-');
  const postgres = await startPostgres(join(work, 'postgres'));
  try {
    const name = `soak_${randomUUID().replaceAll('-', '')}`;
    const admin = new pg.Client({ connectionString: postgres.url });
    await admin.connect();
    await admin.query(`CREATE DATABASE ${name}`);
    await admin.end();
    const databaseUrl = postgres.url.replace(/\/[^/]*$/, `/${name}`);
    say(`Soak of ${rounds} rounds over ${processes} process${processes === 1 ? '' : 'es'}, seed ${seed}`);
    const found = await soak(ROOT, { databaseUrl, processes, rounds, seed, say });
    say(
      `${found.acknowledged} acknowledged, ${found.kills} kills, ${found.resent} sent again: lost ${found.lost}, doubled ${found.doubled}`,
    );
    if (found.lost + found.doubled > 0) process.exitCode = 1;
  } finally {
    postgres.remove();
    rmSync(work, { recursive: true, force: true, maxRetries: 5 });
  }
});
