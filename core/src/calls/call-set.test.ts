import fc from 'fast-check';
import { SOUND_HAND } from '../hands/hand-state.ts';
import { mixedLedger } from '../hands/mixed-ledger.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import { LIFTS } from '../set-demand/lifts.ts';
import { callSession } from './call-session.ts';
import { callSet } from './call-set.ts';
import { context, curveAround, hands, lifter, set } from './fixtures.test-helper.ts';
import { SCHOOLS } from './schools.ts';
import { sayCall } from './say-call.ts';
import { SET_ROLES } from './set-role.ts';
import { GRIP_CHOICES, type SetCall } from './types.ts';

const ids = (call: SetCall): string[] => call.reasons.map((reason) => reason.ruleId);

describe('walks the school’s order to the first grip that reaches the threshold', () => {
  it('overhand first: overhand while it holds', () => {
    const call = callSet(context({ set: set({ role: 'warmup', load: 70, reps: 3 }) }));
    expect(call).toMatchObject({ choice: 'doubleOverhand', verdict: 'called' });
    expect(call.probability).toBeGreaterThanOrEqual(0.9);
    expect(ids(call)).toContain('school.overhand-first.ladder');
  });

  it('overhand first: the better of mixed and hook by the lifter’s own log once overhand fails', () => {
    const call = callSet(context({ set: set({ load: 170 }) }));
    expect(call.choice).toBe('hook');
    expect(call.alternatives.grips.find((each) => each.choice === 'doubleOverhand')).toMatchObject({
      permitted: true,
      why: { ruleId: 'evidence.below-threshold' },
    });
  });

  it('same grip all year: mixed before hook on the same set', () => {
    expect(callSet(context({ school: 'same-grip', set: set({ load: 125 }) })).choice).toBe('mixed');
  });

  it('straps the volume, and says what other schools would have called', () => {
    const call = callSet(
      context({ school: 'strap-the-volume', set: set({ role: 'backoff', load: 120, reps: 5 }) }),
    );
    expect(call).toMatchObject({ choice: 'straps', probability: null, straps: { type: 'loop', turns: 3 } });
    expect(ids(call)).toContain('school.strap-the-volume.straps-on-volume');
    expect(call.alternatives.schools).toHaveLength(SCHOOLS.length - 1);
    expect(call.alternatives.schools.find((each) => each.schoolId === 'bare-hands')).toMatchObject({
      same: false,
    });
  });

  it('no straps in the first two years, though every bare grip fails', () => {
    const call = callSet(
      context({ lifter: lifter({ trainingMonths: 8 }), set: set({ role: 'volume', load: 170, reps: 5 }) }),
    );
    expect(call.choice).not.toBe('straps');
    expect(ids(call)).toContain('school.overhand-first.straps-not-before');
  });
});

describe('when no grip is strong enough', () => {
  const call = callSet(context({ school: 'bare-hands', set: set({ load: 260, reps: 5 }) }));

  it('calls the best one, says it is weak, and proposes a load that would do', () => {
    expect(call.verdict).toBe('weak');
    expect(call.probability).toBeLessThan(0.95);
    const demand = { seconds: call.demand!.seconds, load: call.lighterLoad! * 1.05 };
    expect(holdProbability(curveAround(150), { ...demand, grip: call.grip! })).toBeCloseTo(call.threshold, 6);
  });

  it('leaves the set out when safety bars every grip and the lift bars straps', () => {
    const torn = callSet(
      context({
        lifter: lifter({ hands: hands('left', { palm: 'torn' }) }),
        set: set({ lift: 'clean', load: 90 }),
      }),
    );
    expect(torn).toMatchObject({ choice: null, verdict: 'stop' });
    expect(sayCall(torn)).toBe('leave it out');
  });
});

