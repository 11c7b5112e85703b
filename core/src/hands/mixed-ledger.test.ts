import { mixedLedger, nextSideUnder } from './mixed-ledger.ts';

describe('mixed-grip ledger', () => {
  const ledger = mixedLedger([
    { sideUnder: 'left', reps: 3, load: 100, seconds: 10 },
    { sideUnder: 'right', reps: 1, load: 100, seconds: 5 },
    { sideUnder: 'left', reps: 1, load: 200, seconds: 5 },
  ]);

  it('adds up sets, reps, load-reps and load-seconds by the side turned under', () => {
    expect(ledger.left).toEqual({ sets: 2, reps: 4, loadReps: 500, loadSeconds: 2000 });
    expect(ledger.right).toEqual({ sets: 1, reps: 1, loadReps: 100, loadSeconds: 500 });
    expect(ledger.imbalance).toBeCloseTo(0.6, 12);
  });

  it('multiplies the load by repetitions and by seconds; work with no load leaves the sides even', () => {
    const one = mixedLedger([{ sideUnder: 'right', reps: 4, load: 60, seconds: 8 }]);
    expect(one.right).toEqual({ sets: 1, reps: 4, loadReps: 240, loadSeconds: 480 });
    expect(one.imbalance).toBe(1);
    const none = mixedLedger([{ sideUnder: 'right', reps: 4, load: 0, seconds: 8 }]);
    expect(none).toMatchObject({ right: { sets: 1, loadReps: 0 }, imbalance: 0 });
    expect(nextSideUnder(none, 'left')).toBe('right');
  });

  it('proposes the side with less behind it, and the non-dominant hand when even', () => {
    expect(nextSideUnder(ledger, 'right')).toBe('right');
    expect(nextSideUnder(mixedLedger([]), 'right')).toBe('left');
    expect(mixedLedger([]).imbalance).toBe(0);
  });
});
