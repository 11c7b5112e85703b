import fc from 'fast-check';
import { lineAsShare, lineFor, planLineFor } from './line-for.ts';
import { parseSetLine, type SetLineContext } from './set-line.ts';

const OF = (lift: string, more: Partial<SetLineContext> = {}): SetLineContext => ({
  ...{ deadliftMax: 200, unit: 'kg' as const, lift },
  ...more,
});
const heaviest = (line: string, context: SetLineContext): number =>
  Math.max(...parseSetLine(line, context).sets!.map((set) => set.load));

it.each([
  [
    'a share stays a share',
    '3x5 @ 75%',
    OF('deadlift.conventional'),
    { deadliftMax: 150 },
    'volume 3x5 @ 75%',
  ],
  [
    'a load becomes a share',
    'top 2x1 @ 182.5',
    OF('deadlift.conventional'),
    { deadliftMax: 150 },
    'top 2x1 @ 91.5%',
  ],
  ['in pounds too', '3x5 @ 220.5lb', OF('deadlift.conventional'), { deadliftMax: 150 }, 'volume 3x5 @ 50%'],
  [
    'an effort stays',
    '3x5 @ 2 left',
    OF('deadlift.conventional'),
    { deadliftMax: 150 },
    'volume 3x5 @ 2 left',
  ],
  ['no load stays', '3x6 bodyweight', OF('pull-up'), { deadliftMax: 150 }, 'volume 3x6 bodyweight'],
  [
    'what else is said stays',
    'ramp back-off 3x4 @ 100 touch straps',
    OF('deadlift.conventional'),
    { deadliftMax: 150 },
    'ramp back-off 3x4 @ 50% touch straps',
  ],
])('%s', (_, line, context, to, expected) => {
  expect(lineFor(line, context, to)).toEqual({ line: expected, kept: false });
});

describe('a share of one best is not read as a share of another', () => {
  const rower = OF('row.barbell', { bests: [{ liftId: 'row.barbell', load: 100 }] });
  it('where the other has only the deadlift, the load is that share of it', () => {
    const { line } = lineFor('4x8 @ 60%', rower, { deadliftMax: 150 });
    expect(line).toBe('volume 4x8 @ 30%');
    expect(heaviest(line!, OF('row.barbell', { deadliftMax: 150 }))).toBe(45);
  });
  it('where the other has a best of the lift and the first has not, the load is written out', () => {
    const { line } = lineFor('4x8 @ 30%', OF('row.barbell'), { deadliftMax: 150, bests: rower.bests! });
    expect(line).toBe('volume 4x8 @ 45kg');
  });
  it('in the unit of the coach', () => {
    const lb = OF('row.barbell', { unit: 'lb' });
    expect(lineFor('4x8 @ 30%', lb, { deadliftMax: 150, bests: rower.bests! }).line).toBe(
      'volume 4x8 @ 99lb',
    );
  });
});

it('stays as written where no best of both is known, a share as the load that it was', () => {
  const squat = OF('squat', { bests: [{ liftId: 'squat', load: 160 }] });
  expect(lineFor('3x5 @ 100', squat, { deadliftMax: 150 })).toEqual({
    line: 'volume 3x5 @ 100kg',
    kept: true,
  });
  expect(lineFor('3x5 @ 75%', squat, { deadliftMax: 150 })).toEqual({
    line: 'volume 3x5 @ 120kg',
    kept: true,
  });
});

it('says where a line cannot be read', () => {
  expect(lineFor('3x5 @ heavy', OF('squat'), { deadliftMax: 150 }).fault).toMatchObject({ at: 6 });
});

it('for whoever it is written, the load is the same share to a quarter percent, and back again', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 60, max: 400 }),
      fc.integer({ min: 60, max: 400 }),
      fc.integer({ min: 20, max: 100 }),
      (one, other, share) => {
        const [from, to] = [one, other].map((deadliftMax) => OF('deadlift.conventional', { deadliftMax }));
        const load = (share / 100) * one;
        const there = lineFor(`3x3 @ ${load.toFixed(3)}`, from!, to!).line!;
        expect(Math.abs(heaviest(there, to!) / other - share / 100)).toBeLessThanOrEqual(0.0025 + 1e-9);
        expect(lineFor(there, to!, from!).line).toBe(there);
      },
    ),
  );
});

it('a line that is nobody’s own says shares where they are known', () => {
  expect(lineAsShare('top 1x1 @ 180kg', OF('deadlift.conventional'))).toBe('top 1x1 @ 90%');
  expect(lineAsShare('3x5 @ 100kg', OF('squat'))).toBe('volume 3x5 @ 100kg');
  expect(lineAsShare('3x5 @ 70%', OF('deadlift.conventional'))).toBe('volume 3x5 @ 70%');
  expect(lineAsShare('3x5 @ heavy', OF('squat'))).toBe('3x5 @ heavy');
});

describe('a line of a plan that is nobody’s own', () => {
  const nominal = (lift: string, ...lifts: string[]): SetLineContext => ({
    ...{ deadliftMax: 100, unit: 'kg', lift },
    bests: lifts.map((liftId) => ({ liftId, load: 100 })),
  });

  it('is written for whoever has the best that its share is of', () => {
    const to = { deadliftMax: 150, bests: [{ liftId: 'squat', load: 140 }] };
    expect(planLineFor('3x5 @ 80%', nominal('squat', 'squat'), to).line).toBe('volume 3x5 @ 80%');
    expect(planLineFor('3x8 @ 60%', nominal('romanian'), to).line).toBe('volume 3x8 @ 60%');
    expect(planLineFor('3x12 @ 25kg', nominal('curl'), to)).toEqual({
      ...{ line: 'volume 3x12 @ 25kg', kept: true },
    });
  });

  it('is a fault for anybody else, never a load of nobody’s, nor a share of another lift', () => {
    const squat = planLineFor('3x5 @ 80%', nominal('squat', 'squat'), { deadliftMax: 150 });
    expect(squat.fault).toMatchObject({ at: 4, message: expect.stringMatching(/best squat.*profile/) });
    const romanian = planLineFor('3x8 @ 60%', nominal('romanian', 'romanian'), { deadliftMax: 150 });
    expect(romanian.fault!.message).toMatch(/best romanian deadlift/);
    expect(planLineFor('3x8 @ heavy', nominal('squat'), { deadliftMax: 150 }).fault).toMatchObject({ at: 6 });
  });
});
