import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import type { HoldsView, RackView, SqueezeView } from '@iron-clasp/contract';
import { startDevice } from '../../tools/lib/device.mjs';
import { Page, query } from './browser.test-helper.ts';

const ROOT = join(import.meta.dirname, '..', '..');

let page: Page;
beforeAll(async () => {
  page = await Page.open();
  await page.signIn();
}, 180_000);
afterAll(() => page.close());

let ids: ReadonlyMap<string, string>;
/** Opens a page of the lifter's sheet; its address is asked for once. */
async function open(name: string, path: string): Promise<string> {
  ids ??= new Map(
    (await page.api<RackView>('GET', '/lifters')).body.lifters.map((row) => [row.name, row.id]),
  );
  const id = ids.get(name)!;
  await page.go(`/lifters/${id}/${path}`);
  await page.says(name, 'h1');
  return id;
}
const within = (section: string, words: string): Promise<void> =>
  page.says(words, `section[aria-label="${section}"]`);
/** Presses a button inside a section, by its words. */
async function press(section: string, words: string): Promise<void> {
  const xpath = `//section[@aria-label="${section}"]//*[self::button or self::summary][contains(normalize-space(.), "${words}")]`;
  let found = await page.driver.findElements(By.xpath(xpath));
  await page.until(async () => {
    found = await page.driver.findElements(By.xpath(xpath));
    return found.length > 0 && (await found[0]!.isEnabled());
  }, `a button "${words}" in ${section}`);
  await page.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', found[0]!);
  await found[0]!.click();
}
const isAccessible = async (): Promise<void> => expect(await page.accessibility()).toEqual([]);

describe('holds', () => {
  it('a prescribed hold is accepted, taken back, changed with a reason and skipped with one', async () => {
    await open('Kofi Adeyemi-Lund', 'holds');
    await within('Next holds', 'Behind-back hold');
    await press('Next holds', 'Accept');
    await within('Next holds', 'accepted by Maren Solvik');
    await press('Next holds', 'Undo');
    await press('Next holds', 'Edit');
    await page.type('Load', '150');
    await press('Next holds', 'Save');
    await page.says('Say why in 3 to 300 characters');
    await page.type('Why', 'medley on Saturday');
    await press('Next holds', 'Save');
    await within('Next holds', 'at 150 kg');
    await within('Next holds', 'Changed by Maren Solvik: medley on Saturday');
    await press('Next holds', 'Undo');
    await press('Next holds', 'Skip');
    await page.type('Why', 'event the day after');
    await press('Next holds', 'Skip it');
    await within('Next holds', 'Skipped by Maren Solvik: event the day after');
    await press('Next holds', 'Undo');
    await page.named('Accept');
    await isAccessible();
  }, 240_000);

  it('a block of two weeks is placed, moved a week by keyboard, and taken off with its holds', async () => {
    const id = await open('Ruth Calloway', 'holds');
    const blocks = async (): Promise<HoldsView> =>
      (await page.api<HoldsView>('GET', `/lifters/${id}/holds`)).body;
    await press('Hold blocks', 'A block of our own');
    await page.pick('Weeks', '2');
    await press('Hold blocks', 'Place the block');
    await within('Hold blocks', '2 weeks, 2 holds to come');
    const before = (await blocks()).blocks.at(-1)!;
    const slider = await page.find('g[role=slider]');
    await page.driver.executeScript('arguments[0].focus()', slider);
    await page.keys(Key.ARROW_RIGHT, Key.ENTER);
    await page.until(
      async () => (await blocks()).blocks.find((block) => block.id === before.id)!.from > before.from,
      'the block a week later',
    );
    await press('Hold blocks', 'Remove');
    await page.until(
      async () => !(await page.text()).includes('2 weeks, 2 holds to come'),
      'the block to be off',
    );
    expect((await blocks()).planned.some((each) => each.blockId === before.id)).toBe(false);
  }, 240_000);

  it('a hold is planned after a session’s lifts, where the venue has the kit, and taken out', async () => {
    const id = await open('Ruth Calloway', 'holds');
    await within('Plan a hold', 'After the lifts of');
    await press('Plan a hold', 'Add the hold');
    await page.until(
      async () =>
        (await page.api<HoldsView>('GET', `/lifters/${id}/holds`)).body.planned.some(
          (each) => each.kind === 'frontRackHold',
        ),
      'the hold to be planned',
    );
    await press('Next holds', 'Remove');
  }, 180_000);

  it('a kind is set up: what it is for, never above, a target, the pins; several blocks lie side by side', async () => {
    const id = await open('Kofi Adeyemi-Lund', 'holds');
    await within('Next holds', 'Behind-back hold');
    await press('Next holds', 'Set up');
    await page.pick('What it is for', 'for medleys: 60 s');
    await page.type('Target', '150');
    await press('Next holds', 'Save');
    await page.says('Choose the day of the target');
    await isAccessible();
    await page.type('Target day', '20.1.2027');
    await page.type('Never above', '140');
    await press('Next holds', 'Save');
    await within('Next holds', '3 × 60 s');
    await within('Next holds', 'Target: 150 kg');
    await within('Next holds', 'as the hands are now');
    const setting = (await page.api<HoldsView>('GET', `/lifters/${id}/holds`)).body.kinds.find(
      (each) => each.kind === 'behindBackHold',
    )!.setting!;
    expect(setting).toMatchObject({ aim: 'medleys', ceiling: 140, target: { load: 150, on: '2027-01-20' } });
    await open('Odalys Brandt', 'holds');
    await within('Hold blocks', 'What blocks did');
  }, 240_000);

  it('forearm work goes into the program in one click', async () => {
    const id = await open('Ruth Calloway', 'holds');
    const proposed = async (): Promise<string[]> =>
      (await page.api<HoldsView>('GET', `/lifters/${id}/holds`)).body.week.forearm.sessions.map(
        (session) => session.on,
      );
    const [first] = await proposed();
    await press('Forearm and wrist week', 'Add');
    await page.until(async () => !(await proposed()).includes(first!), 'the day to be taken');
  }, 180_000);

  it('the week says what is missing, what would fill it, and which rule clashes', async () => {
    await open('Noor Haddad', 'holds');
    await within('Forearm and wrist week', 'finger opening');
    await within('Forearm and wrist week', 'Rule: Closing work without opening work');
    await within('Forearm and wrist week', 'Band');
  }, 180_000);
});

