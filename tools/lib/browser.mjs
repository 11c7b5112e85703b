import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, until } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';
import { CHROMIUM, DRIVER, SHELL } from './browser-files.mjs';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  // What is left of the graphics runs within the browser: a process less for each window.
  '--in-process-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  '--no-first-run',
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
/** With a window, as everybody's: one without a bar of its own, since the pages behind that bar cost more than ours does. */
const WINDOW = ['--headless=new', '--app=data:,'];
/** What ChromeDriver asks of a browser that it starts itself, as far as the tests' pages need it. */
const DRIVEN = [
  '--remote-debugging-port=0',
  '--enable-automation',
  '--disable-hang-monitor',
  '--disable-popup-blocking',
  '--disable-prompt-on-repost',
  '--allow-pre-commit-input',
];

/**
 * Opens a headless Chromium with a fresh profile, as everybody's but for its window; `close` ends it and removes the profile.
 * `flags` are more of Chromium's own.
 */
export async function openBrowser({ width = 1280, height = 800, flags = [] } = {}) {
  const profile = freshProfile();
  const options = new Options().addArguments(...FLAGS, ...WINDOW, ...flags, ...of(profile, width, height));
  options.setBinaryPath(CHROMIUM);
  const driver = await drive(options);
  await setSize(driver, width, height);
  const close = async () => {
    await driver.quit();
    await away(profile);
  };
  return { driver, close };
}

/**
 * The same in Chromium's shell for pages alone, which has no window at all: a sixth less of the processor for the same page.
 * ChromeDriver finds no page in it and opens none, so it is started here, with its first page, and handed over.
 */
export async function openShell({ width = 1280, height = 800, flags = [] } = {}) {
  const profile = freshProfile();
  const shell = spawn(SHELL, [...FLAGS, ...DRIVEN, ...flags, ...of(profile, width, height)], {
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  const ended = once(shell, 'exit');
  const driver = await handedOver(shell, width, height).catch(async (error) => {
    // What cannot be driven must not stay behind: nobody else ends it.
    if (shell.pid !== undefined && shell.exitCode === null) {
      shell.kill('SIGKILL');
      await ended;
    }
    await away(profile);
    throw error;
  });
  const close = async () => {
    // Told to end by a signal it would leave processes of its own behind; nobody is left to answer this, which
    // the driver takes for a fault.
    await driver.sendDevToolsCommand('Browser.close').catch(() => undefined);
    await ended;
    await driver.quit();
    await away(profile);
  };
  return { driver, close };
}

async function handedOver(shell, width, height) {
  const address = await listening(shell);
  await fetch(`http://${address}/json/new?about:blank`, { method: 'PUT' });
  const driver = await drive(new Options().debuggerAddress(address));
  await setSize(driver, width, height);
  return driver;
}

const freshProfile = () => mkdtempSync(join(tmpdir(), 'iron-clasp-chromium-'));
/** Its processes may write for a moment after the first of them has ended. */
const away = (profile) => rm(profile, { recursive: true, force: true, maxRetries: 20, retryDelay: 50 });
const of = (profile, width, height) => [`--user-data-dir=${profile}`, `--window-size=${width},${height}`];

function drive(options) {
  if (!existsSync(DRIVER)) throw new Error('ChromeDriver is missing: run npm test, which installs it.');
  return new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder(DRIVER))
    .build();
}

/** The address at which the shell takes orders, once it says so. */
function listening(shell) {
  return new Promise((resolve, reject) => {
    let words = '';
    shell.stderr.setEncoding('utf8').on('data', (more) => {
      words += more;
      const found = /DevTools listening on ws:\/\/([^/]+)\//.exec(words);
      if (found) resolve(found[1]);
    });
    shell.once('error', reject);
    shell.once('exit', () =>
      reject(new Error(`Chromium's shell ended before it could be driven:\n${words}`)),
    );
  });
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
