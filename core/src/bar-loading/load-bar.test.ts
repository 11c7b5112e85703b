import fc from 'fast-check';
import { InvalidInputError } from '../errors.ts';
import { toKg } from '../units/mass.ts';
import { loadBar } from './load-bar.ts';
import type { PlatePairs } from './plates.ts';

const GYM: PlatePairs[] = [25, 20, 15, 10, 5, 2.5, 1.25].map((mass) => ({ mass, unit: 'kg', pairs: 2 }));

/** Every reachable total with the fewest plates for it, by trying everything. */
function exhaustive(base: number, plates: readonly PlatePairs[]): { total: number; count: number }[] {
  return plates.reduce(
    (found, plate) =>
      found.flatMap(({ total, count }) =>
        Array.from({ length: plate.pairs + 1 }, (_, n) => ({
          total: total + 2 * n * toKg(plate.mass, plate.unit),
          count: count + n,
        })),
      ),
    [{ total: base, count: 0 }],
  );
}

const fewestAt = (all: { total: number; count: number }[], total: number): number =>
  Math.min(...all.filter((each) => Math.abs(each.total - total) < 1e-6).map((each) => each.count));

describe('loadBar', () => {
  it('loads heaviest inside with the fewest plates', () => {
    const { nearest } = loadBar({ target: 142.5, bar: 20, collars: 5, plates: GYM });
    expect(nearest.total).toBeCloseTo(142.5, 9);
    expect(nearest.perSide.map((plate) => plate.mass)).toEqual([25, 25, 5, 2.5, 1.25]);
  });

  it('is exact: agrees with trying every combination, kg and lb plates mixed', () => {
    const plate = fc.record({
      mass: fc.constantFrom(0.5, 1.25, 2.5, 5, 10, 20, 25, 35, 45),
      unit: fc.constantFrom('kg', 'lb'),
      pairs: fc.integer({ min: 0, max: 3 }),
    });
    fc.assert(
      fc.property(
        fc.array(plate, { maxLength: 6 }),
        fc.double({ min: 10, max: 320, noNaN: true }),
        (plates, target) => {
          const all = exhaustive(20, plates);
          const below = all.filter((each) => each.total <= target + 1e-6).map((each) => each.total);
          const above = all.filter((each) => each.total >= target - 1e-6).map((each) => each.total);
          const found = loadBar({ target, bar: 20, plates });
          if (below.length) expect(found.atOrBelow!.total).toBeCloseTo(Math.max(...below), 5);
          else expect(found.atOrBelow).toBeUndefined();
          if (above.length) expect(found.atOrAbove!.total).toBeCloseTo(Math.min(...above), 5);
          else expect(found.atOrAbove).toBeUndefined();
          for (const loading of [found.atOrBelow, found.atOrAbove]) {
            if (!loading) continue;
            expect(loading.perSide.length).toBe(fewestAt(all, loading.total));
            const masses = loading.perSide.map((each) => toKg(each.mass, each.unit));
            expect([...masses].sort((a, b) => b - a)).toEqual(masses);
            expect(20 + 2 * masses.reduce((sum, each) => sum + each, 0)).toBeCloseTo(loading.total, 6);
          }
          const distance = Math.min(...all.map((each) => Math.abs(each.total - target)));
          expect(Math.abs(found.nearest.total - target)).toBeCloseTo(distance, 5);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('uses no plate that is not there', () => {
    const { nearest } = loadBar({ target: 400, bar: 20, plates: [{ mass: 20, unit: 'kg', pairs: 1 }] });
    expect(nearest.total).toBe(60);
  });

  it('gives the empty bar for a target below it, as the nearest above', () => {
    const found = loadBar({ target: 10, bar: 20, plates: GYM });
    expect(found.atOrBelow).toBeUndefined();
    expect(found.nearest).toEqual({ total: 20, perSide: [] });
  });

  it.each([
    [{ target: -5, bar: 20, plates: [] }, 'target'],
    [{ target: 100, bar: 0, plates: [] }, 'bar'],
    [{ target: 100, bar: 20, plates: [{ mass: 20, unit: 'stone', pairs: 1 }] }, 'plates[0].unit'],
    [{ target: 100, bar: 20, plates: [{ mass: 20, unit: 'kg', pairs: 1.5 }] }, 'plates[0].pairs'],
  ])('refuses %j', (question, field) => {
    expect(() => loadBar(question as Parameters<typeof loadBar>[0])).toThrow(
      expect.objectContaining({ name: InvalidInputError.name, field }),
    );
  });
});
