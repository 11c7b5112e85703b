import { createServer } from 'node:http';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { By, until } from 'selenium-webdriver';
import { openBrowser } from './lib/browser.mjs';
import { manyLifters } from './lib/many-lifters.mjs';
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
    await benchFloor(stack);
    await benchManyLifters(stack);
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
    'GET /today (calls of all who train, decisions)': () => '/today',
    'GET /lifters (the rack)': () => '/lifters',
    'GET /lifters/:id/sheet': (i) => `/lifters/${lifter(i).id}/sheet`,
    'GET /sessions/:id/calls (calls, hold)': (i) => `/sessions/${lifter(i).nextSession.id}/calls`,
    'GET /lifters/:id/curve (calls)': (i) => `/lifters/${lifter(i).id}/curve`,
    'GET /lifters/:id/curve/months': (i) => `/lifters/${lifter(i).id}/curve/months`,
    'GET /lifters/:id/holds (holds, week)': (i) => `/lifters/${lifter(i).id}/holds`,
    'GET /lifters/:id/squeeze': (i) => `/lifters/${lifter(i).id}/squeeze`,
    'GET /lifters/:id/grippers (5 fits)': (i) => `/lifters/${lifter(i).id}/grippers`,
    'GET /lifters/:id/compare': (i) => `/lifters/${lifter(i).id}/compare`,
    'GET /club/attention (every lifter)': () => '/club/attention',
  };
  for (const path of Object.values(routes)) await ask(path);
  const yardstick = await bare();
  say('\nAPI at the seeded size, against the bare SQL that reads one lifter’s log');
  line('bare SQL: one lifter’s sets', yardstick, yardstick, 'itself');
  for (const [name, path] of Object.entries(routes)) line(name, await ask(path), yardstick, 'bare SQL');
  await client.end();
}

/** Throttling of the floor's bench, times slower: a phone of some years. */
const SLOWER = 4;
const TAPS = 30;
/** Length of a hold that the clock is checked over, s. */
const LONG_HOLD = 120;

/** Six lanes on a slowed device: from a tap to the painted answer; and a hold clock in a hidden tab against its true length. */
async function benchFloor({ url }) {
  const coach = await demoCoach(url);
  const { lifters } = await coach.get('/lifters');
  const lanes = lifters.filter((each) => each.nextSession).slice(0, 6);
  const address = `${url}/floor/${lanes.map((each) => each.nextSession.id).join(',')}`;
  const { driver, close } = await openBrowser();
  try {
    await driver.get(`${url}/sign-in`);
    await (
      await driver.wait(until.elementLocated(By.xpath('//button[contains(., "demo coach")]')), 20_000)
    ).click();
    await driver.wait(until.elementLocated(By.css('nav[aria-label="The rack"] li')), 20_000);
    await driver.get(address);
    await driver.wait(until.elementLocated(By.css('section[aria-label="The set"]')), 20_000);
    await driver.sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    const tap = () =>
      driver.executeAsyncScript(`
        const done = arguments[0];
        const status = document.querySelector('header [role=status]');
        const button = [...document.querySelectorAll('button')].find((each) => each.textContent === 'Done as called');
        if (!button) return done(null);
        const start = performance.now();
        new MutationObserver((_, watch) => {
          watch.disconnect();
          requestAnimationFrame(() => { const { port1, port2 } = new MessageChannel(); port1.onmessage = () => done(performance.now() - start); port2.postMessage(0); });
        }).observe(status, { subtree: true, characterData: true, childList: true });
        button.click();`);
    const times = [];
    for (let lane = 1; lane <= lanes.length && times.length < TAPS; lane++) {
      await driver.actions().sendKeys(String(lane)).perform();
      for (let i = 0; i < 8; i++) {
        const time = await tap();
        if (time === null) break;
        times.push(time);
        await driver.wait(
          // The page may redraw between finding and reading: that is "not yet".
          () =>
            driver
              .findElement(By.css('header [role=status]'))
              .then((at) => at.getText())
              .then((text) => !/waiting/.test(text))
              .catch(() => false),
          20_000,
        );
      }
    }
    const empty = await driver.executeAsyncScript(`
      const done = arguments[0]; const times = [];
      const step = () => { const start = performance.now(); requestAnimationFrame(() => { times.push(performance.now() - start); times.length < 30 ? step() : done(times); }); };
      step();`);
    say(`\nThe floor, ${lanes.length} lanes, CPU slowed ${SLOWER} times (reach: 50 ms)`);
    const yardstick = summary(empty);
    line('a frame with nothing to do', yardstick, yardstick, 'itself');
    line(`tap to painted, ${times.length} taps`, summary(times), yardstick, 'a frame');
    await driver.sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate: 1 });

    await (await driver.findElement(By.xpath('//button[contains(., "To the hold")]'))).click();
    const start = await driver.wait(until.elementLocated(By.xpath('//button[.="Start"]')), 20_000);
    // Read in the page as it is pressed: the way from here to there is no part of the clock.
    const begun = await driver.executeScript(
      'const at = performance.now(); arguments[0].click(); return at;',
      start,
    );
    const floor = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    await new Promise((resolve) => setTimeout(resolve, (LONG_HOLD + 3) * 1000));
    await driver.switchTo().window(floor);
    const [shown, true_] = await driver.executeAsyncScript(
      `const [begun, done] = arguments;
       requestAnimationFrame(() => requestAnimationFrame(() => done([Number(document.querySelector('section [role=timer]').textContent), (performance.now() - begun) / 1000 - 3])));`,
      begun,
    );
    say(
      `hold clock after ${LONG_HOLD} s in a hidden tab: shows ${shown.toFixed(1)} s, true ${true_.toFixed(2)} s (shown to the tenth)`,
    );
  } finally {
    await close();
  }
}

