import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { get } from 'node:https';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  alive,
  checkDisk,
  checkNode,
  freePort,
  installDebian,
  portIsFree,
  temporaryFolder,
} from '../lib/machine.mjs';

const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const PATIENCE = 120_000;

const ITSELF = [process.execPath, join(ROOT, 'tools', 'start.mjs')];
const BY_NPM = ['npm', 'start', '--loglevel=error'];

/** What `npm start` runs, or that itself, with data and port of its own. */
function start({ data, port, env = {}, by: [command, ...args] = ITSELF }) {
  const child = spawn(command, args, {
    cwd: ROOT,
    env: { ...process.env, DATABASE_URL: '', IRON_CLASP_DATA: data, IRON_CLASP_PORT: String(port), ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let words = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (words += text));
  const ended = new Promise((resolve) => child.once('exit', (code) => resolve(code)));
  const says = (pattern) =>
    new Promise((resolve, reject) => {
      const look = () => pattern.test(words) && resolve(words);
      child.stdout.on('data', look);
      child.stderr.on('data', look);
      void ended.then(() =>
        pattern.test(words) ? resolve(words) : reject(new Error(`It never said ${pattern}:\n${words}`)),
      );
      look();
    });
  const run = { child, ended, says, words: () => words };
  started.push(run);
  return run;
}

const healthy = async (port) =>
  (await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => undefined))?.status;

/** Status of what is served by https under another name than this machine's, to a client that trusts the authority. */
function served(port, authority) {
  const options = {
    host: '127.0.0.1',
    port,
    path: '/api/health',
    servername: 'gym.example',
    ca: readFileSync(authority),
  };
  return new Promise((resolve, reject) => {
    get({ ...options, headers: { host: 'gym.example' } }, (answer) => resolve(answer.resume().statusCode)).on(
      'error',
      reject,
    );
  });
}

/** Process ids of everything that works in the data folder. */
function postmaster(data) {
  const file = join(data, 'postgres', 'postmaster.pid');
  return existsSync(file) ? Number(readFileSync(file, 'utf8').split('\n')[0]) : undefined;
}

/** Waits until no such process is left: PostgreSQL lets go of its files a moment before it ends. */
async function gone(pid) {
  while (alive(pid)) await new Promise((resolve) => setTimeout(resolve, 20));
}

let data;
let port;
const started = [];
beforeEach(async () => {
  data = join(temporaryFolder('iron-clasp-start-'), 'data');
  port = await freePort();
});
afterEach(async () => {
  // A test that failed half-way leaves nothing running.
  for (const { child, ended } of started.splice(0)) {
    child.kill('SIGTERM');
    await ended;
  }
  rmSync(dirname(data), { recursive: true, force: true, maxRetries: 5 });
});

it(
  'starts on an empty folder, stops cleanly on SIGTERM, starts again with the same data, and survives being killed',
  async () => {
    // First start: own cluster, demo loaded, address and sign-in printed.
    const first = start({ data, port });
    const words = await first.says(/Stop with Ctrl-C/);
    expect(words).toMatch(/Demo club loaded: \d{5} logged sets/);
    expect(words).toContain(`http://127.0.0.1:${port}`);
    expect(words).toMatch(/maren@tarnquay\.example/);
    expect(await healthy(port)).toBe(200);
    const database = postmaster(data);
    expect(alive(database)).toBe(true);

    // A second one with the same data says so and leaves the first alone.
    const rival = start({ data, port: await freePort() });
    expect(await rival.ended).toBe(1);
    expect(rival.words()).toMatch(/already runs with these data/);
    expect(await healthy(port)).toBe(200);

    first.child.kill('SIGTERM');
    expect(await first.ended).toBe(0);
    expect(first.words()).toMatch(/Stopped\. Data are kept/);
    await gone(database);
    expect(await portIsFree(port)).toBe(true);
    expect(existsSync(join(data, 'running.json'))).toBe(false);

    // Second start: nothing is loaded again. Then the start command is killed outright.
    const second = start({ data, port });
    expect(await second.says(/Stop with Ctrl-C/)).not.toMatch(
      /Demo club loaded|Creating the database|Building/,
    );
    const orphan = postmaster(data);
    second.child.kill('SIGKILL');
    await second.ended;

    // A start after the crash: stale lock, orphaned PostgreSQL. The server has followed its parent by itself.
    // For the other devices of the network it speaks https by a certificate of its own.
    const httpsPort = await freePort();
    const third = start({
      data,
      port,
      env: {
        ...{ IRON_CLASP_HOST: '0.0.0.0', IRON_CLASP_HTTPS_PORT: String(httpsPort), IRON_CLASP_DEMO: 'off' },
        IRON_CLASP_NAMES: 'gym.example',
      },
    });
    const open = await third.says(/Stop with Ctrl-C/);
    expect(open).toContain(`https://gym.example:${httpsPort}`);
    expect(open).toContain(`http://gym.example:${port}/trust`);
    expect(open).toMatch(/\/set-up {2}with the code {2}\w{4}-\w{4}-\w{4}/);
    expect(await (await fetch(`http://127.0.0.1:${port}/trust`)).text()).toContain('iron-clasp.crt');
    expect(await served(httpsPort, join(data, 'tls', 'authority.crt'))).toBe(200);
    expect(postmaster(data)).not.toBe(orphan);
    await gone(orphan);
    expect(await healthy(port)).toBe(200);

    // PostgreSQL dies under it: it is started again, and the server goes on.
    const killed = postmaster(data);
    process.kill(killed, 'SIGKILL');
    await third.says(/PostgreSQL runs again/);
    expect(postmaster(data)).not.toBe(killed);
    while ((await healthy(port)) !== 200) await new Promise((resolve) => setTimeout(resolve, 50));
    third.child.kill('SIGINT');
    expect(await third.ended).toBe(0);
  },
  PATIENCE,
);

it(
  'makes a half-made first start again, and leaves nothing behind where npm alone is told to end',
  async () => {
    mkdirSync(join(data, 'postgres.half'), { recursive: true });
    writeFileSync(join(data, 'postgres.half', 'rubbish'), 'left by a crash');
    mkdirSync(join(data, 'postgres'));
    writeFileSync(join(data, 'running.json'), '{"pid": 99');
    const again = start({ data, port, by: BY_NPM });
    await again.says(/Stop with Ctrl-C/);
    expect(existsSync(join(data, 'postgres.half'))).toBe(false);
    const { pid } = JSON.parse(readFileSync(join(data, 'running.json'), 'utf8'));
    const database = postmaster(data);
    expect([pid, database].map(alive)).toEqual([true, true]);
    again.child.kill('SIGTERM');
    await again.ended;
    await Promise.all([gone(pid), gone(database)]);
    expect(existsSync(join(data, 'running.json'))).toBe(false);
    expect(await healthy(port)).toBeUndefined();
  },
  PATIENCE,
);

describe('says plainly what is in the way', () => {
  it(
    'a port in use',
    async () => {
      const taken = createServer().listen(port, '127.0.0.1');
      await new Promise((resolve) => taken.once('listening', resolve));
      const refused = start({ data, port });
      expect(await refused.ended).toBe(1);
      expect(refused.words()).toMatch(new RegExp(`Port ${port} is in use\\.[^]*IRON_CLASP_PORT=`));
      taken.close();
    },
    PATIENCE,
  );

  it.each(['eighty', '0', '70000'])('a port that is none: %s', async (wrong) => {
    const refused = start({ data, port: wrong });
    expect(await refused.ended).toBe(1);
    expect(refused.words()).toMatch(/IRON_CLASP_PORT must be a port from 1 to 65535/);
  });

  it('a data folder that cannot be made', async () => {
    mkdirSync(dirname(data), { recursive: true });
    writeFileSync(data, 'a file stands here');
    const refused = start({ data: join(data, 'below'), port });
    expect(await refused.ended).toBe(1);
    expect(refused.words()).toMatch(/cannot be made[^]*IRON_CLASP_DATA/);
  });

  it(
    'a database that does not answer',
    async () => {
      const nobody = await freePort();
      const refused = start({
        data,
        port,
        env: { DATABASE_URL: `postgresql://x:y@127.0.0.1:${nobody}/none` },
      });
      expect(await refused.ended).toBe(1);
      expect(refused.words()).toMatch(/database[^]*ECONNREFUSED|ECONNREFUSED/i);
    },
    PATIENCE,
  );

  it('an old Node', () => {
    expect(() => checkNode('18.20.0')).toThrow(/needs Node 20\.19 or newer; this is 18\.20\.0/);
    expect(() => checkNode('20.18.9')).toThrow(/needs Node/);
    expect(() => checkNode('20.19.0')).not.toThrow();
    expect(() => checkNode('22.0.0')).not.toThrow();
  });

  it('no PostgreSQL and not root: the one command to run', async () => {
    const install = installDebian(['postgresql'], 'PostgreSQL is not installed.', false);
    await expect(install).rejects.toThrow(
      /PostgreSQL is not installed\. Run this once[^]*sudo apt-get install -y postgresql/,
    );
  });

  it('a full disk', () => {
    expect(() => checkDisk(tmpdir(), () => ({ bavail: 1000, bsize: 4096 }))).toThrow(/Only 4 MB are free/);
  });
});
