import { deadliftMaxFrom } from '../clasp-curve/reference-load.ts';
import fc from 'fast-check';
import { SET_ROLES } from '../calls/set-role.ts';
import { parseSetLine, RAMP, writeSetLines, type SetLineContext, type WrittenSet } from './set-line.ts';

const context: SetLineContext = { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' };
const read = (line: string, more: Partial<SetLineContext> = {}) =>
  parseSetLine(line, { ...context, ...more });
const set = (more: Partial<WrittenSet>): WrittenSet => ({
  role: 'volume',
  load: 150,
  reps: 5,
  style: 'reset',
  ...more,
});

describe('reads', () => {
  it.each<[string, WrittenSet[]]>([
    ['3x5 @ 75%', [set({}), set({}), set({})]],
    ['3 x 5 @75 %'.replace('75 %', '75%'), [set({}), set({}), set({})]],
    ['5@150', [set({})]],
    ['top 1×1 @ 172,5', [set({ role: 'top', load: 172.5, reps: 1 })]],
    [
      'Back-Off 2x4 @ 105KG touch',
      [
        set({ role: 'backoff', load: 105, reps: 4, style: 'touchAndGo' }),
        set({ role: 'backoff', load: 105, reps: 4, style: 'touchAndGo' }),
      ],
    ],
    ['  attempt   1x1   @   100%  ', [set({ role: 'attempt', load: 200, reps: 1 })]],
  ])('%s', (line, sets) => {
    const found = read(line);
    expect(found.sets).toEqual(sets);
    expect(read(found.line!).sets).toEqual(sets);
  });

  it('singles and doubles from nine tenths of the best on as top sets, where nothing else is said', () => {
    const roleOf = (line: string, more: Parameters<typeof read>[1] = {}): string =>
      read(line, more).sets!.at(-1)!.role;
    expect(['1x1 @ 90%', '3x2 @ 180', '1x1 @ 1 left'].map((line) => roleOf(line))).toEqual([
      'top',
      'top',
      'top',
    ]);
    expect(
      ['1x1 @ 89%', '1x3 @ 95%', 'volume 1x1 @ 95%', 'attempt 1x1 @ 95%'].map((line) => roleOf(line)),
    ).toEqual([...['volume', 'volume', 'volume', 'attempt']]);
    // Of the lift's own best, where that is known; where none is, nothing is taken for granted.
    expect(roleOf('1x1 @ 100', { lift: 'clean', bests: [{ liftId: 'clean', load: 110 }] })).toBe('top');
    expect(roleOf('1x1 @ 100', { lift: 'clean' })).toBe('volume');
    expect(roleOf('1x30s @ 190', { lift: 'carry.handles' })).toBe('volume');
    expect(read('1x1 @ 95%').line).toBe('top 1x1 @ 95%');
  });

  it('and writes it out in full, so that another reader’s unit changes nothing', () => {
    expect(read('5@150').line).toBe('volume 1x5 @ 150kg');
    expect(read('ramp top 2 x 1 @ 300,5 touch', { unit: 'lb' }).line).toBe('ramp top 2x1 @ 300.5lb touch');
  });

  it('pounds where the reader reads pounds, and where it is said', () => {
    expect(read('1x5 @ 300', { unit: 'lb' }).sets![0]!.load).toBeCloseTo(136.0777, 4);
    expect(read('1x5 @ 300lb').sets![0]!.load).toBeCloseTo(136.0777, 4);
    expect(read('1x5 @ 140kg', { unit: 'lb' }).sets![0]!.load).toBe(140);
  });

  it('seconds for what is held, and warm-ups before what is ramped', () => {
    expect(read('2x30s @ 90', { lift: 'carry.handles' }).sets).toEqual([
      set({ load: 90, reps: 1, seconds: 30 }),
      set({ load: 90, reps: 1, seconds: 30 }),
    ]);
    const ramped = read('ramp top 2x1 @ 90%').sets!;
    expect(ramped.map((each) => each.role)).toEqual([...RAMP.map(() => 'warmup'), 'top', 'top']);
    const loads = ramped.map((each) => each.load);
    expect(loads).toEqual([...loads].sort((a, b) => a - b));
  });
});

describe('says where it cannot read, and what would do there', () => {
  it.each<[string, number, number, RegExp]>([
    ['heavy', 0, 5, /3x5, 5 or 2x30s/],
    ['top heavy @ 100', 4, 5, /Sets and repetitions/],
    ['3x5', 3, 1, /An @ stands before the load/],
    ['3x5 75%', 4, 3, /An @/],
    ['3x5 @', 5, 1, /A load stands here/],
    ['3x5 @ heavy', 6, 5, /A load stands here/],
    ['3x5 @ 75% please', 10, 6, /Nothing more is understood/],
    ['99x5 @ 75%', 0, 4, /Between 1 and 30 sets/],
    ['3x0 @ 75%', 0, 3, /whole repetitions/],
    ['3x5 @ 5000', 6, 4, /Between 0.5 and 600 kg/],
    ['3x5s @ 100', 0, 4, /done in repetitions/],
    ['3 x 5 @ x', 8, 1, /A load/],
  ])('%s', (line, at, length, message) => {
    expect(read(line).fault).toEqual({ at, length, message: expect.stringMatching(message) });
  });

  it('a percentage or an effort of a lift whose best nobody knows', () => {
    const squat = read('3x5 @ 75%', { lift: 'squat' }).fault!;
    expect(squat).toMatchObject({ at: 6, length: 3 });
    expect(squat.message).toMatch(/The best squat is not known: add it in the profile/);
    expect(read('3x5 @ 2 left', { lift: 'clean-pull' }).fault!.message).toMatch(
      /The best clean is not known/,
    );
    expect(read('3x5 @ 60', { lift: 'squat' }).sets![0]!.load).toBe(60);
  });

  it('what is held wants its seconds', () => {
    expect(read('3x5 @ 100', { lift: 'hold.front-rack' }).fault!.message).toMatch(/held for time/);
  });
});

it('what is written reads as the same sets again, in either unit', () => {
  const sets = fc.array(
    fc.record({
      role: fc.constantFrom(...SET_ROLES),
      load: fc.integer({ min: 4, max: 1600 }).map((quarters) => quarters / 4),
      reps: fc.integer({ min: 1, max: 20 }),
      style: fc.constantFrom('reset' as const, 'touchAndGo' as const),
    }),
    { minLength: 1, maxLength: 8 },
  );
  fc.assert(
    fc.property(sets, fc.constantFrom('kg' as const, 'lb' as const), (written, unit) => {
      const back = writeSetLines(written, unit).flatMap((line) => [...read(line, { unit }).sets!]);
      expect(back.map(({ load: _load, ...rest }) => rest)).toEqual(
        written.map(({ load: _load, ...rest }) => rest),
      );
      back.forEach((each, i) => expect(Math.abs(each.load - written[i]!.load)).toBeLessThan(0.01));
    }),
  );
});

it('any text is read or faulted within itself', () => {
  fc.assert(
    fc.property(fc.string({ minLength: 1, maxLength: 40 }), (line) => {
      const { fault, sets } = read(line);
      if (sets) expect(sets.length).toBeGreaterThan(0);
      else expect(fault.at >= 0 && fault.at <= line.length).toBe(true);
    }),
  );
});

describe('by effort', () => {
  it('a single with none left is the max, and what is left makes it lighter', () => {
    expect(read('top 1x1 @ 0 left').sets![0]!.load).toBeCloseTo(200, 9);
    const loads = [0, 1, 2, 3].map((left) => read(`3x5 @ ${left} left`).sets![0]!.load);
    expect(loads).toEqual([...loads].sort((a, b) => b - a));
    // Five with two left are seven to failure: 200 / (1 + 6 / 30).
    expect(loads[2]).toBeCloseTo(200 / 1.2, 9);
    expect(read('3x5 @ 2 left touch').line).toBe('volume 3x5 @ 2 left touch');
  });

  it.each([
    ['3x5 @ 9 left', 6, /Between 0 and 8/],
    ['3x5 @ 2.5 left', 6, /whole/],
    ['1x12 @ 5 left', 7, /at most 15/],
    ['3x5 @ 2 right', 8, /Say right under/],
    ['3x5 @ 2 rightly', 8, /Nothing more/],
  ])('%s is refused at its place', (line, at, message) => {
    expect(read(line).fault).toMatchObject({ at, message: expect.stringMatching(message) });
  });

  it('a hold for time has no effort in repetitions', () => {
    expect(read('2x30s @ 2 left', { lift: 'carry.handles' }).fault!.message).toMatch(/needs a load/);
  });
});

it('a timed line keeps its ramp: lighter holds of a few seconds before it', () => {
  const context = { deadliftMax: 200, unit: 'kg', lift: 'hold.front-rack' } as const;
  const { sets, line } = parseSetLine('ramp 2x10s @ 150', context);
  expect(line).toBe('ramp volume 2x10s @ 150kg');
  expect(sets!.map((set) => [set.role, set.load, set.seconds])).toEqual([
    ['warmup', 75, 4],
    ['warmup', 105, 4],
    ['warmup', 130, 4],
    ['volume', 150, 10],
    ['volume', 150, 10],
  ]);
});

it('a load by effort and the best estimated from it are one formula', () => {
  const context = { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' } as const;
  for (const reps of [1, 2, 3, 5, 8]) {
    const [set] = parseSetLine(`1x${reps} @ 0 left`, context).sets!;
    expect(deadliftMaxFrom({ heavySet: { load: set!.load, reps } })).toBeCloseTo(200, 9);
  }
});

describe('what a line says beside sets and load', () => {
  const at = (line: string, lift = 'deadlift.conventional') =>
    parseSetLine(line, { deadliftMax: 200, unit: 'kg', lift });
  const termsOf = (line: string, lift?: string) => at(line, lift).sets?.[0]!.terms;

  it.each([
    ['3x8 @ 80 back', 'row.barbell', { purpose: 'back' }],
    ['3x8 @ 80 grip', 'row.barbell', { purpose: 'grip' }],
    ['1x3 @ 80% hook rest 3min', 'deadlift.conventional', { fixed: 'hook', rest: 180 }],
    ['1x3 @ 80% rest 150s overhand', 'deadlift.conventional', { fixed: 'doubleOverhand', rest: 150 }],
    ['1x3 @ 80% mixed left under', 'deadlift.conventional', { fixed: 'mixed', under: 'left' }],
    ['3x5 @ 75% bare', 'deadlift.conventional', { fixed: 'bare' }],
    ['3x5 @ 75% straps event', 'deadlift.conventional', { fixed: 'straps', purpose: 'event' }],
    ['3x8 @ 30 right hand', 'row.dumbbell', { hand: 'right' }],
    ['3x8 @ 30 thick', 'row.dumbbell', { handle: 'thick' }],
    ['3x6 bodyweight towel', 'pull-up', { handle: 'towel' }],
  ] as const)('%s on %s', (line, lift, terms) => {
    const read = at(line, lift);
    expect(read.sets?.[0]!.terms).toEqual(terms);
    // What was read, written out, reads as the same again.
    expect(termsOf(read.line!, lift)).toEqual(terms);
    expect(termsOf(writeSetLines(read.sets!, 'kg', lift)[0]!, lift)).toEqual(terms);
  });

  it.each([
    ['3x5 @ 75% straps', 'clean', 10, /never done with straps/],
    ['3x5 @ 75% mixed', 'row.barbell', 10, /never done with mixed/],
    ['3x5 @ 75% left', 'deadlift.conventional', 10, /left under, or left hand/],
    ['3x5 @ 75% left under', 'row.barbell', 10, /never done with mixed/],
    ['3x5 @ 75% left hand', 'deadlift.conventional', 10, /both hands/],
    ['3x5 @ 75% rest soon', 'deadlift.conventional', 15, /rest 3min/],
    ['3x5 @ 75% rest 2h', 'deadlift.conventional', 15, /rest 3min/],
  ] as const)('%s on %s is refused at its place', (line, lift, place, message) => {
    const found = parseSetLine(line, {
      ...{ deadliftMax: 200, unit: 'kg', lift },
      bests: [{ liftId: 'clean', load: 100 }],
    });
    expect(found.fault).toMatchObject({ at: place, message: expect.stringMatching(message) });
  });

  it('the body alone, or a band, carries no load', () => {
    expect(at('3x6 bodyweight', 'pull-up').sets).toEqual(
      Array.from({ length: 3 }, () => ({ role: 'volume', load: 0, reps: 6, style: 'reset' })),
    );
    expect(at('accessory 2x20 band', 'band-opening').sets?.[0]).toMatchObject({ load: 0, reps: 20 });
    expect(writeSetLines(at('3x6 bodyweight', 'pull-up').sets!, 'kg', 'pull-up')).toEqual([
      'volume 3x6 bodyweight',
    ]);
    expect(at('3x6 bodyweight', 'bench').fault).toMatchObject({ at: 4 });
    expect(at('3x6', 'pull-up').fault?.message).toMatch(/or the word bodyweight/);
  });

  it('a ramp goes up in steps that people load', () => {
    const loads = (unit: 'kg' | 'lb') =>
      parseSetLine('ramp top 1x1 @ 172.5kg', { deadliftMax: 200, unit, lift: 'deadlift.conventional' })
        .sets!.slice(0, -1)
        .map((set) => set.load);
    expect(loads('kg')).toEqual([70, 95, 120, 140, 160]);
    for (const load of loads('lb')) expect((load / 0.45359237) % 10).toBeCloseTo(0, 6);
  });

  it('a ramp begins with the bar that is there', () => {
    const loads = (emptyBar?: number) =>
      parseSetLine('ramp 1x5 @ 50', {
        ...{ deadliftMax: 200, unit: 'kg', lift: 'press' },
        ...(emptyBar !== undefined && { emptyBar }),
      }).sets!.map(({ load }) => load);
    expect(loads()).toEqual([20, 30, 35, 40, 45, 50]);
    expect(loads(25)).toEqual([25, 30, 35, 40, 45, 50]);
    expect(loads(35)).toEqual([35, 40, 45, 50]);
    expect(() => loads(0)).toThrow(/emptyBar/);
  });

  it.each([
    ['press', 40, 'kg', [20, 30, 35]],
    ['press', 27.5, 'kg', [20, 25]],
    ['press', 20, 'kg', []],
    ['press', 95, 'lb', [45, 70, 80, 90]],
    ['row.dumbbell', 8, 'kg', [3, 4, 6, 7]],
  ] as const)(
    'a ramp of %s to %d %s has a step for each load between empty and work',
    (lift, top, unit, steps) => {
      const { sets } = parseSetLine(`ramp volume 2x5 @ ${top}${unit}`, { deadliftMax: 200, unit, lift });
      const pounds = unit === 'lb' ? 0.45359237 : 1;
      expect(sets!.slice(0, -2).map(({ load }) => Math.round((load / pounds) * 1e6) / 1e6)).toEqual(steps);
      expect(sets!.slice(-2).every(({ role }) => role === 'volume')).toBe(true);
    },
  );
});
