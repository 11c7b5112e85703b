import type { CallsView } from '@iron-clasp/contract';
import { By } from 'selenium-webdriver';
import { Page } from './browser.test-helper.ts';
import { ServedCopy } from './served-copy.test-helper.ts';

let server: ServedCopy;
beforeAll(async () => {
  server = await ServedCopy.start();
}, 240_000);
afterAll(() => server.stop());

/** Keeps the first sets of a session: whole, and short enough to be done tap by tap. */
async function shorten(session: string, sets: number): Promise<string> {
  await server.query('DELETE FROM planned_set WHERE session_id = $1 AND place >= $2', [session, sets]);
  return session;
}
const header = 'header [role=status]';
async function counts(page: Page): Promise<{ done: number; of: number } | null> {
  const found = /(\d+) of (\d+) done/.exec(await page.text(header));
  return found && { done: Number(found[1]), of: Number(found[2]) };
}
/** Does the set at hand as it was called, and waits until the lane is one further. */
async function doneAsCalled(page: Page): Promise<void> {
  // Another lane may be on its way to the screen.
  await page.find(header);
  const before = (await counts(page))!.done;
  await page.click('Done as called');
  await page.until(async () => {
    const now = await counts(page);
    const further = now === null || now.done === before + 1;
    // Taps go faster than a busy machine answers: what waits is let through now and then.
    return further && !/\b([5-9]|\d\d) waiting/.test(await page.text(header));
  }, 'the next set');
}

it('a lifter alone, on a phone: hands, squeeze, every set, the holds, and how it went', async () => {
  const session = await shorten(await server.sessionOf('Odalys Brandt', 'Deadlift, heavy'), 8);
  const page = await Page.open({ width: 360, height: 640 }, server.url);
  try {
    await page.enter({ email: 'odalys@tarnquay.example', password: 'rope-works-27' });
    // Tender skin would take a set off the holds.
    const calls = await page.api<CallsView>('GET', `/sessions/${session}/calls`);
    await page.healed(calls.body.session.lifterId);
    await page.go(`/floor/${session}`);
    await page.click('They changed');
    await page.press(By.xpath('//button[@role="radio"][normalize-space(.)="callused"]'));
    await page.click('Save');
    // The check is kept: what it asked has gone, and the test moved up.
    await page.says('Before the work, if you test today');
    await page.click('Squeeze test');
    for (const [hand, score] of [
      ['left', '35.2'],
      ['right', '37.9'],
    ] as const) {
      await page.type(`Score, ${hand} hand`, score);
      await page.click('Next');
    }
    // What was told outlives a reload.
    await page.driver.navigate().refresh();
    await page.click('Squeeze test');
    await page.says('right 37.9', 'ol[aria-label="Trials so far"]');
    await page.click('Keep what there is');
    await page.says(/Squeeze: left 35\.2/);
    const { of } = (await counts(page))!;
    const holds = 2;
    for (let i = 0; i < of - holds; i++) await doneAsCalled(page);
    for (let i = 0; i < holds; i++) {
      await page.says(`hold ${i + 1} of ${holds}`);
      await page.click('By hand');
      await page.type('Seconds held', '10');
      await page.click('Log the hold');
    }
    await page.says('All done');
    await page.until(async () => !/waiting/.test(await page.text()), 'everything to be sent');
    await page.click('How it went');
    await page.says(`${of - holds} of ${of - holds}`);
    expect(await server.stored(session)).toBe(of - holds);
    expect(await server.stored(session, 'logged_hold')).toBe(holds);
    const [{ n }] = (await server.query<{ n: number }>(
      'SELECT count(*)::int AS n FROM squeeze_test WHERE session_id = $1',
      [session],
    )) as [{ n: number }];
    expect(n).toBe(1);
    const overflow = await page.driver.executeScript<number>(
      'return document.documentElement.scrollWidth - window.innerWidth',
    );
    expect(overflow).toBeLessThanOrEqual(0);
  } finally {
    await page.close();
  }
}, 180_000);

it('a coach, on a laptop: two lanes side by side, to the end of both, with a note to one', async () => {
  const [first, second] = await Promise.all([
    server.sessionOf('Teodor Vance', 'Bench').then((id) => shorten(id, 6)),
    server.sessionOf('Ruth Calloway', 'Bench').then((id) => shorten(id, 7)),
  ]);
  const page = await Page.open({ width: 1280, height: 800 }, server.url);
  try {
    await page.enter();
    await page.go(`/floor/${first},${second}`);
    await page.find('section[aria-label="The set"]');
    const left = new Set(['1', '2']);
    // In turn, as two lifters share a bar.
    while (left.size > 0) {
      for (const lane of [...left]) {
        await page.keys(lane);
        await page.find(`nav[aria-label="Lanes"] button:nth-of-type(${lane})[aria-current]`);
        if (/All done/.test(await page.text('main'))) left.delete(lane);
        else await doneAsCalled(page);
      }
    }
    await page.until(async () => !/waiting/.test(await page.text()), 'everything to be sent');
    await page.click('How it went');
    await page.overwrite(await page.find('textarea'), 'Good work; chalk sooner.');
    await page.click('End the session');
    await page.says(/Reopen|ended/i);
    const [{ note }] = (await server.query<{ note: string }>(
      'SELECT note_to_lifter AS note FROM training_session WHERE id = $1',
      [second],
    )) as [{ note: string }];
    expect(note).toBe('Good work; chalk sooner.');
    // Ended, the lane gives way to the other one, and takes no taps by accident.
    await page.click('To the other lane');
    await page.at(new RegExp(`/floor/${first}$`));
    await page.go(`/floor/${second}`);
    await page.says('This session is over');
    expect(await page.count('section[aria-label="The set"]')).toBe(0);
    expect(await page.accessibility()).toEqual([]);
    for (const session of [first, second]) {
      const planned = await server.query('SELECT 1 FROM planned_set WHERE session_id = $1', [session]);
      expect(await server.stored(session)).toBe(planned.length);
    }
  } finally {
    await page.close();
  }
}, 180_000);

it('the floor on a phone upright and on its side, and on a tablet: set and buttons are there, nothing scrolls sideways', async () => {
  const session = await server.sessionOf('Iskra Petrov', 'Deadlift, heavy');
  const page = await Page.open({ width: 360, height: 640 }, server.url);
  try {
    await page.enter();
    await page.go(`/floor/${session}`);
    for (const [width, height] of [
      [360, 640],
      [844, 390],
      [820, 1180],
    ] as const) {
      await page.size(width, height);
      const done = await page.named('Done as called');
      const [overflow, smallest] = await page.driver.executeScript<[number, number]>(
        `return [document.documentElement.scrollWidth - window.innerWidth,
          Math.min(...[...document.querySelectorAll('main button, main a')].map((each) => each.getBoundingClientRect().height))]`,
      );
      expect(overflow).toBeLessThanOrEqual(0);
      expect(smallest).toBeGreaterThanOrEqual(44);
      expect((await done.getRect()).height).toBeGreaterThanOrEqual(64);
      // What is pressed most is in sight without scrolling.
      const { y, height: tall } = await done.getRect();
      expect(y + tall).toBeLessThanOrEqual(height);
      expect(await page.accessibility()).toEqual([]);
    }
  } finally {
    await page.close();
  }
}, 240_000);
