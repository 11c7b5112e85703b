import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import type { GrippersView, SheetView, SqueezeView, TodayView } from '@iron-clasp/contract';
import { startDevice } from '../../tools/lib/device.mjs';
import { DESK, Page } from './browser.test-helper.ts';

const ROOT = join(import.meta.dirname, '..', '..');

let page: Page;
beforeAll(async () => {
  page = await Page.open(DESK);
  await page.enter();
}, 180_000);
afterAll(() => page.close());

/** Connects the dynamometer at this port and takes the first squeeze of the left hand. */
async function squeezeLeft(port: number | undefined): Promise<void> {
  await page.press(By.xpath('//button[@role="radio"][contains(., "live from a dynamometer")]'));
  await page.type('Port of the dynamometer', String(port));
  await page.click('Connect');
  await page.click('Squeeze, left hand');
  await page.says(/left \d\d\.\d/, 'ol[aria-label="Trials so far"]');
}

describe('squeeze', () => {
  it('a test of six scores is typed in hand by hand and read at once', async () => {
    const id = await page.openPage('Iskra Petrov', 'squeeze');
    await page.click('New test');
    for (const [hand, score] of [
      ['left', 'many'],
      ['left', '40.1'],
      ['right', '38'],
      ['left', '39,6'],
      ['right', '37.5'],
      ['left', '40.4'],
      ['right', '38.2'],
    ] as const) {
      await page.type(`Score, ${hand} hand`, score);
      await page.keys(Key.ENTER);
      if (score === 'many') await page.says('A score from above 0 to 150 kgf');
    }
    await page.says('All trials are done');
    await page.click('Save');
    await page.within('The latest test', '40.4');
    await page.isAccessible();
    const { tests } = (await page.api<SqueezeView>('GET', `/lifters/${id}/squeeze`)).body;
    expect(tests[0]!.trials.map((trial) => trial.force)).toEqual([40.1, 38, 39.6, 37.5, 40.4, 38.2]);
    await page.click('Undo', 'Tests');
    await page.until(
      async () =>
        !(await page.api<SqueezeView>('GET', `/lifters/${id}/squeeze`)).body.tests.some(
          (test) => test.id === tests[0]!.id,
        ),
      'the test to be gone',
    );
  }, 240_000);

  it('a live squeeze comes from the simulated dynamometer, is drawn, read and kept with its trace', async () => {
    const device = await startDevice(ROOT, {
      port: 0,
      args: ['--left', '41', '--right', '39', '--seed', '5'],
    });
    try {
      const id = await page.openPage('Iskra Petrov', 'squeeze');
      await page.click('New test');
      await page.press(By.xpath('//button[@role="radio"][contains(., "live from a dynamometer")]'));
      await page.type('Port of the dynamometer', '1');
      await page.click('Connect');
      await page.says('No dynamometer answers here');
      await page.type('Port of the dynamometer', String(device.port));
      await page.click('Connect');
      await page.says('Simulated dynamometer, 80 samples a second');
      await page.click('Tare');
      await page.click('Squeeze, left hand');
      await page.says(/left \d\d\.\d/, 'ol[aria-label="Trials so far"]');
      const frames = Number(await (await page.find('canvas')).getAttribute('data-frames'));
      expect(frames).toBeGreaterThan(60);
      await page.click('Squeeze, right hand');
      await page.says(/right \d\d\.\d/, 'ol[aria-label="Trials so far"]');
      await page.isAccessible();
      await page.click('Keep what there is');
      await page.find('section[aria-label="The latest test"]');
      await page.until(
        async () =>
          (await page.api<SqueezeView>('GET', `/lifters/${id}/squeeze`)).body.tests[0]!.source === 'device',
        'the test to be kept',
      );
      const [test] = (await page.api<SqueezeView>('GET', `/lifters/${id}/squeeze`)).body.tests;
      expect(test!.trials[0]!.force).toBeGreaterThan(36);
      expect(test!.trials[0]!.reading!.timeToPeak).toBeGreaterThan(0.1);
      await (await page.find('section[aria-label="Tests"] button[aria-label^="trace of"]')).click();
      await page.within('Tests', 'rise in 0–100 ms');
      await page.click('Undo', 'Tests');
    } finally {
      await device.stop();
    }
  }, 240_000);

  it('the test of the day runs as a lane on the floor, live, and is kept with its traces', async () => {
    const device = await startDevice(ROOT, { port: 0, args: ['--left', '41', '--right', '39'] });
    try {
      const { sessions } = (await page.api<TodayView>('GET', '/lifters/today')).body;
      const { id, lifterId } = sessions.find((each) => each.lifterName === 'Odalys Brandt')!;
      await page.go(`/floor/${id}`);
      await page.click('Squeeze test');
      await squeezeLeft(device.port);
      await page.click('Squeeze, right hand');
      await page.says(/right \d\d\.\d/, 'ol[aria-label="Trials so far"]');
      await page.isAccessible();
      await page.click('Keep what there is');
      await page.says(/Squeeze: left \d\d\.\d/, 'section[aria-label="Opening the session"]');
      await page.until(async () => {
        const { tests } = (await page.api<SqueezeView>('GET', `/lifters/${lifterId}/squeeze`)).body;
        return tests[0]?.source === 'device' && tests[0].trials.every((trial) => trial.reading !== null);
      }, 'the test to be kept');
    } finally {
      await device.stop();
    }
  }, 240_000);

  it('a dynamometer that goes away in the middle of a squeeze loses that squeeze only, and says so', async () => {
    const device = await startDevice(ROOT, { port: 0 });
    await page.openPage('Iskra Petrov', 'squeeze');
    await page.click('New test');
    await squeezeLeft(device.port);
    await page.click('Squeeze, right hand');
    await page.named('End the squeeze');
    await device.stop();
    await page.says('The connection was lost in the middle of the squeeze');
    expect(await page.text('ol[aria-label="Trials so far"]')).toMatch(/left \d\d\.\d/);
  }, 240_000);

  it('a trace file in newtons with decimal commas is read; text and a file without a squeeze are refused plainly', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'iron-clasp-traces-'));
    try {
      const write = (name: string, text: string): string => {
        writeFileSync(join(folder, name), text);
        return join(folder, name);
      };
      const rows = Array.from({ length: 480 }, (_, i) => {
        const force = i < 80 || i > 400 ? 0 : 400;
        return `${(i * 12.5).toFixed(1)};${force.toFixed(1)}`.replaceAll('.', ',');
      });
      await page.openPage('Iskra Petrov', 'squeeze');
      await page.click('New test');
      await page.press(By.xpath('//button[@role="radio"][contains(., "from a trace file")]'));
      const file = await page.find('input[type=file]');
      await file.sendKeys(write('letter.csv', 'Dear coach, the hands are well.'));
      await page.says('a table of times and forces');
      await file.sendKeys(write('still.csv', `time,force\n${rows.map((_, i) => `${i / 80},1`).join('\n')}`));
      await page.says('the force never leaves its rest');
      await file.sendKeys(write('left.csv', `\uFEFFtime (ms);force (N)\r\n${rows.join('\r\n')}`));
      await page.says('40.8 kgf');
      await page.click('Take this squeeze');
      await page.says('left 40.8', 'ol[aria-label="Trials so far"]');
    } finally {
      rmSync(folder, { recursive: true });
    }
  }, 240_000);

  it('a protocol of the club’s own is written', async () => {
    await page.openPage('Iskra Petrov', 'squeeze');
    await page.click('A protocol of our own', 'Protocols');
    await page.type('Name', 'Standing, arm straight');
    await page.type('Elbow', '270');
    await page.click('Save', 'Protocols');
    await page.says('a number from 0 to 180');
    await page.type('Elbow', '180');
    await page.click('Save', 'Protocols');
    await page.within('Protocols', 'arm straight');
  }, 180_000);

  it('a whole test runs as a lane of the floor, trial by trial, and opens its session', async () => {
    const id = await page.openPage('Ruth Calloway', 'calls');
    const { body: sheet } = await page.api<SheetView>('GET', `/lifters/${id}/sheet`);
    await page.go(`/floor/${sheet.nextSessionId}`);
    await page.click('Squeeze test');
    for (const [hand, score] of [
      ['left', '27.1'],
      ['right', '25'],
      ['left', '27.4'],
      ['right', '25.3'],
      ['left', '26.9'],
      ['right', '25.1'],
    ] as const) {
      await page.type(`Score, ${hand} hand`, score);
      await page.keys(Key.ENTER);
    }
    await page.says('All trials are done');
    await page.click('Save');
    await page.says(/Squeeze: left 27\.4/);
    const { tests } = (await page.api<SqueezeView>('GET', `/lifters/${id}/squeeze`)).body;
    expect(tests[0]!.trials).toHaveLength(6);
    await page.api('DELETE', `/squeeze-tests/${tests[0]!.id}`);
  }, 180_000);

  it('a gripper session runs as a lane on the floor, set by set, and is taken back there', async () => {
    const id = await page.openPage('Teodor Vance', 'calls');
    const { body: sheet } = await page.api<SheetView>('GET', `/lifters/${id}/sheet`);
    const attempts = async (): Promise<number> =>
      (await page.api<GrippersView>('GET', `/lifters/${id}/grippers`)).body.attempts.length;
    const before = await attempts();
    await page.size(360, 640);
    await page.go(`/floor/${sheet.nextSessionId}`);
    await page.click('All sets');
    await page.click('Grippers');
    await page.says(/working set 1 of \d/, 'section[aria-label="Grippers"]');
    await page.isAccessible();
    expect(
      await page.driver.executeScript('return document.documentElement.scrollWidth - innerWidth'),
    ).toBeLessThanOrEqual(0);
    await page.click('Closed', 'Grippers');
    await page.click('Not closed', 'Grippers');
    await page.until(async () => (await attempts()) === before + 2, 'both sets on the server');
    await page.click('Undo set', 'Grippers');
    await page.click('Undo set', 'Grippers');
    await page.says(/working set 1 of \d/, 'section[aria-label="Grippers"]');
    await page.until(async () => (await attempts()) === before, 'both to be taken back');
    await page.click('To the lane', 'Grippers');
    await page.says('Done as called');
    await page.size(1280, 800);
  }, 180_000);

  it('gripper attempts move the ladder, and are undone', async () => {
    await page.openPage('Iskra Petrov', 'grippers');
    await page.within('The ladder', 'no rating');
    await page.type('Gap left', '3');
    await page.click('Not closed', 'Log an attempt');
    await page.within('Attempts', 'not closed, 3 mm left');
    await page.click('Undo', 'Attempts');
    await page.until(async () => !(await page.text()).includes('3 mm left'), 'the attempt to be gone');
    await page.isAccessible();
  }, 180_000);
});
