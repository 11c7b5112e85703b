import { By, Key } from 'selenium-webdriver';
import { DESK, Page } from './browser.test-helper.ts';

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
  await page.signIn();
}, 180_000);
afterAll(() => page.close());

it('sign-in lands on Today: who trains, what to decide and the week stand on one screen', async () => {
  await page.says(/train today/);
  await page.says('Odalys Brandt', 'section[aria-label="On the floor"]');
  await page.says(/Deadlift 125 × 1/, 'section[aria-label="On the floor"]');
  await page.says('Jun Takeda-Moss', 'section[aria-label="To decide"]');
  for (const section of ['On the floor', 'To decide', 'The week ahead']) {
    const place = await page.find(`section[aria-label="${section}"] h2`);
    const { y, height } = await place.getRect();
    expect(y + height).toBeLessThan(800);
  }
  expect(await page.accessibility()).toEqual([]);
}, 120_000);

it('nothing on it moves once it is drawn', async () => {
  await page.go('/');
  await page.says('Jun Takeda-Moss', 'section[aria-label="To decide"]');
  const moved = await page.driver.executeAsyncScript<number>(
    `const done = arguments[0];
     document.fonts.ready.then(() => {
       let sum = 0;
       const watch = new PerformanceObserver((list) => { for (const each of list.getEntries()) sum += each.value; });
       watch.observe({ type: 'layout-shift', buffered: true });
       requestAnimationFrame(() => requestAnimationFrame(() => done(sum)));
     });`,
  );
  expect(moved).toBeLessThan(0.02);
}, 120_000);

it('a hold is accepted by key and taken back, without leaving the page', async () => {
  // What stops comes first; the next one can be accepted. As many as fit are listed: another may move up.
  const next = 'Dead hang 2 × 23 s';
  const listed = async (): Promise<boolean> =>
    (await page.text('section[aria-label="To decide"]')).includes(next);
  await page.says(next, 'section[aria-label="To decide"] li:nth-child(2)');
  await page.keys(Key.ARROW_DOWN, 'a');
  await page.says('hold accepted');
  await page.until(async () => !(await listed()), 'the decision to be gone');
  await page.click('Undo');
  await page.until(listed, 'the decision to be back');
  expect(await page.path()).toBe('/');
}, 120_000);

it('starts the floor with those who are ticked', async () => {
  await page.press(
    By.xpath('//button[@role="checkbox"][@id=//label[contains(., "Noor Haddad on the floor")]/@for]'),
  );
  await page.click('Start the floor with 4');
  await page.at(/^\/floor\/[^,]+,[^,]+,[^,]+,[^,]+$/);
  await page.says('Done as called');
}, 120_000);

it('fits a phone: everybody is one step away, and nothing scrolls sideways', async () => {
  await page.size(390, 844);
  await page.go('/');
  await page.says('Start the floor with');
  const over = await page.driver.executeScript<number>(
    'return document.documentElement.scrollWidth - innerWidth',
  );
  expect(over).toBeLessThanOrEqual(0);
  expect(await page.accessibility()).toEqual([]);
  await page.click('All lifters');
  await page.at(/^\/lifters$/);
  await page.says('Kofi Adeyemi-Lund', 'nav[aria-label="The rack"]');
}, 120_000);
