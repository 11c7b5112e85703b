import { spawn } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt, ensurePackages } from './lib/build.mjs';
import { run } from './lib/say.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/** `npm run device -- --port 4817 --left 38 --right 41`: the simulated dynamometer by itself. */
run(async () => {
  await ensurePackages(ROOT);
  await ensureBuilt(ROOT);
  const child = spawn(process.execPath, [join(ROOT, 'device', 'dist', 'main.js'), ...process.argv.slice(2)], {
    stdio: 'inherit',
  });
  await new Promise((resolve) => child.once('exit', resolve));
});
