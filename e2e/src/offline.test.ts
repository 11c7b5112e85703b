import { Page } from './browser.test-helper.ts';
import { OwnServer } from './own-server.test-helper.ts';

let server: OwnServer;
let page: Page;
let session: string;
beforeAll(async () => {
  server = await OwnServer.start();
  page = await Page.open({ width: 390, height: 844 }, server.url);
  await page.enter();
  session = await server.sessionOf('Odalys Brandt', 'Deadlift, heavy');
}, 240_000);
afterAll(async () => {
  await page.close();
  await server.stop();
});

const stored = (): Promise<number> => server.stored(session);
const counted = (words: RegExp): Promise<void> => page.says(words, 'header [role=status]');

it('opens without a server, logs on, loses nothing over a reload, and sends all in order once it is back', async () => {
  await page.go(`/floor/${session}`);
  await page.find('section[aria-label="The set"]');
  await page.until(
    () =>
      page.driver.executeScript<boolean>(
        'return Boolean(navigator.serviceWorker.controller) && caches.keys().then((names) => names.some((name) => name.includes("files")))',
      ),
    'the application to be kept for days without a network',
  );
  // Seen once with the worker in charge, the session's data are kept too.
  await page.driver.navigate().refresh();
  await page.click('Done as called');
  await counted(/1 of \d+ done$/);
  expect(await stored()).toBe(1);

  await server.kill();
  await page.click('Done as called');
  await counted(/2 of \d+ done · 1 waiting/);
  // A slip changes what follows, without a network as with one.
  await page.click('Slipped');
  await page.click('1');
  await counted(/2 waiting/);
  await page.driver.navigate().refresh();
  await counted(/3 of \d+ done · 2 waiting/);
  expect(await page.text('h1')).toBe('Odalys Brandt');
  await page.click('Undo');
  await counted(/2 of \d+ done/);
  await page.click('Done as called');

  await server.up();
  await page.sent();
  await counted(/3 of \d+ done$/);
  expect(await stored()).toBe(3);
}, 180_000);

it('a server killed between write and answer stores each set once', async () => {
  for (let round = 0; round < 2; round++) {
    const before = await stored();
    const killed = server.kill();
    await page.click('Done as called');
    await killed;
    await server.up();
    await page.sent();
    expect(await stored()).toBe(before + 1);
  }
}, 180_000);

it('two devices on one set are shown side by side; a person keeps one', async () => {
  const other = await Page.open({ width: 390, height: 844 }, server.url);
  try {
    await other.enter();
    await other.go(`/floor/${session}`);
    await other.find('section[aria-label="The set"]');
    const before = await stored();
    await page.click('Done as called');
    await page.until(async () => (await stored()) === before + 1, 'ours to be stored');
    await other.click('Different set');
    await other.click('Load: less');
    await other.click('Log it');
    await other.says(/already logged from another device/);
    await other.click('Keep ours');
    // Theirs taken back, and ours in its place.
    await other.sent();
    expect(await stored()).toBe(before + 1);
    const [row] = await server.query<{ undone: number }>(
      'SELECT count(*)::int AS undone FROM logged_set WHERE session_id = $1 AND undone_at IS NOT NULL AND planned_set_id IN (SELECT planned_set_id FROM logged_set WHERE session_id = $1 AND undone_at IS NULL)',
      [session],
    );
    expect(row!.undone).toBeGreaterThan(0);
  } finally {
    await other.close();
  }
}, 240_000);
