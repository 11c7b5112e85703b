import { Key } from 'selenium-webdriver';
import { DESK, Page } from './browser.test-helper.ts';

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
}, 180_000);
afterAll(() => page.close());

describe('every screen passes axe', () => {
  it('sign-in', async () => {
    await page.go('/sign-in');
    await page.named('Sign in as the demo coach');
    await page.isAccessible();
  }, 180_000);

  it('today, where sign-in lands', async () => {
    await page.signIn();
    await page.find('section[aria-label="To decide"] li');
    await page.isAccessible();
  }, 180_000);

  it.each(['light', 'dark'] as const)(
    'calls with the reasons drawer, curve with its table, %s',
    async (theme) => {
      await page.openLifter('Odalys Brandt');
      if (theme === 'dark') await page.click('Dark theme');
      await page.until(
        async () => (await page.count(`html[data-theme="${theme}"]`)) === 1,
        `the ${theme} theme`,
      );
      await page.press({ xpath: '//button[@data-row][starts-with(normalize-space(.), "top")]' });
      await page.find('aside[aria-label="Reasons"]');
      await page.isAccessible();
      await page.click('Curve');
      await page.click('Ramp');
      await page.find('section[aria-label="Ramp and volume"] svg');
      await page.isAccessible();
      await page.click('Load against seconds');
      await page.find('svg[aria-label^="Load against seconds"]');
      await page.click('rows as a table');
      await page.isAccessible();
    },
    180_000,
  );

  it('the dark theme and pounds are kept over a reload', async () => {
    await page.click('change to lb');
    await page.says(/lb on both hands/, 'section[aria-label="Clasp curve"]');
    await page.driver.navigate().refresh();
    await page.find('html[data-theme="dark"]');
    await page.says(/deadlift 303\.1 lb/);
    await page.click('Light theme');
    await page.click('change to kg');
    await page.says(/deadlift 137\.5 kg/);
  }, 180_000);

  it('the session card, and today’s cards, on a laptop and a phone', async () => {
    await page.openLifter('Odalys Brandt');
    await page.click('Card');
    await page.find('article[aria-label^="Odalys Brandt"] table');
    await page.says('Take care');
    await page.isAccessible();
    await page.go('/cards');
    await page.until(async () => (await page.count('article')) > 3, 'the cards of today');
    await page.isAccessible();
    await page.size(390, 844);
    await page.isAccessible();
    await page.size(1280, 800);
  }, 180_000);

  it('the floor, on a phone too, with every target large enough', async () => {
    await page.openLifter('Odalys Brandt');
    await page.click('To the floor');
    await page.find('section[aria-label="The set"]');
    await page.isAccessible();
    await page.toTheHold();
    await page.find('section [role=timer]');
    await page.isAccessible();
    await page.size(360, 740);
    await page.click('By hand');
    await page.find('form');
    await page.isAccessible();
    const heights = await page.driver.executeScript<number[]>(
      `return [...document.querySelectorAll('main button, main a')].map((each) => each.getBoundingClientRect().height)`,
    );
    expect(Math.min(...heights)).toBeGreaterThanOrEqual(44);
    const overflow = await page.driver.executeScript<number>(
      'return document.documentElement.scrollWidth - window.innerWidth',
    );
    expect(overflow).toBeLessThanOrEqual(0);
  }, 180_000);

  it('the sheet fits 360 px', async () => {
    await page.openLifter('Priya Ramsland');
    for (const path of ['calls', 'curve']) {
      await page.go(`/lifters/${(await page.path()).split('/')[2]}/${path}`);
      await page.find(path === 'calls' ? '[data-row]' : 'svg[aria-label^="Load against seconds"]');
      expect(
        await page.driver.executeScript<number>(
          'return document.documentElement.scrollWidth - window.innerWidth',
        ),
      ).toBeLessThanOrEqual(0);
    }
    await page.size(1280, 800);
  }, 180_000);
});

