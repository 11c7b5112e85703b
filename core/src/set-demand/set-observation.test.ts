import { observeSet } from './set-observation.ts';

const pull = { lift: 'deadlift.conventional', load: 200, reps: 3, grip: 'hook', strapped: false } as const;

describe('observeSet', () => {
  it('is a hold as long as the set’s demand, stopped on purpose', () => {
    expect(observeSet({ ...pull, reps: 1 })).toEqual({
      load: 210,
      seconds: 5,
      ended: 'stopped',
      grip: 'hook',
    });
  });

  it('ends somewhere within the repetition that slipped', () => {
    expect(observeSet({ ...pull, slippedAtRep: 1 })).toMatchObject({
      seconds: 2.5,
      within: [0, 5],
      ended: 'slipped',
    });
    // Reset repetitions: 5 s after one, 6.75 s after two.
    const second = observeSet({ ...pull, slippedAtRep: 2 })!;
    expect(second.within).toEqual([5, 6.75]);
    expect(second.seconds).toBeCloseTo(5.875, 9);
  });

  it('ends at its own time where it was timed', () => {
    const timed = observeSet({ ...pull, slippedAtRep: 2, seconds: 8 })!;
    expect(timed).toMatchObject({ seconds: 8, ended: 'slipped' });
    expect(timed.within).toBeUndefined();
  });

  it('tells nothing where the hands were not tested', () => {
    expect(observeSet({ ...pull, strapped: true })).toBeUndefined();
    expect(observeSet({ ...pull, lift: 'squat' })).toBeUndefined();
  });

  it('refuses a slip outside the set', () => {
    expect(() => observeSet({ ...pull, slippedAtRep: 4 })).toThrow(
      /slippedAtRep must be a whole number from 1 to 3/,
    );
  });
});
