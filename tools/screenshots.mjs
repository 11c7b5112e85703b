import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { By, until } from 'selenium-webdriver';
import { openBrowser, setSize } from './lib/browser.mjs';
import { temporaryFolder } from './lib/machine.mjs';
import { run, say } from './lib/say.mjs';
import { demoCoach, startStack } from './lib/stack.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const FOLDER = join(ROOT, 'docs', 'screenshots');
const LAPTOP = [1280, 800];
const PHONE = [390, 844];
/** Past training as somebody might paste it: a row of it cannot be read, and one says no grip. */
const IMPORTED = `Date;Athlete;Exercise;Weight (kg);Reps;Grip
3.2.2026;Jun;Deadlift;140;3;doh
10.2.2026;Jun;Deadlift;155;1;hook
11.2.2026;Kofi;Deadlift;240;1;
14.2.2026;Kofi;Trampoline;20;5;hook`;

/** Takes the pictures of docs/screenshots anew, from a demo freshly loaded. */
run(async () => {
  mkdirSync(FOLDER, { recursive: true });
  const backups = temporaryFolder('iron-clasp-backups-');
  const stack = await startStack(ROOT, { IRON_CLASP_BACKUPS: backups });
  const { driver, close } = await openBrowser();
  try {
    await takeAll(driver, stack);
  } finally {
    await close();
    await stack.stop();
    rmSync(backups, { recursive: true, force: true });
  }
});

async function takeAll(driver, { url, databaseUrl }) {
  const coach = await demoCoach(url);
  const { lifters } = await coach.get('/lifters');
  const odalys = lifters.find((row) => row.name === 'Odalys Brandt');
  const session = (await coach.get(`/lifters/${odalys.id}/sheet`)).season.sessions.find(
    (each) => !each.done && each.title === 'Deadlift, heavy',
  ).id;
  const sheet = `/lifters/${odalys.id}`;
  const seen = (css, patience = 20_000) => driver.wait(until.elementLocated(By.css(css)), patience);
  const click = async (xpath) => (await driver.wait(until.elementLocated(By.xpath(xpath)), 20_000)).click();
  const open = async (path, css) => {
    await driver.get(url + path);
    await seen(css);
  };
  const shoot = async (name, size = LAPTOP) => {
    await setSize(driver, ...size);
    await driver.executeAsyncScript(
      'const done = arguments[0]; document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(done)))',
    );
    writeFileSync(join(FOLDER, `${name}.png`), await driver.takeScreenshot(), 'base64');
    say(`docs/screenshots/${name}.png`);
  };
  const chart = 'svg[aria-label^="Load against seconds"]';
  const top = '//button[@data-row][starts-with(normalize-space(.), "top")]';

  await open('/set-up', 'form[aria-label="A club of your own"]');
  await shoot('set-up');
  await open('/sign-in', 'form button');
  await click('//button[contains(., "demo coach")]');
  await seen('section[aria-label="To decide"] li');
  await shoot('today');
  await open(`${sheet}/calls`, '[data-row]');
  await click(top);
  await seen('aside[aria-label="Reasons"]');
  await shoot('calls');
  await open(`${sheet}/program`, '[aria-labelledby^="week-"]:last-of-type article svg[role=img]');
  await shoot('program');
  await open('/kit', 'section[aria-label="Bars"]');
  await shoot('kit');
  await open(`/cards/${session}`, 'article table');
  await shoot('card');
  await open('/practice/schools', 'section[aria-label="Bare hands"]');
  await shoot('practice');
  await open(`${sheet}/hands`, 'section[aria-label="Hands check"]');
  await shoot('hands');
  const of = (name) => `/lifters/${lifters.find((row) => row.name === name).id}`;
  await open(`${of('Kofi Adeyemi-Lund')}/holds`, 'section[aria-label="Next holds"] li');
  await shoot('holds');
  await open(`${of('Noor Haddad')}/squeeze`, 'section[aria-label="Tests"]');
  await shoot('squeeze');
  await open('/club', 'section[aria-label="Who needs attention"]');
  // Its track record is worked out beside the page, one lifter after the other.
  await seen('section[aria-label="Track record"] li:nth-child(9)', 90_000);
  await shoot('club');
  await open('/club/people', 'section[aria-label="Staff"] li');
  await shoot('people');
  await open('/club/import', 'textarea');
  await (await seen('textarea')).sendKeys(IMPORTED);
  await click('//button[.="Read the cells"]');
  await click('//button[.="Look at the rows"]');
  await seen('[aria-label="Rows that are left out"]');
  await driver.executeScript('window.scrollTo(0, document.body.scrollHeight)');
  await shoot('import');
  const today = (await coach.get('/lifters/today')).sessions;
  const lanes = ['Odalys', 'Jun', 'Ruth', 'Noor'].map(
    (name) => today.find((each) => each.lifterName.startsWith(name)).id,
  );
  await open(`/floor/${lanes.join(',')}`, 'section[aria-label="The set"]');
  await shoot('phone-floor', PHONE);
  await setSize(driver, ...LAPTOP);
  await open(`${sheet}/curve`, chart);
  await shoot('curve');
  await open(`/floor/${lanes.join(',')}`, 'section[aria-label="The set"]');
  const done = () => click('//button[.="Done as called"]');
  for (let i = 0; i < 5; i++) await done();
  await click('//button[.="Slipped"]');
  await seen('section[aria-label="Called anew"]');
  await click('//button[.="Accept new call"]');
  await click('//button[contains(., "To the hold")]');
  await click('//button[.="Start"]');
  const clock = async () => Number(await driver.findElement(By.css('section [role=timer]')).getText());
  await driver.wait(async () => (await clock()) > 8.6, 30_000);
  await shoot('floor');
  await click('//button[.="Put down"]');
  await open(`/sessions/${session}/end`, 'section[aria-label="Slips"]');
  await shoot('session-end');
  await open(`${sheet}/log`, 'section[aria-label] li button');
  await shoot('log');
  await asOwnClub(databaseUrl);
  await open('/club/backups', 'main button');
  await click('//button[.="Back up now"]');
  await driver.wait(until.elementLocated(By.xpath('//li[contains(., "restored and counted")]')), 90_000);
  await shoot('backups');
}

/** What only a club of one's own has: the demo is not backed up. */
async function asOwnClub(databaseUrl) {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query('UPDATE club SET demo = false');
  await client.end();
}
