import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { By, until } from 'selenium-webdriver';
import { serveBarePage } from './lib/bare-page.mjs';
import { enterDemo, openBrowser } from './lib/browser.mjs';
import { countJobs } from './lib/count-jobs.mjs';
import { temporaryFolder } from './lib/machine.mjs';
import { measureScale } from './lib/measure-scale.mjs';
import { manyLifters } from './lib/many-lifters.mjs';
import { run, say } from './lib/say.mjs';
import { demoCoach, startStack } from './lib/stack.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const ROUNDS = 90;
const PAGE_ROUNDS = 15;

/** What is measured, by its name: `npm run bench` measures all, `npm run bench -- api large` these two. */
const PARTS = {
  ...{
    api: benchApi,
    pages: benchPages,
    // Before the floor, whose taps log whole sessions.
    jobs: countJobs,
    floor: benchFloor,
    log: benchLog,
    large: benchManyLifters,
  },
};
/** What takes long and is measured only where it is asked for by name. */
const ON_REQUEST = { scale: (stack) => measureScale(stack, ROOT) };

/** Timings of the running product as ratios against the machine's own yardsticks: bare SQL and a bare page. */
run(async () => {
  const stack = await startStack(ROOT);
  try {
    const wanted = process.argv.slice(2);
    for (const [name, bench] of Object.entries(PARTS))
      if (wanted.length === 0 || wanted.includes(name)) await bench(stack);
    for (const [name, bench] of Object.entries(ON_REQUEST)) if (wanted.includes(name)) await bench(stack);
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

/** Rounds of routes that look through a whole club: an account may ask for 30 a minute. */
const HEAVY_ROUNDS = 5;
/** Requests that are under way at once, and how many in all. */
const [AT_ONCE, IN_ALL] = [8, 160];

/** Every page of a coach, of the lifters in turn. */
function pagesOf(lifter) {
  const of = (path) => (i) => `/lifters/${lifter(i).id}/${path}`;
  return {
    'GET /lifters (the rack)': { path: () => '/lifters' },
    'GET /lifters/today': { path: () => '/lifters/today' },
    'GET /lifters/:id/sheet': { path: of('sheet') },
    'GET /sessions/:id/calls (calls, hold)': { path: (i) => `/sessions/${lifter(i).nextSession.id}/calls` },
    'GET /lifters/:id/curve (calls)': { path: of('curve') },
    'GET /lifters/:id/curve/months': { path: of('curve/months') },
    'GET /lifters/:id/curve/back-test': { path: of('curve/back-test') },
    'GET /lifters/:id/holds (holds, week)': { path: of('holds') },
    'GET /lifters/:id/squeeze': { path: of('squeeze') },
    'GET /lifters/:id/grippers': { path: of('grippers') },
    'GET /lifters/:id/hands': { path: of('hands') },
    'GET /lifters/:id/compare': { path: of('compare') },
    'GET /lifters/:id/log': { path: of('log') },
    'GET /lifters/:id/profile': { path: of('profile') },
    'GET /kit': { path: () => '/kit' },
    'GET /today (calls of all who train)': { path: () => '/today', heavy: true },
    'GET /club/attention (every lifter)': { path: () => '/club/attention', heavy: true },
    'GET /club/block-effect': { path: () => '/club/block-effect', heavy: true },
    'GET /schools/evidence': { path: () => '/schools/evidence', heavy: true },
  };
}

/** Times every page against the bare SQL that reads one lifter's sets, then calls and holds with several under way. */
async function benchRoutes({ url, databaseUrl }, coach, lifter) {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const yardstick = await timed(ROUNDS, (i) =>
    client.query('SELECT * FROM logged_set WHERE lifter_id = $1 AND NOT strapped', [lifter(i).id]),
  );
  await client.end();
  line('bare SQL: one lifter’s sets', yardstick, yardstick, 'itself');
  const ask = async (path) => {
    const answer = await fetch(url + '/api' + path, { headers: { cookie: coach.cookie } });
    await answer.arrayBuffer();
    if (!answer.ok) throw new Error(`GET ${path} answered ${answer.status}`);
  };
  const pages = pagesOf(lifter);
  for (const [name, { path, heavy }] of Object.entries(pages)) {
    // Twice before: what is worked out at the first look, and in the background after it, is measured elsewhere.
    for (let i = 0; i < (heavy ? 1 : 24); i++) await ask(path(i));
    line(name, await timed(heavy ? HEAVY_ROUNDS : ROUNDS, (i) => ask(path(i))), yardstick, 'bare SQL');
  }
  say('the first look after a change of the lifter:');
  for (const name of Object.keys(pages).filter((each) => /calls|holds/.test(each))) {
    const times = [];
    for (let i = 0; i < HEAVY_ROUNDS * 2; i++) {
      const { id, hands } = lifter(i);
      const body = { hands, checkedAt: coach.now() };
      await coach.send('PUT', `/lifters/${id}/hands-checks/${randomUUID()}`, body);
      times.push((await timed(1, () => ask(pages[name].path(i)))).median);
    }
    line(name, summary(times), yardstick, 'bare SQL');
  }
  say(`with ${AT_ONCE} requests under way at once:`);
  for (const name of Object.keys(pages).filter((each) => /calls \(|holds \(/.test(each))) {
    const times = [];
    let next = 0;
    const one = async () => {
      while (next < IN_ALL) {
        const i = next++;
        times.push((await timed(1, () => ask(pages[name].path(i)))).median);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, one));
    line(name, summary(times), yardstick, 'bare SQL');
  }
}

async function benchApi(stack) {
  const coach = await demoCoach(stack.url);
  const { lifters } = await coach.get('/lifters');
  say('\nAPI at the seeded size, against the bare SQL that reads one lifter’s log');
  await benchRoutes(stack, coach, (i) => lifters[i % lifters.length]);
}

/** Throttling of the floor's bench, times slower: a phone of some years. */
const SLOWER = 4;
const TAPS = 30;
/** Between two taps, ms: what follows from the answer to one is done by then. */
const REST = 1_000;
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
    await enterDemo(driver, url);
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
    const rest = () =>
      driver.executeAsyncScript('const [rest, done] = arguments; setTimeout(done, rest);', REST);
    const times = [];
    for (let lane = 1; lane <= lanes.length && times.length < TAPS; lane++) {
      await driver.actions().sendKeys(String(lane)).perform();
      // A lane is read before it is tapped: its opening is no part of the tap.
      await rest();
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
        // Nobody lifts between an answer and what follows from it: the next tap falls on a page at rest.
        await rest();
      }
    }
    const empty = await driver.executeAsyncScript(`
      const done = arguments[0]; const times = [];
      const step = () => { const start = performance.now(); requestAnimationFrame(() => { times.push(performance.now() - start); times.length < 30 ? step() : done(times); }); };
      step();`);
    const word = await driver.executeAsyncScript(`
      const done = arguments[0]; const times = []; const said = document.querySelector('header [role=status]').firstChild; const before = said.data;
      const step = () => setTimeout(() => {
        const start = performance.now(); said.data = 'word ' + times.length;
        requestAnimationFrame(() => { const { port1, port2 } = new MessageChannel(); port1.onmessage = () => { times.push(performance.now() - start); if (times.length < 30) step(); else { said.data = before; done(times); } }; port2.postMessage(0); });
      }, 50);
      step();`);
    say(`\nThe floor, ${lanes.length} lanes, CPU slowed ${SLOWER} times (reach: 50 ms)`);
    const yardstick = summary(empty);
    line('a frame with nothing to do', yardstick, yardstick, 'itself');
    line('one word changed and painted', summary(word), yardstick, 'a frame');
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

/** Frames of a log that is scrolled by a notch of the wheel each, px: a hard fling of the finger. */
const [FRAMES, NOTCH] = [600, 120];

/** A log of three years, scrolled without a pause: how long each frame takes. */
async function benchLog({ url, databaseUrl }) {
  await manyLifters(databaseUrl, { lifters: 1, years: 3, like: 'Odalys Brandt' });
  const coach = await demoCoach(url);
  const { lifters } = await coach.get('/lifters?find=guest');
  const { driver, close } = await openBrowser();
  try {
    await enterDemo(driver, url);
    await driver.get(`${url}/lifters/${lifters[0].id}/log`);
    await driver.wait(until.elementLocated(By.css('main li')), 20_000);
    const [times, height] = await driver.executeAsyncScript(
      `const [frames, notch, done] = arguments; const times = []; let last;
       const step = (now) => {
         if (last !== undefined) times.push(now - last);
         last = now;
         if (times.length === frames) return done([times, document.documentElement.scrollHeight]);
         window.scrollBy(0, notch);
         requestAnimationFrame(step);
       };
       requestAnimationFrame(step);`,
      FRAMES,
      NOTCH,
    );
    const late = times.filter((time) => time > 25).length;
    say(`\nA log of three years, scrolled ${FRAMES} frames down ${height} px (reach: 60 a second)`);
    const { median, p95 } = summary(times);
    say(`a frame: median ${median.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms; ${late} of ${FRAMES} came late`);
  } finally {
    await close();
  }
}

/** The same once the club has five hundred lifters with three years of logs. */
async function benchManyLifters(stack) {
  say('\nMaking the club large …');
  const sets = await manyLifters(stack.databaseUrl, { lifters: 500, years: 3, like: 'Odalys Brandt' });
  const coach = await demoCoach(stack.url);
  const first = await coach.get('/lifters');
  const { lifters: guests } = await coach.get('/lifters?find=guest');
  // Rows that came past the application left no fit behind; whoever logs has theirs within a second.
  const fitting = await timed(1, async () => {
    const stream = await fetch(`${stack.url}/api/club/curves`, { headers: { cookie: coach.cookie } });
    if (!stream.ok) throw new Error(`The curves were not fitted: ${stream.status} ${await stream.text()}`);
    await stream.text();
  });
  say(`All curves over all weeks, one after the other: ${(fitting.median / 1000).toFixed(0)} s`);
  say(`\nAPI with ${first.total} lifters and ${sets} logged sets`);
  await benchRoutes(stack, coach, (i) => guests[i % guests.length]);
}

/** Has every page note as `paintedAt` when what is looked for there is painted, ms from its address on. */
function notePainted(driver, look) {
  return driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    // Looked for in the page itself, at every change: asked from outside, the asking would be measured too.
    source: `new MutationObserver((_, watch) => {
      if (!(${look})) return;
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(() => (window.paintedAt = performance.now())));
    }).observe(document, { subtree: true, childList: true });`,
  });
}

/** A first visit with an empty cache: from the address to a form that can be typed into, and what JavaScript was fetched. */
async function firstVisit(address) {
  const { driver, close } = await openBrowser();
  try {
    await driver.get('about:blank');
    await notePainted(driver, `document.querySelector('form input')`);
    await driver.get(address);
    await driver.wait(() => driver.executeScript('return window.paintedAt > 0'), 20_000);
    return await driver.executeScript(`return {
      time: window.paintedAt,
      bytes: performance.getEntriesByType('resource').filter((each) => each.name.endsWith('.js') && each.startTime < window.paintedAt)
        .reduce((sum, each) => sum + each.encodedBodySize, 0),
    }`);
  } finally {
    await close();
  }
}

/** Visits of somebody who is signed in and has been here before: from the address to a part that is painted, ms. */
async function laterVisits(driver, visits) {
  const times = visits.map(() => []);
  await notePainted(
    driver,
    `sessionStorage.getItem('sought')?.split('&').every((each) => document.querySelector(each))`,
  );
  for (let i = 0; i < PAGE_ROUNDS + 3; i++)
    for (const [n, { address, sought }] of visits.entries()) {
      await driver.get(`${new URL(address).origin}/api/health`);
      await driver.executeScript(`sessionStorage.setItem('sought', arguments[0])`, sought);
      await driver.get(address);
      await driver.wait(() => driver.executeScript('return window.paintedAt > 0'), 20_000);
      // The first ones fill caches, as they do for everybody.
      if (i >= 3) times[n].push(await driver.executeScript('return window.paintedAt'));
    }
  return times.map(summary);
}

async function benchToday(bare, url) {
  const { driver, close } = await openBrowser();
  try {
    // A sign-in is for all ports of a host.
    await enterDemo(driver, url);
    // What is kept for days without a network is fetched once, after the first page.
    await driver.executeAsyncScript('navigator.serviceWorker.ready.then(() => arguments[0]())');
    const [plain, today] = await laterVisits(driver, [
      {
        address: `${bare.url}/answers/session,today,lifters`,
        sought: '[aria-label=session]&[aria-label=today]&[aria-label=lifters]',
      },
      { address: `${url}/`, sought: '[aria-label="To decide"] li&nav[aria-label="The rack"] li' },
    ]);
    say('\nToday, signed in, against a bare page with lists of the same answers (reach: 1.3)');
    line('bare page, painted', plain, plain, 'itself');
    line('Today, painted', today, plain, 'bare page');
  } finally {
    await close();
  }
}

async function benchPages({ url, databaseUrl }) {
  const folder = temporaryFolder('iron-clasp-bare-');
  const bare = await serveBarePage(ROOT, databaseUrl, folder);
  try {
    await benchToday(bare, url);
    const visits = { bare: [], first: [] };
    // In turn: whatever else the machine does falls on both.
    for (let i = 0; i < PAGE_ROUNDS; i++) {
      visits.bare.push(await firstVisit(`${bare.url}/sign-in`));
      visits.first.push(await firstVisit(`${url}/sign-in`));
    }
    const times = (all) => summary(all.map(({ time }) => time));
    say(
      '\nFirst page with an empty cache, against a bare page of the same stack with the same form (reach: 1.3)',
    );
    const yardstick = times(visits.bare);
    line('bare page, usable', yardstick, yardstick, 'itself');
    line('sign-in, usable', times(visits.first), yardstick, 'bare page');
    const size = ([{ bytes }]) => `${(bytes / 1000).toFixed(0)} kB`;
    say(
      `JavaScript of the first page, compressed: ${size(visits.first)} (limit 150), of the bare page ${size(visits.bare)}`,
    );
  } finally {
    await bare.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
