import { loadMaker } from './hold-loads.ts';
import { moveLoad, moveTime, reachedTime, type HoldSession, type Progression } from './progression.ts';

/* How results move a hold, on a rack of loads from 40 to 100 kg by 5. */

const loads = loadMaker({ kind: 'loads', loads: Array.from({ length: 13 }, (_, i) => 40 + 5 * i) });
const session = (load: number, target: number, ...seconds: number[]): HoldSession => ({
  ...{ load, grip: 'hook', target },
  sets: seconds.map((each) => ({ seconds: each, ended: each < target ? 'slipped' : 'stopped' })),
});
const stuckAt = (load: number): HoldSession => ({
  ...session(load, 10),
  sets: [{ seconds: 1, ended: 'notLifted' }],
});
/** By the rule 80 kg are held 20 s, 5 kg less two seconds longer. */
const rule = (history: readonly HoldSession[], more: Partial<Progression> = {}): Progression => ({
  history,
  limit: (seconds) => 80 + 2.5 * (20 - seconds),
  longest: (load) => 20 + (80 - load) / 2.5,
  loads,
  ...{ seconds: 20, mostSeconds: 30, step: 5 },
  ...more,
});
const brief = (found: ReturnType<typeof moveLoad>): unknown[] => [
  found.change,
  found.loading.total,
  found.seconds,
];

describe('a session reached its time', () => {
  it('where every set did, a blink before the buzzer counted, and there were sets', () => {
    expect(reachedTime(session(60, 10, 10, 12))).toBe(true);
    expect(reachedTime(session(60, 10, 10, 9))).toBe(false);
    expect(reachedTime(session(60, 10))).toBe(false);
    const stopped = (seconds: number): HoldSession => ({
      ...session(60, 10),
      sets: [{ seconds, ended: 'stopped' }],
    });
    expect([9.71, 9.7, 9.69].map((seconds) => reachedTime(stopped(seconds)))).toEqual([true, true, false]);
    // A slip is a slip, at whatever second.
    expect(reachedTime({ ...session(60, 10), sets: [{ seconds: 15, ended: 'slipped' }] })).toBe(false);
  });
});

describe('where load moves', () => {
  it('the first session is one step below the rule', () => {
    expect(brief(moveLoad(rule([])))).toEqual(['start', 75, 20]);
    expect(brief(moveLoad(rule([], { limit: () => 79 })))).toEqual(['start', 70, 20]);
  });

  it('a step more where the rule allows just that', () => {
    expect(brief(moveLoad(rule([session(75, 20, 20)])))).toEqual(['add', 80, 20]);
    expect(brief(moveLoad(rule([session(80, 20, 20)])))).toEqual(['repeat', 80, 20]);
    expect(brief(moveLoad(rule([session(75, 20, 20)], { limit: () => 79.9 })))).toEqual(['repeat', 75, 20]);
    expect(brief(moveLoad(rule([session(100, 20, 20)], { limit: () => 500 })))).toEqual(['repeat', 100, 20]);
  });

  it('one miss repeats as far as 7.5 % past the rule, two misses take that off', () => {
    const missed = (load: number): HoldSession => session(load, 20, 20, 12);
    expect(brief(moveLoad(rule([missed(80)])))).toEqual(['repeat', 80, 20]);
    // 0.925 × 80 = 74.
    expect(brief(moveLoad(rule([missed(80)], { limit: () => 74 })))).toEqual(['repeat', 80, 20]);
    expect(brief(moveLoad(rule([missed(80)], { limit: () => 73.9 })))).toEqual(['lighter', 70, 20]);
    expect(brief(moveLoad(rule([missed(80), missed(80)])))).toEqual(['back', 70, 20]);
    expect(brief(moveLoad(rule([missed(80), missed(80)], { limit: () => 60 })))).toEqual(['back', 60, 20]);
    expect(brief(moveLoad(rule([missed(80), session(80, 20, 20)])))).toEqual(['repeat', 80, 20]);
    expect(brief(moveLoad(rule([session(75, 20, 20), missed(75)])))).toEqual(['add', 80, 20]);
  });

  it('held as asked, what is now past the rule is lighter at once', () => {
    expect(brief(moveLoad(rule([session(80, 20, 20)], { limit: () => 79 })))).toEqual(['lighter', 75, 20]);
  });

  it('what could not be broken from the pins is a step lighter, whatever the rule', () => {
    expect(brief(moveLoad(rule([stuckAt(80)])))).toEqual(['notLifted', 75, 20]);
    expect(brief(moveLoad(rule([stuckAt(40)])))).toEqual(['notLifted', 40, 20]);
  });
});

