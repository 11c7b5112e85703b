import { By, Key } from 'selenium-webdriver';
import { SOUND_HAND, type HandToday } from '@iron-clasp/core';
import type { CallsView, SheetView } from '@iron-clasp/contract';
import { DESK, Page } from './browser.test-helper.ts';

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
}, 180_000);
afterAll(() => page.close());

const choose = async (label: string, within: string): Promise<void> => {
  const xpath = `//*[@aria-label="${within}"]//button[@role="radio"][normalize-space(.)="${label}"]`;
  await page.press(By.xpath(xpath));
};
const openRow = async (words: string): Promise<void> => {
  const xpath = `//button[@data-row][contains(normalize-space(.), "${words}")]`;
  await page.press(By.xpath(xpath));
  await page.find('aside[aria-label="Reasons"]');
};
const drawer = 'aside[aria-label="Reasons"]';

it('a coach decides against a call, sees it kept with the reason, and takes it back', async () => {
  await page.enter();
  await page.openLifter('Teodor Vance');
  await page.says('Lat pull-down');
  await openRow('accessory');
  await page.says('The call stands as it is.', drawer);
  await page.click('Decide otherwise');
  // Without a reason nothing is decided, and what was chosen stays.
  await choose('straps', 'Decide otherwise');
  await page.click('Decide');
  await page.says('Say why in 3 to 300 characters', drawer);
  await page.type('Why', 'forearms are worn from the weekend');
  expect(await page.accessibility()).toEqual([]);
  const submit = await page.find('form[aria-label="Decide otherwise"] button[type=submit]');
  await submit.click();
  await page.says(/straps: forearms are worn from the weekend/, drawer);
  await page.says(/Maren Solvik chose straps: forearms are worn/, drawer);
  await page.says(/straps, .*\(coach\)/);
  await page.driver.navigate().refresh();
  await page.says(/straps, .*\(coach\)/);
  await openRow('(coach)');
  await page.click('Undo');
  await page.says('The call stands as it is.', drawer);
  await page.click('Earlier decisions (1)');
  await page.says(/taken back by Maren Solvik/, drawer);
}, 240_000);

it('a decision that a safety rule bars is refused with the rule, and nothing is lost', async () => {
  // What a torn callus bars is not offered at all.
  await page.openLifter('Jun Takeda-Moss');
  await openRow('top');
  await page.click('Decide otherwise');
  const radios = 'form[aria-label="Decide otherwise"] button[role=radio]';
  await page.until(async () => (await page.count(radios)) > 0, 'the grips to choose from');
  expect(await page.text('form[aria-label="Decide otherwise"]')).not.toMatch(/hook|mixed|double overhand/);
  // A callus that tears while the form is open: the server refuses by name, and what was typed stays.
  await page.openLifter('Teodor Vance');
  const lifter = (await page.path()).split('/')[2]!;
  const check = (left: HandToday, time: string): Promise<unknown> =>
    page.api('PUT', `/lifters/${lifter}/hands-checks/${crypto.randomUUID()}`, {
      hands: { left, right: SOUND_HAND },
      checkedAt: `2026-11-24T${time}:00Z`,
    });
  await openRow('accessory');
  await page.click('Decide otherwise');
  await choose('straps', 'Decide otherwise');
  await choose('double overhand', 'Decide otherwise');
  await page.type('Why', 'he says it is fine');
  await check({ ...SOUND_HAND, palm: 'torn' }, '11:30');
  await (await page.find('form[aria-label="Decide otherwise"] button[type=submit]')).click();
  await page.says(/Override to double overhand refused\. Torn callus on the left hand/, drawer);
  expect(await (await page.field('Why')).getAttribute('value')).toBe('he says it is fine');
  await check(SOUND_HAND, '11:45');
}, 240_000);

it('what if: other chalk beside the real calls, by key, and nothing saved', async () => {
  await page.openLifter('Odalys Brandt');
  await page.says('Deadlift, heavy');
  await page.keys('w');
  await page.find('section[aria-label="What if"]');
  await page.pick('chalk', 'no chalk');
  await page.says(/Tried no chalk: \d+ lines? would change\. Nothing is saved\./);
  await page.says(/what if:/);
  expect(await page.accessibility()).toEqual([]);
  await page.click('Back to the real calls');
  await page.until(
    async () => (await page.count('section[aria-label="What if"]')) === 0,
    'the panel to close',
  );
}, 180_000);

