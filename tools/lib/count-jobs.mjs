import { By, until } from 'selenium-webdriver';
import { openBrowser } from './browser.mjs';
import { say } from './say.mjs';

const PATIENCE = 20_000;

/** Counts what whole jobs cost: presses, fields that are typed into, and the seconds that a script needs for them. */
export async function countJobs({ url }) {
  const { driver, close } = await openBrowser({ width: 1280, height: 800 });
  const find = (xpath) => driver.wait(until.elementLocated(By.xpath(xpath)), PATIENCE);
  const says = (words) => find(`//*[contains(normalize-space(.), "${words}")]`);
  const press = async (xpath) => {
    const element = await find(xpath);
    await driver.wait(until.elementIsEnabled(element), PATIENCE);
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element);
    await driver.wait(
      () =>
        element.click().then(
          () => true,
          () => false,
        ),
      PATIENCE,
    );
  };
  const button = (words) => `//button[starts-with(normalize-space(.), "${words}")]`;
  const type = async (label, words) => {
    const field = await find(`//input[@id=//label[starts-with(normalize-space(.), "${label}")]/@for]`);
    await field.sendKeys(words);
  };
  const job = async (name, goal, work) => {
    await driver.executeScript(`
      window.__cost ??= (addEventListener('click', (event) => { if (event.detail > 0) __cost.presses += 1; }, true),
        addEventListener('change', () => { __cost.fields += 1; }, true), {});
      Object.assign(window.__cost, { presses: 0, fields: 0 });`);
    const start = performance.now();
    await work();
    const seconds = (performance.now() - start) / 1000;
    const { presses, fields } = await driver.executeScript('return window.__cost');
    say(
      `${name.padEnd(44)} ${String(presses).padStart(3)} presses ${String(fields).padStart(3)} fields ${seconds.toFixed(1).padStart(6)} s   (${goal})`,
    );
  };
  /** Does it and waits until the floor counts a set more than before. */
  const counted = async (work) => {
    const said = () => find('//header//*[@role="status"]').then((at) => at.getText());
    const before = Number.parseInt(await said(), 10);
    await work();
    // The page may redraw between finding and reading: that is "not yet".
    const done = () => said().catch(() => '');
    await driver.wait(async () => Number.parseInt(await done(), 10) === before + 1, PATIENCE);
  };
  try {
    await driver.get(`${url}/sign-in`);
    await press(button('Sign in as the demo coach'));
    say('\nWhat a job costs, told by a script that presses and types as a coach would');
    await says('To decide');
    await job('Today: a hold accepted', '1 press', async () => {
      await press(`//section[@aria-label="To decide"]${button('Accept')}`);
      await says('hold accepted');
    });
    await press(button('Start the floor'));
    await job('the floor: a set as called', '1 press', () => counted(() => press(button('Done as called'))));
    await job('the floor: a set as it was changed', '3 presses', () =>
      counted(async () => {
        await press(button('Different set'));
        await press('//*[@role="radio"][not(@data-state="checked")][1]');
        await press(button('Log it'));
      }),
    );
    await driver.get(`${url}/lifters/new`);
    await job('a new lifter, to the sheet', '60 s', async () => {
      await type('Name', 'Count Example');
      await type('Best deadlift', '180');
      await press('//main//button[@type="submit"]');
      await driver.wait(until.urlMatches(/\/lifters\/[0-9a-f-]{36}/), PATIENCE);
    });
    await press('//nav//a[.="Program"]');
    await job('a week for a lifter, from the library', '180 s', async () => {
      await press(button('From the library'));
      await press(button('Use Three days, hands twice'));
      await press('//form//button[@type="submit"]');
      await says('is written for 1 lifter');
    });
    await press('//nav//a[.="Calls"]');
    await find('//button[@data-row]');
  } finally {
    await close();
  }
}
