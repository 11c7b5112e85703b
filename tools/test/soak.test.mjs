import { randomUUID } from 'node:crypto';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { soak } from '../lib/soak.mjs';

const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));

/** The short form of `npm run soak`. */
async function played(more) {
  const admin = process.env['IRON_CLASP_E2E_DATABASE'];
  if (!admin) throw new Error('IRON_CLASP_E2E_DATABASE is not set: these tests run through `npm test`.');
  const name = `soak_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  const databaseUrl = admin.replace(/\/[^/]*$/, `/${name}`);
  return soak(ROOT, { databaseUrl, rounds: 2, seed: 7, ...more });
}

it.each([
  ['a server that is killed', 1],
  ['two processes, one killed after the other', 2],
])(
  'sessions played over %s lose nothing and double nothing',
  async (_, processes) => {
    const found = await played({ processes });
    expect(found).toMatchObject({ kills: 2, lost: 0, doubled: 0 });
    expect(found.acknowledged).toBe(16);
  },
  180_000,
);
