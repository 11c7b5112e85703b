import { spawnSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { makeDemoTemplate } from './demo-template.mjs';

/* One run of `npm run weekdays`: the demo is made and the browser tests are run at the time that this process believes in. */
const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const databaseUrl = process.env.DATABASE_URL;
const client = new pg.Client({ connectionString: databaseUrl });
await client.connect();
await client.query('DROP DATABASE IF EXISTS demo WITH (FORCE)');
await client.end();
const env = await makeDemoTemplate(ROOT, databaseUrl);
const jest = join(ROOT, 'node_modules', 'jest', 'bin', 'jest.js');
const options = ['--selectProjects', 'e2e', '--ci', '--forceExit', '--testTimeout=60000', '--maxWorkers=2'];
const { status } = spawnSync(
  process.execPath,
  [
    '--experimental-vm-modules',
    '--no-warnings',
    jest,
    ...options,
    `src/(${process.argv.slice(2).join('|')})\\.test`,
  ],
  { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } },
);
process.exit(status ?? 1);
