import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { Trouble } from './say.mjs';

const PATIENCE_MS = 60_000;

/**
 * Runs the built server until it answers healthy.
 * @returns its address, the process, and how to stop it; `ended` settles when the process is gone.
 */
export async function startServer(root, { databaseUrl, port, env = {}, onOutput = () => {} }) {
  const child = spawn(process.execPath, [join(root, 'server', 'dist', 'main.js')], {
    cwd: root,
    // A group of its own: Ctrl-C reaches the start command alone, which then stops things in order.
    detached: true,
    stdio: ['pipe', 'pipe', 'pipe'],
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      IRON_CLASP_PORT: String(port),
      IRON_CLASP_WEB: join(root, 'web', 'dist'),
      IRON_CLASP_FOLLOW: 'stdin',
      NODE_ENV: 'production',
      ...env,
    },
  });
  let words = '';
  for (const stream of [child.stdout, child.stderr]) {
    stream.setEncoding('utf8');
    stream.on('data', (text) => {
      words = (words + text).slice(-4000);
      onOutput(text);
    });
  }
  const ended = new Promise((resolve) => child.once('exit', (code, signal) => resolve({ code, signal })));
  const url = `http://${reachedAt(process.env.IRON_CLASP_HOST)}:${port}`;
  const healthy = await Promise.race([untilHealthy(`${url}/api/health`), ended.then(() => false)]);
  if (!healthy) {
    child.kill('SIGKILL');
    throw new Trouble(`The server did not come up. Its last words:\n${words.trim()}`);
  }
  const stop = async () => {
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
    const timer = setTimeout(() => child.kill('SIGKILL'), 10_000);
    const result = await ended;
    clearTimeout(timer);
    return result;
  };
  return { url, child, ended, stop };
}

/** Where a server that listens on `host` is reached from this machine. */
function reachedAt(host) {
  const here =
    !host || host === 'localhost' || host === '0.0.0.0' || host === '::' || host.startsWith('127.');
  return here ? '127.0.0.1' : host.includes(':') ? `[${host}]` : host;
}

async function untilHealthy(address) {
  const deadline = Date.now() + PATIENCE_MS;
  while (Date.now() < deadline) {
    const answer = await fetch(address).catch(() => undefined);
    if (answer?.ok) return true;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return false;
}
