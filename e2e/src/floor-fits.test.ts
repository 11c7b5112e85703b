import { SOUND_HAND } from '@iron-clasp/core';
import { Key } from 'selenium-webdriver';
import type { CallsView, TodayView } from '@iron-clasp/contract';
import { DESK, Page } from './browser.test-helper.ts';

/*
 * At every size, in both directions and in every state, all that can be tapped on the floor stands on the screen, uncovered
 * and large enough, and every caution can be read whole.
 */

const SIZES = [
  [360, 640],
  [390, 844],
  [844, 390],
  [820, 1180],
  [1280, 800],
] as const;
/** Least height of what is tapped with chalk on the hands, px; the lanes above and the way back may be less. */
const LEAST = 44;

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
  await page.enter();
}, 180_000);
afterAll(() => page.close());

/** Controls that lie outside the screen, under something else or too small, and cautions that are cut off, in words. */
const faults = (): Promise<string[]> =>
  page.driver.executeScript(
    `const inside = (r) => r.top >= -1 && r.left >= -1 && r.bottom <= innerHeight + 1 && r.right <= innerWidth + 1;
     const shown = (e) => e.checkVisibility({ visibilityProperty: true });
     const name = (e) => (e.getAttribute('aria-label') ?? e.textContent).trim().slice(0, 60);
     const where = (r) => Math.round(r.left) + ',' + Math.round(r.top) + ' to ' + Math.round(r.right) + ',' + Math.round(r.bottom);
     const wrong = [];
     for (const e of document.querySelectorAll('button, a, input, [role=radio], [role=checkbox]')) {
       if (!shown(e) || e.ariaHidden === 'true') continue;
       const r = e.getBoundingClientRect();
       const over = document.elementFromPoint((r.left + r.right) / 2, (r.top + r.bottom) / 2);
       if (!inside(r)) wrong.push('outside: ' + name(e) + ' at ' + where(r));
       else if (!e.disabled && !(e === over || e.contains(over))) wrong.push('covered: ' + name(e) + ' by ' + (over ? name(over) : 'nothing'));
       else if (r.height < arguments[0] - 1 && e.tagName !== 'INPUT') wrong.push('low: ' + name(e) + ', ' + Math.round(r.height));
     }
     for (const e of document.querySelectorAll('[data-caution]')) {
       if (!shown(e)) continue;
       const r = e.getBoundingClientRect();
       let box = e.parentElement;
       while (box && !['auto', 'scroll', 'hidden'].includes(getComputedStyle(box).overflowY)) box = box.parentElement;
       const b = box?.getBoundingClientRect();
       if (!inside(r) || (b && (r.top < b.top - 1 || r.bottom > b.bottom + 1))) wrong.push('caution cut off: ' + name(e));
     }
     for (const e of document.querySelectorAll('section[aria-label=Grippers] [data-room]'))
       if (e.scrollHeight > e.clientHeight + 1) wrong.push('to be read, cut off: ' + name(e));
     if (document.documentElement.scrollHeight > innerHeight + 1) wrong.push('the page scrolls');
     return wrong;`,
    LEAST,
  );

/**
 * Gives the page this size and waits until it is laid out and drawn so: the page knows its new size before what depends on it
 * has changed, and what is pressed meanwhile would be missed.
 */
async function sized(width: number, height: number): Promise<void> {
  await page.size(width, height);
  await page.driver.executeAsyncScript(
    `const [width, height, done] = arguments;
     const drawn = () => requestAnimationFrame(() => requestAnimationFrame(done));
     const look = () => (innerWidth === width && innerHeight === height ? drawn() : requestAnimationFrame(look));
     look();`,
    width,
    height,
  );
}

/** Looks at the state at every size; `height` is what an open keyboard leaves of a phone held upright. */
async function fits(state: string, sizes: readonly (readonly [number, number])[] = SIZES): Promise<void> {
  const found: string[] = [];
  for (const [width, height] of sizes) {
    await sized(width, height);
    found.push(...(await faults()).map((fault) => `${state} at ${width}×${height}: ${fault}`));
  }
  await sized(390, 844);
  expect(found).toEqual([]);
}

const NAMES = ['Odalys Brandt', 'Jun Takeda-Moss', 'Ruth Calloway', 'Noor Haddad'];

