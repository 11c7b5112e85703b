import fc from 'fast-check';
import { analyseTrace } from './analyse-trace.ts';
import { cleanTrace } from './clean-trace.ts';
import { repeatedContractions } from './repeated-contractions.ts';

/** Samples a function of time at a rate. */
function sampled(
  force: (t: number) => number,
  seconds: number,
  rate = 80,
): { times: number[]; forces: number[] } {
  const times = Array.from({ length: Math.round(seconds * rate) + 1 }, (_, i) => i / rate);
  return { times, forces: times.map(force) };
}

/** Rest for 1 s on an offset of 3 kgf, a straight rise to 50 in half a second, held to 6 s, let go. */
const squeeze = (t: number): number => 3 + (t < 1 ? 0 : t < 1.5 ? (t - 1) * 100 : t <= 6 ? 50 : 0);

describe('analyseTrace', () => {
  const reading = analyseTrace(sampled(squeeze, 8))!;

  it('tares by the quiet start and finds onset, peak and end', () => {
    expect(reading.tare).toBeCloseTo(3, 9);
    expect(reading.rate).toBeCloseTo(80, 6);
    expect(reading.onset).toBeCloseTo(1.0125, 9);
    expect(reading.peak).toBeCloseTo(50, 9);
    expect(reading.onset + reading.timeToPeak).toBeCloseTo(1.5, 9);
    expect(reading.end).toBeCloseTo(6, 2);
  });

  it('gives the rate of force development of the straight rise', () => {
    expect(reading.rateOfForceDevelopment100).toBeCloseTo(100, 6);
    expect(reading.rateOfForceDevelopment200).toBeCloseTo(100, 6);
  });

  it('integrates: the rise is a triangle, the hold a block', () => {
    // From onset (where the rise has already reached its threshold) to the end at 6 s.
    const start = reading.onset - 1;
    expect(reading.impulse).toBeCloseTo((0.5 * 0.5 * 100) / 2 - (start * start * 100) / 2 + 4.5 * 50, 2);
    expect(reading.meanOfLastSecond).toBeCloseTo(50, 6);
    expect(reading.fatigueIndex).toBeCloseTo(0, 6);
  });

  it('reads fatigue as the share lost after the peak', () => {
    // Falls from 60 straight to 30 over ten seconds: a quarter of the block is lost.
    const tiring = analyseTrace(
      sampled((t) => (t < 1 ? 0 : t < 1.25 ? (t - 1) * 240 : 60 - (t - 1.25) * 3), 11.25),
    )!;
    expect(tiring.fatigueIndex).toBeCloseTo(25, 0);
  });

  it('finds nothing in a trace at rest', () => {
    expect(analyseTrace(sampled(() => 2, 5))).toBeUndefined();
  });

  it('is not moved by spikes, dropped samples and a negative tare, and reports them', () => {
    const { times, forces } = sampled((t) => squeeze(t) - 5, 8);
    forces[200] = 180;
    forces[300] = Number.NaN;
    forces[620] = -40;
    times.splice(400, 3);
    forces.splice(400, 3);
    const marred = analyseTrace({ times, forces })!;
    expect(marred.peak).toBeCloseTo(50, 6);
    expect(marred.impulse).toBeCloseTo(reading.impulse, 6);
    expect(marred.problems).toMatchObject({ spikes: 2, dropped: 4, noQuietStart: false });
    expect(marred.problems.longestGap).toBeCloseTo(4 / 80, 6);
  });

  it('says where the start was not quiet', () => {
    const abrupt = analyseTrace(sampled((t) => 20 + 40 * Math.min(1, t * 2), 5))!;
    expect(abrupt.problems.noQuietStart).toBe(true);
    expect(abrupt.tare).toBe(0);
  });

  it.each<[string, () => unknown, RegExp]>([
    ['one sample', () => analyseTrace({ times: [0], forces: [1] }), /at least 25 samples/],
    ['unequal lists', () => analyseTrace({ times: [0, 1], forces: [1] }), /as many as the 2 times/],
    ['text', () => analyseTrace('trace' as never), /times must be a list/],
    ['too slow', () => analyseTrace(sampled(squeeze, 8, 20)), /50 Hz or faster/],
    [
      'milliseconds',
      () => analyseTrace({ ...sampled(squeeze, 8), times: sampled(squeeze, 8).times.map((t) => t * 1000) }),
      /milliseconds divided by 1000/,
    ],
    ['newtons', () => analyseTrace(sampled((t) => squeeze(t) * 9.81, 8)), /newtons divided by 9.81/],
    [
      'too many',
      () => analyseTrace({ times: new Float64Array(1_000_001), forces: new Float64Array(1_000_001) }),
      /cut the trace/,
    ],
  ])('answers plainly: %s', (_name, ask, words) => expect(ask).toThrow(words));

  it('whatever the samples, gives finite figures or a typed error', () => {
    const sample = fc.oneof(fc.double({ min: -50, max: 200 }), fc.constant(Number.NaN), fc.constant(0));
    fc.assert(
      fc.property(fc.array(sample, { minLength: 20, maxLength: 300 }), (forces) => {
        let found: ReturnType<typeof analyseTrace>;
        try {
          found = analyseTrace({ times: forces.map((_, i) => i / 80), forces });
        } catch (error) {
          expect((error as Error).name).toBe('InvalidInputError');
          return;
        }
        for (const [key, value] of Object.entries(found ?? {}))
          if (key !== 'problems' && value !== null) expect(Number.isFinite(value)).toBe(true);
      }),
    );
  });
});