describe('safety outranks school and coach', () => {
  it('straps a torn hand even in a school that never straps', () => {
    const call = callSet(
      context({ school: 'bare-hands', lifter: lifter({ hands: hands('left', { palm: 'torn' }) }) }),
    );
    expect(call.choice).toBe('straps');
    expect(ids(call)).toEqual(
      expect.arrayContaining(['safety.torn-callus-straps', 'safety.straps-only-left']),
    );
    expect(call.cautions).toContain('Cover the torn skin; blood on a bar is cleaned before the next lifter.');
  });

  it('refuses an override that a safety rule bars, naming the rule', () => {
    const override = { choice: 'hook' as const, reason: 'meet next week', by: 'Maren' };
    const call = callSet(context({ lifter: lifter({ hands: hands('left', { thumb: 'torn' }) }), override }));
    expect(call.choice).not.toBe('hook');
    expect(call).toMatchObject({
      overridden: false,
      overrideRefused: { ruleId: 'safety.damaged-thumb-no-hook' },
    });
  });

  it('follows an override that nothing bars, and shows it', () => {
    const call = callSet(
      context({ override: { choice: 'mixed', reason: 'rehearse the meet', by: 'Maren' } }),
    );
    expect(call).toMatchObject({ choice: 'mixed', overridden: true });
    expect(call.reasons).toContainEqual({
      ruleId: 'override.coach',
      rank: 'override',
      text: 'Maren chose mixed: rehearse the meet',
    });
  });

  it('lets a coach go past a hook stage, with the stage still said', () => {
    const call = callSet(
      context({
        lifter: lifter({ hookStage: 'learn' }),
        override: { choice: 'hook', reason: 'test day', by: 'Maren' },
      }),
    );
    expect(call.choice).toBe('hook');
    expect(ids(call)).toContain('adaptation.hook-stage');
  });

  it('never turns a repaired arm under, whatever the ledger says, and never calls what is barred', () => {
    const ledger = mixedLedger([{ sideUnder: 'left', reps: 5, load: 200, seconds: 20 }]);
    const repaired = lifter({
      flags: [{ kind: 'bicepsTendon', side: 'right', cleared: true }],
      hookStage: 'none',
    });
    const any = fc.record({
      school: fc.constantFrom(...SCHOOLS.map((each) => each.id)),
      lift: fc.constantFrom(...LIFTS.map((each) => each.id)),
      role: fc.constantFrom(...SET_ROLES),
      load: fc.integer({ min: 20, max: 300 }),
      reps: fc.integer({ min: 1, max: 15 }),
      choice: fc.option(fc.constantFrom(...GRIP_CHOICES), { nil: undefined }),
    });
    const curve = curveAround(150);
    fc.assert(
      fc.property(any, ({ school, lift, role, load, reps, choice }) => {
        const override = choice && { override: { choice, reason: 'because', by: 'Maren' } };
        const call = callSet(
          context({
            school,
            ledger,
            lifter: repaired,
            curve,
            set: set({ lift, role, load, reps }),
            ...override,
          }),
        );
        expect(call.sideUnder).not.toBe('right');
        if (!choice) expect(call.choice).not.toBe('hook');
        if (call.choice === 'straps')
          expect(LIFTS.find((each) => each.id === lift)!.straps.allowed).toBe(true);
        expect(call.probability === null || (call.probability >= 0 && call.probability <= 1)).toBe(true);
        for (const reason of call.reasons) expect(reason.text).not.toMatch(/NaN|undefined/);
      }),
    );
  });
});

describe('side, chalk and words', () => {
  it('turns the hand under that has less behind it, and flags the imbalance', () => {
    const ledger = mixedLedger([{ sideUnder: 'left', reps: 1, load: 180, seconds: 5 }]);
    const call = callSet(context({ school: 'same-grip', ledger, set: set({ role: 'backoff', load: 125 }) }));
    expect(call.sideUnder).toBe('right');
    expect(call.reasons.find((reason) => reason.ruleId === 'ledger.next-side')!.text).toMatch(
      /imbalance over 99\s%/,
    );
  });

  it.each([
    ['block', 'block'],
    ['liquid', 'liquid'],
    ['none', 'none'],
  ] as const)('venue with %s chalk calls %s', (chalk, kind) => {
    const call = callSet(
      context({ venue: { name: 'Hotel gym', chalk, barDiameter: 28.5 }, set: set({ load: 145 }) }),
    );
    expect(call.chalk.kind).toBe(kind);
  });

  it('puts chalk on the outer thumb for hook, and reads aloud so', () => {
    const call = callSet(context({ set: set({ load: 170 }) }));
    expect(call.chalk.where).toContain('outer side of the thumb');
    expect(sayCall(call)).toBe('hook, block chalk, outer thumb too');
  });

  it('needs no grip call for a squat', () => {
    expect(callSet(context({ set: set({ lift: 'squat' }) }))).toMatchObject({
      verdict: 'free',
      choice: null,
    });
  });
});

