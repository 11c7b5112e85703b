import { spawn } from 'node:child_process';
import { join } from 'node:path';

/** Where the simulated dynamometer listens unless told otherwise; the page proposes the same. */
export const DEVICE_PORT = 4817;

/**
 * Runs the built simulated dynamometer on loopback; it ends with whoever started it.
 * @returns its port and how to stop it, or undefined with the reason told where it cannot listen.
 */
export async function startDevice(root, { port = DEVICE_PORT, args = [] } = {}) {
  const child = spawn(
    process.execPath,
    [join(root, 'device', 'dist', 'main.js'), '--port', String(port), ...args],
    {
      cwd: root,
      detached: true,
      stdio: ['pipe', 'pipe', 'pipe'],
      env: { ...process.env, IRON_CLASP_FOLLOW: 'stdin' },
    },
  );
  const ended = new Promise((resolve) => child.once('exit', resolve));
  let words = '';
  child.stderr.setEncoding('utf8').on('data', (text) => (words += text));
  const listening = new Promise((resolve) => {
    let said = '';
    child.stdout.setEncoding('utf8').on('data', (text) => {
      said += text;
      const found = /ws:\/\/127\.0\.0\.1:(\d+)/.exec(said);
      if (found) resolve(Number(found[1]));
    });
  });
  const at = await Promise.race([listening, ended.then(() => undefined)]);
  const stop = async () => {
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
    await ended;
  };
  return at === undefined ? { port: undefined, why: words.trim(), stop } : { port: at, stop };
}
