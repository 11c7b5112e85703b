import { execFile, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, statfsSync } from 'node:fs';
import { randomInt } from 'node:crypto';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { say, Trouble } from './say.mjs';

const NODE_AT_LEAST = [20, 19];
const FREE_BYTES_AT_LEAST = 1_000_000_000;

export const isRoot = () => process.getuid?.() === 0;

/** Stops with a clear message where this Node is too old for the product. */
export function checkNode(version = process.versions.node) {
  const [major, minor] = version.split('.').map(Number);
  if (major > NODE_AT_LEAST[0] || (major === NODE_AT_LEAST[0] && minor >= NODE_AT_LEAST[1])) return;
  throw new Trouble(
    `Iron Clasp needs Node ${NODE_AT_LEAST.join('.')} or newer; this is ${version}. Install a newer Node and try again.`,
  );
}

/** Stops with a clear message where the disk under `dir` is as good as full or cannot be written. */
export function checkDisk(dir, stat = statfsSync) {
  let probe = dir;
  while (!existsSync(probe)) probe = dirname(probe);
  const { bavail, bsize } = stat(probe);
  if (bavail * bsize < FREE_BYTES_AT_LEAST) {
    throw new Trouble(
      `Only ${Math.round((bavail * bsize) / 1e6)} MB are free under ${probe}; Iron Clasp needs about 1 GB. Free some space and try again.`,
    );
  }
}

/** Makes a folder, or says plainly why it cannot. */
export function makeFolder(dir, options = {}) {
  try {
    mkdirSync(dir, { recursive: true, ...options });
  } catch (error) {
    throw new Trouble(
      `The folder ${dir} cannot be made (${error.code}). Choose another with IRON_CLASP_DATA.`,
    );
  }
}

/** A fresh folder for one run; as root PostgreSQL runs as its own user, who must be able to come there. */
export function temporaryFolder(prefix) {
  const folder = mkdtempSync(join(tmpdir(), prefix));
  chmodSync(folder, 0o755);
  return folder;
}

/** Runs a command to its end; throws {@link Trouble} with its last words where it fails. */
export function must(command, args, { what, ...options } = {}) {
  const done = spawnSync(command, args, {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
    maxBuffer: 1 << 28,
    ...options,
  });
  if (done.error) throw new Trouble(`${what ?? command} could not be run: ${done.error.message}`);
  if (done.status !== 0) throw failed(what ?? `${command} ${args.join(' ')}`, done);
  return done.stdout ?? '';
}

const failed = (what, { stdout, stderr }) =>
  new Trouble(
    `${what} failed:\n${`${stdout ?? ''}${stderr ?? ''}`.trim().split('\n').slice(-25).join('\n')}`,
  );

/** The same beside what else goes on: it waits for nothing, and is waited for. */
export function mustBeside(command, args, { what = `${command} ${args.join(' ')}`, ...options } = {}) {
  return new Promise((resolve, reject) => {
    execFile(command, args, { maxBuffer: 1 << 28, ...options }, (error, stdout, stderr) => {
      if (!error) resolve(stdout);
      else if (typeof error.code === 'string')
        reject(new Trouble(`${what} could not be run: ${error.message}`));
      else reject(failed(what, { stdout, stderr }));
    }).stdin.end();
  });
}

/** Installs Debian packages as root; otherwise stops with the one command to run. */
export async function installDebian(packages, why, root = isRoot()) {
  const command = `apt-get install -y ${packages.join(' ')}`;
  if (!root) throw new Trouble(`${why} Run this once, then try again:\n\n    sudo ${command}\n`);
  if (spawnSync('apt-get', ['--version']).error) {
    throw new Trouble(
      `${why} This machine has no apt-get: install ${packages.join(', ')} with its own package manager, then try again.`,
    );
  }
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  say(`Installing ${packages.join(', ')} (once, a minute or two) …`);
  await mustBeside('apt-get', ['update'], { what: 'Reading the package lists', env });
  await mustBeside('apt-get', ['install', '-y', '--no-install-recommends', ...packages], {
    what: `Installing ${packages.join(', ')}`,
    env,
  });
}

/** A port of the loopback that nobody uses now. */
export async function freePort() {
  for (;;) {
    const port = randomInt(...OWN_PORTS);
    if (await portIsFree(port)) return port;
  }
}

/**
 * Below the ports that the system hands out to whoever asks for any: one of those can be given away between here and the moment
 * it is listened on, and the server of another test then answers in the place of one's own.
 */
const OWN_PORTS = [12_000, 32_000];

/** True where the loopback port can be listened on. */
export function portIsFree(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });
}

/** True where a process with this id lives. */
export function alive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}
