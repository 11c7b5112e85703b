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

it('two barred arms leave no mixed grip at all', () => {
  const both = [repaired, { ...repaired, side: 'left' as const }];
  expect(profileConflicts(profile('same-grip', { history: both }))[0]!.text).toMatch(/neither arm/);
});
