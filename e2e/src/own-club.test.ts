import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join as pathOf } from 'node:path';
import { By } from 'selenium-webdriver';
import { temporaryFolder } from '../../tools/lib/machine.mjs';
import { OwnServer } from './own-server.test-helper.ts';
import { Page } from './browser.test-helper.ts';
import { workbook } from './workbook.test-helper.ts';

/*
 * The first week of a club from nothing: its coach starts it at the laptop, an assistant comes in on a tablet and runs the
 * floor, a lifter on a phone.
 */

const PASSWORD = 'kiln tether oval prow';
let server: OwnServer;
let coach: Page;
beforeAll(async () => {
  server = await OwnServer.empty('gym.example');
  coach = await Page.open({ width: 1280, height: 800 }, server.url);
}, 180_000);
afterAll(async () => {
  await coach?.close();
  await server?.stop();
});

/** Takes up an invitation and signs in with it. */
async function join(page: Page, path: string, email: string): Promise<void> {
  await page.go(path);
  await page.says('asks you in');
  await page.type('Password', PASSWORD);
  await page.type('The same again', PASSWORD);
  await page.click('Make my account');
  await page.says('Your account stands');
  await page.click('Sign in');
  await page.type('E-mail', email);
  await page.type('Password', PASSWORD);
  await page.click('Sign in');
}

/** The path of the address that is shown this once. */
async function shown(page: Page): Promise<string> {
  const field = await page.find('input[aria-label="Address"]');
  return new URL((await field.getAttribute('value'))!).pathname;
}

let lifter: string;

it('a coach starts the club with the terminal’s code and reads real calls within a page', async () => {
  await coach.go('/');
  await coach.says('Nobody has started a club here yet');
  await coach.click('Start your own club');
  await coach.type('Code of the terminal', 'ABCD-EFGH-JKLM');
  await coach.type('Name of the club', 'Slag Lane Barbell');
  await coach.type('Your name', 'Ada Quill');
  await coach.type('E-mail', 'ada@slag.example');
  await coach.type('Password', 'adaquill99');
  await coach.type('The same again', 'adaquill99');
  await coach.type('Name of the venue', 'The yard');
  await coach.press(By.xpath('//button[@role="radio"][normalize-space(.)="kg"]'));
  const lines = await coach.find('textarea');
  await lines.sendKeys('Ana Lind 182,5\nBo Marsh; 402 lb\nCy Thorne');
  await coach.says('Write the best deadlift after the name, as in “Cy Thorne 180”.');
  await lines.sendKeys(' 150');
  expect(await coach.accessibility()).toEqual([]);
  await coach.click('Start the club');
  await coach.says('This is not a code that the terminal shows');
  await coach.type('Code of the terminal', server.code.toLowerCase());
  await coach.click('Start the club');
  await coach.says('This password is soon guessed');
  await coach.type('Password', PASSWORD);
  await coach.type('The same again', PASSWORD);
  await coach.click('Start the club');
  await coach.says('Nobody trains today');
  await coach.click('write the first session of Ana Lind');
  await coach.click('New session');
  await coach.type('Title', 'Pulls');
  await coach.overwrite(await coach.find('[aria-label="Line 1: sets"]'), 'ramp top 1x1 @ 90%');
  await coach.click('Save');
  await coach.says('Pulls');
  await coach.openLifter('Ana Lind');
  lifter = (await coach.path()).split('/')[2]!;
  await coach.until(async () => (await coach.count('[data-row]')) > 1, 'the calls');
  await coach.says('The yard');
}, 180_000);

it('an assistant joins on a tablet, logs on the floor, and changes no program', async () => {
  await coach.go('/club/people');
  await coach.type('Name', 'Ivo Brandt');
  await coach.type('E-mail', 'ivo@slag.example');
  await coach.press(By.xpath('//button[@role="radio"][normalize-space(.)="Assistant"]'));
  expect(await coach.accessibility()).toEqual([]);
  await coach.click('Make an invitation');
  const path = await shown(coach);
  // Over the gym's network it is reached by its name and https; plain http says so, and how.
  const { url, flags } = server.secure;
  const tablet = await Page.open({ width: 820, height: 1180, flags }, url);
  try {
    await tablet.driver.get(`http://gym.example:${new URL(server.url).port}/`);
    await tablet.says('This address is not safe enough');
    expect(await tablet.accessibility()).toEqual([]);
    await tablet.click('trust this machine');
    await tablet.says('Let this device trust the gym’s machine');
    expect(await tablet.accessibility()).toEqual([]);
    await join(tablet, path, 'ivo@slag.example');
    await tablet.says('1 trains today');
    await tablet.go(`/lifters/${lifter}/program`);
    await tablet.says('You read here; a coach of the club changes it.');
    expect(await (await tablet.named('New session')).isEnabled()).toBe(false);
    await tablet.go(`/lifters/${lifter}/calls`);
    await tablet.click('To the floor');
    await tablet.click('Done as called');
    await tablet.until(
      async () => (await server.query('SELECT 1 FROM logged_set')).length === 1,
      'the set to be kept',
    );
  } finally {
    await tablet.close();
  }
  // The owner reads who did it.
  await coach.go('/club/deeds');
  await coach.says('Ivo Brandt');
  await coach.says('Log a set');
  expect(await coach.accessibility()).toEqual([]);
}, 180_000);

