import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { mustBeside } from './machine.mjs';
import { say } from './say.mjs';

/** Installs npm packages where they are missing or the lock file has changed since. */
export async function ensurePackages(root) {
  const stamp = join(root, 'node_modules', '.iron-clasp-lock');
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  // A service sets NODE_ENV to production: without what builds the product there would be nothing to serve.
  const whole = `${lock} with what builds it`;
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === whole) return;
  say('Installing npm packages (once, about a minute) …');
  // Not `npm ci`: it refuses a lock file in which optional builds for other platforms are missing. See docs/decisions.
  const options = ['--include=dev', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'];
  await mustBeside('npm', ['install', ...options], {
    what: 'Installing the packages (is the registry within reach?)',
    cwd: root,
  });
  writeFileSync(stamp, whole);
}

/** What a package is built of beside its own folder: the application carries the guide. */
const ALSO = { web: ['docs/guide.md'] };
const PACKAGES = ['core', 'contract', 'device', 'server', 'web'];

/** Builds every package whose sources changed since the last build. */
export async function ensureBuilt(root) {
  let changed = false;
  for (const name of PACKAGES) {
    const stamp = join(root, name, 'dist', '.built-from');
    const from = fingerprint(root, name);
    // What stands above a changed package is built again too: its types may have moved under it.
    changed ||= !existsSync(stamp) || readFileSync(stamp, 'utf8') !== from;
    if (!changed) continue;
    say(`Building ${name} …`);
    await mustBeside('npm', ['run', 'build', '-w', `@iron-clasp/${name}`, '--loglevel=error'], {
      what: `Building ${name}`,
      cwd: root,
      // A shell or a test runner may say otherwise: React would then be built in as for developers, twice as slow.
      env: { ...process.env, NODE_ENV: 'production' },
    });
    writeFileSync(stamp, from);
  }
}

export function fingerprint(root, name) {
  const hash = createHash('sha256');
  const shared = ['package-lock.json', 'tsconfig.base.json', ...(ALSO[name] ?? [])];
  for (const file of [...shared, ...filesUnder(root, name)]) {
    hash.update(file).update(readFileSync(join(root, file)));
  }
  return hash.digest('hex');
}

function filesUnder(root, dir) {
  return readdirSync(join(root, dir), { withFileTypes: true })
    .filter(
      (entry) => entry.name !== 'dist' && entry.name !== 'node_modules' && !entry.name.includes('.test.'),
    )
    .flatMap((entry) =>
      entry.isDirectory() ? filesUnder(root, join(dir, entry.name)) : [join(dir, entry.name)],
    )
    .sort();
}
