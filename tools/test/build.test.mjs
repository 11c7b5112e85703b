import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fingerprint } from '../lib/build.mjs';
import { registryAddresses } from '../lib/checks.mjs';

let root;
beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), 'iron-clasp-build-'));
  mkdirSync(join(root, 'core', 'src'), { recursive: true });
  writeFileSync(join(root, 'package-lock.json'), '{"packages": {}}');
  writeFileSync(join(root, 'tsconfig.base.json'), '{}');
  writeFileSync(join(root, 'core', 'src', 'index.ts'), 'export {};');
});
afterEach(() => rmSync(root, { recursive: true }));

describe('a package is built again', () => {
  const changes = (change) => {
    const before = fingerprint(root, 'core');
    change();
    return fingerprint(root, 'core') !== before;
  };

  it.each([
    [
      'when a source changes',
      () => writeFileSync(join(root, 'core', 'src', 'index.ts'), 'export const a = 1;'),
    ],
    ['when a source is added', () => writeFileSync(join(root, 'core', 'src', 'more.ts'), '')],
    [
      'when its dependencies change',
      () => writeFileSync(join(root, 'package-lock.json'), '{"packages": {"a": {}}}'),
    ],
    [
      'when the compiler is told otherwise',
      () => writeFileSync(join(root, 'tsconfig.base.json'), '{"a": 1}'),
    ],
  ])('%s', (_when, change) => expect(changes(change)).toBe(true));

  it('but not for a test, nor for what was built', () => {
    expect(changes(() => writeFileSync(join(root, 'core', 'src', 'index.test.ts'), 'it();'))).toBe(false);
    mkdirSync(join(root, 'core', 'dist'));
    expect(changes(() => writeFileSync(join(root, 'core', 'dist', 'index.js'), ''))).toBe(false);
  });
});

describe('registry addresses in the lock file', () => {
  const lock = (packages) => writeFileSync(join(root, 'package-lock.json'), JSON.stringify({ packages }));

  it('are found, links to our own packages are not', () => {
    lock({
      'node_modules/@iron-clasp/core': { resolved: 'core', link: true },
      'node_modules/a': { version: '1.0.0' },
    });
    expect(registryAddresses(root)).toEqual({ ok: true, words: '' });
    lock({ 'node_modules/a': { resolved: `${'https'}://packages.example/a.tgz` } });
    expect(registryAddresses(root)).toEqual({ ok: false, words: expect.stringContaining('node_modules/a') });
  });
});
