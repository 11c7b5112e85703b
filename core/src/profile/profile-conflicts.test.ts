import type { LadderStep, School, StrapCondition } from '../calls/school.ts';
import { findSchool } from '../calls/schools.ts';
import { PROFILE_CONFLICT_RULES, profileConflicts, type ProfileFacts } from './profile-conflicts.ts';

const profile = (school: string, more: Partial<ProfileFacts> = {}): ProfileFacts => ({
  sport: 'powerlifting',
  stance: 'conventional',
  largeThighs: false,
  trainingMonths: 60,
  hookStage: 'settled',
  history: [],
  school: findSchool(school)!,
  ...more,
});
const repaired = { kind: 'bicepsTendon', side: 'right', cleared: true } as const;
const arthritis = { kind: 'thumbArthritis', side: 'left', cleared: true } as const;

/** For each rule a profile that sets it off, and one that nearly does. */
const CASES: Record<string, [ProfileFacts, ProfileFacts]> = {
  'conflict.mixed-on-barred-arm': [
    profile('same-grip', { history: [repaired] }),
    profile('overhand-first', { history: [repaired] }),
  ],
  'conflict.side-not-said': [
    profile('overhand-first', { history: [{ kind: 'shoulder', cleared: false }] }),
    profile('overhand-first', { history: [{ kind: 'bloodPressure', cleared: false }] }),
  ],
  'conflict.operation-long-ago': [
    profile('overhand-first', { history: [{ kind: 'recentOperation', cleared: false, monthsAgo: 12 }] }),
    profile('overhand-first', { history: [{ kind: 'recentOperation', cleared: false, monthsAgo: 11 }] }),
  ],
  'conflict.hook-with-arthritis': [
    profile('hook-committed', { history: [arthritis] }),
    profile('strap-the-volume', { history: [arthritis] }),
  ],
  'conflict.hook-not-learnt': [
    profile('hook-committed', { hookStage: 'none' }),
    profile('hook-committed', { hookStage: 'learn' }),
  ],
  'conflict.straps-in-training-not-in-meet': [
    profile('strongman', {
      nextEventStraps: false,
      school: {
        ...findSchool('strongman')!,
        strapsFirst: [{ id: 'own', when: [{ kind: 'roles', roles: ['top'] }], reason: 'always' }],
      },
    }),
    profile('same-grip', { nextEventStraps: false }),
  ],
  'conflict.no-straps-where-event-allows': [
    profile('bare-hands', { nextEventStraps: true }),
    profile('bare-hands', { nextEventStraps: false }),
  ],
  'conflict.sport-and-school': [
    profile('same-grip', {
      sport: 'weightlifting',
      school: {
        ...findSchool('same-grip')!,
        ladder: { ...findSchool('same-grip')!.ladder, top: ['mixed'] },
      },
    }),
    profile('weightlifting', { sport: 'weightlifting' }),
  ],
  'conflict.tight-thighs-without-sumo': [
    profile('overhand-first', { stance: 'conventional', largeThighs: true }),
    profile('overhand-first', { stance: 'sumo', largeThighs: true }),
  ],
};

it.each(PROFILE_CONFLICT_RULES.map((rule) => rule.id))(
  '%s is said where it applies, and only there',
  (id) => {
    const [sets, spares] = CASES[id]!;
    const found = profileConflicts(sets).find((each) => each.id === id)!;
    // In words of its own, with what to do.
    expect(found.text).toMatch(/^[A-Z].{20,}\.$/);
    expect(found.mend).toMatch(/^[A-Z].{10,}\.$/);
    expect(profileConflicts(spares).map((each) => each.id)).not.toContain(id);
  },
);

const operation = { kind: 'recentOperation', cleared: false, monthsAgo: 12 } as const;
it.each<[string, string, ProfileFacts]>([
  [
    'another entry as long ago',
    'conflict.operation-long-ago',
    profile('overhand-first', { history: [{ ...operation, kind: 'bloodPressure' }] }),
  ],
  [
    'an operation that is cleared',
    'conflict.operation-long-ago',
    profile('overhand-first', { history: [{ ...operation, cleared: true }] }),
  ],
  [
    'an operation of which nobody said when',
    'conflict.operation-long-ago',
    profile('overhand-first', { history: [{ kind: 'recentOperation', cleared: false }] }),
  ],
  [
    'a flag beside one that would do',
    'conflict.side-not-said',
    profile('overhand-first', { history: [repaired, arthritis] }),
  ],
  [
    'the same order in another sport',
    'conflict.sport-and-school',
    profile('same-grip', {
      school: { ...findSchool('same-grip')!, ladder: { ...findSchool('same-grip')!.ladder, top: ['mixed'] } },
    }),
  ],
  [
    'a weightlifter of a school that takes the better bare grip',
    'conflict.sport-and-school',
    profile('same-grip', {
      sport: 'weightlifting',
      school: {
        ...findSchool('same-grip')!,
        ladder: { ...findSchool('same-grip')!.ladder, top: ['bestBare'] },
      },
    }),
  ],
])('%s is none', (_, id, facts) => {
  expect(profileConflicts(facts).map((each) => each.id)).not.toContain(id);
});