describe('on a phone', () => {
  it('the head of a sheet takes at most 200 px, its tabs one row, and the name is whole', async () => {
    await page.size(390, 844);
    await page.openLifter('Odalys Brandt');
    await page.find('[data-row]');
    const [bottom, rows, cut] = await page.driver.executeScript<[number, number, boolean]>(
      `const nav = document.querySelector('nav[aria-label="The sheet"]');
       const tops = new Set([...nav.children].map((each) => each.offsetTop));
       const name = document.querySelector('h1');
       return [nav.getBoundingClientRect().bottom, tops.size, name.scrollWidth > name.clientWidth];`,
    );
    expect(bottom).toBeLessThanOrEqual(200);
    expect(rows).toBe(1);
    expect(cut).toBe(false);
    expect(await page.accessibility()).toEqual([]);
    // The row of tabs is longer than the screen: the page that is open stands in it.
    await page.go(`/lifters/${(await page.path()).split('/')[2]}/profile`);
    await page.find('nav[aria-label="The sheet"] a[aria-current="page"]');
    await page.until(
      () =>
        page.driver.executeScript<boolean>(
          `const { left, right } = document.querySelector('nav[aria-label="The sheet"] a[aria-current="page"]').getBoundingClientRect();
           return left >= 0 && right <= window.innerWidth;`,
        ),
      'the open page among the tabs in sight',
    );
    await page.size(1280, 800);
  }, 180_000);
});

/** Of 1280 × 800 when it is drawn twice as large, and of a phone. */
const NARROW = [
  [640, 400],
  [390, 844],
] as const;
const SHEET = ['calls', 'program', 'holds', 'curve', 'ramp', 'track-record', 'compare', 'hands', 'squeeze'];
const CLUB = ['', '/import', '/people', '/settings', '/api', '/export', '/backups', '/deeds'];
const PRACTICE = ['schools', 'rules', 'lifts', 'holds', 'set-up', 'curve', 'slips'];

it('every screen of a lifter and of the club has a title and fits at twice the size and on a phone: nothing is scrolled sideways', async () => {
  await page.openLifter('Odalys Brandt');
  const sheet = `/lifters/${(await page.path()).split('/')[2]}`;
  const wide: string[] = [];
  const titles: string[] = [];
  await page.follow('/');
  for (const path of [
    ...[...SHEET, 'grippers', 'log', 'profile'].map((name) => `${sheet}/${name}`),
    ...CLUB.map((name) => `/club${name}`),
    ...PRACTICE.map((name) => `/practice/${name}`),
    ...[
      '/',
      '/kit',
      '/kit/new',
      '/lifters/new',
      '/lifters/archived',
      '/cards',
      '/floor',
      '/account',
      '/guide',
    ],
  ]) {
    await page.follow(path);
    await page.find('main h1');
    await page.until(async () => (await page.count('[aria-label^="Loading"]')) === 0, `${path} to be there`);
    titles.push(await page.driver.getTitle());
    for (const [width, height] of NARROW) {
      await page.size(width, height);
      const beyond = await page.driver.executeScript<number>(
        'return document.documentElement.scrollWidth - window.innerWidth',
      );
      if (beyond > 0) wide.push(`${path} at ${width} by ${beyond} px`);
    }
  }
  expect(wide).toEqual([]);
  expect(titles.slice(0, 2)).toEqual([
    'Calls · Odalys Brandt · Iron Clasp',
    'Program · Odalys Brandt · Iron Clasp',
  ]);
  // No two alike: a window, a bookmark and the history say which page it is.
  expect(new Set(titles).size).toBe(titles.length);
  await page.size(1280, 800);
}, 180_000);

