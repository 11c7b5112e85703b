import { findSchool } from '../calls/schools.ts';
import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import { medianLoad } from '../clasp-curve/read-outs.ts';
import { GRIP_KINDS, WRIST_POSITIONS, KIT_NEEDS } from '../set-demand/lift.ts';
import { findLift } from '../set-demand/lifts.ts';
import { planForearmWeek, type ForearmWeekQuestion } from './forearm-week.ts';
import { CLOSING_TO_OPENING_LIMIT, gripWork, gripWorkByWeek, type GripWorkItem } from './grip-work.ts';
import { proposeHoldBlock, type HoldBlockQuestion } from './hold-block.ts';
import { checkGripWeek, nextHardHoldDay, SPACING_RULES, type GripEvent } from './spacing-rules.ts';

const curves = { support: fitHoldCurve([], { referenceLoad: 126 }) };

describe('gripWork', () => {
  const item = (more: Partial<GripWorkItem>): GripWorkItem => ({
    on: '2026-11-20',
    lift: 'hold.front-rack',
    sets: 1,
    reps: 1,
    seconds: 10,
    load: 126,
    ...more,
  });
  const asked = (items: GripWorkItem[]) => gripWork({ today: '2026-11-22', items, curves });

  it('a hold of ten seconds at the 10 s load is ten, in its kind and wrist position', () => {
    const work = asked([item({ sets: 2 })]);
    expect(work.byKind.support).toBeCloseTo(20, 9);
    expect(work.byWrist.mid).toBeCloseTo(20, 9);
    expect(work.total).toBeCloseTo(20, 9);
    expect(work.guessed).toBe(0);
  });

  it('half the load counts half, behind the back more, and what the log gives as 10 s load is believed', () => {
    expect(asked([item({ load: 63 })]).total).toBeCloseTo(5, 9);
    expect(asked([item({ lift: 'hold.behind-back' })]).total).toBeCloseTo(10 / 0.9, 6);
    const gripper = item({ lift: 'gripper.close', reps: 5, load: 40, tenSecondLoad: 50 });
    delete (gripper as { seconds?: number }).seconds;
    const { byKind } = asked([gripper]);
    expect(byKind.crush).toBeCloseTo(5 * findLift('gripper.close')!.secondsPerRep * 0.8, 9);
  });

  it('straps and presses add nothing, unknown effort is said to be guessed', () => {
    expect(
      asked([item({ lift: 'deadlift.conventional', strapped: true }), item({ lift: 'bench' })]).total,
    ).toBe(0);
    expect(asked([item({ lift: 'band-opening', load: 0, seconds: 60 })])).toMatchObject({
      total: 30,
      guessed: 1,
    });
  });

  it('weighs the week against the month, closing against opening, and names the gaps', () => {
    const work = asked([
      item({ hard: true }),
      item({ on: '2026-11-18', hard: true }),
      item({ on: '2026-11-01', sets: 2 }),
      item({ on: '2026-10-01', sets: 50 }),
      item({ on: '2026-11-25', sets: 50 }),
      item({ lift: 'band-opening', load: 0, seconds: 8 }),
    ]);
    expect(work.hardDays).toBe(2);
    expect(work.weekAgainstMonth).toBeCloseTo(24 / (44 / 4), 9);
    expect(work.closingToOpening).toBeCloseTo(20 / 4, 9);
    expect(work.gaps.kinds).toEqual(
      GRIP_KINDS.filter((kind) => kind !== 'support' && kind !== 'fingerOpening'),
    );
    expect(work.gaps.wrist).toEqual(['short', 'long']);
    expect(asked([]).weekAgainstMonth).toBeNull();
    expect(asked([item({})]).closingToOpening).toBeNull();
  });

  it('goes by the grip’s own curve', () => {
    const hooked = medianLoad(curves.support, { seconds: 10, grip: 'hook' }).value;
    expect(asked([item({ grip: 'hook', load: hooked })]).total).toBeCloseTo(10, 9);
  });

  it('week by week', () => {
    const weeks = gripWorkByWeek({ today: '2026-11-22', items: [item({ on: '2026-11-10' })], curves }, 3);
    expect(weeks.map((week) => [week.from, week.work.total > 0])).toEqual([
      ['2026-11-02', false],
      ['2026-11-09', true],
      ['2026-11-16', false],
    ]);
  });

  it('names what it cannot use', () => {
    expect(() => asked([item({ lift: 'kettle' })])).toThrow(/items\[0\]\.lift/);
    expect(() => asked([item({ on: 'Monday' })])).toThrow(/items\[0\]\.on/);
  });
});

const event = (kind: GripEvent['kind'], day: number, hour = 18, session = `day ${day}`): GripEvent => ({
  kind,
  at: `2026-11-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00Z`,
  session,
});
const opened = event('openingWork', 23, 20);

/** Every spacing rule with a week that breaks it and one that does not. */
const WEEKS: Record<
  string,
  { breaks: Parameters<typeof checkGripWeek>[0]; keeps: Parameters<typeof checkGripWeek>[0] }
