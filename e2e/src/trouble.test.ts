import { randomUUID } from 'node:crypto';
import { CHALK_RULE_NAMES } from '@iron-clasp/core';
import type { CallsView, SheetView } from '@iron-clasp/contract';
import { COACH, Page } from './browser.test-helper.ts';

let page: Page;
/** Teodor’s next session that has a hold, and the holds that are logged in it. */
let session: string;
let before: number;
beforeAll(async () => {
  page = await Page.open();
  await page.enter();
  await page.openLifter('Teodor Vance');
  const id = (await page.path()).split('/')[2]!;
  const sheet = await page.api<SheetView>('GET', `/lifters/${id}/sheet`);
  session = sheet.body.season.sessions.find((each) => !each.done && each.title === 'Deadlift, heavy')!.id;
  before = await holdsKept();
}, 180_000);
afterAll(() => page.close());

const holdsKept = async (): Promise<number> =>
  (await page.api<CallsView>('GET', `/sessions/${session}/calls`)).body.holdsDone.length;
const stored = async (): Promise<number> => (await holdsKept()) - before;

const holdsSeen = (n: number): Promise<void> =>
  page.until(
    async () => (await page.count('ol[aria-label="Holds done"] li')) === before + n,
    `${n} holds on the page`,
  );

async function logByHand(seconds: string): Promise<void> {
  await page.toTheHold();
  await page.click('By hand');
  await page.type('Seconds held', seconds);
  await page.click('Log the hold');
}

it('keeps a hold when the connection is lost, shows it waiting, and sends it once when it is back', async () => {
  await page.go(`/floor/${session}`);
  await page.toTheHold();
  await page.says(/hold \d+ of \d+/);
  await page.offline(true);
  await logByHand('9');
  await page.says('1 waiting');
  await page.says(/9\.0 s of \d+, put down, waiting for the server/);
  await page.offline(false);
  await page.until(async () => !(await page.text()).includes('waiting'), 'the entry to be sent');
  await holdsSeen(1);
  expect(await stored()).toBe(1);
}, 180_000);

it('keeps a waiting hold over a closed page', async () => {
  await page.offline(true);
  await logByHand('8');
  await page.says('1 waiting');
  await page.go('about:blank').catch(() => undefined);
  await page.driver.get('about:blank');
  await page.offline(false);
  await page.go(`/floor/${session}`);
  await holdsSeen(2);
  await page.until(async () => !(await page.text()).includes('waiting'), 'the entry to be sent');
  expect(await stored()).toBe(2);
}, 180_000);

it('takes a hold back without a network, and the server follows', async () => {
  await page.go(`/floor/${session}`);
  await holdsSeen(2);
  await page.offline(true);
  await page.click('Undo');
  await holdsSeen(1);
  expect(await page.text('ol[aria-label="Holds done"]')).not.toContain('8.0 s');
  await page.offline(false);
  await page.until(async () => (await stored()) === 1, 'the server to take it back');
  await logByHand('8');
  await page.until(async () => (await stored()) === 2, 'the hold in its place');
}, 180_000);

it('a coach who was signed out meanwhile is led to the sign-in, loses nothing, and comes back', async () => {
  await page.go(`/floor/${session}`);
  await holdsSeen(2);
  await page.driver.manage().deleteAllCookies();
  await logByHand('7');
  await page.at(/^\/sign-in/);
  await page.says('One log entry is kept on this device');
  // Whoever else signs in on this device does not send it.
  await page.type('E-mail', 'odalys@tarnquay.example');
  await page.type('Password', 'rope-works-27');
  await page.click('Sign in');
  await page.until(async () => !(await page.path()).startsWith('/sign-in'), 'the lifter to be signed in');
  await page.go('/');
  await page.says('Your hands');
  await page.click('Sign out');
  await page.at(/^\/sign-in/);
  await page.says('One log entry is kept on this device');
  await page.go(`/sign-in?next=${encodeURIComponent(`/floor/${session}`)}`);
  await page.type('E-mail', COACH.email);
  await page.type('Password', COACH.password);
  await page.click('Sign in');
  await page.at(/^\/floor\//);
  await holdsSeen(3);
  await page.until(async () => !(await page.text()).includes('waiting'), 'the entry to be sent');
  expect(await stored()).toBe(3);
}, 180_000);

it('says plainly that a page is stale, and shows the change after a reload', async () => {
  await page.openLifter('Ruth Calloway');
  const id = (await page.path()).split('/')[2]!;
  const next = (await page.api<SheetView>('GET', `/lifters/${id}/sheet`)).body.nextSessionId!;
  const { session: head } = (await page.api<CallsView>('GET', `/sessions/${next}/calls`)).body;
  const elsewhere = head.venues.find((venue) => venue.chalk === 'liquid')!;
  // Somebody else moves the session while this page is open.
  await page.api('PATCH', `/sessions/${next}`, { venueId: elsewhere.id, version: head.version });
  const third = head.venues.find((venue) => venue.id !== elsewhere.id && venue.id !== head.venue.id)!;
  await page.pick('Venue of the session', `${third.name}, ${CHALK_RULE_NAMES[third.chalk]}`);
  await page.says('This session was changed since the page was opened');
  await page.click('Try again');
  await page.until(
    async () => (await (await page.list('Venue of the session')).getText()).startsWith(elsewhere.name),
    'the other venue',
  );
  await page.says(/liquid chalk/);
}, 180_000);

it('an unknown lifter, an unknown session and an unknown address each say where to go', async () => {
  await page.go(`/lifters/${randomUUID()}/calls`);
  await page.says('This lifter is not in your club, or is no longer there');
  await page.click('To Today');
  await page.at(/^\/$/);
  await page.go(`/floor/${randomUUID()}`);
  await page.says('This session is not in your club');
  await page.go('/somewhere/else');
  await page.says('Nothing at this address');
}, 180_000);

it('a wrong password is said at the form, and the address stays typed', async () => {
  await page.driver.manage().deleteAllCookies();
  await page.go('/sign-in');
  await page.click('Sign in');
  await page.says('Type the e-mail address');
  await page.type('E-mail', COACH.email);
  await page.type('Password', 'not this one');
  await page.click('Sign in');
  await page.says('E-mail and password do not belong together');
  expect(await (await page.field('E-mail')).getAttribute('value')).toBe(COACH.email);
}, 180_000);
