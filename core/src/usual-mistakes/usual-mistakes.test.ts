import { MISTAKE_RULES, usualMistakes, type Watched, type WatchedSet } from './usual-mistakes.ts';

const set = (more: Partial<WatchedSet> = {}): WatchedSet => ({
  on: '2026-11-20',
  session: 'fri',
  lift: 'deadlift.conventional',
  role: 'top',
  load: 160,
  reps: 1,
  grip: 'doubleOverhand',
  strapped: false,
  ...more,
});
const times = (n: number, more: Partial<WatchedSet>): WatchedSet[] =>
  Array.from({ length: n }, () => set(more));
const watched = (sets: WatchedSet[], more: Partial<Watched> = {}): Watched => ({
  today: '2026-11-25',
  deadliftMax: 180,
  hookStage: 'carry',
  sets,
  ...more,
});

/** Every mistake with a log that shows it and one that does not. */
const TABLE: Record<string, [shows: Watched, clean: Watched]> = {
  'mistake.straps-too-early': [
    watched(times(3, { role: 'warmup', strapped: true, bareChance: 0.99 })),
    watched(times(3, { role: 'warmup', strapped: true, bareChance: 0.8 })),
  ],
  'mistake.hook-only-when-heavy': [
    watched(times(2, { grip: 'hook' })),
    watched([...times(2, { grip: 'hook' }), set({ grip: 'hook', load: 60, role: 'warmup' })]),
  ],
  'mistake.hook-for-all-volume': [
    watched(times(4, { grip: 'hook', role: 'volume', load: 120 })),
    watched(times(4, { grip: 'hook', role: 'volume', load: 120 }), { hookStage: 'settled' }),
  ],
  'mistake.mixed-same-side': [
    watched(times(4, { grip: 'mixed', sideUnder: 'left' })),
    watched([
      ...times(2, { grip: 'mixed', sideUnder: 'left' }),
      ...times(2, { grip: 'mixed', sideUnder: 'right' }),
    ]),
  ],
  'mistake.bent-elbow-under-mixed': [
    watched([set({ grip: 'mixed', elbowBent: true })]),
    watched([set({ grip: 'hook', elbowBent: true })]),
  ],
  'mistake.rack-holds-as-reps': [
    watched([set({ lift: 'hold.front-rack', reps: 3 })]),
    watched([set({ lift: 'hold.front-rack' })]),
  ],
  'mistake.holds-before-deadlifts': [
    watched([set({ lift: 'hold.front-rack' }), set()]),
    watched([set(), set({ lift: 'hold.front-rack' })]),
  ],
  'mistake.slipping-every-session': [
    watched(['a', 'b', 'c'].map((session) => set({ session, slipped: true }))),
    watched(['a', 'b', 'c'].map((session) => set({ session, slipped: session !== 'b' }))),
  ],
  'mistake.strapped-number-for-bare-single': [
    watched(times(2, { role: 'backoff', strapped: true }), { planRestsOnStrappedSets: true }),
    watched(times(2, { role: 'backoff', strapped: true })),
  ],
};

it('lists every mistake', () => {
  expect(Object.keys(TABLE).sort()).toEqual(MISTAKE_RULES.map((rule) => rule.id).sort());
});

it.each(MISTAKE_RULES.map((rule) => rule.id))('%s', (id) => {
  const [shows, clean] = TABLE[id]!;
  const found = usualMistakes(shows).find((each) => each.id === id)!;
  expect(found.sets).toBeGreaterThan(0);
  expect(found.text).toMatch(/\.$/);
  expect(usualMistakes(clean).map((each) => each.id)).not.toContain(id);
});

it('looks at the last four weeks only', () => {
  expect(usualMistakes(watched([set({ on: '2026-10-20', grip: 'mixed', elbowBent: true })]))).toEqual([]);
  expect(() => usualMistakes(watched([set({ reps: 0 })]))).toThrow(/sets\[0\]\.reps/);
});
