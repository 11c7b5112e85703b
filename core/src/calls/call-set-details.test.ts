import { callSet } from './call-set.ts';
import { context, curveAround, hands, lifter, set } from './fixtures.test-helper.ts';
import { SCHOOLS, SORE } from './schools.ts';
import type { CallContext, SetCall } from './types.ts';

/* What a call says beside its grip, and what it does not say. */

const call = (more: Parameters<typeof context>[0] = {}): SetCall => callSet(context(more));
const ids = ({ reasons }: SetCall): string[] => reasons.map(({ ruleId }) => ruleId);
const override = (
  choice: 'straps' | 'mixed' | 'hook',
  sideUnder?: 'left',
): Pick<CallContext, 'override'> => ({
  override: { choice, reason: 'as agreed', by: 'Maren', ...(sideUnder && { sideUnder }) },
});
const meet = { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: true };
const torn = lifter({ hands: hands('left', { palm: 'torn' }) });
const thumb = lifter({ hands: hands('left', { thumb: 'torn' }) });
const slack = set({ role: 'backoff', load: 120, reps: 5 });

describe('an ordinary call', () => {
  it('leaves nothing out, has cues for its grip, and no word of what does not apply', () => {
    const found = call();
    expect(ids(found).filter((id) => /nothing-left|sore-hands|line\.|override/.test(id))).toEqual([]);
    expect(found.cues.length).toBeGreaterThan(0);
    expect(found).not.toHaveProperty('lighterLoad');
    expect(found).not.toHaveProperty('straps');
    expect(found).not.toHaveProperty('overrideRefused');
    expect(found.grip).toBe(found.choice);
    expect(call(override('hook'))).toMatchObject({ choice: 'hook', grip: 'hook' });
  });

  it('has straps lie on a double overhand grip, with the cue for the strap that is used', () => {
    const loop = call({ school: 'strap-the-volume', set: slack });
    expect(loop).toMatchObject({ choice: 'straps', grip: 'doubleOverhand', verdict: 'called' });
    // Straps are sure, however much the bare hand would fail.
    const heavy = call({ school: 'strap-the-volume', set: { ...slack, load: 260 } });
    expect(heavy).toMatchObject({ choice: 'straps', verdict: 'called' });
    expect(loop.cues).toContain('Non-dominant hand first; the strap goes under the bar and winds inwards.');
    const eight = call({
      school: 'strongman',
      set: set({ lift: 'deadlift.axle', load: 179 }),
      ...override('straps'),
    });
    expect(eight.straps!.type).toBe('figureEight');
    expect(eight.cues).toContain(
      'Hand through one loop, strap under the bar, hand through the other; non-dominant hand first.',
    );
    expect(eight.cues).not.toContain(
      'Non-dominant hand first; the strap goes under the bar and winds inwards.',
    );
  });
});

describe('what other schools would have called', () => {
  const others = (
    more: Parameters<typeof context>[0],
  ): Map<string, SetCall['alternatives']['schools'][number]> =>
    new Map(call(more).alternatives.schools.map((each) => [each.schoolId, each]));

  it('has the chance of a bare grip, none of straps, and says which is the same', () => {
    const by = others({ school: 'strap-the-volume', set: slack });
    expect(by.get('bare-hands')).toMatchObject({ same: false, probability: expect.any(Number) });
    for (const each of by.values()) {
      expect(each.same).toBe(each.choice === 'straps');
      expect(each.probability === null).toBe(each.choice === 'straps');
      expect(each.why).toMatch(/\.$/);
    }
    const alike = others({ school: 'hook-committed', set: set({ load: 170 }) });
    expect([...alike.values()].some(({ same }) => same)).toBe(true);
  });

  it('says the rule where one decides for every school, not the first that spoke', () => {
    const arthritic = lifter({ flags: [{ kind: 'thumbArthritis', cleared: true }] });
    const event = { ...meet, straps: true };
    for (const each of others({ lifter: arthritic, event, set: set({ lift: 'deadlift.axle' }) }).values())
      expect(each.why).toBe('Harbour Open: the rulebook allows straps, so they are used.');
    const unwell = lifter({ hands: { ...hands('left', {}), unwell: true } });
    for (const each of others({ lifter: unwell }).values()) {
      expect(each).toMatchObject({ choice: null, same: true, probability: null });
      expect(each.why).toBe(call({ lifter: unwell }).reasons[0]!.text);
    }
  });
});

