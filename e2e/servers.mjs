import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';

let child;

/** Before the first file of tests: starts what serves the application to them. */
export default async function start() {
  child = spawn(process.execPath, [join(import.meta.dirname, 'serve-many.mjs')], {
    env: { ...process.env, NODE_ENV: 'production' },
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  const [port] = await once(child.stdout, 'data');
  process.env.IRON_CLASP_E2E_SERVERS = `http://127.0.0.1:${String(port).trim()}`;
}

/** After the last one. */
export async function end() {
  child.stdin.end();
  await once(child, 'exit');
}
