import { By } from 'selenium-webdriver';
import { DESK, Page } from './browser.test-helper.ts';

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
}, 180_000);
afterAll(() => page.close());

const line = (n: number): string => `input[aria-label="Line ${n}: sets"]`;
const write = async (n: number, text: string): Promise<void> => {
  const field = await page.find(line(n));
  await field.sendKeys(text);
};

it('a coach writes a session by keyboard, is shown the character that cannot be read, and its calls stand', async () => {
  await page.enter();
  await page.openLifter('Kofi Adeyemi-Lund');
  await page.click('Program');
  await page.says('From the library');
  expect(await page.accessibility()).toEqual([]);
  await page.click('New session');
  await page.says('How a line is written');
  await page.type('Title', 'Event pulls');
  await write(1, 'ramp top 2x1 @ 91%');
  await page.says(/warm-up .* · top /, 'ol[aria-label="Lines"]');
  // Enter opens the next line; nonsense is marked where it stands, and Write it keeps everything.
  await (await page.find(line(1))).sendKeys('\n');
  await write(2, 'back-off 3x4 @ lots');
  await page.says(/At character 16: A load stands here/, 'ol[aria-label="Lines"]');
  expect(await page.accessibility()).toEqual([]);
  await page.click('Save');
  await page.says(/At character 16/, 'form [role=alert]');
  expect(await (await page.find(line(1))).getAttribute('value')).toBe('ramp top 2x1 @ 91%');
  const second = await page.find(line(2));
  await page.overwrite(second, 'back-off 3x4 @ 76%');
  await page.click('Save');
  await page.says('Event pulls', 'section[aria-label="Coming sessions"]');
}, 240_000);

it('changes it, moves a line by key, and copies it a week on', async () => {
  const change = By.xpath('//button[starts-with(@aria-label, "Edit Event pulls")]');
  await page.press(change);
  await page.find(line(2));
  // What was written comes back as it was written.
  expect(await (await page.find(line(1))).getAttribute('value')).toBe('ramp top 2x1 @ 91%');
  await page.click('Move line 2 up');
  await page.until(
    async () => /^back-off/.test((await (await page.find(line(1))).getAttribute('value')) ?? ''),
    'the line to move',
  );
  await page.click('Move line 1 down');
  await page.type('Title', 'Event pulls, heavy');
  await page.click('Save');
  await page.says('Event pulls, heavy', 'section[aria-label="Coming sessions"]');
  await page.press(By.xpath('//button[starts-with(@aria-label, "Copy Event pulls, heavy")]'));
  await page.click('Edit the copy first');
  await page.find(line(2));
  await page.click('Save');
  await page.until(
    async () =>
      (await page.text('section[aria-label="Coming sessions"]')).split('Event pulls, heavy').length === 3,
    'the copy',
  );
}, 240_000);

it('a half-written session outlives another tab, a reload and a sign-out, and is given up by Cancel', async () => {
  await page.openLifter('Teodor Vance');
  const program = (await page.path()).replace(/calls$/, 'program');
  await page.click('Program');
  await page.click('New session');
  await page.type('Title', 'Half a plan');
  await write(1, 'top 1x1 @ 91%');
  await page.click('Hands');
  await page.says('What you typed is kept as a draft.');
  await page.go(program);
  await page.says('Your draft of one waits there.');
  await page.click('New session');
  await page.says('it is not saved yet');
  expect(await (await page.field('Title')).getAttribute('value')).toBe('Half a plan');
  expect(await page.accessibility()).toEqual([]);
  await page.click('Sign out');
  await page.at(/sign-in/);
  await page.signIn();
  await page.go(program);
  await page.click('New session');
  expect(await (await page.find(line(1))).getAttribute('value')).toBe('top 1x1 @ 91%');
  await page.click('Discard draft');
  expect(await (await page.field('Title')).getAttribute('value')).toBe('');
  await page.type('Title', 'Another');
  await page.click('Cancel');
  await page.click('New session');
  expect(await (await page.field('Title')).getAttribute('value')).toBe('');
}, 180_000);

it('a week goes to several lifters at their own loads, is taken back, and a session is started from the library', async () => {
  await page.openLifter('Odalys Brandt');
  await page.click('Program');
  const copyWeek = By.xpath('(//section[@aria-labelledby]//button[starts-with(., "copy")])[1]');
  await page.press(copyWeek);
  const panel = 'form[aria-label^="Copy Week of"]';
  for (const name of ['Odalys Brandt', 'Teodor Vance', 'Iskra Petrov'])
    await page.press(By.xpath(`//label[.="${name}"]`));
  // A year on, where nothing is written yet.
  await page.type('To the week of', '30 Nov 2027');
  expect(await page.accessibility()).toEqual([]);
  await page.click('Copy to 2 lifters');
  await page.says(/Iskra Petrov\s+\w{3} \d/, panel);
  await page.says(/Teodor Vance\s+\w{3} \d/, panel);
  await page.click('Undo');
  await page.until(
    async () => (await page.text(panel)).split('Iskra Petrov').length === 2,
    'what was copied to be taken back',
  );
  await page.click('Save to the library');
  await page.type('Title in the library', 'Base week');
  await page.click('Save');
  await page.says('Saved to the library.', panel);
  await page.click('Cancel');
  await page.openLifter('Teodor Vance');
  await page.click('Program');
  await page.click('From the library');
  await page.says(/Base week.*%/s, 'section[aria-label="Library"]');
  expect(await page.accessibility()).toEqual([]);
  await page.click('Edit Base week');
  await page.type('Title of session 1', 'Changed in the library');
  expect(await page.accessibility()).toEqual([]);
  await page.click('Save', 'Edit Base week');
  await page.says(/Base week.*Changed in the library/s, 'section[aria-label="Library"]');
  await page.click('Use Base week');
  await page.type('To the week of', '30 Nov 2027');
  await page.click('Copy');
  await page.says(/Teodor Vance\s+\w{3} \d/, 'form[aria-label="Copy Base week"]');
}, 240_000);