describe('sore hands in a school that does not strap for them', () => {
  const sore = lifter({ hands: hands('left', { pain: SORE }) });
  const said = (more: Parameters<typeof context>[0], school = 'bare-hands'): boolean =>
    ids(call({ school, ...more })).includes(`school.${school}.sore-hands`);
  it('are spoken of on a bare grip, and nowhere else', () => {
    expect(said({ lifter: sore })).toBe(true);
    expect(said({ lifter: lifter({ hands: hands('left', { pain: SORE - 1 }) }) })).toBe(false);
    expect(said({ lifter: sore }, 'strongman')).toBe(false);
    expect(said({ lifter: sore, ...override('straps') })).toBe(false);
    expect(said({ lifter: lifter({ hands: { ...sore.hands, unwell: true } }) })).toBe(false);
    expect(SCHOOLS.find(({ id }) => id === 'strongman')!.soreHands.straps).toBe(true);
  });
});

describe('a coach’s word', () => {
  it('that is refused stands among the reasons, and the call is the school’s', () => {
    const found = call({ lifter: thumb, ...override('hook') });
    expect(found.overrideRefused!.text).toMatch(/^Override to hook refused\. /);
    expect(found.reasons).toContainEqual(found.overrideRefused);
  });

  it('for straps is not told that its school has none', () => {
    const own = ids(call({ school: 'bare-hands' })).filter((id) => /straps/.test(id));
    expect(own).not.toEqual([]);
    expect(ids(call({ school: 'bare-hands', ...override('straps') }))).not.toEqual(
      expect.arrayContaining(own),
    );
  });

  it('for a grip is not refused for a side that only a mixed one would turn under', () => {
    const repaired = lifter({ flags: [{ kind: 'bicepsTendon', side: 'left', cleared: true }] });
    expect(call({ lifter: repaired, ...override('hook', 'left') })).toMatchObject({
      ...{ choice: 'hook', overridden: true },
    });
    expect(call({ lifter: repaired, ...override('mixed', 'left') })).toMatchObject({ overridden: false });
    // A side that nothing bars, and none at all, are followed.
    expect(call(override('mixed', 'left'))).toMatchObject({ choice: 'mixed', sideUnder: 'left' });
    expect(call({ lifter: repaired, ...override('mixed') })).toMatchObject({ overridden: true });
  });
});

describe('a line that fixes its grip', () => {
  it('is followed, and is no decision of the coach’s', () => {
    const found = call({ set: set({ fixed: 'mixed' }) });
    expect(found).toMatchObject({ choice: 'mixed', overridden: false });
    expect(found.reasons).toContainEqual({
      ...{ ruleId: 'line.fixed', rank: 'override', text: 'The line asks for mixed.' },
    });
  });

  it('is refused what a rule bars, in the rule’s words', () => {
    const found = call({ lifter: thumb, set: set({ fixed: 'hook' }) });
    expect(found.choice).not.toBe('hook');
    expect(found.overrideRefused).toMatchObject({
      ...{ ruleId: 'safety.damaged-thumb-no-hook', rank: 'safety' },
      text: expect.stringMatching(/^The line asks for hook\. Thumb skin torn on the left/),
    });
    expect(ids(found)).not.toContain('line.fixed');
  });

  it('to bare hands has no straps, says so where they would be called for, and gives way where nothing else is left', () => {
    const bare = { ...slack, fixed: 'bare' } as const;
    expect(call({ school: 'strap-the-volume', set: bare }).choice).not.toBe('straps');
    const weak = set({ role: 'volume', load: 260, reps: 8, fixed: 'bare' });
    const words = (more: Parameters<typeof context>[0]): string =>
      call({ school: 'strap-the-volume', set: weak, ...more }).reasons.find(
        ({ ruleId }) => ruleId === 'evidence.best-below-threshold',
      )!.text;
    expect(words({})).toMatch(/Straps are out too: The line asks for bare hands\.$/);
    expect(words({ event: meet })).toMatch(/Straps are out too: Harbour Open: the rulebook bars straps\.$/);
    expect(call({ school: 'strap-the-volume', lifter: torn, set: bare }).choice).toBe('straps');
    // One grip that is out leaves the others: still no straps.
    expect(call({ school: 'strap-the-volume', lifter: thumb, set: bare }).choice).not.toBe('straps');
  });
});

describe('what is left out', () => {
  const words = (more: Parameters<typeof context>[0]): (string | undefined)[] => {
    const found = call(more);
    expect([found.choice, found.cues]).toEqual([null, []]);
    const last = found.reasons.find(({ ruleId }) => ruleId === 'safety.nothing-left');
    return [last?.rank, last?.text];
  };
  const uncleared = lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] });
  it('says whether it is for today, for this load, or for this lift', () => {
    const unwell = lifter({ hands: { ...hands('left', {}), unwell: true } });
    expect(words({ lifter: unwell })).toEqual(['safety', 'Leave this set out today.']);
    expect(words({ lifter: uncleared, set: set({ load: 160, max: 180 }) })).toEqual([
      ...['safety', 'Not as written: a lighter load instead.'],
    ]);
    const hold = set({ lift: 'hold.front-rack', load: 240, reps: 1, seconds: 20 });
    expect(words({ lifter: uncleared, set: hold })).toEqual([
      ...['safety', 'Not at this load: every grip would be near its limit. Lighter, or shorter.'],
    ]);
    expect(words({ lifter: torn, set: set({ lift: 'clean', load: 90 }) })).toEqual([
      'safety',
      'Every grip and straps are barred for this set: leave it out, or change the lift.',
    ]);
  });
});

