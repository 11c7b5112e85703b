import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** Runs a tool to its end: well where it ends with 0; what it printed is told otherwise. */
const node = (root, script, ...args) =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [join(root, 'node_modules', script), ...args], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let words = '';
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (text) => (words += text));
    child.once('error', reject);
    child.once('close', (code) => resolve({ ok: code === 0, words }));
  });

/** Where a check keeps what it found, so that the next run looks only at what changed. */
const kept = (root, name) => join(root, 'node_modules', '.cache', 'iron-clasp', name);

/** The checks that are no test runner's: each has a name and gives `{ ok, words }`, or a promise of it. */
export function checks(root) {
  const tool = (name, script, ...args) => ({ name, run: () => node(root, script, ...args) });
  const types = (name) => ['--incremental', '--tsBuildInfoFile', kept(root, `${name}.tsbuildinfo`)];
  const packages = ['core', 'contract', 'device', 'server', 'web', 'e2e'];
  return [
    tool('format', 'oxfmt/bin/oxfmt', '--check', '.'),
    tool('lint', 'oxlint/bin/oxlint', '.'),
    // Contract and device are read with the server, which imports them: each by itself reads the core once more.
    ...['core/tsconfig.json', 'server/tsconfig.check.json', 'web/tsconfig.json', 'e2e/tsconfig.json'].map(
      (path) =>
        tool(`types of ${dirname(path)}`, 'typescript-7/bin/tsc', '-p', path, ...types(dirname(path))),
    ),
    tool(
      'direction of imports',
      'dependency-cruiser/bin/dependency-cruise.mjs',
      ...[...packages.map((name) => `${name}/src`), 'server/test'],
    ),
    tool('reference of the core', 'typedoc/bin/typedoc', '--emit', 'none'),
    { name: 'no registry address', run: () => registryAddresses(root) },
  ];
}

/** Packages come from the registry as configured: no file of ours may name one. */
export function registryAddresses(root) {
  const lock = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  const named = Object.entries(lock.packages).filter(([, each]) => /^[a-z+]+:\/\//.test(each.resolved ?? ''));
  return {
    ok: named.length === 0,
    words: named.map(([path, each]) => `${path}: ${each.resolved}`).join('\n'),
  };
}
