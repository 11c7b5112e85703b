import { By, Key } from 'selenium-webdriver';
import { DESK, Page } from './browser.test-helper.ts';

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
  await page.enter();
}, 180_000);
afterAll(() => page.close());

it('a coach brushes a bar, adds a venue, is shown what cannot be used, and a session there is told what it lacks', async () => {
  await page.click('Kit');
  await page.says('used unless a session says otherwise');
  expect(await page.accessibility()).toEqual([]);
  await page.says(/brushing is due: [1-9]\d* chalked sets/, 'section[aria-label="Bars"]');
  await page.click('Power bar is brushed');
  await page.says(/0 chalked sets of 300/, 'section[aria-label="Bars"] li');
  await page.click('New venue');
  await page.find('form[aria-label="Venue"]');
  expect(await page.accessibility()).toEqual([]);
  await page.type('Diameter', '2.9');
  await page.type('Name', 'Net loft');
  await page.click('Save');
  await page.says(/Must be a number from 15 to 90/, 'form[aria-label="Venue"]');
  await page.type('Diameter', '28.5');
  await page.click('Save');
  await page.at(/^\/kit\/[0-9a-f-]+$/);
  await page.says('Net loft', 'nav[aria-label="Venues"]');
  // One pair of each plate: a heavy session does not go there, and the editor says so with the mend.
  await page.openLifter('Teodor Vance');
  await page.click('Program');
  await page.click('New session');
  await page.find('form[aria-label="Session"]');
  await page.pick('Venue', 'Net loft');
  await (await page.find('input[aria-label="Line 1: sets"]')).sendKeys('top 1x1 @ 250kg');
  await page.says(/more than the plates of Net loft make.*borrow plates/s);
  await page.click('Cancel');
}, 240_000);

it('repeats a week, is told of a week that is taken, clears it, and takes a session off and back', async () => {
  await page.openLifter('Noor Haddad');
  await page.click('Program');
  const slips = '[aria-labelledby^="week-"] article';
  const second = '[aria-labelledby^="week-"]:nth-of-type(2) article';
  await page.find(second);
  const before = await page.count(slips);
  await page.click('move');
  await page.click('Move the week');
  await page.says(/would come onto what is written already: .*Clear or move that week first/);
  await page.press(By.xpath('(//button[.="clear"])[2]'));
  await page.click('Clear the week');
  await page.until(async () => (await page.count(second)) === 0, 'the second week to be cleared');
  await page.says('4 sessions written, moved or taken off');
  // The first week fills the gap it left.
  await page.press(By.xpath('(//button[.="repeat"])[1]'));
  await page.pick('Write it into the next', '1 week');
  await page.click('Repeat the week');
  await page.until(async () => (await page.count(slips)) === before, 'the repeated week');
  await page.until(async () => !(await page.text()).includes('Under way'), 'all to be read anew');
  const last = By.xpath('(//button[starts-with(@aria-label, "Remove ")])[last()]');
  const words = (await page.driver.findElement(last).getAttribute('aria-label'))!;
  await page.press(last);
  await page.says(/is off the program/);
  await page.click('Undo');
  await page.until(
    async () => (await page.driver.findElement(last).getAttribute('aria-label')) === words,
    'the session to come back',
  );
  expect(await page.accessibility()).toEqual([]);
}, 240_000);

it('takes a session to another day by hand and by key, and back', async () => {
  await page.openLifter('Iskra Petrov');
  await page.click('Program');
  const second = '[aria-labelledby^="week-"]:nth-of-type(2)';
  await page.find(`${second} article`);
  const free = await page.find(`${second} li[aria-label]:not(:has(article))`);
  const to = (await free.getAttribute('aria-label'))!;
  const slip = await page.find(`${second} article`);
  const title = (await slip.getAttribute('aria-label'))!.replace(/, [^,]*$/, '');
  const from = await page.driver.executeScript<string>(
    'return arguments[0].closest("li[aria-label]").ariaLabel',
    slip,
  );
  const on = (day: string): Promise<void> =>
    page.until(
      async () => (await page.text(`${second} li[aria-label="${day}"]`)).includes(title),
      `${title} to be on ${day}`,
    );
  // By hand: taken at its lines, put on a free day.
  await page.driver
    .actions()
    .move({ origin: slip, y: 10 })
    .press()
    .move({ origin: slip, x: 12, y: 10 })
    .move({ origin: free })
    .perform();
  const said = (): Promise<string> => page.text('[id^="DndLiveRegion"]');
  const date = to.split(' ')[1]!;
  await page.until(
    async () => new RegExp(`is over .*\\b${date}\\b`).test(await said()),
    `${title} to be over ${to}`,
  );
  await page.driver.actions().release().perform();
  await on(to);
  await page.says(`${title} is on`);
  await page.click('Undo');
  await on(from);
  // By key: lifted at its handle, a week down, put there; what happens is said.
  await page.driver.executeScript(
    'document.querySelector(arguments[0]).focus()',
    `${second} li[aria-label="${from}"] button[aria-label^="Move "]`,
  );
  await page.keys(' ');
  await page.says(/is over/, '[id^="DndLiveRegion"]');
  const first = await said();
  await page.keys(Key.ARROW_DOWN);
  await page.until(async () => (await said()) !== first, 'another day to be said');
  expect(await said()).toMatch(/is over/);
  await page.keys(' ');
  await page.until(
    async () => !(await page.text(`${second} li[aria-label="${from}"]`)).includes(title),
    'the session to leave its week',
  );
  await page.says(/is on .* now/);
  expect(await page.accessibility()).toEqual([]);
  await page.click('Undo');
  await on(from);
}, 240_000);