> = {
  'spacing.hard-holds-apart': {
    breaks: { events: [event('hardHold', 23), event('hardHold', 24), opened] },
    keeps: { events: [event('hardHold', 23), event('hardHold', 25), opened] },
  },
  'spacing.no-hard-hold-before-bare-deadlift': {
    breaks: { events: [event('hardHold', 23), event('heavyBarePull', 24), opened] },
    keeps: { events: [event('heavyBarePull', 23), event('hardHold', 24), opened] },
  },
  'spacing.holds-after-main-lifts': {
    breaks: { events: [event('hardHold', 23, 17), event('heavyBarePull', 23, 18)] },
    keeps: { events: [event('heavyBarePull', 23, 17), event('hardHold', 23, 18)] },
  },
  'spacing.hard-grip-days': {
    breaks: { events: [...[22, 24, 26, 28].map((day) => event('hardHold', day)), opened] },
    keeps: { events: [...[22, 24, 26].map((day) => event('hardHold', day)), opened] },
  },
  'spacing.straps-off-counts': {
    breaks: {
      strapsOffOn: '2026-11-15',
      events: [...[22, 24, 26].map((day) => event('hardHold', day)), opened],
    },
    keeps: {
      strapsOffOn: '2026-10-15',
      events: [...[22, 24, 26].map((day) => event('hardHold', day)), opened],
    },
  },
  'spacing.last-heavy-hold-before-meet': {
    breaks: { meetOn: '2026-11-28', events: [event('hardHold', 23)] },
    keeps: { meetOn: '2026-11-30', events: [event('hardHold', 23)] },
  },
  'spacing.no-opening-work': {
    breaks: { events: [event('closingWork', 23), event('heavyBarePull', 25)] },
    keeps: { events: [event('closingWork', 23), event('heavyBarePull', 25), opened] },
  },
  'spacing.testing-too-often': {
    breaks: { events: [event('test', 23), event('test', 27)] },
    keeps: { events: [event('test', 23, 18), event('test', 23, 19)] },
  },
  'spacing.failure-every-session': {
    breaks: { events: [event('failure', 23), event('failure', 27)] },
    keeps: { events: [event('failure', 23), event('closingWork', 27), opened] },
  },
};

describe.each(SPACING_RULES.map((rule) => [rule.id, rule] as const))('%s', (id, rule) => {
  it('is found where it is broken, with the events, and nowhere else', () => {
    const found = checkGripWeek(WEEKS[id]!.breaks).find((each) => each.ruleId === id)!;
    expect(found.text).toMatch(/\.$/);
    for (const place of found.events) expect(WEEKS[id]!.breaks.events[place]).toBeDefined();
    expect(checkGripWeek(WEEKS[id]!.keeps).map((each) => each.ruleId)).not.toContain(id);
    expect(rule.reason).toMatch(/\.$/);
  });
});

describe('the week', () => {
  it('leaves two hard days beside much heavy bare pulling', () => {
    const events = [
      event('heavyBarePull', 22, 10),
      event('hardHold', 22, 11),
      event('heavyBarePull', 25, 10),
      event('hardHold', 25, 11),
      event('hardHold', 27, 11),
      opened,
    ];
    expect(checkGripWeek({ events }).map((each) => each.ruleId)).toEqual(['spacing.hard-grip-days']);
  });

  it('finds the next day for a hard hold', () => {
    const events = [event('hardHold', 23), event('heavyBarePull', 27), opened];
    expect(nextHardHoldDay({ events }, '2026-11-23')).toBe('2026-11-25');
    expect(nextHardHoldDay({ events: [event('heavyBarePull', 25)] }, '2026-11-24')).toBe('2026-11-25');
  });

  it('refuses a moment that is none', () => {
    expect(() => checkGripWeek({ events: [{ kind: 'test', at: 'noon', session: 'a' }] })).toThrow(
      /events\[0\]\.at/,
    );
  });
});