describe('the curve', () => {
  it('answers how long and what load, by slider and along the axis, and reads its points by keyboard', async () => {
    await open('Teodor Vance', 'curve');
    const slider = await page.find('section[aria-label="Ask the curve"] [role=slider]');
    await page.driver.executeScript('arguments[0].focus()', slider);
    await page.keys(Key.ARROW_RIGHT);
    await page.says(/as often as not, .* nine times in ten/, 'section[aria-label="Ask the curve"]');
    const chart = await page.find('svg[aria-label^="Load against seconds"]');
    await page.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', chart);
    await page.driver
      .actions({ async: true })
      .move({ origin: chart, x: -300, y: 180 })
      .press()
      .move({ origin: chart, x: -100, y: 180 })
      .release()
      .perform();
    await page.says(/holds and sets behind it/, 'section[aria-label="Ask the curve"]');
    const group = await page.find('section[aria-label="Clasp curve"] [role=group][tabindex="0"]');
    await page.driver.executeScript('arguments[0].focus()', group);
    await page.keys(Key.ARROW_RIGHT);
    await page.says(/days ago \d+ · load/, 'section[aria-label="Clasp curve"]');
    await (await page.find('section[aria-label="Clasp curve"] button[role=checkbox]')).click();
    await page.says('seconds held', 'section[aria-label="Clasp curve"]');
    await within('How the hands moved', 'holds and sets');
    await page.click('What the curve is, and what it cannot know');
    await page.says('What it cannot know');
    await isAccessible();
  }, 240_000);
});

describe('squeeze', () => {
  it('a test of six scores is typed in hand by hand and read at once', async () => {
    const id = await open('Iskra Petrov', 'squeeze');
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
    await within('The latest test', '40.4');
    await isAccessible();
    const { tests } = (await page.api<SqueezeView>('GET', `/lifters/${id}/squeeze`)).body;
    expect(tests[0]!.trials.map((trial) => trial.force)).toEqual([40.1, 38, 39.6, 37.5, 40.4, 38.2]);
    await press('Tests', 'Undo');
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
      const id = await open('Iskra Petrov', 'squeeze');
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
      await isAccessible();
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
      await within('Tests', 'rise in 0–100 ms');
      await press('Tests', 'Undo');
    } finally {
      await device.stop();
    }
  }, 240_000);

  it('a dynamometer that goes away in the middle of a squeeze loses that squeeze only, and says so', async () => {
    const device = await startDevice(ROOT, { port: 0 });
    await open('Iskra Petrov', 'squeeze');
    await page.click('New test');
    await page.press(By.xpath('//button[@role="radio"][contains(., "live from a dynamometer")]'));
    await page.type('Port of the dynamometer', String(device.port));
    await page.click('Connect');
    await page.click('Squeeze, left hand');
    await page.says(/left \d\d\.\d/, 'ol[aria-label="Trials so far"]');
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
      await open('Iskra Petrov', 'squeeze');
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
    await open('Iskra Petrov', 'squeeze');
    await press('Protocols', 'A protocol of our own');
    await page.type('Name', 'Standing, arm straight');
    await page.type('Elbow', '270');
    await press('Protocols', 'Save');
    await page.says('a number from 0 to 180');
    await page.type('Elbow', '180');
    await press('Protocols', 'Save');
    await within('Protocols', 'arm straight');
  }, 180_000);

  it('gripper attempts move the ladder, and are undone', async () => {
    await open('Iskra Petrov', 'grippers');
    await within('The ladder', 'no rating');
    await page.type('Gap left', '3');
    await press('Log an attempt', 'Not closed');
    await within('Attempts', 'not closed, 3 mm left');
    await press('Attempts', 'Undo');
    await page.until(async () => !(await page.text()).includes('3 mm left'), 'the attempt to be gone');
    await isAccessible();
  }, 180_000);
});

