import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { freePort } from './machine.mjs';
import { manyLifters } from './many-lifters.mjs';
import { say } from './say.mjs';
import { startServer } from './server.mjs';
import { spread } from './spread.mjs';
import { demoCoach } from './stack.mjs';

/** Sizes of the club that are measured: lifters, and years of logs each. */
const SIZES = [
  { lifters: 500, years: 3 },
  { lifters: 5_000, years: 1 },
];
/** Coaches at work at once, and how long each measure lasts, ms. */
const [COACHES, LASTS] = [16, 10_000];
/** Pages of which the time is told. */
const PAGES = {
  'the rack': () => '/lifters',
  'a sheet': (id) => `/lifters/${id}/sheet`,
  'a log': (id) => `/lifters/${id}/log`,
  'a curve': (id) => `/lifters/${id}/curve`,
  holds: (id) => `/lifters/${id}/holds`,
};
const ROUNDS = 20;

/** What one machine carries, with one and with two processes of the server: the figures of docs/scaling.md. */
export async function measureScale(stack, root) {
  let made = 0;
  for (const { lifters, years } of SIZES) {
    say(`\nMaking the club ${lifters} lifters large, ${years} years each …`);
    const begun = Date.now();
    const sets = await manyLifters(stack.databaseUrl, {
      lifters: lifters - made,
      years,
      like: 'Odalys Brandt',
    });
    made = lifters;
    const size = await databaseSize(stack.databaseUrl);
    say(`${sets.toLocaleString('en')} sets, database ${size} (${Math.round((Date.now() - begun) / 1000)} s)`);
    await pages(stack.url);
    say(`  ${await perSecond(stack.url, stack.databaseUrl)} with one process`);
    const port = await freePort();
    // By the same clock: what one takes as now, the other must not take as to come.
    const second = await startServer(root, { databaseUrl: stack.databaseUrl, port, env: stack.env });
    const proxy = await spread([Number(new URL(stack.url).port), port], 0);
    say(`  ${await perSecond(proxy.url, stack.databaseUrl)} with two`);
    await proxy.close();
    await second.stop();
    await exported(stack.url);
  }
}

async function databaseSize(url) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query('SELECT pg_size_pretty(pg_database_size(current_database())) AS size');
  await client.end();
  return rows[0].size;
}

async function pages(url) {
  const coach = await demoCoach(url);
  const { lifters } = await coach.get('/lifters?find=guest');
  for (const [name, path] of Object.entries(PAGES)) {
    const times = [];
    for (let i = 0; i < ROUNDS + 4; i++) {
      const start = performance.now();
      await coach.get(path(lifters[i % lifters.length].id));
      if (i >= 4) times.push(performance.now() - start);
    }
    times.sort((a, b) => a - b);
    say(
      `  ${name.padEnd(12)} median ${times[ROUNDS / 2].toFixed(0)} ms, slowest ${times.at(-1).toFixed(0)} ms`,
    );
  }
}

/** Calls read and sets logged in a second, by coaches who do nothing else. */
async function perSecond(url, databaseUrl) {
  const coach = await demoCoach(url);
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows: planned } = await client.query(
    `SELECT p.id, p.session_id, p.load, p.reps FROM planned_set p JOIN training_session t ON t.id = p.session_id
      WHERE NOT t.finished AND NOT EXISTS (SELECT 1 FROM logged_set s WHERE s.planned_set_id = p.id)`,
  );
  await client.end();
  const during = async (most, work) => {
    const begun = Date.now();
    let next = 0;
    const one = async () => {
      while (Date.now() < begun + LASTS && next < most) await work(next++);
    };
    await Promise.all(Array.from({ length: COACHES }, one));
    return Math.round(next / ((Date.now() - begun) / 1000));
  };
  const reads = await during(Infinity, (i) =>
    coach.get(`/sessions/${planned[i % planned.length].session_id}/calls`),
  );
  const writes = await during(planned.length, (i) => {
    const set = planned[i % planned.length];
    const entry = randomUUID();
    const body = {
      ...{
        plannedSetId: set.id,
        load: set.load,
        reps: set.reps,
        grip: 'hook',
        strapped: false,
        chalk: 'block',
      },
      doneAt: coach.now(),
    };
    return coach.send('PUT', `/sessions/${set.session_id}/sets/${entry}`, body);
  });
  return `${reads} sessions called and ${writes} sets logged a second by ${COACHES} at once`;
}

async function exported(url) {
  const coach = await demoCoach(url);
  const begun = Date.now();
  const answer = await fetch(`${url}/api/club/export`, { headers: { cookie: coach.cookie } });
  let bytes = 0;
  for await (const piece of answer.body) bytes += piece.length;
  if (!answer.ok) throw new Error(`The export answered ${answer.status}`);
  say(`  the club exported: ${Math.round(bytes / 1e6)} MB in ${Math.round((Date.now() - begun) / 1000)} s`);
}