it('two barred arms leave no mixed grip at all, one leaves the other', () => {
  const text = (...history: ProfileFacts['history']): string =>
    profileConflicts(profile('same-grip', { history }))[0]!.text;
  expect(text(repaired, { ...repaired, side: 'left' })).toMatch(/neither arm/);
  expect(text(repaired)).toMatch(/the right arm is never turned under/);
  expect(text({ ...repaired, side: 'left' }, arthritis)).toMatch(/the left arm is never turned under/);
  // What stands of the other arm, and is no matter of turning it under, bars nothing.
  expect(text(repaired, arthritis)).toMatch(/the right arm is never turned under/);
});

it('a profile that goes together has no conflict, nor has one whose history bars no arm', () => {
  for (const school of ['same-grip', 'overhand-first', 'hook-committed', 'bare-hands'])
    expect(profileConflicts(profile(school))).toEqual([]);
  expect(profileConflicts(profile('same-grip', { history: [arthritis] }))).toEqual([]);
  expect(profileConflicts(profile('hook-committed', { history: [repaired] }))).toEqual([]);
});

it('one entry among others is enough', () => {
  const ids = (school: string, ...history: ProfileFacts['history']): string[] =>
    profileConflicts(profile(school, { history })).map((each) => each.id);
  expect(ids('hook-committed', repaired, arthritis)).toContain('conflict.hook-with-arthritis');
  expect(ids('overhand-first', arthritis, { kind: 'shoulder', cleared: false })).toContain(
    'conflict.side-not-said',
  );
  expect(ids('overhand-first', arthritis, operation)).toContain('conflict.operation-long-ago');
});

describe('a school asks for a grip heavy', () => {
  const school = (top: LadderStep[], attempt: LadderStep[]): School => {
    const own = findSchool('overhand-first')!;
    return { ...own, ladder: { ...own.ladder, top, attempt } };
  };
  it('where its top sets or its attempts alone begin with it', () => {
    const ids = (top: LadderStep[], attempt: LadderStep[]): string[] =>
      profileConflicts(profile('overhand-first', { hookStage: 'none', school: school(top, attempt) })).map(
        (each) => each.id,
      );
    expect(ids(['hook'], ['mixed'])).toContain('conflict.hook-not-learnt');
    expect(ids(['mixed'], ['hook'])).toContain('conflict.hook-not-learnt');
    expect(ids(['mixed', 'hook'], ['mixed', 'hook'])).not.toContain('conflict.hook-not-learnt');
  });
});

describe('straps and the next contest', () => {
  const strongman = findSchool('strongman')!;
  const strapping = (...when: StrapCondition[]): School => ({
    ...strongman,
    strapsFirst: [{ id: 'own', when, reason: 'always' }],
  });
  const ids = (school: School, nextEventStraps?: boolean): string[] =>
    profileConflicts({
      ...profile('strongman', { school }),
      ...(nextEventStraps !== undefined && { nextEventStraps }),
    }).map((each) => each.id);
  const conflict = 'conflict.straps-in-training-not-in-meet';
  const topSets = { kind: 'roles', roles: ['top', 'attempt'] } as const;
  it('clash where top sets are strapped always and the contest bars straps', () => {
    expect(ids(strapping(topSets), false)).toContain(conflict);
    expect(ids(strapping(topSets), true)).not.toContain(conflict);
    expect(ids(strapping(topSets))).not.toContain(conflict);
  });
  it('do not where other sets, or top sets under a condition, are', () => {
    expect(ids(strapping({ kind: 'roles', roles: ['volume'] }), false)).not.toContain(conflict);
    expect(ids(strapping(topSets, { kind: 'repsAtLeast', reps: 5 }), false)).not.toContain(conflict);
    expect(ids(strapping({ kind: 'repsAtLeast', reps: 5 }), false)).not.toContain(conflict);
  });
  it('are missed where the contest allows them and the school has none at all', () => {
    const missed = 'conflict.no-straps-where-event-allows';
    const never: School = { ...strongman, strapsFirst: [], strapsLast: null };
    expect(ids(never, true)).toContain(missed);
    expect(ids(never)).not.toContain(missed);
    expect(ids({ ...strapping(topSets), strapsLast: null }, true)).not.toContain(missed);
    const last = { id: 'own', when: [], reason: 'last' };
    expect(ids({ ...never, strapsLast: last }, true)).not.toContain(missed);
  });
});