it('past training comes in from a table, after it was looked at, and goes again in one click', async () => {
  await coach.go('/club/import');
  await (
    await coach.find('textarea')
  ).sendKeys(
    'Date;Lift;kg;Reps;Grip\n3.2.2026;Deadlift;150;3;doh\n10.2.2026;Deadlift;165;1;hook\n11.2.2026;Juggling;3;1;hook',
  );
  await coach.click('Read the cells');
  await coach.says('pasted cells: 3 rows');
  await coach.pick('Whose it is', 'Ana Lind');
  await coach.click('Look at the rows');
  await coach.says('2 sets on 2 days');
  await coach.says('“Juggling” is no lift of the catalogue');
  expect(await coach.accessibility()).toEqual([]);
  await coach.click('Bring in 2 sets');
  await coach.says('2 sets of pasted cells are in the log.');
  await coach.go(`/lifters/${lifter}/log`);
  await coach.says('165');
  await coach.go('/club/import');
  await coach.click('Undo');
  await coach.says('undone by Ada Quill');
}, 180_000);

it('a workbook brings lifters and their training, sheet by sheet, and is mapped by itself the next time', async () => {
  const folder = temporaryFolder('iron-clasp-workbook-');
  const file = pathOf(folder, 'season.xlsx');
  const day = (date: number): Date => new Date(Date.UTC(2026, 1, date));
  const log = (...rows: (string | number | Date)[][]): Uint8Array =>
    workbook({
      People: [
        ['Name', 'Best deadlift (kg)', 'Sport'],
        ['Dee Moss', 142.5, 'strongman'],
        ['Ana Lind', 180, ''],
      ],
      Training: [['When', 'Athlete', 'Movement', 'Weight (kg)', 'Reps', 'Hold time', 'How held'], ...rows],
    });
  try {
    writeFileSync(
      file,
      log(
        [day(3), 'Dee', 'Deadlift', 120, 3, '', 'doh'],
        [day(4), 'Dee', 'Farmers walk', 50, '', 32.5, 'doh'],
      ),
    );
    await coach.go('/club/import');
    await (await coach.find('input[type=file]')).sendKeys(file);
    await coach.says('season.xlsx, People: 2 rows');
    await coach.click('Look at the rows');
    await coach.says('1 lifter would come in.');
    await coach.says('Ana Lind is in the club already.');
    expect(await coach.accessibility()).toEqual([]);
    await coach.click('Bring in 1 lifter');
    await coach.says('1 lifter of season.xlsx, People is on the rack.');
    await (await coach.find('input[type=file]')).sendKeys(file);
    await coach.press(By.xpath('//button[@role="radio"][normalize-space(.)="Training"]'));
    await coach.says('season.xlsx, Training: 2 rows');
    // Its head is not one that grips go by: somebody says so, once.
    await coach.pick('Grip', 'How held (doh)');
    await coach.click('Look at the rows');
    await coach.says('2 sets on 2 days from Feb 3, 2026 to Feb 4, 2026 would come in.');
    await coach.click('Bring in 2 sets');
    await coach.says('2 sets of season.xlsx, Training are in the log.');
    writeFileSync(file, log([day(10), 'Dee', 'Deadlift', 125, 3, '', 'hook']));
    await coach.go('/club/import');
    await (await coach.find('input[type=file]')).sendKeys(file);
    await coach.press(By.xpath('//button[@role="radio"][normalize-space(.)="Training"]'));
    await coach.click('Look at the rows');
    await coach.click('Bring in 1 set');
    await coach.says('1 set of season.xlsx, Training is in the log.');
    writeFileSync(file, 'not a workbook');
    await (await coach.find('input[type=file]')).sendKeys(file);
    await coach.says('Save it once more as .xlsx, or as CSV in UTF-8.');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}, 180_000);

it('a lifter reads and logs their own on a phone; the owner removes the assistant, who is out', async () => {
  await coach.go(`/lifters/${lifter}/profile`);
  await coach.type('Invite by e-mail address', 'ana@slag.example');
  await coach.click('Make an invitation');
  const phone = await Page.open({ width: 390, height: 844 }, server.url);
  try {
    await join(phone, await shown(coach), 'ana@slag.example');
    // Her own day, with what is to be minded.
    await phone.says('Trains, and the hands were never looked at');
    await phone.click('Your account');
    await phone.says('reads and logs their own sessions');
    await phone.says('this one');
    expect(await phone.accessibility()).toEqual([]);
  } finally {
    await phone.close();
  }
  // What was done so far is backed up, and proved by restoring it.
  await coach.go('/club/backups');
  await coach.says('Nothing has been backed up yet.');
  await coach.click('Back up now');
  await coach.says(/restored and counted: \d+ rows in \d+ tables/);
  expect(await coach.accessibility()).toEqual([]);
  await coach.go('/club/people');
  await coach.says('Ivo Brandt');
  await coach.press(By.xpath('//li[contains(., "Ivo Brandt")]//button[normalize-space(.)="Remove"]'));
  await coach.says('What they wrote and logged stays, under their name.');
  await coach.press(By.css('[role=alertdialog] button:last-child'));
  await coach.says('Ivo Brandt was removed.');
  expect(
    await server.query(
      `SELECT 1 FROM sign_in s JOIN account a ON a.id = s.account_id WHERE a.name = 'Ivo Brandt'`,
    ),
  ).toEqual([]);
}, 180_000);

it('an owner makes a token for a screen on the wall, which reads with it until it is revoked', async () => {
  await coach.go('/club/api');
  await coach.says('No token yet');
  await coach.click('Make a token');
  await coach.says('Say what it is for');
  await coach.type('What it is for', 'Screen on the wall');
  await coach.click('Make a token');
  await coach.says('It is shown this once');
  expect(await coach.accessibility()).toEqual([]);
  const token = await (await coach.find('input[aria-label="Token"]')).getAttribute('value');
  const asked = async (): Promise<number> => {
    const answer = await fetch(`${server.url}/api/lifters`, {
      headers: { authorization: `Bearer ${token}` },
    });
    return answer.status;
  };
  expect(await asked()).toBe(200);
  await coach.click('Revoke Screen on the wall');
  await coach.says('Nothing that it logged goes.');
  await coach.press(By.css('[role=alertdialog] button:last-child'));
  await coach.says('Screen on the wall is revoked.');
  expect(await asked()).toBe(401);
}, 180_000);

it('the calendar of the club follows an address, and a drawing is saved as a picture', async () => {
  const folder = temporaryFolder('iron-clasp-calendar-');
  try {
    await coach.go('/club/settings');
    await coach.within('Calendar of the club', 'Whoever has the address reads it.');
    await coach.press(
      By.xpath('//section[@aria-label="Calendar of the club"]//button[normalize-space(.)="Make a link"]'),
    );
    const path = await shown(coach);
    expect(await coach.accessibility()).toEqual([]);
    const feed = await (await fetch(server.url + path)).text();
    expect(feed).toContain('SUMMARY:Ana Lind: Pulls');
    await coach.saveInto(folder);
    await coach.go(`/lifters/${lifter}/curve`);
    await coach.press(By.xpath('(//figure//button[normalize-space(.)="PNG"])[1]'));
    await coach.until(
      () => Promise.resolve(readdirSync(folder).some((name) => name.endsWith('.png'))),
      'the picture',
    );
    const [name] = readdirSync(folder);
    const bytes = readFileSync(pathOf(folder, name!));
    expect(bytes.subarray(1, 4).toString()).toBe('PNG');
    // Width and height, as its head says: twice as many dots as the drawing has.
    expect(bytes.readUInt32BE(16)).toBeGreaterThan(800);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}, 180_000);

it('the whole club goes out as a file, is deleted, and comes back with everything its people did', async () => {
  const folder = temporaryFolder('iron-clasp-export-');
  try {
    await coach.saveInto(folder);
    await coach.go('/club/export');
    await coach.says('Export the club first');
    expect(await coach.accessibility()).toEqual([]);
    await coach.click('Export the club');
    const file = await coach.saved(folder, 'Slag Lane Barbell.zip');
    await coach.type('Name of the club', 'slag lane barbell');
    await coach.click('Delete the club');
    await coach.says('Only the export that you took brings it back.');
    expect(await coach.accessibility()).toEqual([]);
    await coach.press(By.css('[role=alertdialog] button:last-child'));
    await coach.says('Nobody has started a club here yet');
    expect(await server.query('SELECT id FROM club')).toEqual([]);
    // The terminal shows a new code for whoever starts anew.
    await coach.click('Start your own club');
    await coach.click('Bring it back');
    await coach.type('Code of the terminal', server.code);
    await coach.type('E-mail', 'ivo@slag.example');
    await coach.type('Password', 'lantern moss quarry 9');
    await coach.type('The same again', 'lantern moss quarry 9');
    await coach.click('Bring the club back');
    await coach.says('Choose the file that was exported.');
    await (await coach.find('input[type=file]')).sendKeys(file);
    await coach.click('Bring the club back');
    await coach.says('No owner of this club signs in with this address.');
    expect(await coach.accessibility()).toEqual([]);
    await coach.type('E-mail', 'ada@slag.example');
    await coach.click('Bring the club back');
    await coach.says('Ana Lind');
    await coach.go(`/lifters/${lifter}/program`);
    await coach.says('Pulls');
    await coach.go('/club/deeds');
    await coach.says('Ivo Brandt');
    await coach.says('Log a set');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}, 180_000);