describe('repeatedContractions', () => {
  /** Twenty-four of 7 s on and 3 s off, from 60 down to 30 kgf, starting two seconds late. */
  const level = (i: number): number => 30 + 30 * Math.exp(-i / 4);
  const work = sampled((t) => {
    const since = t - 2;
    const i = Math.floor(since / 10);
    return since < 0 || i >= 24 || since % 10 > 7 ? 0 : level(i);
  }, 245);
  const reading = repeatedContractions(work);

  it('finds each with its mean', () => {
    expect(reading).toMatchObject({ complete: true });
    expect(reading.contractions).toHaveLength(24);
    reading.contractions.forEach(({ mean }, i) => expect(mean).toBeCloseTo(level(i), 1));
  });

  it('end-test force is the mean of the last six, work is what lay above it', () => {
    const means = Array.from({ length: 24 }, (_, i) => level(i));
    const end = means.slice(18).reduce((sum, each) => sum + each, 0) / 6;
    expect(reading.endTestForce!).toBeCloseTo(end, 1);
    const above = means.reduce((sum, each) => sum + Math.max(0, each - end) * 7, 0);
    expect(Math.abs(reading.workAboveEndTest! / above - 1)).toBeLessThan(0.02);
  });

  it('a test broken off is read as far as it went', () => {
    const cut = work.times.filter((t) => t < 45).length;
    const part = repeatedContractions({ times: work.times.slice(0, cut), forces: work.forces.slice(0, cut) });
    expect(part).toMatchObject({ complete: false, endTestForce: null });
    expect(part.contractions).toHaveLength(5);
    expect(repeatedContractions(sampled(() => 0, 60)).contractions).toEqual([]);
  });

  it('refuses a protocol that makes no sense', () => {
    expect(() => repeatedContractions(work, { count: 1, on: 7, off: 3 })).toThrow(/protocol\.count/);
    expect(() => repeatedContractions(work, { count: 6, on: 0.5, off: 3 })).toThrow(/protocol\.on/);
  });
});

it('cleanTrace keeps the samples it was given', () => {
  const given = sampled(squeeze, 8);
  const before = [...given.forces];
  cleanTrace(given);
  expect(given.forces).toEqual(before);
});
