import { holdProbability } from '../clasp-curve/hold-probability.ts';
import { callSet } from './call-set.ts';
import { context, curveAround, hands, lifter, set } from './fixtures.test-helper.ts';
import { findSchool, SCHOOLS } from './schools.ts';
import { SCHOOL_POINTS } from './school-points.ts';
import { SET_ROLES } from './set-role.ts';
import type { GripChoice } from './types.ts';

it('has the seven schools, each with its own id, words and reasons', () => {
  expect(SCHOOLS).toHaveLength(7);
  expect(new Set(SCHOOLS.map((school) => school.id)).size).toBe(7);
  for (const school of SCHOOLS) {
    expect(findSchool(school.id)).toBe(school);
    for (const role of SET_ROLES) expect(school.ladder[role].length).toBeGreaterThan(0);
    // Reasons are put into sentences: they bring no full stop and no capital of their own.
    for (const reason of [
      school.ladderReason,
      school.hold.reason,
      ...school.strapsFirst.map((policy) => policy.reason),
    ]) {
      expect(reason).toMatch(/^[^A-Z].*[^.]$/);
    }
    expect(school.hold.rest[0]).toBeLessThanOrEqual(school.hold.rest[1]);
  }
  const policies = SCHOOLS.flatMap((school) => [
    ...school.strapsFirst,
    ...(school.strapsLast ? [school.strapsLast] : []),
  ]);
  expect(new Set(policies.map((policy) => policy.id)).size).toBe(policies.length);
});

it('never straps a warm-up of a sound lifter', () => {
  for (const school of SCHOOLS) {
    for (const lift of ['deadlift.conventional', 'row.barbell', 'clean-pull', 'shrug', 'snatch']) {
      const call = callSet(
        context({ school: school.id, set: set({ lift, role: 'warmup', load: 60, reps: 8 }) }),
      );
      expect(call.choice).not.toBe('straps');
    }
  }
});

/** What each school calls for the same sets: strong hands, so that strength is not what decides. */
const EASY = curveAround(260);
const CASES: Record<string, { set: Parameters<typeof set>[0]; calls: Record<string, GripChoice> }> = {
  'a heavy deadlift single': {
    set: { load: 170 },
    calls: {
      'strap-the-volume': 'hook',
      'overhand-first': 'doubleOverhand',
      'hook-committed': 'hook',
      'same-grip': 'mixed',
      'bare-hands': 'doubleOverhand',
      weightlifting: 'hook',
      strongman: 'hook',
    },
  },
  'back-off triples': {
    set: { load: 140, reps: 3, role: 'backoff' },
    calls: {
      'strap-the-volume': 'straps',
      'overhand-first': 'doubleOverhand',
      'hook-committed': 'hook',
      'same-grip': 'mixed',
      'bare-hands': 'doubleOverhand',
      weightlifting: 'hook',
      strongman: 'doubleOverhand',
    },
  },
  'rows of eight': {
    set: { lift: 'row.barbell', load: 80, reps: 8, role: 'volume' },
    calls: {
      'strap-the-volume': 'straps',
      'overhand-first': 'doubleOverhand',
      'hook-committed': 'hook',
      'same-grip': 'hook',
      'bare-hands': 'doubleOverhand',
      weightlifting: 'straps',
      strongman: 'straps',
    },
  },
  'clean pulls': {
    set: { lift: 'clean-pull', load: 110, reps: 3, role: 'volume' },
    calls: { weightlifting: 'straps', 'hook-committed': 'hook', 'overhand-first': 'doubleOverhand' },
  },
  'snatch triples': {
    set: { lift: 'snatch', load: 70, reps: 3 },
    calls: { weightlifting: 'straps', 'hook-committed': 'hook' },
  },
  'a snatch double': { set: { lift: 'snatch', load: 80, reps: 2 }, calls: { weightlifting: 'hook' } },
  'a clean': {
    set: { lift: 'clean', load: 90 },
    calls: { weightlifting: 'hook', 'strap-the-volume': 'hook' },
  },
  'a rack pull above the max': {
    set: { lift: 'rack-pull', load: 190 },
    calls: { 'strap-the-volume': 'straps', 'bare-hands': 'doubleOverhand' },
  },
};

describe.each(Object.entries(CASES))('%s', (_name, { set: asked, calls }) => {
  it.each(Object.entries(calls))('%s calls %s', (school, expected) => {
    expect(callSet(context({ school, curve: EASY, set: set(asked) })).choice).toBe(expected);
  });
});