/** The same routes once the club has five hundred lifters with three years of logs. */
async function benchManyLifters({ url, databaseUrl }) {
  say('\nMaking the club large …');
  const sets = await manyLifters(databaseUrl, { lifters: 500, years: 3, like: 'Odalys Brandt' });
  const coach = await demoCoach(url);
  const first = await coach.get('/lifters');
  const guest = (i) => guests[i % guests.length].id;
  const guests = (await coach.get('/lifters?find=guest')).lifters;
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const yardstick = await timed(ROUNDS, (i) =>
    client.query('SELECT * FROM logged_set WHERE lifter_id = $1 AND NOT strapped', [guest(i)]),
  );
  await client.end();
  const routes = {
    'GET /today': () => '/today',
    'GET /lifters (first page of the rack)': () => '/lifters',
    'GET /lifters?after= (next page)': () => `/lifters?after=${first.next}`,
    'GET /lifters?find= (by name)': (i) => `/lifters?find=${String(i % 500).padStart(4, '0')}`,
    'GET /lifters/:id/sheet': (i) => `/lifters/${guest(i)}/sheet`,
    'GET /lifters/:id/curve': (i) => `/lifters/${guest(i)}/curve`,
    'GET /lifters/:id/holds': (i) => `/lifters/${guest(i)}/holds`,
    'GET /lifters/:id/compare': (i) => `/lifters/${guest(i)}/compare`,
    'GET /lifters/:id/profile': (i) => `/lifters/${guest(i)}/profile`,
    'GET /lifters/today': () => '/lifters/today',
    'GET /kit': () => '/kit',
    'GET /schools/evidence': () => '/schools/evidence',
  };
  say(`\nAPI with ${first.total} lifters and ${sets} logged sets`);
  line('bare SQL: one lifter’s sets of three years', yardstick, yardstick, 'itself');
  for (const [name, path] of Object.entries(routes)) {
    const rounds = name.includes('evidence') ? 5 : ROUNDS;
    const times = await timed(rounds, async (i) =>
      (await fetch(url + '/api' + path(i), { headers: { cookie: coach.cookie } })).arrayBuffer(),
    );
    line(name, times, yardstick, 'bare SQL');
  }
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