it('keeps the same hand under through a session', () => {
  const { set: _unused, ...rest } = context({ school: 'same-grip' });
  const calls = callSession({
    ...rest,
    sets: [set({ load: 120 }), set({ load: 125 }), set({ role: 'backoff', load: 110, reps: 3 })],
  });
  expect(new Set(calls.filter((call) => call.choice === 'mixed').map((call) => call.sideUnder)).size).toBe(1);
});

describe('a lifter who must not strain', () => {
  const uncleared = lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] });
  const hold = set({ lift: 'hold.front-rack', load: 215 });

  it('is not called for a hold near the limit, and gets the load that would be well short of it', () => {
    const call = callSet(context({ lifter: uncleared, set: hold }));
    expect(call).toMatchObject({ choice: null, verdict: 'stop' });
    expect(ids(call)).toEqual(expect.arrayContaining(['safety.no-near-limit-holds', 'safety.nothing-left']));
    const lighter = callSet(
      context({ lifter: uncleared, set: { ...hold, load: call.lighterLoad! * 0.999 } }),
    );
    expect(lighter.verdict).toBe('called');
    expect(lighter.probability).toBeGreaterThanOrEqual(0.9);
  });

  it('is refused an override that would take it there', () => {
    const override = { choice: 'hook' as const, reason: 'feels fine', by: 'Maren' };
    expect(callSet(context({ lifter: uncleared, set: hold, override })).overrideRefused?.ruleId).toBe(
      'safety.no-near-limit-holds',
    );
  });
});

describe('an override of the side', () => {
  const mixed = (
    sideUnder: 'left' | 'right',
    flags: NonNullable<Parameters<typeof lifter>[0]>['flags'] = [],
  ) =>
    callSet(
      context({
        lifter: lifter({ flags }),
        override: { choice: 'mixed', sideUnder, reason: 'as in the meet', by: 'Maren' },
      }),
    );

  it('is followed against the ledger', () => {
    expect(mixed('right')).toMatchObject({ choice: 'mixed', sideUnder: 'right', overridden: true });
  });

  it('is refused for a side that may not be turned under', () => {
    const refused = mixed('right', [{ kind: 'bicepsTendon', side: 'right', cleared: true }]);
    expect(refused.overrideRefused?.ruleId).toBe('safety.biceps-never-supinated');
    expect(refused.sideUnder).not.toBe('right');
  });
});

describe('the strap', () => {
  const strong = curveAround(260);
  const event = { name: 'Harbour Open', straps: true, thumbTape: true, liquidChalk: true };
  const at = (straps: readonly ('loop' | 'plain' | 'quickRelease' | 'figureEight')[]) => ({
    name: 'Hotel gym',
    chalk: 'block' as const,
    barDiameter: 28.5,
    straps,
  });

  it('is used in every school where the rulebook of the day allows it', () => {
    for (const { id } of SCHOOLS)
      for (const role of ['attempt', 'top'] as const)
        expect(callSet(context({ school: id, curve: strong, event, set: set({ role }) })).choice).toBe(
          'straps',
        );
  });

  it('is quick-release with one turn where the bar must be let go', () => {
    const pulls = set({ lift: 'snatch-pull', role: 'volume', load: 90, reps: 3 });
    expect(callSet(context({ school: 'weightlifting', set: pulls })).straps).toEqual({
      type: 'quickRelease',
      turns: 1,
    });
  });

  it('is a figure-eight on the heaviest strongman pulls, never on one that is dropped', () => {
    const toEvent = lifter({ nextEventStraps: true });
    const heavy = (lift: string) =>
      callSet(
        context({
          school: 'strongman',
          lifter: { ...toEvent, gripWorkHigh: true },
          set: set({ lift, load: 170 }),
        }),
      );
    expect(heavy('deadlift.conventional').straps?.type).toBe('figureEight');
    expect(heavy('clean-pull').straps?.type).toBe('quickRelease');
    // Where the house has none, the lift's own is taken, with the turns it is always wound.
    const without = callSet(
      context({
        ...{ school: 'strongman', lifter: { ...toEvent, gripWorkHigh: true }, set: set({ load: 170 }) },
        venue: at(['loop', 'plain']),
      }),
    );
    expect(without.straps).toEqual({ type: 'loop', turns: 3 });
  });

  it('is the next best at hand, or none', () => {
    const volume = set({ role: 'backoff', load: 120, reps: 5 });
    const call = callSet(context({ school: 'strap-the-volume', venue: at(['plain']), set: volume }));
    expect(call.straps).toEqual({ type: 'plain', turns: 3 });
    const said = (straps: Parameters<typeof at>[0]): string =>
      callSet(context({ school: 'strap-the-volume', venue: at(straps), set: volume })).reasons.find((each) =>
        each.ruleId.startsWith('lift.strap-type.'),
      )!.text;
    expect(said(['plain'])).toMatch(/^Plain straps, 3 turns: /);
    expect(said(['quickRelease'])).toMatch(/, 1 turn: /);
    expect(call.reasons.find((each) => each.ruleId === 'lift.strap-type.plain')?.text).toMatch(
      /in place of loop/,
    );
    expect(callSet(context({ school: 'strap-the-volume', venue: at([]), set: volume })).choice).not.toBe(
      'straps',
    );
  });

  it('is what is said of what lies in the house: where straps are called, or where there are none', () => {
    const heavy = set({ role: 'top', load: 120, reps: 1 });
    const volume = set({ role: 'backoff', load: 120, reps: 5 });
    const says = (straps: Parameters<typeof at>[0], written: typeof volume): boolean =>
      callSet(context({ school: 'strap-the-volume', venue: at(straps), set: written })).reasons.some(
        ({ ruleId }) => ruleId === 'venue.strap-types-at-hand',
      );
    expect([says(['plain'], volume), says(['plain'], heavy), says([], volume)]).toEqual([true, false, true]);
  });
});

