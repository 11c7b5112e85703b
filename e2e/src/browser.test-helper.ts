import { SOUND_HAND, type HandsToday } from '@iron-clasp/core';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { RackView } from '@iron-clasp/contract';
import { By, error, Key, type WebElement } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
// The same browser, with a window, takes the screenshots.
import { openShell, setSize } from '../../tools/lib/browser.mjs';
import { signIn } from '../../tools/lib/sign-in.mjs';
import { violationsOn } from './accessibility.test-helper.ts';
import { ServedCopy } from './served-copy.test-helper.ts';
import { WATCH } from './watch.test-helper.ts';

/** Longest wait for a condition, ms: generous, since only a failure ever waits so long. */
const PATIENCE = 60_000;
/** How long a control may move or be off before it is pressed, ms: less than the driver gives a script. */
const STILL = 20_000;
/** How often a condition is looked at, ms: each look lays the page out, which costs what it waits for. */
const LOOK = 100;

/** What a page is opened on. */
interface Device {
  readonly width: number;
  readonly height: number;
  /** Of Chromium's own. */
  readonly flags?: readonly string[];
  /** Does it keep the application for days without a network? Its files take as long as five pages. */
  readonly keeps?: boolean;
}

/** Pages of a test live for seconds: making their code faster takes longer than it saves. */
const UNOPTIMISED = ['--js-flags=--no-turbofan --no-maglev'];

const LAPTOP: Device = { width: 1280, height: 800 };
/** For what is done at a desk, with the network that is there, by somebody who asked for little motion: less is drawn. */
export const DESK: Device = { ...LAPTOP, keeps: false, flags: ['--force-prefers-reduced-motion'] };

export const COACH = { email: 'maren@tarnquay.example', password: 'rope-works-26' };

let shared: Promise<ServedCopy> | undefined;
/** One copy of the demo for all the tests of a file. */
const serverOfThisFile = (): Promise<ServedCopy> => (shared ??= ServedCopy.start());
afterAll(endOfFile);

/** Stops the copy of the file whose tests are over: the next one in the same share gets its own. */
export async function endOfFile(): Promise<void> {
  const ended = shared;
  shared = undefined;
  await (await ended)?.stop();
}

/** SQL on the database of this file, for what no screen can make. */
export async function query(text: string): Promise<void> {
  await (await serverOfThisFile()).query(text);
}

/** A page of the real application in headless Chromium, driven as a person would. */
export class Page {
  readonly driver: Driver;
  readonly #close: () => Promise<void>;
  readonly #base: string;
  /** The lifters by name, asked for once. */
  #ids: ReadonlyMap<string, string> | undefined;

  private constructor(driver: Driver, close: () => Promise<void>, base: string) {
    this.driver = driver;
    this.#close = close;
    this.#base = base;
  }