it('copies a school, adjusts it, and lets a lifter follow the copy', async () => {
  await page.go('/practice/schools');
  await page.says('our log');
  expect(await page.accessibility()).toEqual([]);
  await page.click('Copy Bare hands and adjust the copy');
  await page.find('form[aria-label="School"]');
  expect(await page.accessibility()).toEqual([]);
  await page.type('Seconds', 'long');
  await page.click('Save');
  await page.says(/hold\.seconds must be a number above 0/, 'form[aria-label="School"]');
  await page.type('Seconds', '25');
  await page.click('Save');
  await page.says('Bare hands, ours', 'section[aria-label="Our own copies"]');
  await page.openLifter('Bram Oosterhuis');
  await page.click('Profile');
  await page.find('form[aria-label="Profile"]');
  await page.pick('School', 'Bare hands, ours (ours)');
  await page.click('Save');
  await page.says('Saved.');
  await page.says(/school: Bare hands → Bare hands, ours/, 'section[aria-label="What was changed"]');
  await page.says('Bare hands, ours', '#sheet header');
}, 240_000);

it('shares a lifter’s week by a link that a stranger reads, and takes it back', async () => {
  await page.openLifter('Bram Oosterhuis');
  await page.click('Profile');
  await page.click('Make a link');
  const address = (await (await page.find('input[aria-label="Address"]')).getAttribute('value'))!;
  const stranger = await Page.open({ width: 390, height: 844 });
  try {
    await stranger.go(new URL(address).pathname);
    await stranger.says('Bram Oosterhuis');
    await stranger.find('article table');
    expect(await stranger.accessibility()).toEqual([]);
    // A card names the load, the plates of one side and the call of every set.
    const row = await stranger.text('article tbody tr:has(td)');
    expect(row).toMatch(/\d lb/);
    expect(row).toMatch(/double overhand|mixed|hook|straps|no grip/i);
    // All of it is on the phone's screen: nothing is cut off at the side.
    expect(
      await stranger.driver.executeScript('return document.documentElement.scrollWidth - window.innerWidth'),
    ).toBeLessThanOrEqual(0);
    await page.click('Remove', 'Who else sees this');
    await page.says(/taken back/);
    await stranger.driver.navigate().refresh();
    await stranger.says(/Ask your coach for a new one/);
  } finally {
    await stranger.close();
  }
}, 240_000);

it('a lifter takes up an invitation, signs in on a phone, sees their own sheet and nobody else’s', async () => {
  await page.openLifter('Kofi Adeyemi-Lund');
  await page.click('Profile');
  await page.type('Invite by e-mail', 'kofi@tarnquay.example');
  await page.click('Make an invitation');
  const address = (await (await page.find('input[aria-label="Address"]')).getAttribute('value'))!;
  const kofi = await Page.open({ width: 390, height: 844 });
  try {
    await kofi.go(new URL(address).pathname);
    await kofi.says('asks you in');
    expect(await kofi.accessibility()).toEqual([]);
    await kofi.type('Password', 'stones-and-axles');
    await kofi.type('The same again', 'stones-and-axle');
    await kofi.says('The two are not the same.');
    expect(await (await kofi.named('Make my account')).isEnabled()).toBe(false);
    await kofi.type('The same again', 'stones-and-axles');
    await kofi.click('Make my account');
    await kofi.says('Your account stands.');
    await kofi.go('/sign-in');
    await kofi.type('E-mail', 'kofi@tarnquay.example');
    await kofi.type('Password', 'stones-and-axles');
    await kofi.click('Sign in');
    // A day of their own: no session today, the next one named, and from there their sheet.
    await kofi.says('no session today');
    expect(await kofi.accessibility()).toEqual([]);
    await kofi.click('Every set');
    await kofi.at(/^\/lifters\/[0-9a-f-]+\/calls\/[0-9a-f-]+$/);
    await kofi.find('[data-row]');
    expect(await kofi.accessibility()).toEqual([]);
    expect(await kofi.count('nav[aria-label="The rack"]')).toBe(0);
    expect(await kofi.text('nav[aria-label="The sheet"]')).not.toMatch(/Profile|Program/);
    // What is not theirs leads back to their own day.
    await kofi.go('/practice/schools');
    await kofi.until(async () => (await kofi.path()) === '/', 'their own day');
  } finally {
    await kofi.close();
  }
}, 240_000);
