import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const node = (root, script, ...args) =>
  spawnSync(process.execPath, [join(root, 'node_modules', script), ...args], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });

/** Where a check keeps what it found, so that the next run looks only at what changed. */
const kept = (root, name) => join(root, 'node_modules', '.cache', 'iron-clasp', name);

/** The checks that are no test runner's: each has a name and gives `{ ok, words }`. */
export function checks(root) {
  const ran = (done) => ({ ok: done.status === 0, words: `${done.stdout ?? ''}${done.stderr ?? ''}` });
  return [
    {
      name: 'format',
      run: () =>
        ran(
          node(
            root,
            'prettier/bin/prettier.cjs',
            ...['--check', '--log-level=warn', '--cache', '--cache-location', kept(root, 'prettier'), '.'],
          ),
        ),
    },
    {
      name: 'lint',
      run: () =>
        ran(node(root, 'eslint/bin/eslint.js', '.', '--cache', '--cache-location', kept(root, 'eslint'))),
    },
    ...['core', 'contract', 'device', 'server', 'web', 'e2e'].map((name) => ({
      name: `types of ${name}`,
      run: () =>
        ran(
          node(
            root,
            'typescript/bin/tsc',
            ...[
              '-p',
              `${name}/tsconfig.json`,
              '--incremental',
              '--tsBuildInfoFile',
              kept(root, `${name}.tsbuildinfo`),
            ],
          ),
        ),
    })),
    {
      name: 'direction of imports',
      run: () =>
        ran(
          node(
            root,
            'dependency-cruiser/bin/dependency-cruise.mjs',
            'core/src',
            'contract/src',
            'device/src',
            'server/src',
            'server/test',
            'web/src',
            'e2e/src',
          ),
        ),
    },
    {
      name: 'reference of the core',
      run: () => ran(node(root, 'typedoc/bin/typedoc', '--emit', 'none')),
    },
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
