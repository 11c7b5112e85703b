import { InvalidInputError } from '../errors.ts';
import { LIFTS } from './lifts.ts';
import { setDemand } from './set-demand.ts';

describe('setDemand', () => {
  it.each([
    [
      { lift: 'deadlift.conventional', reps: 1, load: 200 },
      { seconds: 5, load: 210 },
    ],
    [
      { lift: 'deadlift.conventional', reps: 5, load: 140, style: 'reset' as const },
      { seconds: 12, load: 147 },
    ],
    [
      { lift: 'deadlift.conventional', reps: 5, load: 140, style: 'touchAndGo' as const },
      { seconds: 25, load: 147 },
    ],
    [
      { lift: 'romanian', reps: 8, load: 100 },
      { seconds: 32, load: 105 },
    ],
    [
      { lift: 'snatch', reps: 2, load: 100 },
      { seconds: 4.05, load: 130 },
    ],
    [
      { lift: 'carry.handles', reps: 1, load: 200, seconds: 40 },
      { seconds: 40, load: 220 },
    ],
    [
      { lift: 'hold.front-rack', reps: 1, load: 180, seconds: 10 },
      { seconds: 10, load: 180 },
    ],
  ])('%j', (set, expected) => {
    const found = setDemand(set);
    expect(found.seconds).toBeCloseTo(expected.seconds, 9);
    expect(found.load).toBeCloseTo(expected.load, 9);
  });

  it('takes a timed length over the catalogue’s', () => {
    expect(setDemand({ lift: 'deadlift.conventional', reps: 5, load: 140, seconds: 31 }).seconds).toBe(31);
  });

  it.each([
    [{ lift: 'kettle', reps: 1, load: 100 }, 'lift'],
    [{ lift: 'snatch', reps: 0, load: 100 }, 'reps'],
    [{ lift: 'snatch', reps: 1, load: -5 }, 'load'],
  ])('refuses %j', (set, field) => {
    expect(() => setDemand(set)).toThrow(expect.objectContaining({ name: InvalidInputError.name, field }));
  });
});

it('every lift of the catalogue has its own id, and a strap fit where straps are allowed', () => {
  expect(new Set(LIFTS.map((lift) => lift.id)).size).toBe(LIFTS.length);
  for (const lift of LIFTS) if (lift.straps.allowed) expect(lift.strapFit).toBeDefined();
});
