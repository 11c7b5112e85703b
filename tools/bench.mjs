import { createServer } from 'node:http';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { By, until } from 'selenium-webdriver';
import { openBrowser } from './lib/browser.mjs';
import { run, say } from './lib/say.mjs';
import { demoCoach, startStack } from './lib/stack.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const ROUNDS = 90;
const PAGE_ROUNDS = 5;

/** Timings of the running product as ratios against the machine's own yardsticks: bare SQL and a bare page. */
run(async () => {
  const stack = await startStack(ROOT);
  try {
    await benchApi(stack);
    await benchPages(stack);
  } finally {
    await stack.stop();
  }
});

function summary(times) {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: sorted[Math.floor(sorted.length / 2)], p95: sorted[Math.floor(sorted.length * 0.95)] };
}

async function timed(rounds, work) {
  const times = [];
  for (let i = 0; i < rounds; i++) {
    const start = performance.now();
    await work(i);
    times.push(performance.now() - start);
  }
  return summary(times);
}

function line(name, { median, p95 }, yardstick, of) {
  say(
    `${name.padEnd(44)} median ${median.toFixed(1).padStart(7)} ms   p95 ${p95.toFixed(1).padStart(7)} ms   ${(median / yardstick.median).toFixed(1).padStart(6)} × ${of}`,
  );
}

async function benchApi({ url, databaseUrl }) {
  const coach = await demoCoach(url);
  const { lifters } = await coach.get('/lifters');
  const lifter = (i) => lifters[i % lifters.length];
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const log = 'SELECT * FROM logged_set WHERE lifter_id = $1 AND NOT strapped';
  const bare = () => timed(ROUNDS, (i) => client.query(log, [lifter(i).id]));
  const ask = (path) =>
    timed(ROUNDS, async (i) =>
      (await fetch(url + '/api' + path(i), { headers: { cookie: coach.cookie } })).arrayBuffer(),
    );
  const routes = {
    'GET /lifters (the rack)': () => '/lifters',
    'GET /lifters/:id/sheet': (i) => `/lifters/${lifter(i).id}/sheet`,
    'GET /sessions/:id/calls (fit, calls, hold)': (i) => `/sessions/${lifter(i).nextSession.id}/calls`,
    'GET /lifters/:id/curve (fit, calls)': (i) => `/lifters/${lifter(i).id}/curve`,
  };
  for (const path of Object.values(routes)) await ask(path);
  const yardstick = await bare();
  say('\nAPI at the seeded size, against the bare SQL that reads one lifter’s log');
  line('bare SQL: one lifter’s sets', yardstick, yardstick, 'itself');
  for (const [name, path] of Object.entries(routes)) line(name, await ask(path), yardstick, 'bare SQL');
  await client.end();
}

async function benchPages({ url }) {
  const bare = createServer((_request, response) =>
    response
      .setHeader('content-type', 'text/html')
      .end('<!doctype html><title>Bare</title><button>Here</button>'),
  );
  await new Promise((resolve) => bare.listen(0, '127.0.0.1', resolve));
  const usable = async (address, selector) => {
    const { driver, close } = await openBrowser();
    try {
      await driver.get('about:blank');
      const start = performance.now();
      await driver.get(address);
      await driver.wait(
        until.elementIsVisible(await driver.wait(until.elementLocated(By.css(selector)), 20_000)),
        20_000,
      );
      const time = performance.now() - start;
      const bytes = await driver.executeScript(
        `return performance.getEntriesByType('resource').filter((each) => each.name.endsWith('.js')).reduce((sum, each) => sum + each.encodedBodySize, 0)`,
      );
      return { time, bytes };
    } finally {
      await close();
    }
  };
  const times = async (address, selector) => {
    const results = [];
    for (let i = 0; i < PAGE_ROUNDS; i++) results.push(await usable(address, selector));
    return { ...summary(results.map((each) => each.time)), bytes: results[0].bytes };
  };
  const yardstick = await times(`http://127.0.0.1:${bare.address().port}/`, 'button');
  const first = await times(`${url}/sign-in`, 'form button');
  say('\nFirst page with a cold cache, against a bare page in the same browser');
  line('bare page', yardstick, yardstick, 'itself');
  line('sign-in, usable', first, yardstick, 'bare page');
  say(`JavaScript of the first route, compressed: ${(first.bytes / 1000).toFixed(0)} kB (limit 200)`);
  bare.close();
}