describe('proposeHoldBlock', () => {
  const ask = (more: Partial<HoldBlockQuestion>) =>
    proposeHoldBlock({
      today: '2026-11-23',
      school: findSchool('same-grip')!,
      heavySets: { done: 10, slipped: 0 },
      ...more,
    });
  const ids = (found: ReturnType<typeof ask>): string[] => found.why.map((each) => each.ruleId);

  it('is not needed while the hands hold', () => {
    expect(ask({})).toMatchObject({ propose: false, why: [{ ruleId: 'block.not-needed' }] });
    const said = (done: number, slipped: number, more: Partial<HoldBlockQuestion> = {}): string =>
      ask({ heavySets: { done, slipped }, ...more })
        .why.map(({ text }) => text)
        .join(' ');
    // Nothing is said of hands that nobody has seen pull.
    expect(said(0, 0)).toBe('No heavy bare-handed set in four weeks: nothing asks for a block yet.');
    expect(said(1, 0)).toBe('Of one heavy bare-handed set in four weeks none slipped: no block needed.');
    expect(said(20, 1)).toBe('Of 20 heavy bare-handed sets in four weeks 1 slipped: no block needed.');
    expect(said(0, 0, { meetOn: '2026-11-24' })).toMatch(/^Too near the meet for a block/);
  });

  it('comes back with slips and with low confidence', () => {
    expect(ask({ heavySets: { done: 10, slipped: 2 } })).toMatchObject({
      propose: true,
      startsOn: '2026-11-23',
      weeks: 4,
      endsOn: '2026-12-20',
    });
    expect(ids(ask({ confidence: [2, 3, 2] }))).toEqual(['block.low-confidence', 'block.kind-singles']);
    expect(ask({ confidence: [2, 2] }).propose).toBe(false);
  });

  it('into a meet ends a week before it, for a school of heavy holds', () => {
    const found = ask({ school: findSchool('strap-the-volume')!, meetOn: '2026-12-23' });
    expect(found).toMatchObject({ propose: true, endsOn: '2026-12-16', weeks: 3, startsOn: '2026-11-26' });
    expect(ask({ meetOn: '2026-12-23' }).propose).toBe(false);
  });

  it('not too near a meet, and not on the heels of the last', () => {
    const slips = { heavySets: { done: 10, slipped: 3 } };
    expect(ids(ask({ ...slips, meetOn: '2026-12-05' }))).toContain('block.meet-too-near');
    expect(ids(ask({ ...slips, lastBlockEndedOn: '2026-11-20' }))).toContain('block.just-had-one');
    expect(ask({ ...slips, lastBlockEndedOn: '2026-10-20' }).propose).toBe(true);
  });
});

describe('planForearmWeek', () => {
  const days: ForearmWeekQuestion['days'] = [
    { on: '2026-11-23', session: 'pull' },
    { on: '2026-11-24', session: 'rest' },
    { on: '2026-11-25', session: 'upper', heavyPullNextDay: true },
    { on: '2026-11-26', session: 'pull' },
    { on: '2026-11-27', session: 'upper' },
  ];
  const planned = [
    { lift: 'deadlift.conventional', sets: 8 },
    { lift: 'row.barbell', sets: 4 },
  ];
  const ask = (more: Partial<ForearmWeekQuestion> = {}) =>
    planForearmWeek({ days, kit: KIT_NEEDS, planned, ...more });
  const lifts = (week: ReturnType<typeof ask>): string[] =>
    week.sessions.flatMap((session) => session.exercises.map((each) => each.lift));

  it('touches every kind and wrist position, evens closing and opening out, on fitting days', () => {
    const week = ask();
    expect(week.covered.kinds).toEqual(GRIP_KINDS);
    expect(week.covered.wrist).toEqual(WRIST_POSITIONS);
    expect(week.outOfReach).toEqual([]);
    expect(week.closingToOpening!).toBeLessThanOrEqual(CLOSING_TO_OPENING_LIMIT + 1e-9);
    for (const { on } of week.sessions) expect(['2026-11-23', '2026-11-26', '2026-11-27']).toContain(on);
    expect(week.sessions.length).toBeGreaterThanOrEqual(2);
  });

  it('proposes nothing that is there already', () => {
    const all = ask();
    const done = all.sessions.flatMap((session) =>
      session.exercises.map(({ lift, sets }) => ({ lift, sets })),
    );
    expect(lifts(ask({ planned: [...planned, ...done] }))).toEqual([]);
  });

  it('uses the kit at hand and says what would reach the rest', () => {
    const week = ask({ kit: ['band'] });
    for (const lift of lifts(week)) expect(findLift(lift)!.needs.every((need) => need === 'band')).toBe(true);
    const crush = week.outOfReach.find((each) => each.what === 'crush')!;
    expect(crush.needs).toHaveLength(1);
  });

  it('spares a sore elbow all added closing', () => {
    const week = ask({ elbowPain: 5 });
    for (const lift of lifts(week))
      expect(['crush', 'pinch', 'openHand', 'wristFlexion']).not.toContain(findLift(lift)!.kind);
    expect(week.why[0]).toMatchObject({ ruleId: 'forearm.sore-elbow', rank: 'safety' });
  });

  it('opening work comes last on its day', () => {
    for (const { exercises } of ask().sessions) {
      const kinds = exercises.map((each) => findLift(each.lift)!.kind);
      const first = kinds.indexOf('fingerOpening');
      if (first >= 0) expect(kinds.slice(first).every((kind) => kind === 'fingerOpening')).toBe(true);
    }
  });

  it('says where no day fits', () => {
    const before = days.map((each) => ({ ...each, heavyPullNextDay: true }));
    expect(ask({ days: before })).toMatchObject({ sessions: [] });
    expect(ask({ days: [{ on: '2026-11-23', session: 'lower' }] }).why.map((each) => each.ruleId)).toContain(
      'forearm.no-fitting-day',
    );
  });
});
