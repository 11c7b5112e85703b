import { randomUUID } from 'node:crypto';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { freePort } from '../lib/machine.mjs';
import { soak } from '../lib/soak.mjs';

const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));

it('sessions played over killed servers lose nothing and double nothing: the short form of `npm run soak`', async () => {
  const admin = process.env['IRON_CLASP_E2E_DATABASE'];
  if (!admin) throw new Error('IRON_CLASP_E2E_DATABASE is not set: these tests run through `npm test`.');
  const name = `soak_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  const databaseUrl = admin.replace(/\/[^/]*$/, `/${name}`);
  const found = await soak(ROOT, { databaseUrl, port: await freePort(), rounds: 2, seed: 7 });
  expect(found).toMatchObject({ kills: 2, lost: 0, doubled: 0 });
  expect(found.acknowledged).toBe(16);
}, 180_000);
