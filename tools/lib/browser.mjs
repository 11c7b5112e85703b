import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, until } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  // What is left of the graphics runs within the browser: a process less for each window.
  '--in-process-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  '--no-first-run',
  // A window without a bar of its own: Chromium's new-tab page and the pages behind its address bar cost more than it does.
  '--app=data:,',
  `--disable-features=${[
    // A page that is left is done with: kept ones would each cost a process, and every visit a new one.
    ...['BackForwardCache', 'Translate', 'OptimizationHints', 'MediaRouter', 'PaintHolding'],
    ...[
      'SpareRendererForSitePerProcess',
      'WebUIOmniboxPopup',
      'WebUIOmniboxAimPopup',
      'WebUIOmniboxFullPopup',
    ],
  ]}`,
  '--disable-extensions',
  '--disable-default-apps',
  '--mute-audio',
  '--force-color-profile=srgb',
  '--hide-scrollbars',
];

/** Opens a headless Chromium with a fresh profile; `close` ends it and removes the profile. `flags` are more of Chromium's own. */
export async function openBrowser({ width = 1280, height = 800, flags = [] } = {}) {
  const profile = mkdtempSync(join(tmpdir(), 'iron-clasp-chromium-'));
  const options = new Options().addArguments(
    ...FLAGS,
    ...flags,
    `--user-data-dir=${profile}`,
    `--window-size=${width},${height}`,
  );
  options.setBinaryPath('/usr/bin/chromium');
  const driverPath = '/usr/bin/chromedriver';
  if (!existsSync(driverPath)) throw new Error('ChromeDriver is missing: run npm test, which installs it.');
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder(driverPath))
    .build();
  await setSize(driver, width, height);
  const close = async () => {
    await driver.quit();
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  };
  return { driver, close };
}

/** Gives the page itself this size, below Chromium’s own smallest window too. */
export async function setSize(driver, width, height) {
  await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: width < 500,
  });
}

/** ms until a page that does not come is given up. */
const PATIENCE = 20_000;

/** Signs in to the demo as its coach, by the sign-in page’s own button; on a laptop, where the rack stands beside Today. */
export async function enterDemo(driver, url) {
  await driver.get(`${url}/sign-in`);
  const button = By.xpath('//button[contains(., "demo coach")]');
  await (await driver.wait(until.elementLocated(button), PATIENCE)).click();
  await driver.wait(until.elementLocated(By.css('nav[aria-label="The rack"] li')), PATIENCE);
}
