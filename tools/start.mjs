import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt, ensurePackages } from './lib/build.mjs';
import { DEVICE_PORT, startDevice } from './lib/device.mjs';
import { alive, checkDisk, checkNode, makeFolder, portIsFree } from './lib/machine.mjs';
import { keepRunning, needPostgres, startPostgres } from './lib/postgres.mjs';
import { run, say, Trouble } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const DEFAULT_PORT = 4810;
/** How often it is looked whether npm is still there, ms. */
const LOOK = 500;

run(async () => {
  checkNode();
  const port = wantedPort(process.env.IRON_CLASP_PORT);
  const dataDir = resolve(process.env.IRON_CLASP_DATA || join(ROOT, '.data'));
  checkDisk(dataDir);
  makeFolder(dataDir);
  const release = takeLock(join(dataDir, 'running.json'), port);

  const toStop = [release];
  let stopping;
  const stopAll = () =>
    (stopping ??= (async () => {
      for (const stop of toStop.reverse()) await stop();
    })());
  const asked = new Promise((settle) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => settle(signal));
    if (process.env.npm_lifecycle_event === 'start') whenLeft(settle);
  });
  const interrupted = asked.then(() => 'asked');

  try {
    if (!(await portIsFree(port))) {
      throw new Trouble(
        `Port ${port} is in use. Stop what uses it, or choose another: IRON_CLASP_PORT=${port + 1} npm start`,
      );
    }
    await Promise.all([ensurePackages(ROOT), process.env.DATABASE_URL ? undefined : needPostgres()]);
    await ensureBuilt(ROOT);
    const databaseUrl = process.env.DATABASE_URL || (await ownDatabase(dataDir, toStop));
    say('Starting the server …');
    const server = await Promise.race([
      startServer(ROOT, {
        databaseUrl,
        port,
        env: {
          IRON_CLASP_TLS_FOLDER: process.env.IRON_CLASP_TLS_FOLDER || join(dataDir, 'tls'),
          IRON_CLASP_BACKUPS: process.env.IRON_CLASP_BACKUPS || join(dataDir, 'backups'),
        },
        onOutput: (text) => quietly(heard(text)),
      }),
      interrupted,
    ]);
    if (server === 'asked') return;
    toStop.push(async () => void (await server.stop()));
    const hello = await welcome(server.url);
    const device = hello.demo ? await ownDevice(toStop) : undefined;
    announce(hello, server.url, device, hello.setUp ? code : undefined);
    const why = await Promise.race([interrupted, server.ended]);
    if (why !== 'asked')
      throw new Trouble(
        `The server ended by itself (${why.signal ?? `code ${why.code}`}). Start again with: npm start`,
      );
    say('\nStopping …');
  } finally {
    await stopAll();
  }
  say('Stopped. Data are kept; start again with: npm start');
}).then(() => process.exit());

/** Calls once npm has ended: told to end it does so alone, and would leave server and database behind. */
function whenLeft(call) {
  const parent = process.ppid;
  const timer = setInterval(() => {
    if (process.ppid === parent) return;
    clearInterval(timer);
    call('left');
  }, LOOK);
  timer.unref();
}

function wantedPort(given) {
  const port = given === undefined || given === '' ? DEFAULT_PORT : Number(given);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Trouble(`IRON_CLASP_PORT must be a port from 1 to 65535; it is "${given}".`);
  return port;
}

/** One start a data folder. The lock of a dead process is taken over. */
function takeLock(file, port) {
  const held = existsSync(file) ? readLock(file) : undefined;
  if (held && held.pid !== process.pid && alive(held.pid)) {
    throw new Trouble(
      `Iron Clasp already runs with these data at http://127.0.0.1:${held.port} (process ${held.pid}). Stop it first, or name another folder with IRON_CLASP_DATA.`,
    );
  }
  writeFileSync(file, JSON.stringify({ pid: process.pid, port }));
  return async () => rmSync(file, { force: true });
}

function readLock(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined; // Half-written by a crash: nobody holds it.
  }
}

async function ownDatabase(dataDir, toStop) {
  say('Starting PostgreSQL …');
  const dir = join(dataDir, 'postgres');
  const postgres = await startPostgres(dir);
  toStop.push(async () => postgres.stop());
  const letGo = keepRunning(dir, postgres, say);
  toStop.push(async () => letGo());
  return postgres.url;
}

/** What the server tells while it starts and is shown at the end, where it is looked for: the code that starts a club, and its addresses. */
let code;
const secure = [];
function heard(text) {
  return text
    .replace(/^Code to start a club of your own: (\S+)\n/m, (_, shown) => {
      code = shown;
      return '';
    })
    .replaceAll(/^Reached by https: (\S+)\n/gm, (_, address) => {
      secure.push(address);
      return '';
    });
}

/** The request log goes to its file-like place, standard output, only when asked for. */
function quietly(text) {
  const wanted = process.env.IRON_CLASP_LOG === 'info' || process.env.IRON_CLASP_LOG === 'debug';
  for (const line of text.split('\n').filter(Boolean)) {
    const routine = line.startsWith('{') && !/"level":[56]0/.test(line);
    if (!routine || wanted) say(line);
  }
}

/** The stand-in for a dynamometer ships with the demo; without its port the rest runs all the same. */
async function ownDevice(toStop) {
  const device = await startDevice(ROOT, { port: wantedDevicePort(process.env.IRON_CLASP_DEVICE_PORT) });
  toStop.push(device.stop);
  return device;
}

function wantedDevicePort(given) {
  const port = given === undefined || given === '' ? DEVICE_PORT : Number(given);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Trouble(`IRON_CLASP_DEVICE_PORT must be a port from 0 to 65535; it is "${given}".`);
  return port;
}

async function welcome(url) {
  const answer = await fetch(`${url}/api/welcome`);
  return answer.json();
}

function announce({ demo }, url, device, code) {
  say(`\nIron Clasp is ready:  ${url}`);
  if (demo) say(`Sign in to ${demo.club} with  ${demo.email}  /  ${demo.password}`);
  if (secure.length > 0) {
    const [first] = secure;
    const plain = new URL(first);
    say(`On other devices of this network:  ${secure.join('  ')}`);
    say(`A device that is new here opens  http://${plain.hostname}:${new URL(url).port}/trust  first.`);
  }
  if (code) say(`Start a club of your own at  ${url}/set-up  with the code  ${code}`);
  if (device)
    say(
      device.port === undefined
        ? `The simulated dynamometer is not there (${device.why}); name another port with IRON_CLASP_DEVICE_PORT.`
        : `A simulated dynamometer listens on port ${device.port} of this machine.`,
    );
  say('Stop with Ctrl-C.');
}