describe('where time moves', () => {
  it('the first session is one step below the rule, at its time or what the load allows', () => {
    expect(brief(moveTime(rule([])))).toEqual(['start', 75, 20]);
    expect(brief(moveTime(rule([], { longest: () => 12.9 })))).toEqual(['start', 75, 12]);
    expect(brief(moveTime(rule([], { longest: () => 1 })))).toEqual(['start', 75, 3]);
  });

  it('a step longer where the rule allows just that, and no longer than the most', () => {
    expect(moveTime(rule([session(60, 20, 20)]))).toMatchObject({
      ...{ change: 'longer', seconds: 25, loading: { total: 60 } },
      text: 'Every set reached its time: 5 s longer.',
    });
    expect(brief(moveTime(rule([session(60, 20, 20)], { longest: () => 25 })))).toEqual(['longer', 60, 25]);
    expect(brief(moveTime(rule([session(60, 20, 20)], { longest: () => 24.9 })))).toEqual(['repeat', 60, 20]);
    expect(moveTime(rule([session(50, 28, 28)]))).toMatchObject({
      ...{ change: 'longer', seconds: 30 },
      text: 'Every set reached its time: 2 s longer.',
    });
  });

  it('at its longest the next load, where that is held for three seconds, and the time starts over', () => {
    const full = [session(50, 30, 30)];
    expect(brief(moveTime(rule(full)))).toEqual(['add', 55, 20]);
    expect(brief(moveTime(rule(full, { longest: () => 7.5 })))).toEqual(['add', 55, 7]);
    expect(brief(moveTime(rule(full, { longest: (load) => (load > 50 ? 3 : 30) })))).toEqual(['add', 55, 3]);
    expect(brief(moveTime(rule(full, { longest: (load) => (load > 50 ? 2.9 : 30) })))).toEqual([
      ...['repeat', 50, 30],
    ]);
    // What three seconds allow decides, not what the whole time does.
    const short = (most: number): Partial<Progression> => ({ limit: (s) => (s <= 3 ? most : 40) });
    expect(brief(moveTime(rule(full, short(55))))).toEqual(['add', 55, 20]);
    expect(brief(moveTime(rule(full, short(54.9))))).toEqual(['repeat', 50, 30]);
    const heaviest = [session(100, 30, 30)];
    expect(brief(moveTime(rule(heaviest, { limit: () => 500, longest: () => 60 })))).toEqual([
      'repeat',
      100,
      30,
    ]);
    // A kind whose time is shorter than three seconds is judged by its own.
    expect(brief(moveTime(rule(full, { seconds: 2, limit: (s) => (s <= 2 ? 55 : 50) })))).toEqual([
      ...['add', 55, 3],
    ]);
  });

  it('one miss repeats; two take 7.5 % off the load, or off the time where nothing is lighter', () => {
    const missed = (load: number): HoldSession => session(load, 20, 20, 12);
    expect(brief(moveTime(rule([missed(60)])))).toEqual(['repeat', 60, 20]);
    expect(moveTime(rule([missed(60), missed(60)]))).toMatchObject({
      ...{ change: 'back', loading: { total: 55 }, seconds: 20 },
      text: 'Two sessions running missed the time: 7.5 % off the load.',
    });
    expect(moveTime(rule([missed(40), missed(40)]))).toMatchObject({
      ...{ change: 'back', loading: { total: 40 }, seconds: 18 },
      text: 'Two sessions running missed the time: 7.5 % off the time, as nothing lighter is at hand.',
    });
    expect(brief(moveTime(rule([missed(60), session(60, 20, 20)])))).toEqual(['repeat', 60, 20]);
    expect(brief(moveTime(rule([missed(60), missed(60)], { longest: () => 9 })))).toEqual(['back', 55, 9]);
  });

  it('a load that is not at hand or past the limit is lighter, and what is at hand is kept', () => {
    expect(brief(moveTime(rule([session(62, 20, 20)])))).toEqual(['lighter', 60, 20]);
    expect(brief(moveTime(rule([session(60, 20, 20)], { limit: () => 55 })))).toEqual(['lighter', 55, 20]);
    expect(brief(moveTime(rule([session(60, 20, 20)], { limit: () => 60 })))).toEqual(['longer', 60, 25]);
  });

  it('what could not be broken from the pins is a step lighter, for the time that was asked', () => {
    expect(brief(moveTime(rule([stuckAt(60)])))).toEqual(['notLifted', 55, 10]);
  });
});
