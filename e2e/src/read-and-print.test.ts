import { By } from 'selenium-webdriver';
import type { CurveView, TodayView } from '@iron-clasp/contract';
import { DESK, Page } from './browser.test-helper.ts';

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
  await page.enter();
}, 180_000);
afterAll(() => page.close());

/** Figures of one grip's column, by repetitions. */
const ceilings = (column: number): Promise<number[]> =>
  page.driver.executeScript(
    `return [...document.querySelectorAll('[aria-label="Ceilings as a table"] tbody tr')].map((row) => parseFloat(row.cells[arguments[0]].textContent))`,
    column,
  );
const choose = async (label: RegExp): Promise<void> => {
  for (const each of await page.driver.findElements(
    By.css('section[aria-label="Ramp and volume"] [role=radio]'),
  ))
    if (label.test(await each.getText())) return each.click();
  throw new Error(`no choice ${label}`);
};

it('the ramp shows up to which load each grip holds, lift by lift, and asks more for an attempt', async () => {
  await page.openLifter('Odalys Brandt');
  await page.click('Curve');
  await page.click('Ramp');
  await page.find('[aria-label="Ceilings as a table"] tbody tr');
  // The planned top single stands in the row of one repetition.
  await page.says(/^1 .*top /m, '[aria-label="Ceilings as a table"]');
  await choose(/^volume/);
  const volume = await ceilings(1);
  // A set is never easier for being longer.
  expect(volume).toEqual([...volume].sort((a, b) => b - a));
  await choose(/^attempt/);
  await page.until(async () => (await ceilings(1))[0]! < volume[0]!, 'lower ceilings at a higher chance');
  // The line at one repetition is the load that the curve itself gives for that chance.
  const lifterId = (await page.path()).split('/')[2]!;
  const { body } = await page.api<CurveView>('GET', `/lifters/${lifterId}/curve`);
  expect(body.curve.evidence.observations).toBeGreaterThan(0);
  await page.says(`${body.curve.evidence.observations} logged holds and sets stand behind the lines`);
  expect(await page.accessibility()).toEqual([]);
}, 240_000);

it('the cards of everybody who trains today print one page each, in order of name', async () => {
  await page.go('/cards');
  const { sessions } = (await page.api<TodayView>('GET', '/lifters/today')).body;
  expect(sessions.length).toBeGreaterThan(3);
  await page.until(async () => (await page.count('article table')) === sessions.length, 'every card');
  const names = await page.driver.executeScript<string[]>(
    `return [...document.querySelectorAll('article h2')].map((each) => each.textContent)`,
  );
  expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)));
  expect(await pagesPrinted()).toBe(names.length);
}, 240_000);

it('what is printed says in words all that a mark or a tone says on the screen', async () => {
  const rows = await page.driver.executeScript<{ words: string; marks: string[] }[]>(
    `return [...document.querySelectorAll('article tbody tr')].map((row) => ({
       words: row.textContent, marks: [...row.querySelectorAll('svg[aria-label]')].map((each) => each.getAttribute('aria-label')) }))`,
  );
  expect(rows.some((row) => row.marks.length > 0)).toBe(true);
  for (const { words, marks } of rows)
    for (const mark of marks) expect(words.toLowerCase()).toContain(mark.split(',')[0]!.toLowerCase());
}, 180_000);

it('a lifter’s week prints on one page, each sentence on it once', async () => {
  await page.openLifter('Odalys Brandt');
  await page.click('Program');
  await page.press(By.xpath('(//section[@aria-labelledby]//a[starts-with(., "card")])[1]'));
  await page.at(/\/cards\/week\//);
  await page.says('Deadlift, volume', 'article');
  expect(await page.accessibility()).toEqual([]);
  const words = await page.text('article');
  for (const sentence of words.split('\n').filter((line) => /^[A-Z].{30,}\.$/.test(line)))
    expect(words.split(sentence)).toHaveLength(2);
  expect(words).not.toMatch(/empty bar|\bundefined\b/);
  expect(await pagesPrinted()).toBe(1);
}, 240_000);

/** How many sheets of A4 the page prints on. */
async function pagesPrinted(): Promise<number> {
  const { data } = (await page.driver.sendAndGetDevToolsCommand('Page.printToPDF', {
    paperWidth: 8.27,
    paperHeight: 11.69,
  })) as unknown as { data: string };
  return (
    Buffer.from(data, 'base64')
      .toString('latin1')
      .match(/\/Type\s*\/Page\b(?!s)/g) ?? []
  ).length;
}
