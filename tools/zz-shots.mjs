import { readFileSync, writeFileSync } from 'node:fs';
import { By, until } from 'selenium-webdriver';
import { openBrowser, setSize } from '/work/main/tools/lib/browser.mjs';
import { demoCoach, startStack } from '/work/main/tools/lib/stack.mjs';
const stack = await startStack('/work/main');
const { driver, close } = await openBrowser();
const seen = (css) => driver.wait(until.elementLocated(By.css(css)), 20000);
const click = async (xpath) => (await driver.wait(until.elementLocated(By.xpath(xpath)), 20000)).click();
const btn = (t) => click(`//button[contains(normalize-space(.),"${t}")]`);
const open = async (path, css) => { await driver.get(stack.url + path); await seen(css); };
const shoot = async (name, size=[1280,800]) => { await setSize(driver, ...size); await driver.executeAsyncScript('const done = arguments[0]; document.fonts.ready.then(() => setTimeout(done,300))'); writeFileSync(`/tmp/${name}.png`, await driver.takeScreenshot(), 'base64'); };
const coach = await demoCoach(stack.url);
const { lifters } = await coach.get('/lifters');
const idOf = (n) => lifters.find((r) => r.name.startsWith(n)).id;
try {
  await open('/sign-in','form button'); await btn('demo coach'); await seen('nav[aria-label="The rack"] li');
  const script = await import(process.argv[2]);
  await script.default({ driver, stack, seen, click, btn, open, shoot, coach, idOf, By, until });
} catch (e) { console.error(e); } finally { await close(); await stack.stop(); }
process.exit(0);