describe('by keyboard alone', () => {
  it('finds a lifter, walks the sets, reads the reasons and goes back to the set', async () => {
    await page.go('/');
    await page.find('nav[aria-label="The rack"] li');
    await page.keys('/');
    await page.keys('kofi', Key.ENTER);
    await page.until(async () => (await page.text('h1')) === 'Kofi Adeyemi-Lund', 'Kofi’s sheet');
    await page.find('[data-row]');
    await page.keys(Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ENTER);
    await page.find('aside[aria-label="Reasons"]');
    await page.keys(Key.ESCAPE);
    await page.until(
      async () => (await page.count('aside[aria-label="Reasons"]')) === 0,
      'the drawer to close',
    );
    const focused = await page.driver.executeScript<number>(
      `return [...document.querySelectorAll('[data-row]')].indexOf(document.activeElement)`,
    );
    expect(focused).toBe(1);
  }, 180_000);

  it('runs the floor: Space belongs to the control in focus, the clock keeps the focus, a held key acts once', async () => {
    await page.openLifter('Odalys Brandt');
    await page.keys('f');
    await page.toTheHold();
    await page.find('section [role=timer]');
    // Other jobs may have logged holds here before.
    const holds = (): Promise<number> => page.count('ol[aria-label="Holds done"] li');
    const before = await holds();
    const focused = (): Promise<string> =>
      page.driver.executeScript<string>('return document.activeElement.textContent.trim()');
    // Space on another button presses that button, not the clock.
    await page.driver.executeScript(
      `[...document.querySelectorAll('button')].find((each) => each.textContent.includes('By hand')).focus()`,
    );
    await page.keys(Key.SPACE);
    await page.find('form');
    await page.click('Back to the clock');
    await page.driver.executeScript('document.activeElement.blur()');
    // Space anywhere else starts the clock; after the count the focus is on what ends it.
    await page.keys(' ');
    await page.until(async () => (await focused()) === 'Put down', 'the focus on Put down');
    // A key that repeats while held does not end what it started.
    await page.driver.executeScript(
      `document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', repeat: true, bubbles: true }))`,
    );
    await page.until(
      async () => Number(await page.text('section [role=timer]')) > 0.6,
      'the clock to run on',
    );
    await page.keys('s');
    await page.says(/\d\.\d s of 10, slipped/);
    await page.until(async () => (await holds()) === before + 1, 'the hold to be listed');
    await page.driver.executeScript('document.activeElement.blur()');
    await page.keys('u');
    await page.until(async () => (await holds()) === before, 'the hold to be taken back');
    await page.go('/');
    await page.click('Kofi Adeyemi-Lund');
    await page.find('[data-row]');
  }, 180_000);

  it('lists its keys', async () => {
    await page.keys('?');
    await page.says('Jump to the rack and find a lifter', '[role=dialog]');
    await page.isAccessible();
    await page.keys(Key.ESCAPE);
    await page.until(async () => (await page.count('[role=dialog]')) === 0, 'the list to close');
    // From there the guide opens at the part that speaks of the screen.
    await page.openLifter('Odalys Brandt');
    await page.click('Program');
    await page.keys('?');
    await page.click('The guide to this screen');
    await page.at(/^\/guide$/);
    await page.until(
      () =>
        page.driver.executeScript<boolean>(
          `const { top, bottom } = document.getElementById('the-week').getBoundingClientRect();
           return top >= 0 && bottom < innerHeight;`,
        ),
      'the part on the week to be in sight',
    );
    await page.isAccessible();
  }, 180_000);

  it('goes to a lifter, to one of their screens and to a screen of the club by Ctrl-K, and acts', async () => {
    const command = async (typed: string): Promise<void> => {
      await page.driver.actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
      await page.find('[cmdk-input]');
      await page.keys(typed);
      await page.until(
        async () => (await page.text('[cmdk-item][aria-selected=true]')).toLowerCase().includes(typed),
        `"${typed}" to be the first that fits`,
      );
    };
    await command('iskra');
    await page.isAccessible();
    await page.keys(Key.ENTER);
    await page.until(async () => (await page.text('h1')) === 'Iskra Petrov', 'Iskra’s sheet');
    await command('squeeze');
    await page.keys(Key.ENTER);
    await page.at(/squeeze$/);
    await command('kit');
    await page.keys(Key.ENTER);
    await page.at(/^\/kit/);
    await command('dark');
    await page.keys(Key.ENTER);
    await page.find('html[data-theme=dark]');
    await command('light');
    await page.keys(Key.ENTER);
    await page.find('html[data-theme=light]');
    await page.go('/');
    await page.click('Kofi Adeyemi-Lund');
    await page.find('[data-row]');
  }, 180_000);

  it('says when nobody has that name', async () => {
    await page.keys('/');
    await page.keys('zzz');
    await page.says('Nobody here is called “zzz”');
  }, 180_000);
});
