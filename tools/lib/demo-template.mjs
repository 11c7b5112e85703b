import { demoDay } from './demo-day.mjs';
import { freePort } from './machine.mjs';
import { startServer } from './server.mjs';
import { demoCoach } from './stack.mjs';

const TEMPLATE = 'demo';

/**
 * Makes a database that is migrated and holds the demo. Every file of browser tests serves a copy of it, so that none sees
 * what another wrote, and they run in any order and side by side.
 * @returns what those tests have to know in their environment.
 */
export async function makeDemoTemplate(root, databaseUrl) {
  // The test command reads this file before it has installed anything.
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query(`CREATE DATABASE ${TEMPLATE}`);
  await client.end();
  const server = await startServer(root, {
    databaseUrl: databaseUrl.replace(/\/[^/]*$/, `/${TEMPLATE}`),
    port: await freePort(),
    env: { IRON_CLASP_LOG: 'silent', ...demoDay() },
  });
  // Every curve is fitted and kept once, not by the first page of every copy: Today looks at all of them.
  const coach = await demoCoach(server.url);
  await coach.get('/today');
  await coach.leave();
  await server.stop();
  return { IRON_CLASP_E2E_DATABASE: databaseUrl, IRON_CLASP_E2E_TEMPLATE: TEMPLATE, ...demoDay() };
}
