import { lifter, set } from './fixtures.test-helper.ts';
import { applies, bareOrder } from './school-policy.ts';
import type { StrapCondition } from './school.ts';
import { findSchool } from './schools.ts';
import type { CallLifter, Reason } from './types.ts';

type Facts = Parameters<typeof applies>[1];
const facts = (more: Partial<CallLifter> = {}): Facts => ({ lifter: lifter(more), set: set() }) as Facts;
const met = (condition: StrapCondition, more: Partial<CallLifter> = {}): boolean =>
  applies({ when: [condition] }, facts(more));

describe('the best bare grip', () => {
  const school = { ...findSchool('overhand-first')!, ladder: { ...findSchool('overhand-first')!.ladder } };
  school.ladder.top = ['doubleOverhand', 'bestBare'];
  const barred = (...grips: string[]): Parameters<typeof bareOrder>[2] =>
    ({ choices: new Map(grips.map((grip) => [grip, {} as Reason])) }) as unknown as Parameters<
      typeof bareOrder
    >[2];
  const order = (hook: number, mixed: number, ...without: string[]): string[] =>
    bareOrder(school, 'top', barred(...without), (grip) => (grip === 'hook' ? hook : mixed));

  it('is the one that holds more by the lifter’s own curve, mixed where both hold the same', () => {
    expect(order(200, 190)).toEqual(['doubleOverhand', 'hook']);
    expect(order(190, 200)).toEqual(['doubleOverhand', 'mixed']);
    expect(order(200, 200)).toEqual(['doubleOverhand', 'mixed']);
  });

  it('is the other where one is barred, and none where both are', () => {
    expect(order(200, 190, 'hook')).toEqual(['doubleOverhand', 'mixed']);
    expect(order(190, 200, 'mixed')).toEqual(['doubleOverhand', 'hook']);
    expect(order(200, 190, 'mixed', 'hook', 'doubleOverhand')).toEqual([]);
  });
});

describe('a condition of straps', () => {
  it('asks whether the lifter clenches', () => {
    expect(met({ kind: 'clenches' }, { clenches: true })).toBe(true);
    expect(met({ kind: 'clenches' }, { clenches: false })).toBe(false);
    expect(met({ kind: 'clenches' })).toBe(false);
  });

  it('asks what the line is there for, else what the lift is', () => {
    const back = (lift: string, purpose?: 'back' | 'grip'): boolean =>
      applies({ when: [{ kind: 'aimIsBack' }] }, {
        ...facts(),
        set: { ...set({ lift }), ...(purpose && { purpose }) },
      } as Facts);
    expect([back('row.barbell'), back('row.barbell', 'grip')]).toEqual([true, false]);
    expect([back('deadlift.conventional'), back('deadlift.conventional', 'back')]).toEqual([false, true]);
  });

  it('asks for less than so many months of training', () => {
    const below = { kind: 'trainingMonthsBelow', months: 24 } as const;
    expect([23, 24, 25].map((trainingMonths) => met(below, { trainingMonths }))).toEqual([
      true,
      false,
      false,
    ]);
  });

  it('asks for grip work, and for a slip of today', () => {
    expect(
      [true, false, undefined].map((gripWorkHigh) =>
        met({ kind: 'gripWorkHigh' }, { ...(gripWorkHigh !== undefined && { gripWorkHigh }) }),
      ),
    ).toEqual([true, false, false]);
    expect(met({ kind: 'slippedToday' })).toBe(false);
    expect(met({ kind: 'slippedToday' }, { slippedToday: [] })).toBe(false);
    expect(met({ kind: 'slippedToday' }, { slippedToday: [{ grip: 'hook', load: 100 }] })).toBe(true);
  });

  it('asks for a share of the deadlift max, and is met at it', () => {
    const share = { kind: 'loadAtLeastShareOfMax', share: 0.8 } as const;
    expect([201, 200, 199].map((deadliftMax) => met(share, { deadliftMax }))).toEqual([false, true, true]);
  });

  it('asks what the next event allows, where the day has none of its own', () => {
    const allows = { kind: 'eventAllowsStraps' } as const;
    expect([true, false].map((nextEventStraps) => met(allows, { nextEventStraps }))).toEqual([true, false]);
    expect(met(allows)).toBe(false);
    const day = { ...facts({ nextEventStraps: true }), event: { straps: false } };
    expect(applies({ when: [allows] }, day as Facts)).toBe(false);
  });

  it('all of them must hold, and none asked is met', () => {
    const both = [{ kind: 'clenches' }, { kind: 'trainingMonthsBelow', months: 24 }] as const;
    expect(applies({ when: both }, facts({ clenches: true, trainingMonths: 12 }))).toBe(true);
    expect(applies({ when: both }, facts({ clenches: true, trainingMonths: 36 }))).toBe(false);
    expect(applies({ when: both }, facts({ trainingMonths: 12 }))).toBe(false);
    expect(applies({ when: [] }, facts())).toBe(true);
  });
});