it('where no load at all is known to be held well, none is proposed', () => {
  const known = curveAround(150);
  // Neither level nor slope is known at all.
  const covariance = known.covariance.map((row, i) =>
    row.map((_, j) => (i !== j ? 0 : i === 1 ? 25 : i === 0 ? 4 : 0.01)),
  );
  const uncleared = lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] });
  const hold = set({ lift: 'hold.front-rack', load: 240, reps: 1, seconds: 20 });
  const left = (curve: typeof known): SetCall => call({ curve, lifter: uncleared, set: hold });
  expect(left(known)).toMatchObject({ choice: null, lighterLoad: expect.any(Number) });
  expect(left({ ...known, covariance }).choice).toBeNull();
  expect(left({ ...known, covariance })).not.toHaveProperty('lighterLoad');
});

describe('a lift that hangs from no hand', () => {
  it('has no grip, no other grips or schools, and its own cues', () => {
    const squat = call({ set: set({ lift: 'squat', load: 140 }) });
    expect(squat).toMatchObject({
      ...{ choice: null, grip: null, probability: null, overridden: false, verdict: 'free' },
      alternatives: { grips: [], schools: [] },
    });
    expect(call({ set: set({ lift: 'bench', load: 100 }) }).cues).toHaveLength(1);
    const unwell = lifter({ hands: { ...hands('left', {}), unwell: true } });
    expect(call({ lifter: unwell, set: set({ lift: 'bench', load: 100 }) })).toMatchObject({
      ...{ verdict: 'stop', cues: [], overridden: false },
      alternatives: { grips: [], schools: [] },
    });
  });
});

describe('what the set itself says', () => {
  const chance = (more: Parameters<typeof context>[0]): number =>
    call({ curve: curveAround(130), ...override('hook'), ...more }).probability!;

  it('sweat and a thicker bar lower the chance, the bar of the set before that of the venue', () => {
    expect(chance({ sweat: true })).toBeLessThan(chance({}));
    expect(chance({ sweat: false })).toBeCloseTo(chance({}), 12);
    const thick = set({ diameter: 50 });
    const venue = { ...context().venue, barDiameter: 50 };
    expect(chance({ set: thick })).toBeLessThan(chance({}));
    expect(chance({ venue })).toBeCloseTo(chance({ set: thick }), 12);
    expect(chance({ venue, set: set({ diameter: 28.5 }) })).toBeCloseTo(chance({}), 12);
  });

  it('one hand that works alone is asked of that hand', () => {
    const operated = lifter({ flags: [{ kind: 'recentOperation', side: 'left', cleared: false }] });
    const row = (hand?: 'left' | 'right'): SetCall =>
      call({
        lifter: operated,
        set: set({ lift: 'row.dumbbell', load: 20, max: 60, ...(hand && { hand }) }),
      });
    expect(row('right')).not.toHaveProperty('onlyHand');
    expect(row()).toMatchObject({ onlyHand: 'right' });
    expect(row('left').onlyHand).toBe('right');
  });

  it('the event of the day is heard by the school, and the purpose of the line before that of the lift', () => {
    const volume = set({ role: 'volume', load: 120, reps: 5 });
    const strongman = (event?: typeof meet): SetCall['choice'] =>
      call({ school: 'strongman', set: volume, ...(event && { event }) }).choice;
    expect(strongman({ ...meet, straps: true })).toBe('straps');
    expect(strongman(meet)).not.toBe('straps');
    const row = (purpose?: 'grip' | 'back'): SetCall['choice'] =>
      call({
        school: 'strongman',
        set: set({ lift: 'row.barbell', role: 'accessory', load: 70, reps: 8, ...(purpose && { purpose }) }),
      }).choice;
    expect([row(), row('back')]).toEqual(['straps', 'straps']);
    expect(row('grip')).not.toBe('straps');
  });
});

describe('refuses', () => {
  it.each([
    ['a bar without a load', { set: set({ load: 0 }) }, /set\.load/],
    [
      'four fingers over the thumb',
      { lifter: lifter({ thumbFingers: 4 as never }) },
      /thumbFingers must be 2 or 3/,
    ],
    ['no set at all', { set: null as never }, /set/],
  ])('%s', (_name, more, field) => expect(() => call(more)).toThrow(field));

  it('nothing of a body that hangs with no more', () => {
    expect(
      call({ set: set({ lift: 'hang.dead', load: 0, bodyMass: 80, seconds: 10 }) }).choice,
    ).not.toBeNull();
    expect(call({ lifter: lifter({ thumbFingers: 3 }) }).choice).not.toBeNull();
  });
});
