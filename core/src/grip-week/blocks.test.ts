import { curveAround } from '../calls/fixtures.test-helper.ts';
import { findSchool } from '../calls/schools.ts';
import { holdSeconds } from '../clasp-curve/hold-seconds.ts';
import type { HoldObservation } from '../clasp-curve/types.ts';
import { fitMovingCurve, type MovingCurve } from '../clasp-curve/moving-curve.ts';
import { blockReport, type BlockQuestion } from './block-report.ts';
import { HARD_SHARE_OF_BEST, isHardEffort } from './hard-effort.ts';
import { proposeHoldBlock, type HoldBlockQuestion } from './hold-block.ts';
import { strapsOffOn } from './straps-off.ts';

describe('the kind of a block follows its cause', () => {
  const kinds = (more: Partial<HoldBlockQuestion>): readonly string[] =>
    proposeHoldBlock({
      today: '2026-11-23',
      school: findSchool('same-grip')!,
      heavySets: { done: 10, slipped: 3 },
      ...more,
    }).kinds;

  it.each([
    ['singles that slip', {}, ['frontRackHold']],
    ['a novice', { trainingMonths: 8 }, ['overhandReps', 'carry']],
    ['a year of training', { trainingMonths: 12 }, ['frontRackHold']],
    ['events', { sport: 'strongman' as const }, ['behindBackHold', 'carry']],
    ['a bar that rolls to the fingertips', { rolledToFingertips: 2 }, ['thickBarHold', 'deadHang']],
    ['one such slip among three', { rolledToFingertips: 1 }, ['frontRackHold']],
  ])('%s', (_name, more, wanted) => {
    expect(kinds(more)).toEqual(wanted);
  });

  it('where none is proposed there is none', () => {
    expect(kinds({ heavySets: { done: 10, slipped: 0 } })).toEqual([]);
  });
});

describe('blockReport', () => {
  const hold = (ageDays: number, load: number, seconds: number): HoldObservation => ({
    ...{ load, seconds, ageDays, grip: 'hook' },
    ended: 'slipped',
  });
  /** Twelve slips about the load that is held for ten seconds. */
  const many = (from: number, to: number, ten: number): HoldObservation[] =>
    Array.from({ length: 12 }, (_, i) => {
      const share = [0.9, 1, 1.1][i % 3]!;
      return hold(from - ((from - to) * i) / 11, ten * share, 10 * share ** -3.5 * [0.95, 1.05][i % 2]!);
    });
  const fitted = (rows: HoldObservation[]): MovingCurve => fitMovingCurve(rows, { referenceLoad: 140 });
  const ask = (more: Partial<BlockQuestion> = {}): ReturnType<typeof blockReport> =>
    blockReport({
      ...{ today: '2026-11-26', startsOn: '2026-09-07', endsOn: '2026-10-04' },
      moving: fitted([...many(160, 82, 125), ...many(78, 20, 140)]),
      heavySets: [
        { on: '2026-09-01', slipped: true, confidence: 2 },
        { on: '2026-09-03', slipped: false, confidence: 3 },
        { on: '2026-08-01', slipped: true },
        { on: '2026-10-02', slipped: false, confidence: 5 },
      ],
      ...more,
    });

  it('tells the load held 10 s, slips and confidence before it, at its end and four weeks later', () => {
    const { moments, verdict, text } = ask();
    expect(moments.map(({ when, on }) => [when, on])).toEqual([
      ['before', '2026-09-06'],
      ['after', '2026-10-04'],
      ['fourWeeksLater', '2026-11-01'],
    ]);
    expect(moments[0]).toMatchObject({ heavy: 2, slipped: 1, confidence: 2.5 });
    expect(moments[1]).toMatchObject({ heavy: 1, slipped: 0, confidence: 5 });
    expect(moments[2]).toMatchObject({ heavy: 0, confidence: null });
    expect(moments[2]!.tenSeconds.value).toBeGreaterThan(moments[0]!.tenSeconds.value);
    expect(verdict).toBe('up');
    expect(text).toMatch(/\+\d+ %, more than its doubt/);
  });

  it('a change smaller than its doubt is said to be none', () => {
    const same = ask({ moving: fitted([...many(160, 82, 120), ...many(78, 20, 121)]) });
    expect(same.verdict).toBe('unclear');
    expect(same.text).toMatch(/no change can be told/);
  });

  it('is a loss where the hands hold less', () => {
    expect(ask({ moving: fitted([...many(160, 82, 140), ...many(78, 20, 125)]) }).verdict).toBe('down');
  });

  it('is not judged before it is over', () => {
    const running = ask({ today: '2026-10-03' });
    expect(running).toMatchObject({ verdict: 'notYet', moments: [{ when: 'before' }] });
    expect(ask({ today: '2026-10-04' }).moments).toHaveLength(2);
  });
});

describe('isHardEffort', () => {
  const curve = curveAround(130);
  const best = holdSeconds(curve, { load: 120, probability: 0.5 });
  const held = (seconds: number, ended: 'slipped' | 'stopped' = 'stopped'): boolean =>
    isHardEffort(curve, { load: 120, seconds, ended });

  it('a hold well short of the time that the curve predicts is an easy one', () => {
    expect(held(best * HARD_SHARE_OF_BEST * 1.01)).toBe(true);
    expect(held(best * HARD_SHARE_OF_BEST * 0.99)).toBe(false);
  });

  it('what slipped was at the limit, however short', () => {
    expect(held(1, 'slipped')).toBe(true);
  });
});

describe('strapsOffOn', () => {
  const use = (day: number, strapped: boolean): { on: string; strapped: boolean } => ({
    on: `2026-11-${String(day).padStart(2, '0')}`,
    strapped,
  });
  const TODAY = '2026-11-26';

  it('is the first day without, where they were usual', () => {
    const uses = [use(2, true), use(2, false), use(5, true), use(9, false), use(12, false)];
    expect(strapsOffOn(uses, TODAY)).toBe('2026-11-09');
  });

  it('is not said after one day, of straps still used, or of straps that were the exception', () => {
    expect(strapsOffOn([use(5, true), use(9, false)], TODAY)).toBeUndefined();
    expect(strapsOffOn([use(5, true), use(9, false), use(12, false), use(14, true)], TODAY)).toBeUndefined();
    const rare = [use(5, true), use(5, false), use(5, false), use(5, false), use(9, false), use(12, false)];
    expect(strapsOffOn(rare, TODAY)).toBeUndefined();
    expect(strapsOffOn([], TODAY)).toBeUndefined();
    expect(strapsOffOn([use(1, true), use(28, false), use(29, false)], TODAY)).toBeUndefined();
  });
});
