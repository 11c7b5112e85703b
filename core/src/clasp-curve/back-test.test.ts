import {
  addBackTests,
  backTest,
  BACK_TEST_ENOUGH,
  readBackTest,
  type BackTestTally,
  type HoldTrial,
} from './back-test.ts';
import {
  movingLifter,
  PLANTED_REFERENCE,
  WANTED_SECONDS,
  type Movement,
} from './moving-lifter.test-helper.ts';
import type { HoldObservation } from './types.ts';

const OPTIONS = { referenceLoad: PLANTED_REFERENCE };
const steady: Movement = { name: 'days vary', gain: 0.003, walk: 0.005, days: 0.03 };

/** The planted log as what was asked: the seconds wanted lie in the order in which they are planted. */
function asked(log: readonly HoldObservation[]): HoldTrial[] {
  return log.map(({ load, seconds, ended, ageDays = 0 }, i) => ({
    ...{ load, ageDays, lasted: seconds, slipped: ended === 'slipped', held: ended === 'stopped' },
    seconds: WANTED_SECONDS[i % 3]!,
  }));
}

const test = (seed: number, movement = steady, weeks = 8): BackTestTally => {
  const { log } = movingLifter(seed, movement);
  return backTest(log, asked(log), OPTIONS, weeks);
};

it('foretells each trial of the weeks behind once, whatever number of weeks foretold it', () => {
  const { log } = movingLifter(4, steady);
  const tally = backTest(log, asked(log), OPTIONS, 8);
  const within = log.filter(({ ageDays = 0 }) => ageDays < 56).length;
  expect(tally.weeks).toBe(8);
  expect(tally.trials).toBeCloseTo(within, 9);
  expect(tally.tenths.reduce((sum, each) => sum + each.count, 0)).toBeCloseTo(within, 9);
  expect([...tally.slips, ...tally.stops].reduce((sum, each) => sum + each, 0)).toBeCloseTo(within, 9);
});

it('knows nothing of what came later: another end of the log changes only what is held, not what is said', () => {
  const { log } = movingLifter(9, steady);
  const trials = asked(log).filter((each) => each.ageDays < 7);
  const before = log.filter(({ ageDays = 0 }) => ageDays >= 7);
  const said = (rows: readonly HoldObservation[]): number[] =>
    backTest(rows, trials, OPTIONS, 1).tenths.map((each) => each.said);
  const otherwise = log.map((each) => ((each.ageDays ?? 0) < 7 ? { ...each, load: 2 * each.load } : each));
  expect(said(log)).toEqual(said(before));
  expect(said(otherwise)).toEqual(said(before));
});

it('finds its own chances sound on planted lifters, better than their usual share, and its early slips about one in ten', () => {
  const reading = readBackTest(addBackTests(Array.from({ length: 6 }, (_, i) => test(40 + i))));
  expect(reading.trials).toBeGreaterThan(300);
  expect(Math.abs(reading.said - reading.held)).toBeLessThan(0.06);
  expect(reading.brier).toBeLessThan(reading.usual);
  expect(reading.early).toBeGreaterThan(0.03);
  expect(reading.early).toBeLessThan(0.17);
  for (const { said, held, trials } of reading.tenths)
    if (trials > 60) expect(Math.abs(said - held.value)).toBeLessThan(0.2);
});

it('says that it hoped too much where the hands fail far more often than before', () => {
  const { log } = movingLifter(3, steady);
  const trials = asked(log).map((each) =>
    each.ageDays < 28 ? { ...each, held: false, slipped: true, lasted: 1 } : each,
  );
  const reading = readBackTest(backTest(log, trials, OPTIONS, 4));
  expect(reading.verdict).toBe('hopeful');
  const better = asked(log).map((each) =>
    each.ageDays < 28 ? { ...each, held: true, slipped: false, lasted: each.seconds } : each,
  );
  expect(readBackTest(backTest(log, better, OPTIONS, 4)).verdict).toBe('cautious');
});

it('judges nothing on a few trials, and nothing at all without a log', () => {
  const { log } = movingLifter(2, steady);
  const few = asked(log).filter((each) => each.ageDays < 14);
  const reading = readBackTest(backTest(log, few, OPTIONS, 4));
  expect(reading.trials).toBeLessThan(BACK_TEST_ENOUGH);
  expect(reading).toMatchObject({ verdict: 'tooFew' });
  expect(readBackTest(backTest([], asked(log), OPTIONS, 4))).toMatchObject({
    ...{ weeks: 0, trials: 0, tenths: [], brier: 0, coverage: null, early: null, verdict: 'tooFew' },
  });
});

it('tells the share inside the range where holds are taken to their end, and not where all are ended before', () => {
  const twentieths = (slips: readonly number[], stops: readonly number[]): BackTestTally => ({
    ...addBackTests([]),
    ...{ slips, stops },
  });
  const even = Array<number>(20).fill(10);
  const none = Array<number>(20).fill(0);
  const all = readBackTest(twentieths(even, none));
  expect(all.early).toBeCloseTo(0.1, 12);
  expect(all.coverage).toBeCloseTo(0.8, 12);
  // Half of them ended on purpose half way: the others still tell the same.
  const halved = readBackTest(
    twentieths(
      even.map((each, i) => (i < 10 ? each : each / 2)),
      none.map((_, i) => (i === 9 ? 50 : 0)),
    ),
  );
  expect(halved.early).toBeCloseTo(0.1, 12);
  expect(halved.coverage).toBeCloseTo(0.8, 12);
  const short = readBackTest(twentieths(none.with(0, 5), none.with(6, 95)));
  expect(short.early).toBeCloseTo(0.05, 12);
  expect(short.coverage).toBeNull();
});

it('adds up: two lifters together are what each of them is', () => {
  const [a, b] = [test(5), test(6)];
  const both = addBackTests([a, b]);
  expect(both.trials).toBeCloseTo(a.trials + b.trials, 9);
  expect(both.brier).toBeCloseTo(a.brier + b.brier, 9);
  expect(both.tenths[8]!.held).toBeCloseTo(a.tenths[8]!.held + b.tenths[8]!.held, 9);
  expect(addBackTests([both])).toEqual(both);
});