describe('hands, comparisons and the club', () => {
  it('the hands over time are walked check by check, with the hook, the ledger and what is cleared', async () => {
    await open('Odalys Brandt', 'hands');
    await within('The hook', 'learn');
    await within('The hook', 'kg·s spent');
    await within('Mixed-grip ledger', 'hand under');
    const slider = await page.find('section[aria-label="The hands over time"] [role=slider]');
    await page.driver.executeScript('arguments[0].focus()', slider);
    const last = await page.text('section[aria-label="The hands over time"] [role=status] b');
    await page.keys(Key.ARROW_LEFT);
    await page.until(
      async () =>
        (await page.driver.executeScript<string>(
          'return arguments[0].getAttribute("aria-valuetext")',
          slider,
        )) !== last && (await slider.getAttribute('aria-valuenow')) === '15',
      'the check before',
    );
    await isAccessible();
  }, 180_000);

  it('Odalys’s strapped back-offs are shown not to foretell her hooked singles', async () => {
    await open('Odalys Brandt', 'compare');
    await within('Top set against back-off', 'They do not foretell the single');
    await within('Left against right', 'load-seconds');
    await within('Squeeze against holding', '12 tests');
    await isAccessible();
  }, 180_000);

  it('the track record says what was said beforehand, of a lifter and of the club', async () => {
    await open('Odalys Brandt', 'curve');
    await page.click('Track record');
    await within('Track record', 'sets and holds it expected');
    await within('Track record', 'The chances can be taken as they are said.');
    await isAccessible();
    await page.go('/club');
    await within('Track record', 'sets and holds it expected');
    await page.click('Odalys Brandt', 'Track record');
    await page.at(/\/track-record$/);
  }, 240_000);

  it('the club says who needs the coach; one step leads to where it is mended', async () => {
    await page.go('/club');
    await within('Who needs attention', 'Jun Takeda-Moss');
    await isAccessible();
    await page.click('Test the squeeze of Noor Haddad');
    await page.at(/\/squeeze$/);
    await within('The latest test', 'down');
  }, 180_000);

  it('all curves are fitted with progress, cancelled, and fitted to the end', async () => {
    // A large club for a while: nine curves are read faster than anybody cancels.
    await query(`INSERT INTO lifter (id, club_id, name, sport, unit, dominant_hand, stance, deadlift_max, training_since, school_id, hook_stage, thresholds)
      SELECT gen_random_uuid(), club_id, 'Guest ' || n, sport, unit, dominant_hand, stance, deadlift_max, training_since, school_id, hook_stage, thresholds
        FROM lifter, generate_series(1, 500) n WHERE name = 'Odalys Brandt'`);
    await page.go('/club');
    await page.click('Fit all curves');
    await page.click('Cancel');
    await page.says(/Cancelled after \d/);
    await query(`DELETE FROM lifter WHERE name LIKE 'Guest %'`);
    await page.click('Fit them again');
    await page.until(
      async () => (await page.count('section[aria-label="All curves over all weeks"] h3')) === 9,
      'nine curves',
    );
    await isAccessible();
  }, 240_000);

  it.each(['holds', 'squeeze', 'grippers', 'compare', 'hands', 'curve'])(
    '%s fits a phone',
    async (path) => {
      await page.size(390, 844);
      await open('Odalys Brandt', path);
      await page.find('main section, section[aria-label]');
      await page.until(
        async () =>
          (await page.driver.executeScript<number>(
            'return document.documentElement.scrollWidth - window.innerWidth',
          )) <= 0,
        'no sideways scrolling',
      );
      await page.size(1280, 800);
    },
    180_000,
  );
});