describe('straps, where a school makes them depend on something', () => {
  const heavyFail = { curve: curveAround(60), set: set({ load: 150 }) };

  it('strap the volume: heavy singles get them once something has slipped today, a weak hand alone does not', () => {
    expect(callSet(context({ school: 'strap-the-volume', ...heavyFail }))).toMatchObject({ verdict: 'weak' });
    const slipped = lifter({ slippedToday: [{ grip: 'mixed', load: 120 }] });
    expect(callSet(context({ school: 'strap-the-volume', ...heavyFail, lifter: slipped })).choice).toBe(
      'straps',
    );
  });

  it('overhand first: last, and not in the first two years', () => {
    expect(callSet(context({ ...heavyFail })).choice).toBe('straps');
    expect(callSet(context({ ...heavyFail, lifter: lifter({ trainingMonths: 23 }) })).choice).not.toBe(
      'straps',
    );
    expect(callSet(context({ ...heavyFail, lifter: lifter({ trainingMonths: 24 }) })).choice).toBe('straps');
  });

  it('hook committed: volume gets them when the thumbs complain, top sets never', () => {
    const sore = lifter({ hands: hands('left', { pain: 4 }) });
    const volume = set({ role: 'volume', load: 100, reps: 5 });
    expect(
      callSet(context({ school: 'hook-committed', curve: EASY, lifter: sore, set: volume })).choice,
    ).toBe('straps');
    expect(callSet(context({ school: 'hook-committed', curve: EASY, set: volume })).choice).toBe('hook');
    expect(callSet(context({ school: 'hook-committed', curve: EASY, lifter: sore, set: set() })).choice).toBe(
      'hook',
    );
  });

  it('strongman: as the event will allow, and never on an event that bars them', () => {
    const toEvent = lifter({ nextEventStraps: true });
    expect(callSet(context({ school: 'strongman', curve: EASY, lifter: toEvent })).choice).toBe('straps');
    expect(
      callSet(context({ school: 'strongman', curve: EASY, lifter: lifter({ nextEventStraps: false }) }))
        .choice,
    ).not.toBe('straps');
    const event = { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: true };
    const attempt = callSet(
      context({ school: 'strongman', curve: EASY, lifter: toEvent, event, set: set({ role: 'attempt' }) }),
    );
    expect(attempt.choice).not.toBe('straps');
    expect(attempt.reasons.map((reason) => reason.text)).toContain('Harbour Open: the rulebook bars straps.');
  });

  it('bare hands: never, whatever fails', () => {
    const call = callSet(context({ school: 'bare-hands', ...heavyFail }));
    expect(call.verdict).toBe('weak');
    expect(call.alternatives.grips.find((each) => each.choice === 'straps')).toMatchObject({
      permitted: false,
      why: { ruleId: 'school.bare-hands.straps-never' },
    });
  });
});

it('a meet attempt asks for more than a top set, and a warm-up for less', () => {
  const chance = holdProbability(curveAround(150), { load: 168, seconds: 5 });
  const asked = (role: 'attempt' | 'top' | 'warmup'): number =>
    callSet(context({ set: set({ role, load: 160 }) })).threshold;
  expect([asked('warmup'), asked('top'), asked('attempt')]).toEqual([0.9, 0.95, 0.98]);
  expect(chance).toBeGreaterThan(0);
});

describe('the points on which they disagree', () => {
  it.each(SCHOOL_POINTS.map((point) => [point.id, point] as const))(
    '%s: every school is on one side',
    (_id, point) => {
      const named = point.sides.flatMap((side) => side.schools);
      expect([...named].sort()).toEqual(SCHOOLS.map((school) => school.id).sort());
      expect(point.sides.length).toBeGreaterThan(1);
    },
  );

  it('sore hands and straps: as the schools’ own data say', () => {
    const point = SCHOOL_POINTS.find((each) => each.id === 'point.straps-for-sore-hands')!;
    const yes = point.sides.find((side) => side.says === 'yes')!.schools;
    for (const school of SCHOOLS) expect(yes.includes(school.id)).toBe(school.soreHands.straps);
  });

  it('effort of holds: as the schools’ own data say', () => {
    const point = SCHOOL_POINTS.find((each) => each.id === 'point.hold-effort')!;
    for (const school of SCHOOLS)
      expect(point.sides[0]!.schools.includes(school.id)).toBe(school.hold.effort.kind === 'nearLimit');
  });
});
