import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { demoDay } from './demo-day.mjs';
import { ensureBuilt, ensurePackages } from './build.mjs';
import { freePort, temporaryFolder } from './machine.mjs';
import { startPostgres } from './postgres.mjs';
import { startServer } from './server.mjs';
import { signIn } from './sign-in.mjs';

/** A whole stack of its own with the demo freshly loaded, for measuring and for pictures; `stop` leaves nothing behind. */
export async function startStack(root, more = {}) {
  const work = temporaryFolder('iron-clasp-stack-');
  await ensurePackages(root);
  await ensureBuilt(root);
  const postgres = await startPostgres(join(work, 'postgres'));
  const env = { IRON_CLASP_LOG: 'silent', ...demoDay(), ...more };
  const server = await startServer(root, { databaseUrl: postgres.url, port: await freePort(), env });
  const stop = async () => {
    await server.stop();
    postgres.remove();
    rmSync(work, { recursive: true, force: true, maxRetries: 5 });
  };
  return { url: server.url, databaseUrl: postgres.url, env, stop };
}

/** Signs in to the demo and returns what asks the API as the coach. */
export async function demoCoach(url) {
  const { headers, date } = await signIn(url);
  const { cookie } = headers;
  let told = date;
  const get = async (path) => {
    const got = await fetch(`${url}/api${path}`, { headers: { cookie } });
    told = got.headers.get('date');
    return got.json();
  };
  const leave = () => fetch(`${url}/api/session`, { method: 'DELETE', headers });
  const send = async (method, path, body) => {
    const sent = await fetch(`${url}/api${path}`, { method, headers, body: JSON.stringify(body) });
    if (!sent.ok) throw new Error(`${method} ${path} answered ${sent.status}: ${await sent.text()}`);
    return sent.json();
  };
  return { cookie, get, send, leave, now: () => new Date(told).toISOString() };
}
