import { mixedLedger, type MixedLedger } from '../hands/mixed-ledger.ts';
import type { Side } from '../hands/hand-state.ts';
import { context, lifter, set } from './fixtures.test-helper.ts';
import type { Barred } from './rules.ts';
import { sideUnder } from './side-under.ts';
import type { Reason } from './types.ts';

const barred = (side?: Side, reason: Partial<Reason> = {}): Barred =>
  ({
    sidesUnder: new Map(
      side && [
        [side, { ruleId: 'safety.biceps', rank: 'safety', text: 'The biceps was repaired.', ...reason }],
      ],
    ),
  }) as unknown as Barred;
const asked = (more: Parameters<typeof context>[0] = {}, bar = barred()): ReturnType<typeof sideUnder> =>
  sideUnder(context(more), bar);
/** So many single pulls of 100 kg for 10 s under each side. */
const ledger = (left: number, right: number, load = 100): MixedLedger =>
  mixedLedger([
    ...Array.from({ length: left }, () => ({ sideUnder: 'left' as const, reps: 1, load: 100, seconds: 10 })),
    ...Array.from({ length: right }, () => ({ sideUnder: 'right' as const, reps: 1, load, seconds: 10 })),
  ]);
const light = set({ role: 'warmup' });

describe('the hand under', () => {
  it('is the coach’s where they say one, then the line’s', () => {
    const override = { choice: 'mixed', sideUnder: 'right', reason: 'as ever', by: 'Maren' } as const;
    expect(asked({ override, set: set({ under: 'left' }) })).toEqual({
      side: 'right',
      reason: { ruleId: 'override.coach', rank: 'override', text: 'Maren turns the right hand under.' },
    });
    expect(asked({ set: set({ under: 'right' }) })).toEqual({
      side: 'right',
      reason: { ruleId: 'line.fixed', rank: 'override', text: 'The line asks for the right hand under.' },
    });
  });

  it('is the other one where that side is barred, and says why', () => {
    const override = { choice: 'mixed', sideUnder: 'left', reason: 'as ever', by: 'Maren' } as const;
    for (const more of [{ override }, { set: set({ under: 'left' }) }, {}])
      expect(asked(more, barred('left'))).toEqual({
        side: 'right',
        reason: {
          ...{ ruleId: 'safety.biceps', rank: 'safety' },
          text: 'Right hand under: the biceps was repaired.',
        },
      });
    // A slip of today is advice: the coach’s word stands against it.
    expect(asked({ override }, barred('left', { rank: 'adaptation' })).side).toBe('left');
  });

  it('is the practised one for what is heavy: as told, else with more behind it, else the non-dominant', () => {
    const told = asked({ lifter: lifter({ practisedUnder: 'right' }), ledger: ledger(3, 1) });
    expect(told).toMatchObject({
      side: 'right',
      reason: { ruleId: 'ledger.practised-side', rank: 'ledger' },
    });
    expect(told.reason.text).toBe(
      'Right hand under: the practised side; an unpractised side costs a heavy lift.',
    );
    const more = asked({ ledger: ledger(1, 3) });
    expect(more).toMatchObject({ side: 'right' });
    expect(more.reason.text).toContain('the side with more behind it, taken as the practised one');
    expect(asked({ ledger: ledger(3, 1) }).side).toBe('left');
    const first = asked({ lifter: lifter({ dominantHand: 'left' }) });
    expect(first.side).toBe('right');
    expect(first.reason.text).toContain('the usual start, dominant hand over');
    const even = asked({ ledger: ledger(2, 2) });
    expect(even.side).toBe('left');
    expect(even.reason.text).toContain('the side with more behind it');
    // As much work in fewer sets is as much.
    expect(asked({ ledger: ledger(2, 1, 200), lifter: lifter({ dominantHand: 'left' }) }).side).toBe('right');
  });

  it('is the ledger’s for what is light, with what stands in it', () => {
    const none = asked({ set: light });
    expect(none).toMatchObject({ side: 'left', reason: { ruleId: 'ledger.next-side', rank: 'ledger' } });
    expect(none.reason.text).toBe('Left hand under: nothing in the ledger yet, so the non-dominant hand.');
    expect(asked({ set: light, ledger: ledger(2, 2) }).reason.text).toBe(
      'Left hand under: the left side has less behind it (2 sets left, 2 right).',
    );
    expect(asked({ set: light, ledger: ledger(5, 3) }).reason.text).toBe(
      'Right hand under: the right side has less behind it (5 sets left, 3 right).',
    );
    // From three quarters on one side on it speaks up.
    const flagged = asked({ set: light, ledger: ledger(3, 1) }).reason.text.replaceAll('\u00a0', ' ');
    expect(flagged).toBe(
      'Right hand under: the right side has less behind it (3 sets left, 1 right); imbalance 50 %, even it out.',
    );
  });

  it('alternates as the lifter does, and never on an attempt', () => {
    const side = (alternation: 'never' | 'always', role: 'top' | 'warmup' | 'attempt'): Side =>
      asked({ lifter: lifter({ alternation }), set: set({ role }), ledger: ledger(3, 1) }).side;
    expect(side('never', 'warmup')).toBe('left');
    expect(side('always', 'top')).toBe('right');
    expect(side('always', 'attempt')).toBe('left');
    expect(asked({ set: set({ role: 'attempt' }), ledger: ledger(3, 1) }).side).toBe('left');
  });
});