describe('sore hands, skin sound', () => {
  const sore = lifter({ hands: hands('left', { pain: 5 }) });
  it('are no reason in a school that says so, which is then said', () => {
    expect(ids(callSet(context({ lifter: sore, set: set({ role: 'volume', load: 90 }) })))).toContain(
      'school.overhand-first.sore-hands',
    );
  });
  it('are one on the volume in another', () => {
    const call = callSet(
      context({ school: 'weightlifting', lifter: sore, set: set({ role: 'volume', load: 90 }) }),
    );
    expect(call.choice).toBe('straps');
  });
});

it('a lift that needs no grip call still stops for a lifter who is unwell, and chalks what a press needs', () => {
  const bench = set({ lift: 'bench', load: 100 });
  expect(
    callSet(context({ set: bench, lifter: lifter({ hands: { ...lifter().hands, unwell: true } }) })),
  ).toMatchObject({
    verdict: 'stop',
    reasons: [{ ruleId: 'safety.unwell-stop' }, { ruleId: 'lift.not-gripped' }],
  });
  expect(callSet(context({ set: bench })).chalk.where).toEqual(['heel of the hand']);
  const squat = set({ lift: 'squat', load: 100 });
  expect(callSet(context({ set: squat })).chalk).toEqual({ kind: 'none', where: [] });
  expect(callSet(context({ set: squat, sweat: true })).chalk.where).toEqual(['back at bar height']);
});

it('says of weak bare grips that straps are out too, and why', () => {
  const call = callSet(context({ school: 'bare-hands', set: set({ load: 260, reps: 5 }) }));
  expect(call.reasons.find((each) => each.ruleId === 'evidence.best-below-threshold')?.text).toMatch(
    /Straps are out too: Bare hands: no straps/,
  );
});

it('a set that is left out takes no chalk, gripped or not', () => {
  const numb = lifter({ hands: hands('left', { numb: true }) });
  for (const lift of ['press', 'squat', 'deadlift.conventional']) {
    const call = callSet(context({ lifter: numb, set: set({ lift, load: 60 }) }));
    expect(call).toMatchObject({ verdict: 'stop', chalk: { kind: 'none' } });
  }
});

it('offers the lighter load to strapped hands, where bare ones are torn and nothing maximal may be done', () => {
  const both = { palm: 'torn' } as const;
  const spared = lifter({
    deadliftMax: 200,
    hands: { left: { ...SOUND_HAND, ...both }, right: { ...SOUND_HAND, ...both } },
    flags: [{ kind: 'heart', cleared: false }],
  });
  const call = callSet(context({ lifter: spared, set: set({ load: 180, reps: 1, max: 200 }) }));
  expect(call).toMatchObject({ choice: null, verdict: 'stop', lighterLoad: 160 });
  const lighter = callSet(context({ lifter: spared, set: set({ load: 160, reps: 1, max: 200 }) }));
  expect(lighter.choice).toBe('straps');
});