it('every control and caution of the floor stands on the screen in every state, at every size', async () => {
  const { sessions } = (await page.api<TodayView>('GET', '/lifters/today')).body;
  const ids = NAMES.map((name) => sessions.find((each) => each.lifterName === name)!.id);
  await page.healed(sessions.find((each) => each.lifterName === NAMES[0])!.lifterId);
  await page.go(`/floor/${ids.join(',')}`);
  await page.says('Same as last time');
  await fits('opening');
  for (const lane of ['2', '3', '4']) {
    await page.keys(lane);
    await page.says(NAMES[Number(lane) - 1]!, 'h1');
    await fits(`opening of lane ${lane}`);
  }
  await page.keys('1');
  await page.says(NAMES[0]!, 'h1');
  await page.click('Same as last time');
  await page.until(async () => !(await page.text()).includes('Same as last time'), 'the check to be kept');
  await fits('set');

  await page.click('Squeeze test');
  await page.find('section[aria-label="Squeeze test"]');
  await fits('squeeze test');
  await page.type('Score, left hand', '38.5');
  await page.click('Next');
  await page.says('1 of', 'section[aria-label="Squeeze test"]');
  await fits('squeeze test begun');
  await page.click('Undo trial');
  await page.press({ xpath: '//button[@role="radio"][contains(., "live from a dynamometer")]' });
  await page.named('Connect');
  await fits('squeeze test, live');
  await page.click('To the lane');

  await page.click('Done as called');
  await page.says(/rest \d:\d\d/, 'header');
  await fits('rest');

  // A slip on a top single calls the next one anew.
  await page.until(async () => {
    if (/^Deadlift, top/m.test(await page.text('section[aria-label="The set"]'))) return true;
    await page.click('Done as called');
    return false;
  }, 'the first top single');
  await page.click('Slipped');
  await page.find('section[aria-label="Called anew"]');
  await fits('proposal');
  await page.click('Keep old call');

  await page.click('All sets');
  await page.click('Grippers');
  await page.says('working set 1 of', 'section[aria-label="Grippers"]');
  await fits('grippers');
  await page.click('To the lane');

  // Somebody else logs the next set otherwise: ours is refused, and both stand side by side.
  const calls = (await page.api<CallsView>('GET', `/sessions/${ids[0]}/calls`)).body;
  const next = calls.sets.find((set) => set.role === 'top' && !set.done)!;
  await page.api('PUT', `/sessions/${ids[0]}/sets/${crypto.randomUUID()}`, {
    ...{ plannedSetId: next.id, load: 100, reps: 1, grip: 'hook', strapped: false, chalk: 'block' },
    doneAt: new Date(Date.parse(`${calls.session.on}T11:59:00Z`)).toISOString(),
  });
  await page.click('Done as called');
  await page.says(/was not taken/);
  await fits('refused entry');
  await page.click('Keep theirs');
  await page.until(async () => !/was not taken/.test(await page.text()), 'the refusal to be settled');

  await page.toTheHold();
  await page.find('section[aria-label="The hold"]');
  await fits('hold');
  await page.click('Start');
  await page.find('section[aria-label="The hold"] [role=timer]');
  await page.says('Put down');
  await fits('counting in');
  await page.says(/^of \d+ s$/m);
  await page.until(
    async () => Number.parseFloat(await page.text('[aria-label="The hold"] [role=timer]')) >= 1,
    'a second to be held',
  );
  await fits('hold running');
  await page.click('Put down');
  await page.says('last − 1 s');
  await fits('hold done');
  await page.click('By hand');
  await page.find('form[aria-label="Enter a hold"]');
  // A keyboard takes about 300 px of a phone held upright.
  await fits('keyboard open', [
    [360, 360],
    [390, 544],
    [820, 800],
  ]);
}, 240_000);

it('cautions that do not fit are hinted at, and scrolled to by key', async () => {
  const { sessions } = (await page.api<TodayView>('GET', '/lifters/today')).body;
  const { id, lifterId } = sessions.find((each) => each.lifterName === 'Ruth Calloway')!;
  const sore = { ...SOUND_HAND, pain: 5, elbowPain: 5, wristPain: 5 };
  await page.looked(lifterId, { left: sore, right: sore });
  await page.go(`/floor/${id}`);
  await page.click('Same as last time');
  const set = 'section[aria-label="The set"]';
  await page.find(set);
  await sized(360, 640);
  await page.says('more below', set);
  await page.driver.executeScript(
    `document.querySelector('${set} [tabindex="0"]').focus({ preventScroll: true })`,
  );
  await page.keys(Key.END);
  await page.until(async () => !(await page.text(set)).includes('more below'), 'the last caution in sight');
  await sized(820, 1180);
  expect(await page.text(set)).not.toMatch(/more below/);
}, 180_000);
