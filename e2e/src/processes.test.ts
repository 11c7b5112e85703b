import { Page } from './browser.test-helper.ts';
import { OwnServer } from './own-server.test-helper.ts';

/*
 * Two processes of the server behind a proxy, neither of which a page is bound to. One of them is killed again and again while
 * a set is logged on a phone and followed on a laptop.
 */

const ROUNDS = 2;
let server: OwnServer;
let phone: Page;
let laptop: Page;
let session: string;
beforeAll(async () => {
  server = await OwnServer.several(2);
  [phone, laptop] = await Promise.all([
    Page.open({ width: 390, height: 844 }, server.url),
    Page.open({ width: 1280, height: 800 }, server.url),
  ]);
  await Promise.all([phone.enter(), laptop.enter()]);
  session = await server.sessionOf('Odalys Brandt', 'Deadlift, heavy');
}, 240_000);
afterAll(async () => {
  await phone?.close();
  await laptop?.close();
  await server?.stop();
});

it('what one process keeps the other shows, and a killed one costs nothing', async () => {
  await phone.go(`/floor/${session}`);
  await phone.find('section[aria-label="The set"]');
  await laptop.go(`/live/${session}`);
  await laptop.says('as it happens');
  // Both count alike, the hold that follows too.
  const [, all] = /of (\d+)/.exec(await phone.text('header [role=status]'))!;
  let done = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const restart = await server.killOne(round % 2);
    await phone.click('Done as called');
    done += 1;
    await phone.says(new RegExp(`${done} of \\d+ done$`), 'header [role=status]');
    // The stream broke where it hung on the killed one: it goes on at the other, with nothing missed.
    await laptop.says(`${done} of ${all}`);
    await restart();
    await phone.click('Done as called');
    done += 1;
    await laptop.says(`${done} of ${all}`);
  }
  await laptop.says('as it happens');
  await phone.sent();
  expect(await server.stored(session)).toBe(done);
}, 180_000);
