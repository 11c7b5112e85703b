import { cpSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By } from 'selenium-webdriver';
import { temporaryFolder } from '../../tools/lib/machine.mjs';
import { Page } from './browser.test-helper.ts';
import { OwnServer } from './own-server.test-helper.ts';

const WEB = join(import.meta.dirname, '..', '..', 'web', 'dist');

let server: OwnServer;
let page: Page;
let session: string;
/** Is the application kept on the device for times without a network? */
const KEPT =
  'return Boolean(navigator.serviceWorker.controller) && caches.keys().then((names) => names.some((name) => name.includes("files")))';
beforeAll(async () => {
  server = await OwnServer.withOwnPostgres();
  page = await Page.open({ width: 390, height: 844 }, server.url);
  await page.enter();
  session = await server.sessionOf('Teodor Vance', 'Deadlift, heavy');
  await page.go(`/floor/${session}`);
  await page.find('section[aria-label="The set"]');
  await page.until(() => page.driver.executeScript<boolean>(KEPT), 'the application to be kept');
}, 180_000);
afterAll(async () => {
  await page.close();
  await server.stop();
});

const stored = (): Promise<number> => server.stored(session);
const counted = (words: RegExp): Promise<void> => page.says(words, 'header [role=status]');

it('PostgreSQL stopped in mid-session: sets wait, and go through once it is back', async () => {
  await page.click('Done as called');
  await counted(/1 of \d+ done$/);
  server.stopPostgres();
  await page.click('Done as called');
  await counted(/2 of \d+ done · 1 waiting/);
  await page.click('Done as called');
  await counted(/3 of \d+ done · 2 waiting/);
  await server.startPostgres();
  await counted(/3 of \d+ done$/);
  expect(await stored()).toBe(3);
}, 240_000);

it('an upgrade while offline: the old page’s sets are taken, and the prompt waits for a running clock', async () => {
  const newer = temporaryFolder('iron-clasp-newer-');
  cpSync(WEB, newer, { recursive: true });
  const worker = join(newer, 'sw.js');
  // Another version has another page, under the hash of its content.
  const newerWorker = readFileSync(worker, 'utf8').replace(
    /("url":"\/index\.html","revision":")[0-9a-f]+/,
    '$1newer',
  );
  expect(newerWorker).toContain('newer');
  writeFileSync(worker, newerWorker);
  try {
    await server.kill();
    await page.click('Done as called');
    await counted(/1 waiting/);
    await server.up(newer);
    await counted(/4 of \d+ done$/);
    expect(await stored()).toBe(4);

    await page.toTheHold();
    await page.click('Start');
    await page.named('Put down');
    await page.driver.executeAsyncScript(
      'const done = arguments[0]; navigator.serviceWorker.getRegistration().then((at) => at.update()).then(() => done())',
    );
    await page.until(
      () =>
        page.driver.executeScript<boolean>(
          'return navigator.serviceWorker.getRegistration().then((at) => Boolean(at.waiting))',
        ),
      'the newer version to wait',
    );
    expect(await page.text()).not.toContain('A newer version is ready');
    // Counted in or held, the clock is stopped by the lifter, not by the update.
    await page.click(await (await page.find('section[aria-label="The hold"] button')).getText());
    await page.says('A newer version is ready');
    await page.click('Update now');
    await page.until(
      () =>
        page.driver.executeScript<boolean>(
          `return caches.open('iron-clasp-files').then((files) => files.keys()).then((all) => {
             const pages = all.map(({ url }) => url).filter((url) => url.includes('/index.html'));
             return pages.length === 1 && pages[0].includes('newer');
           })`,
        ),
      'the newer version to have taken over',
    );
    await counted(/4 of \d+ done|hold \d of \d/);
    expect(await stored()).toBe(4);
  } finally {
    rmSync(newer, { recursive: true, force: true });
  }
}, 180_000);

it('storage that is full loses nothing while the page is open, and says so', async () => {
  // A tap that came late in the test before held for a second: it is sent first.
  await page.sent();
  await page.full(true);
  await page.click('All sets');
  const open = await page.driver.findElement(
    By.xpath('//section[.//h2[contains(., "All sets")]]//li[5]/button'),
  );
  await open.click();
  await server.kill();
  await page.click('Done as called');
  await page.says('This device has no room left');
  await counted(/1 waiting/);
  await server.up();
  await page.sent();
  expect(await stored()).toBe(5);
}, 240_000);
