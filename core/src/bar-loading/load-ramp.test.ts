import fc from 'fast-check';
import { loadBar } from './load-bar.ts';
import type { PlatePairs } from './plates.ts';
import { loadRamp } from './load-ramp.ts';

const kg = (mass: number, pairs: number): PlatePairs => ({ mass, unit: 'kg', pairs });

it('keeps what is on the bar where a greedy load would strip it', () => {
  // 60, 80, 100: by fewest plates 20 | 25+5 | 25+15; moving less, 20 stays on throughout.
  const plates = [kg(25, 1), kg(20, 2), kg(15, 1), kg(10, 2), kg(5, 1)];
  const ramp = loadRamp({ targets: [60, 80, 100], bar: 20, plates });
  expect(ramp.map((set) => set.total)).toEqual([60, 80, 100]);
  expect(ramp.reduce((sum, set) => sum + set.moved, 0)).toBe(3);
});

it('gives each set the total that loadBar gives, out of plates that are there, and moves no more than it', () => {
  const plates = fc
    .array(
      fc.record({
        mass: fc.constantFrom(1.25, 2.5, 5, 10, 15, 20, 25),
        pairs: fc.integer({ min: 0, max: 3 }),
      }),
      {
        maxLength: 6,
      },
    )
    .map((list) => [...new Map(list.map((each) => [each.mass, kg(each.mass, each.pairs)])).values()]);
  const targets = fc.array(fc.double({ min: 20, max: 240, noNaN: true }), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(plates, targets, (list, wanted) => {
      const ramp = loadRamp({ targets: wanted, bar: 20, plates: list });
      let greedy = 0;
      let before: readonly number[] = [];
      ramp.forEach((set, i) => {
        const { nearest } = loadBar({ target: wanted[i]!, bar: 20, plates: list });
        expect(set.total).toBeCloseTo(nearest.total, 9);
        const masses = set.perSide.map((plate) => plate.mass);
        expect(20 + 2 * masses.reduce((sum, mass) => sum + mass, 0)).toBeCloseTo(set.total, 6);
        expect([...masses].sort((a, b) => b - a)).toEqual(masses);
        for (const { mass, pairs } of list)
          expect(masses.filter((each) => each === mass).length).toBeLessThanOrEqual(pairs);
        const now = nearest.perSide.map((plate) => plate.mass);
        let kept = 0;
        while (kept < now.length && now[kept] === before[kept]) kept++;
        greedy += before.length + now.length - 2 * kept;
        before = now;
      });
      expect(ramp.reduce((sum, set) => sum + set.moved, 0)).toBeLessThanOrEqual(greedy);
    }),
  );
});

it('an empty ramp is empty, and a target of nothing is refused by its place', () => {
  expect(loadRamp({ targets: [], bar: 20, plates: [] })).toEqual([]);
  expect(() => loadRamp({ targets: [60, 0], bar: 20, plates: [] })).toThrow(/targets\[1\]/);
});