it('what if: another gym, a thicker bar, the meet’s rules, hurt hands, each beside the real calls', async () => {
  await page.openLifter('Odalys Brandt');
  const id = (await page.path()).split('/')[2]!;
  const { nextSessionId } = (await page.api<SheetView>('GET', `/lifters/${id}/sheet`)).body;
  const calls = async (): Promise<unknown> =>
    (await page.api<CallsView>('GET', `/sessions/${nextSessionId}/calls`)).body.sets.map((set) => set.line);
  const real = await calls();
  await page.keys('w');
  const panel = 'section[aria-label="What if"]';
  await page.find(panel);
  const back = async (label: string): Promise<void> => {
    await page.pick(label, 1);
    await page.says('Choose what to try', panel);
  };
  await page.pick('What if at', 'Harbour hotel gym');
  await page.says(/Tried at Harbour hotel gym: \d+ lines would change/, panel);
  await back('What if at');
  // A bar that the hand hardly closes on holds less: some row says how much.
  await page.pick('bar', '38 mm');
  await page.says(/Tried a 38 mm bar/, panel);
  await page.says(/what if: .*\d+ %/);
  await back('bar');
  await page.check('rules of Lantern Cup');
  await page.says(/Tried by the rules of Lantern Cup/, panel);
  await page.says(/what if: mixed.*\n.*Lantern Cup: the rulebook bars straps/);
  await page.check('rules of Lantern Cup');
  await page.says('Choose what to try', panel);
  await page.pick('hands', 'right: biceps pain 5');
  await page.says(/Tried with other hands/, panel);
  await page.says(/what if: .*left under/);
  expect(await page.accessibility()).toEqual([]);
  expect(await calls()).toEqual(real);
  await page.click('Back to the real calls');
}, 240_000);

it('a hands check by keyboard changes the calls at once and says which; the same again is one press', async () => {
  await page.openLifter('Bram Oosterhuis');
  await page.click('Hands');
  await page.at(/hands$/);
  const palm = await page.find('button[aria-label="left palm skin: sound"]');
  await page.driver.executeScript('arguments[0].focus()', palm);
  await page.keys(' ');
  const torn = '//section[@aria-label="Hands check"]//button[@role="radio"][normalize-space(.)="torn"]';
  await page.press(By.xpath(torn));
  await page.find('button[aria-label="left palm skin: torn"]');
  expect(await page.accessibility()).toEqual([]);
  await page.click('Save');
  await page.says(/Kept: \d+ lines? called anew/);
  await page.says(/straps, .* instead of/);
  await page.says(/left callus torn/, 'section[aria-label="Earlier checks"]');
  await page.says(/Torn skin, left/, 'nav[aria-label="The rack"]');
  await page.click('Same as last time');
  await page.says('Kept: no call changed');
  // Healed again for those who come after.
  await page.press(By.xpath(torn.replace('"torn"', '"sound"')));
  await page.click('Save');
  await page.says(/Kept: \d+ lines? called anew/);
}, 240_000);

it('by key, on the sheet: decides a line otherwise, accepts the hold, and writes the lifter a note', async () => {
  await page.openLifter('Iskra Petrov');
  await page.find('[data-row]');
  const at = (): Promise<string> =>
    page.driver.executeScript<string>('return document.activeElement.textContent');
  for (let i = 0; i < 12 && !(await at()).startsWith('accessory'); i++) await page.keys(Key.ARROW_DOWN);
  expect(await at()).toMatch(/^accessory/);
  await page.keys('d');
  const form = 'form[aria-label="Decide otherwise"]';
  await page.find(form);
  await page.until(
    () => page.driver.executeScript<boolean>(`return document.activeElement.closest('${form}') !== null`),
    'the form to have the focus',
  );
  expect(await page.accessibility()).toEqual([]);
  // Escape gives the form up, and once more the drawer; the row has the focus again.
  await page.keys(Key.ESCAPE);
  await page.until(async () => (await page.count(form)) === 0, 'the form to close');
  await page.keys(Key.ESCAPE);
  await page.until(
    async () => (await page.count('aside[aria-label="Reasons"]')) === 0,
    'the drawer to close',
  );
  expect(await at()).toMatch(/^accessory/);
  await page.keys('a');
  await page.says(/accepted by Maren Solvik/, 'section[aria-label="Plate pinch"]');
  await page.click('Undo', 'Plate pinch');
  await page.says('Accept', 'section[aria-label="Plate pinch"]');
  await page.keys('n');
  await page.find('form[aria-label="Note to the lifter"]');
  await page.keys('Chalk late, squeeze early.', Key.ENTER);
  await page.says(/Chalk late, squeeze early\..*as Iskra Petrov reads it/s);
  expect(await page.accessibility()).toEqual([]);
  await page.go(
    `/cards/${(await page.api<SheetView>('GET', `/lifters/${(await page.path()).split('/')[2]}/sheet`)).body.nextSessionId}`,
  );
  await page.says('Chalk late, squeeze early.', 'article');
}, 180_000);