  static async open(device = LAPTOP, base?: string): Promise<Page> {
    const at = base ?? (await serverOfThisFile()).url;
    const { driver, close } = await openShell({
      ...device,
      flags: [...UNOPTIMISED, ...(device.flags ?? [])],
    });
    if (device.keeps === false)
      await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
        source: 'delete Navigator.prototype.serviceWorker',
      });
    return new Page(driver, close, at);
  }

  close(): Promise<void> {
    return this.#close();
  }

  async go(path: string): Promise<void> {
    await this.driver.get(this.#base + path);
  }

  /** Goes to a page of another title as a link of the application does: nothing is loaded anew. */
  async follow(path: string): Promise<void> {
    const before = await this.driver.getTitle();
    await this.driver.executeScript(
      `history.pushState({}, '', arguments[0]);
       dispatchEvent(new PopStateEvent('popstate', { state: {} }));`,
      path,
    );
    await this.#seen('return document.title !== args[0]', `another page than "${before}" at ${path}`, before);
  }

  /** What the page saves goes into this folder. */
  async saveInto(folder: string): Promise<void> {
    await this.driver.sendDevToolsCommand('Browser.setDownloadBehavior', {
      ...{ behavior: 'allow', downloadPath: folder },
    });
  }

  /** The file that the page saved there, once it is whole. */
  async saved(folder: string, name: string): Promise<string> {
    const path = join(folder, name);
    await this.until(() => Promise.resolve(existsSync(path)), `the file ${name}`);
    return path;
  }

  async path(): Promise<string> {
    return new URL(await this.driver.getCurrentUrl()).pathname;
  }

  async at(path: RegExp): Promise<void> {
    const look = 'return new RegExp(args[0], args[1]).test(location.pathname)';
    await this.#seen(look, `the address to match ${path}`, path.source, path.flags);
  }

  size(width: number, height: number): Promise<void> {
    return setSize(this.driver, width, height);
  }

  /** Waits for a condition, never for time. */
  async until(condition: () => Promise<boolean>, what: string): Promise<void> {
    // The page may redraw between finding and reading an element: that is "not yet", not a failure.
    const soft = async (): Promise<boolean> => condition().catch(() => false);
    await this.driver.wait(soft, PATIENCE, undefined, LOOK).catch(async () => {
      const now = await this.text().catch((fault: unknown) => String(fault));
      throw new Error(`Waited in vain for ${what}. The page says:\n${now}`);
    });
  }

  async text(selector = 'body'): Promise<string> {
    // As it is laid out, by the browser itself: asked for at every look, it must not cost what it waits for.
    const words = await this.driver.executeScript<string | null>(
      'return document.querySelector(arguments[0])?.innerText ?? null',
      selector,
    );
    if (words === null) throw new error.NoSuchElementError(`no ${selector}`);
    return words.replaceAll(/[\u00a0\t]/g, ' ').trim();
  }

  async says(words: string | RegExp, selector = 'body'): Promise<void> {
    const look = `
      const found = document.querySelector(args[0])?.innerText.replaceAll(/[\\u00a0\\t]/g, ' ').trim();
      return found !== undefined && (args[2] === null ? found.includes(args[1]) : new RegExp(args[1], args[2]).test(found));`;
    const [text, flags] = typeof words === 'string' ? [words, null] : [words.source, words.flags];
    await this.#seen(look, `"${words}" in ${selector}`, selector, text, flags);
  }

  /** The same of the part of the page of that name. */
  within(section: string, words: string): Promise<void> {
    return this.says(words, `section[aria-label="${section}"]`);
  }

  find(css: string): Promise<WebElement> {
    return this.#seen('return document.querySelector(args[0])', css, css);
  }

  count(css: string): Promise<number> {
    return this.driver.findElements(By.css(css)).then((found) => found.length);
  }

  /** A visible button or link by its words: one that says just this before one that says more. */
  named(words: string, within = ''): Promise<WebElement> {
    const look = `
      const [words, within] = args;
      const roots = within ? document.querySelectorAll('[aria-label=' + JSON.stringify(within) + ']') : [document];
      const all = [...roots].flatMap((root) => [...root.querySelectorAll('button, a, summary')])
        .filter((each) => each.checkVisibility({ opacityProperty: true, visibilityProperty: true }));
      return all.find((each) => said(each) === words || each.ariaLabel === words) ?? all.find((each) => said(each).includes(words));`;
    return this.#seen(look, `a button or link "${words}"${within && ` in ${within}`}`, words, within);
  }

  /**
   * Waits until the page itself finds something, looking whenever it changes: asking it from outside over and over would cost
   * more than what it waits for, and come later.
   * @param look body of a function of `args` in the page, with `said(element)` for its words; what it returns, where that is true.
   */
  async #seen<Found>(look: string, what: string, ...args: readonly unknown[]): Promise<Found> {
    const until = Date.now() + PATIENCE;
    while (Date.now() < until) {
      const found = await this.driver
        .executeAsyncScript<Found | null>(WATCH(look), ...args)
        .catch((fault: unknown) => {
          // The page went away while it was watched: the next one is.
          if (fault instanceof error.WebDriverError) return null;
          throw fault;
        });
      if (found) return found;
    }
    const now = await this.text().catch((fault: unknown) => String(fault));
    throw new Error(`Waited in vain for ${what}. The page says:\n${now}`);
  }

  /** Clicks a button or link by its words, in the part of the page of that name where others say the same. */
  async click(words: string, within?: string): Promise<void> {
    await steady(async () => this.#clickStill(await this.named(words, within)));
  }

  /** Clicks what has come to rest and may be clicked: what still moves is somewhere else when the click arrives. */
  async #clickStill(element: WebElement): Promise<void> {
    const ready = await this.driver.executeAsyncScript<boolean>(
      `const [element, patience, done] = arguments;
       const until = performance.now() + patience;
       let before = '';
       const look = () => {
         const { x, y } = element.getBoundingClientRect();
         const now = x + ' ' + y;
         // What the page took away never comes to rest: the click says so, and it is looked for again.
         if (!element.isConnected || (now === before && !element.disabled)) return done(true);
         if (performance.now() > until) return done(false);
         before = now;
         setTimeout(look, 20);
       };
       look();`,
      element,
      STILL,
    );
    if (!ready) throw new Error(`"${await element.getText()}" stayed disabled, or would not stand still.`);
    await element.click();
  }

  /** Goes on to the hold of the lane on the floor; where it stands there already, its key is off. */
  async toTheHold(): Promise<void> {
    const look = `
      return document.querySelector('section[aria-label="The hold"]') ? 'there'
        : [...document.querySelectorAll('button:enabled')].some((each) => said(each) === 'To the hold') && 'before';`;
    if ((await this.#seen<string>(look, 'the hold, or the way to it')) === 'before')
      await this.click('To the hold');
    await this.find('section[aria-label="The hold"]');
  }

  /** Presses what has no words of its own: an option, a label, a zone of a drawing. */
  async press(where: By | { readonly xpath: string } | { readonly css: string }): Promise<void> {
    const look = `
      const [using, value] = args;
      return using === 'xpath' ? document.evaluate(value, document, null, 9).singleNodeValue : document.querySelector(value);`;
    const [using, value] =
      'xpath' in where ? ['xpath', where.xpath] : 'css' in where ? ['css', where.css] : partsOf(where);
    await steady(async () => this.#clickStill(await this.#seen<WebElement>(look, value, using, value)));
  }

  /** An input by its label. */
  field(label: string): Promise<WebElement> {
    const look = `
      const ids = [...document.querySelectorAll('label')].filter((each) => said(each).includes(args[0])).map((each) => each.htmlFor);
      return [...document.querySelectorAll('input[id]')].find((each) => ids.includes(each.id));`;
    return this.#seen(look, `a field "${label}"`, label);
  }

  async type(label: string, words: string): Promise<void> {
    await steady(async () => {
      await this.overwrite(await this.field(label), words);
    });
  }

  /**
   * Puts words in the place of what a field says: chosen by key, since cleared past the page it would be drawn again with what it
   * said; and all at once, as what is dictated or pasted comes, since each key would draw the page anew.
   */
  async overwrite(field: WebElement, words: string): Promise<void> {
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), words === '' ? Key.DELETE : '');
    if (words !== '') await this.driver.sendDevToolsCommand('Input.insertText', { text: words });
  }

  /** A list that folds out, by its label. */
  list(label: string): Promise<WebElement> {
    const look = `
      const ids = [...document.querySelectorAll('label')].filter((each) => said(each).startsWith(args[0])).map((each) => each.htmlFor);
      return [...document.querySelectorAll('button[role=combobox]')].find((each) => each.ariaLabel === args[0] || ids.includes(each.id));`;
    return this.#seen(look, `a list "${label}"`, label);
  }

  /** Chooses one of a list that folds out, by its words or its place, counted from 1. */
  async pick(label: string, which: string | number): Promise<void> {
    await steady(async () => (await this.list(label)).click());
    const test = typeof which === 'number' ? `[${which}]` : `[normalize-space(.)="${which}"]`;
    await this.press(By.xpath(`(//*[@role="option"])${test}`));
    await this.until(async () => (await this.count('[role=option]')) === 0, `the list "${label}" to close`);
  }

  /** Ticks or unticks a box by its words. */
  check(words: string): Promise<void> {
    return this.press(
      By.xpath(`//label[@for=//button[@role="checkbox"]/@id][contains(normalize-space(.), "${words}")]`),
    );
  }

  async keys(...keys: string[]): Promise<void> {
    await this.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  }

  /** Comes to Today as somebody who signed in before; the form itself is the subject of tests of its own. */
  async enter(who = COACH): Promise<void> {
    const { cookie } = (await signIn(this.#base, who)).headers;
    const [name, value] = cookie.split('=');
    const kept = { url: this.#base, name, value, httpOnly: true, sameSite: 'Strict' };
    await this.driver.sendDevToolsCommand('Network.setCookie', kept);
    await this.go('/');
    await this.find('#sheet h1');
  }

  /** Signs in by the form. */
  async signIn(): Promise<void> {
    await this.go('/sign-in');
    await this.says('Its coach signs in with');
    await this.type('E-mail', COACH.email);
    await this.type('Password', COACH.password);
    await this.click('Sign in');
    await this.at(/^\/$/);
    // A narrow screen shows no rack beside it.
    await this.find('#sheet h1');
  }

  /** Opens a lifter from the rack and waits for the calls. */
  async openLifter(name: string): Promise<void> {
    const [rack] = await this.driver.findElements(By.css('nav[aria-label="The rack"]'));
    // Beside what is open on a laptop, on a page of its own on a phone.
    if (!(await rack?.isDisplayed().catch(() => false))) await this.go('/lifters');
    await this.click(name, 'The rack');
    await this.until(async () => (await this.text('h1')) === name, `the sheet of ${name}`);
    await this.find('[data-row]');
  }

  /** Opens a page of a lifter's sheet by its address; the lifter's id. */
  async openPage(name: string, path: string): Promise<string> {
    this.#ids ??= new Map(
      (await this.api<RackView>('GET', '/lifters')).body.lifters.map((row) => [row.name, row.id]),
    );
    const id = this.#ids.get(name)!;
    await this.go(`/lifters/${id}/${path}`);
    await this.says(name, 'h1');
    return id;
  }

  async offline(cut: boolean): Promise<void> {
    const conditions = { offline: cut, latency: 0, downloadThroughput: -1, uploadThroughput: -1 };
    await this.driver.sendDevToolsCommand('Network.enable', {});
    await this.driver.sendDevToolsCommand('Network.emulateNetworkConditions', conditions);
  }

  /** The device has no room left for this page, or has it again. */
  async full(full: boolean): Promise<void> {
    await this.driver.executeScript(
      `const places = [[Storage.prototype, 'setItem'], [IDBObjectStore.prototype, 'put']];
       window.room ??= places.map(([at, name]) => at[name]);
       const none = () => { throw new DOMException('full', 'QuotaExceededError'); };
       places.forEach(([at, name], i) => (at[name] = arguments[0] ? none : window.room[i]));`,
      full,
    );
  }

  /** The lifter's skin has healed, as somebody saw yesterday: a hold is then done in all its sets. */
  healed(lifterId: string): Promise<void> {
    return this.looked(lifterId, { left: SOUND_HAND, right: SOUND_HAND });
  }

  /** Somebody looked at the lifter's hands yesterday, and this is how they were. */
  async looked(lifterId: string, hands: HandsToday): Promise<void> {
    const { today } = (await this.api<{ today: string }>('GET', `/lifters/${lifterId}/sheet`)).body;
    const checkedAt = new Date(Date.parse(`${today}T22:00:00Z`) - 86_400_000).toISOString();
    const kept = await this.api('PUT', `/lifters/${lifterId}/hands-checks/${crypto.randomUUID()}`, {
      ...{ hands, checkedAt },
    });
    if (kept.status !== 200) throw new Error(`The check was not kept: ${JSON.stringify(kept.body)}`);
    // Said past the page, which may have read the floors of today before.
    await this.driver.navigate().refresh();
  }

  /** Waits until everything that was logged on this page is with the server. */
  async sent(): Promise<void> {
    const look = 'return !/waiting/.test(document.body.innerText)';
    await this.#seen(look, 'everything to be sent');
  }

  /** Asks the API in the page's own session, as the page would, once what was logged on it is there. */
  async api<Answer>(method: string, path: string, body?: object): Promise<{ status: number; body: Answer }> {
    await this.sent();
    return this.driver.executeAsyncScript(
      `const [method, path, body, done] = arguments;
       (async () => {
         const token = (await (await fetch('/api/session')).json()).token;
         const answer = await fetch('/api' + path, { method, headers: { 'content-type': 'application/json', 'x-iron-clasp-token': token }, ...(body && { body: JSON.stringify(body) }) });
         done({ status: answer.status, body: answer.status === 204 ? null : await answer.json() });
       })();`,
      method,
      path,
      body ?? null,
    );
  }

  /** Fails where the page as it stands breaks a rule of accessibility. */
  async isAccessible(): Promise<void> {
    expect(await this.accessibility()).toEqual([]);
  }

  /** Violations of WCAG 2.2 A and AA on the page as it stands, in words. */
  async accessibility(): Promise<string[]> {
    return violationsOn(this.driver);
  }
}

/** How a locator of the driver's finds, and what. */
const partsOf = (where: By): [string, string] => {
  const { using, value } = JSON.parse(JSON.stringify(where)) as { using: string; value: string };
  return [using, value];
};

/** Does it again where the page was drawn anew between finding an element and using it: nothing was done to it then. */
async function steady<Result>(work: () => Promise<Result>): Promise<Result> {
  for (;;) {
    try {
      return await work();
    } catch (fault) {
      if (!(fault instanceof error.StaleElementReferenceError)) throw fault;
    }
  }
}
