import { chance } from '../clasp-curve/simulated-lifter.test-helper.ts';
import { expectedScore, type HandTest } from './squeeze-level.ts';

/** Tests a fortnight apart, the earliest first; three trials each. */
function tests(seed: number, { days = 0, trials = 0.03, gain = 0, count = 12 } = {}): HandTest[] {
  const { uniform, normal } = chance(seed * 4423 + 31);
  for (let i = 0; i < 20; i++) uniform();
  return Array.from({ length: count }, (_, i) => {
    const level = Math.log(50) + gain * 2 * i + days * normal();
    return {
      ageDays: 14 * (count - i),
      trials: [0, 1, 2].map(() => Math.exp(level + trials * normal())),
    };
  });
}

it('expects a hand that stands still where it stood', () => {
  const { mean, sd } = expectedScore(tests(1), 3);
  expect(Math.exp(mean)).toBeGreaterThan(48.5);
  expect(Math.exp(mean)).toBeLessThan(51.5);
  expect(sd).toBeLessThan(0.05);
});

it('days that differ widen what is expected; trials that scatter alone hardly do', () => {
  const spread = (more: Parameters<typeof tests>[1]): number =>
    [1, 2, 3, 4, 5].reduce((sum, seed) => sum + expectedScore(tests(seed, more), 3).sd / 5, 0);
  expect(spread({ days: 0.06 })).toBeGreaterThan(1.5 * spread({ days: 0 }));
});

it('goes along with a hand that gains', () => {
  const grown = Math.log(50) + 2 * 0.006 * 12;
  const { mean, sd } = expectedScore(tests(3, { gain: 0.006, days: 0.01 }), 3);
  expect(Math.abs(mean - grown)).toBeLessThan(1.5 * sd);
});

it('one test is enough to expect something, with more doubt than many', () => {
  const one = expectedScore(tests(4, { count: 1, days: 0.03 }), 3);
  const many = expectedScore(tests(4, { days: 0.03 }), 3);
  expect(one.sd).toBeGreaterThan(many.sd);
  expect(Number.isFinite(one.mean)).toBe(true);
});

it('a mean of more trials scatters less; the order of the tests makes no difference', () => {
  const all = tests(5, { days: 0.03 });
  expect(expectedScore(all, 6).sd).toBeLessThan(expectedScore(all, 1).sd);
  expect(expectedScore([...all].reverse(), 3)).toEqual(expectedScore(all, 3));
});

it('calls a hand changed about as seldom as is meant, however its days vary', () => {
  const called = (days: number): number => {
    let changed = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const all = tests(seed, { days, count: 13 });
      const today = all.at(-1)!.trials.reduce((sum, force) => sum + Math.log(force), 0) / 3;
      const past = all.slice(0, -1).map((test) => ({ ...test, ageDays: test.ageDays - 14 }));
      const { mean, sd } = expectedScore(past, 3);
      if (Math.abs(today - mean) > 1.96 * sd) changed++;
    }
    return changed / 60;
  };
  // The rule before this one called 26 and 40 in 100 changed.
  for (const days of [0.02, 0.04, 0.06]) expect(called(days)).toBeLessThan(0.14);
});
