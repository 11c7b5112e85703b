import { compareAtSameLoad, type ComparedWork } from './same-load.ts';
import { squeezeAgainstHold } from './squeeze-against-hold.ts';
import { topAndBackOff, type TopAndBackOff } from './top-and-back-off.ts';

const TODAY = '2026-11-22';
const hold = (on: string, more: Partial<ComparedWork> = {}): ComparedWork => ({
  ...{ on, lift: 'hold.front-rack', load: 150, reps: 1, grip: 'hook', strapped: false, slipped: false },
  ...more,
});

describe('this week against last at the same load', () => {
  it.each([
    ['a slip fewer', { slipped: true }, { slipped: false }, 'better'],
    ['a slip more', { slipped: false }, { slipped: true }, 'worse'],
    ['two seconds longer', { seconds: 8 }, { seconds: 10 }, 'better'],
    ['half a second, which no hand-stopped clock tells', { seconds: 9.6 }, { seconds: 10 }, 'same'],
    ['a repetition fewer', { reps: 5 }, { reps: 4 }, 'worse'],
    ['a slip outranks seconds', { seconds: 10 }, { seconds: 14, slipped: true }, 'worse'],
  ] as const)('%s', (_, last, now, verdict) => {
    const [row] = compareAtSameLoad([hold('2026-11-13', last), hold('2026-11-20', now)], TODAY);
    expect(row!.verdict).toBe(verdict);
  });

  it('compares nothing across loads, grips or straps, or more than eight weeks back', () => {
    const rows = [
      hold('2026-11-13', { load: 147.5 }),
      hold('2026-11-13', { grip: 'mixed' }),
      hold('2026-11-13', { strapped: true }),
      hold('2026-09-10'),
      hold('2026-11-20'),
    ];
    expect(compareAtSameLoad(rows, TODAY)).toEqual([]);
  });

  it('goes back to the latest week in which the load was done, and says how far', () => {
    const rows = [
      hold('2026-10-20', { slipped: true }),
      hold('2026-11-03', { seconds: 8 }),
      hold('2026-11-20', { seconds: 10 }),
    ];
    const [row] = compareAtSameLoad(rows, TODAY);
    expect(row).toMatchObject({
      weeksBack: 2,
      verdict: 'better',
      why: '10.0 s held against 8.0 s, 2 weeks ago',
    });
  });

  it('counts sets, slips and the worst pain of each week, the heaviest first', () => {
    const rows = compareAtSameLoad(
      [
        hold('2026-11-13', { pain: 2 }),
        hold('2026-11-14', { pain: 5, slipped: true }),
        hold('2026-11-20', { pain: 1 }),
        hold('2026-11-13', { load: 180 }),
        hold('2026-11-20', { load: 180 }),
      ],
      TODAY,
    );
    expect(rows.map((row) => row.load)).toEqual([180, 150]);
    expect(rows[1]!.lastWeek).toMatchObject({ sets: 2, slips: 1, worstPain: 5 });
    expect(rows[1]!.thisWeek).toMatchObject({ sets: 1, slips: 0, worstPain: 1, longest: null });
  });
});

describe('top single against back-off', () => {
  const sessions = (n: number, more: Partial<TopAndBackOff>, slipped: number): TopAndBackOff[] =>
    Array.from({ length: n }, (_, i) => ({
      on: '2026-11-01',
      topGrip: 'hook',
      backOffGrip: 'straps',
      backOffSlipped: false,
      topSlipped: i < slipped,
      ...more,
    }));

  it('strapped back-offs that go well while hooked singles slip are the trap', () => {
    const [found] = topAndBackOff(sessions(12, {}, 5));
    expect(found).toMatchObject({ trap: true, sessions: 12, cleanSessions: 12 });
    expect(found!.slippedAfterClean!.value).toBeCloseTo(5 / 12);
    expect(found!.words).toMatch(/12 times, and the top set slipped in 5/);
  });

  it('is no trap where the single holds, and says nothing from three sessions', () => {
    expect(topAndBackOff(sessions(12, { topGrip: 'mixed', backOffGrip: 'mixed' }, 0))[0]!.trap).toBe(false);
    const [few] = topAndBackOff(sessions(3, {}, 3));
    expect(few).toMatchObject({ trap: false });
    expect(few!.words).toMatch(/too few/);
  });

  it('keeps pairings apart and tells clean back-offs from slipping ones', () => {
    const found = topAndBackOff([
      ...sessions(6, { topGrip: 'mixed', backOffGrip: 'mixed' }, 0),
      ...sessions(4, { topGrip: 'mixed', backOffGrip: 'mixed', backOffSlipped: true }, 3),
      ...sessions(5, {}, 1),
    ]);
    expect(found.map((each) => each.sessions)).toEqual([10, 5]);
    expect(found[0]!.slippedAfterSlip!.value).toBeCloseTo(0.75);
    expect(found[0]!.slippedAfterClean!.value).toBe(0);
  });
});

// Figures of an independent statistics package: Pearson's r and its 80 % interval by Fisher's transformation.
describe('squeeze against hold', () => {
  const pairs = (
    rows: readonly (readonly [number, number])[],
  ): { squeeze: number; tenSecondLoad: number }[] =>
    rows.map(([squeeze, tenSecondLoad]) => ({ squeeze, tenSecondLoad }));
  const ROWS = [
    [96, 118],
    [99, 123],
    [97, 121],
    [103, 127],
    [101, 126],
    [106, 131],
    [104, 130],
  ] as const;

  it('gives r of the changes from test to test, and its interval', () => {
    const found = squeezeAgainstHold(pairs(ROWS));
    expect(found.correlation!.value).toBeCloseTo(0.9748109, 6);
    expect(found.correlation!.low).toBeCloseTo(0.8938997, 6);
    expect(found.correlation!.high).toBeCloseTo(0.9942086, 6);
    expect(found.verdict).toBe('together');
  });

  it('claims nothing of two figures that only grow side by side', () => {
    const growing = [0, 1, 2, 3, 4, 5, 6, 7].map(
      (i) => [90 + 2 * i + (i % 2), 110 + 2 * i + [1, 0, 0, 1, 1, 0, 0, 1][i]!] as const,
    );
    expect(squeezeAgainstHold(pairs(growing)).verdict).toBe('unknown');
  });

  it('claims nothing from five tests, from scores that stand still, or from an interval over zero', () => {
    expect(squeezeAgainstHold(pairs(ROWS.slice(0, 5))).correlation).toBeNull();
    expect(squeezeAgainstHold(pairs(ROWS.map(([, y]) => [100, y] as const))).verdict).toBe('unknown');
    const loose = pairs(ROWS.map(([x], i) => [x, [120, 121, 121, 120, 120, 121, 120][i]!] as const));
    expect(squeezeAgainstHold(loose)).toMatchObject({ verdict: 'unknown', correlation: expect.anything() });
  });
});

it('loads that only the plates’ unit tells apart are the same load', () => {
  const held = { lift: 'hold.front-rack', reps: 1, grip: 'hook', strapped: false, slipped: false } as const;
  const [found] = compareAtSameLoad(
    [
      { ...held, on: '2026-11-14', load: 99.8, seconds: 8 },
      { ...held, on: '2026-11-21', load: 100, seconds: 10 },
    ],
    '2026-11-22',
  );
  expect(found).toMatchObject({ verdict: 'better', weeksBack: 1 });
});
