import type { ProfileView, RackView } from '@iron-clasp/contract';
import { DESK, Page } from './browser.test-helper.ts';

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
}, 180_000);
afterAll(() => page.close());

it('a coach adds a lifter with three answers, gives the rest, and the change is on record', async () => {
  await page.enter();
  await page.click('New lifter');
  await page.type('Name', 'Asta Lindqvist');
  // Nonsense is refused at its field and what was typed stays.
  await page.type('Best deadlift', 'heavy');
  await page.click('Add lifter');
  await page.says(/Best deadlift must be a number from 20 to 600 kg/, 'form');
  expect(await (await page.field('Name')).getAttribute('value')).toBe('Asta Lindqvist');
  expect(await page.accessibility()).toEqual([]);
  await page.type('Best deadlift', '142,5');
  await page.click('Add lifter');
  await page.at(/\/profile$/);
  await page.says(/7 answers would sharpen the calls/);
  await page.says('Asta Lindqvist', 'nav[aria-label="The rack"]');
  await page.says(/deadlift 142\.5 kg/);
  await page.pick('School', 'Bare hands');
  await page.click('They are right as they stand');
  await page.says('6 answers are kept.');
  await page.click('Save');
  await page.says('Saved.');
  await page.says(/school: Same grip all year → Bare hands/, 'section[aria-label="What was changed"]');
  await page.until(async () => !/would sharpen/.test(await page.text()), 'the questions to be gone');
  expect(await page.accessibility()).toEqual([]);
}, 240_000);

it('a second editor is shown both versions and decides', async () => {
  const path = await page.path();
  const id = path.split('/')[2]!;
  await page.type('Best deadlift', '150');
  // Meanwhile somebody else changes two fields.
  const { body } = await page.api<{ version: number }>('GET', `/lifters/${id}/profile`);
  await page.api('PUT', `/lifters/${id}`, {
    name: 'Asta Lindqvist',
    sport: 'powerlifting',
    deadliftMax: 147.5,
    stance: 'sumo',
    version: body.version,
  });
  await page.click('Save');
  await page.says(/This lifter was changed since the page was opened/);
  await page.says(/Save mine over theirs/);
  expect(await (await page.field('Best deadlift')).getAttribute('value')).toBe('150');
  await page.click('Take theirs');
  await page.until(
    async () => (await (await page.field('Best deadlift')).getAttribute('value')) === '147.5',
    'their figure',
  );
}, 180_000);

it('a meet is added with its rules, and stands on the season strip', async () => {
  await page.click('New meet');
  await page.type('Meet', 'Estuary Cup');
  await page.click('Save', 'Meet');
  await page.says('Choose the day of the meet.');
  await page.type('Day of the meet', '14.12.2026');
  await page.type('Deadlift attempts', '135 142,5 147.5');
  await page.click('Save', 'Meet');
  await page.says(/straps barred .* attempts 135 kg, 142.5 kg, 147.5 kg/, 'section[aria-label="Meets"]');
  await page.says('Estuary Cup', '#sheet');
  expect(await page.accessibility()).toEqual([]);
}, 180_000);

it('a lifter is archived and taken back with everything', async () => {
  const rack = async (): Promise<string[]> =>
    (await page.api<RackView>('GET', '/lifters')).body.lifters.map((row) => row.name);
  await page.click('Archive the lifter');
  await page.at(/archived$/);
  await page.says('Asta Lindqvist', 'main');
  expect(await rack()).not.toContain('Asta Lindqvist');
  expect(await page.accessibility()).toEqual([]);
  await page.click('Restore');
  await page.says('Nobody is archived');
  expect(await rack()).toContain('Asta Lindqvist');
  // Out of the way again for those who come after.
  const { id } = (await page.api<RackView>('GET', '/lifters')).body.lifters.find(
    (row) => row.name === 'Asta Lindqvist',
  )!;
  const { version } = (await page.api<ProfileView>('GET', `/lifters/${id}/profile`)).body;
  await page.api('PATCH', `/lifters/${id}/archive`, { archived: true, version });
  expect(await rack()).toHaveLength(9);
}, 180_000);

it.each(['schools', 'rules', 'lifts', 'holds', 'set-up', 'slips'])(
  'the practice book, %s, passes axe on a laptop and a phone',
  async (part) => {
    await page.go(`/practice/${part}`);
    await page.says('Practice book');
    await page.find('main h2');
    expect(await page.accessibility()).toEqual([]);
    await page.size(390, 844);
    expect(await page.accessibility()).toEqual([]);
    await page.size(1280, 800);
  },
  180_000,
);

it('the catalogue is searched by kind of hand work', async () => {
  await page.go('/practice/lifts');
  const search = await page.find('main input[type=search]');
  await search.sendKeys('pinch');
  await page.says(/3 of 67/);
  await search.sendKeys('xyz');
  await page.says(/Nothing here is called/);
}, 180_000);
