import { effortReason } from './effort.ts';
import { kitCheck, loadMaker, nearestLoading, type HoldKit } from './hold-loads.ts';

const fixed: HoldKit = { kind: 'loads', loads: [20, 10, 15, 10] };
const plates = [20, 10, 5, 2.5].map((mass) => ({ mass, unit: 'kg' as const, pairs: 4 }));
const bar: HoldKit = { bar: 20, collars: 0, plates };
const handles: HoldKit = { kind: 'twoHandles', handle: 5, plates };

describe('fixed loads', () => {
  const maker = loadMaker(fixed);

  it('are taken in order, each once, with no plates to show', () => {
    expect(maker.lightest).toEqual({ total: 10, perSide: [] });
    expect([9, 10, 14.9, 15, 99].map((target) => maker.atOrBelow(target).total)).toEqual([
      10, 10, 10, 15, 20,
    ]);
  });

  it('are put in order, whatever their number', () => {
    const many = loadMaker({ kind: 'loads', loads: [100, 9, 30, 70, 20, 8] });
    expect(many.lightest.total).toBe(8);
    expect([10, 31, 99, 100].map((target) => many.atOrBelow(target).total)).toEqual([9, 30, 70, 100]);
    expect(many.above(9)).toEqual({ total: 20, perSide: [] });
    expect(many.below(100)).toEqual({ total: 70, perSide: [] });
  });

  it('go up and down by what is there, and end at its ends', () => {
    expect([9, 10, 15, 19].map((from) => maker.above(from)?.total)).toEqual([10, 15, 20, 20]);
    expect(maker.above(20)).toBeUndefined();
    expect([20, 15, 12, 10].map((from) => maker.below(from).total)).toEqual([15, 10, 10, 10]);
  });

  it('a load that a coach named is taken as it is named', () => {
    expect(nearestLoading(fixed, 17)).toEqual({ total: 17, perSide: [] });
  });
});

it('a kit that nobody could hold with is refused, and told by the place of its fault', () => {
  const refused =
    (kit: unknown): (() => void) =>
    () =>
      kitCheck('kit', kit);
  expect(refused({ kind: 'loads', loads: [] })).toThrow(/kit\.loads\.length/);
  expect(refused({ kind: 'loads', loads: [-1] })).toThrow(/kit\.loads\[0\]/);
  expect(refused({ kind: 'loads', loads: 'many' })).toThrow(/kit\.loads/);
  expect(refused({ kind: 'twoHandles', handle: 0, plates: [] })).toThrow(/kit\.handle/);
  expect(refused({ kind: 'barrel', bar: 20, collars: 0, plates: [] })).toThrow(/kit\.kind/);
  expect(refused(null)).toThrow(/kit must be/);
  for (const kit of [fixed, bar, handles]) expect(refused(kit)).not.toThrow();
});

describe('plates', () => {
  it('a load that a coach named is the nearest that they make; of two alike the lighter', () => {
    const at = (load: number): number => nearestLoading(bar, load).total;
    expect([62, 60, 62.6, 63].map(at)).toEqual([60, 60, 65, 65]);
    expect(at(62.5)).toBe(60);
    // Below the empty bar there is the empty bar, and above all plates there are all of them.
    expect(at(3)).toBe(20);
    expect(at(1999)).toBe(20 + 2 * 4 * 37.5);
  });

  it('two handles share the pairs: a total counts both, the plates shown are one side of one', () => {
    const two = loadMaker(handles);
    expect(two.lightest.total).toBe(10);
    // Two of four pairs on each handle: 5 + 2 × 2 × 37.5 kg, twice.
    expect(two.atOrBelow(1999).total).toBe(2 * (5 + 2 * 2 * 37.5));
    expect(two.atOrBelow(31)).toMatchObject({ total: 30, perSide: [{ mass: 5 }] });
    expect(two.above(10)?.total).toBe(20);
    expect(two.above(1999)).toBeUndefined();
  });
});

it('an effort is said by its rule and figure', () => {
  expect(effortReason({ kind: 'nearLimit', probability: 0.65 }, 12)).toEqual({
    ...{ ruleId: 'hold.effort.near-limit', rank: 'school' },
    text: 'Near the limit: a load held 12 s about 65 times in 100.',
  });
  expect(effortReason({ kind: 'fractionOfBest', fraction: 0.75 }, 20)).toEqual({
    ...{ ruleId: 'hold.effort.fraction-of-best', rank: 'school' },
    text: 'Short of failure: 20 s is 75 % of the predicted time.',
  });
});
