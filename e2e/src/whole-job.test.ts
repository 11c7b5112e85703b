import type { CallsView, CurveView } from '@iron-clasp/contract';
import { DESK, Page } from './browser.test-helper.ts';

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
}, 180_000);
afterAll(() => page.close());

const lifterId = async (): Promise<string> => (await page.path()).split('/')[2]!;

it('a coach signs in, reads the calls and their reasons, runs the hold, and the next prescription and the curve move', async () => {
  // Signs in and sees the rack, those first who need attention.
  await page.signIn();
  await page.says('Tarn Quay Barbell');
  expect(await page.count('nav[aria-label="The rack"] li')).toBe(9);
  expect(await page.text('nav[aria-label="The rack"] li:first-child')).toMatch(
    /Jun Takeda-Moss[^]*Torn skin, left/,
  );

  // Opens Odalys: five weeks to her meet, learning hook, heavy deadlifts next.
  await page.openLifter('Odalys Brandt');
  const id = await lifterId();
  await page.says('Deadlift, heavy');
  // The lighter warm-ups are hooked, so light that they need no chalk.
  await page.says(/hook · 5, 4 reps/);
  await page.says(/straps, loop, 3 turns/);
  const before = await page.api<CurveView>('GET', `/lifters/${id}/curve`);

  // Why mixed on the top single, and what others would have called.
  await (
    await page.driver.findElement({ xpath: '//button[@data-row][starts-with(normalize-space(.), "top")]' })
  ).click();
  await page.says(/Hook stage “learn”: the lighter warm-ups only/, 'aside[aria-label="Reasons"]');
  await page.says(/logged holds and sets behind it/, 'aside[aria-label="Reasons"]');
  await page.says('What other schools would call', 'aside[aria-label="Reasons"]');
  await page.says('Hook committed', 'aside[aria-label="Reasons"]');

  // Tender skin takes one set off the hold; healed, she does them all.
  await page.healed(id);
  await page.find('[data-row]');
  // To the floor by key; the clock by space. The first hold reaches its time.
  await page.keys('f');
  await page.at(/^\/floor\//);
  const session = (await page.path()).split('/')[2]!;
  await page.says('Done as called');
  await page.toTheHold();
  await page.says('hold 1 of 2');
  const [{ hold }] = (await page.api<CallsView>('GET', `/sessions/${session}/calls`)).body.holds as [
    CallsView['holds'][0],
  ];
  await page.says(`${hold!.load} kg`);
  await page.keys(' ');
  const clock = async (): Promise<number> => Number(await page.text('section [role=timer]'));
  await page.until(async () => (await clock()) >= hold!.seconds, 'the clock to reach the target');
  await page.says('time: put it down');
  await page.keys(' ');
  await page.says('hold 2 of 2');
  await page.says(/1\d\.\d s of 10, put down/);

  // The second is typed in from a stopwatch; nonsense is refused at its field and what was typed stays.
  await page.click('By hand');
  for (const [label, typed, message] of [
    ['Seconds held', '0', /Seconds must be a number from 0.5 to 600/],
    ['Seconds held', '10000', /Seconds must be a number from 0.5 to 600/],
    ['Seconds held', 'ten', /Seconds must be a number/],
    ['Load', '-5', /Load must be a number from 1 to 600 kg/],
    ['Load', 'heavy', /Load must be a number/],
  ] as const) {
    const right = label === 'Load' ? String(hold!.load) : '10';
    await page.type(label, typed);
    await page.click('Log the hold');
    await page.says(message, 'form');
    expect(await (await page.field(label)).getAttribute('value')).toBe(typed);
    await page.type(label, right);
  }
  await page.click('Log the hold');
  await page.until(
    async () => (await page.count('ol[aria-label="Holds done"] li')) === 2,
    'both holds to be logged',
  );

  // What it changed: the next prescription, and the curve with two holds more behind it.
  await page.says(/Next time \d+(\.\d+)? kg, one step more/);
  const after = await page.api<CurveView>('GET', `/lifters/${id}/curve`);
  expect(after.body.curve.evidence.observations).toBe(before.body.curve.evidence.observations + 2);
  const next = (await page.api<CallsView>('GET', `/sessions/${session}/calls`)).body.holds[0]!.next!;
  expect(next.load).toBeGreaterThan(hold!.load);

  // The sheet shows the same after a reload.
  await page.click('Sheet');
  await page.at(/calls$/);
  await page.driver.navigate().refresh();
  await page.says(`Next time: ${next.load} kg`);
  await page.says(/held 1\d\.\d s of 10 s, put down/);
  await page.click('Curve');
  await page.at(/curve$/);
  await page.says(`${after.body.curve.evidence.observations} logged holds`);
  await page.find('svg[aria-label^="Load against seconds"]');

  // Undo takes the last one back; a slip in its place repeats the load.
  await page.go(`/floor/${session}`);
  await page.says(/1\d\.\d s of 10, put down/);
  await page.click('Undo');
  await page.until(
    async () => (await page.count('ol[aria-label="Holds done"] li')) === 1,
    'the last hold to be taken back',
  );
  await page.toTheHold();
  await page.says('hold 2 of 2');
  await page.keys(' ');
  // Pressed within the page as its clock comes to a second: a key from outside can come whole seconds later.
  await page.driver.executeAsyncScript(
    `const done = arguments[0];
     const look = () => {
       const shown = document.querySelector('section [role=timer]')?.textContent ?? '';
       if (!shown.includes('.') || Number(shown) < 1) return requestAnimationFrame(look);
       document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 's', code: 'KeyS', bubbles: true }));
       document.body.dispatchEvent(new KeyboardEvent('keyup', { key: 's', code: 'KeyS', bubbles: true }));
       done();
     };
     look();`,
  );
  await page.says(/1\.\d s of 10, slipped/);
  await page.says(/Next time[^]*same again/);
}, 240_000);