it('a body that hangs is part of the load, and of the lighter load', () => {
  const chins = set({ lift: 'chin-up', role: 'volume', load: 60, reps: 10, bodyMass: 90 });
  const call = callSet(context({ curve: curveAround(90), set: chins }));
  expect(call.demand!.load).toBeCloseTo(150 * 1.05, 9);
  expect(call.verdict).toBe('weak');
  expect(call.lighterLoad ?? 0).toBeLessThan(60);
});

it('offers what can be picked up instead: half kilograms of a handle, and nothing below the body itself', () => {
  const weak = (more: Parameters<typeof set>[0]) =>
    callSet(context({ curve: curveAround(40), set: set({ role: 'volume', ...more }) }));
  const carry = weak({ lift: 'carry.handles', load: 40, reps: 1, seconds: 30 });
  expect(carry.verdict).toBe('weak');
  expect(carry.lighterLoad).toBeGreaterThan(0);
  expect(carry.lighterLoad! % 0.5).toBe(0);
  for (const body of [{}, { bodyMass: 90 }]) {
    const pullUp = weak({ lift: 'pull-up', load: 0, reps: 6, ...body });
    expect(pullUp.verdict).toBe('weak');
    expect(pullUp).not.toHaveProperty('lighterLoad');
  }
});

it('counts the holds of a session for what follows', () => {
  const { set: _unused, ...rest } = context();
  const hold = set({ lift: 'hold.front-rack', role: 'accessory', load: 120 });
  const calls = callSession({ ...rest, sets: [hold, hold, set({ load: 150 })] });
  expect(calls[1]!.probability).toBeLessThan(calls[0]!.probability!);
  expect(calls[2]!.cautions.join(' ')).toMatch(/holds come after the main lifts/);
});

describe('refuses what it cannot use, naming it', () => {
  const broken = (change: (made: ReturnType<typeof context>) => unknown): (() => unknown) => {
    const made = structuredClone(context());
    return () => callSet(change(made) as never);
  };
  it.each<[string, (made: ReturnType<typeof context>) => unknown]>([
    ['set.load', (made) => ({ ...made, set: { ...made.set, load: -5 } })],
    ['set.reps', (made) => ({ ...made, set: { ...made.set, reps: 0 } })],
    ['set.lift', (made) => ({ ...made, set: { ...made.set, lift: 'kettle' } })],
    [
      'lifter.thresholds.top',
      (made) => ({ ...made, lifter: { ...made.lifter, thresholds: { ...made.lifter.thresholds, top: 2 } } }),
    ],
    [
      'lifter.hands.left.pain',
      (made) => ({ ...made, lifter: { ...made.lifter, hands: hands('left', { pain: 11 }) } }),
    ],
    [
      'lifter.flags[0].kind',
      (made) => ({ ...made, lifter: { ...made.lifter, flags: [{ kind: 'mood', cleared: true }] } }),
    ],
    [
      'school.strapsLast.when[0].kind',
      (made) => ({
        ...made,
        school: { ...made.school, strapsLast: { id: 'x', when: [{ kind: 'moon' }], reason: 'x' } },
      }),
    ],
    ['venue.chalk', (made) => ({ ...made, venue: { ...made.venue, chalk: 'flour' } })],
    ['override.choice', (made) => ({ ...made, override: { choice: 'teeth', reason: 'x', by: 'y' } })],
    ['curve.slope', (made) => ({ ...made, curve: { ...made.curve, slope: NaN } })],
    ['ledger.left', (made) => ({ ...made, ledger: { imbalance: 0 } })],
    ['the question', () => null],
  ])('%s', (field, change) => {
    expect(broken(change)).toThrow(
      expect.objectContaining({ name: 'InvalidInputError', message: expect.stringContaining(field) }),
    );
  });

  it('names the set of a session', () => {
    const { set: _unused, ...rest } = context();
    expect(() => callSession({ ...rest, sets: [set(), set({ load: Number.NaN })] })).toThrow(
      /sets\[1\]\.load/,
    );
  });
});
