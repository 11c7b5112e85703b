import { spawnSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

/* Tests the mutants, and then the living ones against those that are named. */

const ROOT = dirname(dirname(import.meta.dirname));
const stryker = join(
  dirname(createRequire(import.meta.url).resolve('@stryker-mutator/core/package.json')),
  'bin',
  'stryker.js',
);
const { status } = spawnSync(
  process.execPath,
  [stryker, 'run', 'core/stryker.config.json', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
if (status === 0) await import('./named.mjs');
else process.exitCode = status ?? 1;
