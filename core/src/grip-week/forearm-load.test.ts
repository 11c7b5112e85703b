import { LIFTS } from '../set-demand/lifts.ts';
import { forearmLoad } from './forearm-load.ts';
import { planForearmWeek } from './forearm-week.ts';

const CURL = 'wrist-curl.behind-back';

describe('the load of forearm work', () => {
  it('starts light, moves a step once all of it was reached, and stays where it was not', () => {
    const first = forearmLoad(CURL, 160);
    expect(first).toEqual({ load: 24, change: 'start' });
    expect(forearmLoad(CURL, 160, { lift: CURL, load: 24, reached: true })).toEqual({
      load: 25,
      change: 'add',
    });
    expect(forearmLoad(CURL, 160, { lift: CURL, load: 24, reached: false })).toEqual({
      load: 24,
      change: 'repeat',
    });
  });

  it.each([
    [5, 5.5],
    [9.5, 10],
    [10, 11],
    [29, 30],
    [30, 32.5],
  ])('from %d kg the next is %d kg', (load, next) => {
    expect(forearmLoad(CURL, 160, { lift: CURL, load, reached: true }).load).toBe(next);
  });

  it('is none against a band or with the body alone', () => {
    expect(forearmLoad('band-opening', 160).load).toBe(0);
    expect(forearmLoad('knuckle-press-up', 160, { lift: 'x', load: 0, reached: true }).load).toBe(0);
  });

  it('is some load for all other work, never more than a quarter of the deadlift', () => {
    for (const lift of LIFTS.filter((each) => each.family === 'wrist' || each.family === 'crush')) {
      const { load } = forearmLoad(lift.id, 100);
      if (lift.loadMeans === 'addedToBody') continue;
      expect(load).toBeGreaterThan(0);
      expect(load).toBeLessThanOrEqual(25);
    }
  });
});

describe('the week of it', () => {
  const days = ['23', '24', '25', '26', '27'].map((day, i) => ({
    on: `2026-11-${day}`,
    session: i % 2 === 0 ? ('pull' as const) : ('upper' as const),
  }));

  it('is never placed on a day that is past', () => {
    const { sessions } = planForearmWeek({ days, kit: ['band'], planned: [], today: '2026-11-26' });
    expect(sessions.length).toBeGreaterThan(0);
    for (const { on } of sessions) expect(on >= '2026-11-26').toBe(true);
    expect(planForearmWeek({ days, kit: ['band'], planned: [], today: '2026-11-28' }).sessions).toEqual([]);
  });

  it('is not placed twice on a day', () => {
    const [first, ...rest] = days;
    const { sessions } = planForearmWeek({
      days: [{ ...first!, taken: true }, ...rest],
      kit: ['band'],
      planned: [],
    });
    expect(sessions.map((each) => each.on)).not.toContain(first!.on);
  });

  it('carries loads where the deadlift is known', () => {
    const { sessions } = planForearmWeek({ days, kit: ['band'], planned: [], deadliftMax: 160 });
    const exercises = sessions.flatMap((session) => session.exercises);
    expect(exercises.every((each) => each.load !== undefined)).toBe(true);
    const without = planForearmWeek({ days, kit: ['band'], planned: [] }).sessions[0]!.exercises[0]!;
    expect(without.load).toBeUndefined();
  });
});
