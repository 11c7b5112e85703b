import type { ProfileView } from '@iron-clasp/contract';
import { DEFAULT_THRESHOLDS } from '@iron-clasp/core';
import { typedNumber } from '../../ui/figures.ts';
import { differences, draftOf, requestOf } from './lifter-draft.ts';

const profile: ProfileView = {
  id: 'a',
  version: 3,
  archived: false,
  name: 'Asta Lindqvist',
  sport: 'weightlifting',
  sportWords: '',
  unit: 'kg',
  deadliftMax: 120.2,
  dominantHand: 'right',
  stance: 'conventional',
  largeThighs: false,
  trainingSince: '2024-11-25',
  schoolId: 'weightlifting',
  hookStage: 'none',
  thresholds: DEFAULT_THRESHOLDS,
  history: [],
  handLength: 181,
  handSpan: null,
  bodyMass: null,
  usualReps: null,
  bestPulled: 'notSaid',
  bestChalk: null,
  practisedUnder: null,
  alternation: 'lightBySession',
  thumbFingers: null,
  clenches: false,
  armsBendUnderMixed: false,
  deadliftOn: '2026-09-12',
  bestLifts: [{ liftId: 'squat', load: 101.3, on: null }],
  unanswered: ['dominantHand', 'hookStage'],
  conflicts: [],
  changes: { changes: [], next: null },
  account: null,
  links: [],
  meets: [],
};
const none = new Set<string>();

it('what is not touched is sent as it was, to the digit, in either unit', () => {
  for (const unit of ['kg', 'lb'] as const) {
    const sent = requestOf(draftOf(profile, unit), profile, unit, none);
    expect(sent.deadliftMax).toBe(120.2);
    expect(sent.thresholds).toEqual(DEFAULT_THRESHOLDS);
    expect(sent).toMatchObject({ version: 3, stance: 'conventional', handLength: 181 });
    expect(sent.bestLifts).toEqual(profile.bestLifts);
  }
});

it('a question counts as answered only where its answer was touched', () => {
  const draft = draftOf(profile, 'kg');
  expect(requestOf(draft, profile, 'kg', none)).not.toHaveProperty('hookStage');
  const touched = requestOf({ ...draft, hookStage: 'learn' }, profile, 'kg', new Set(['hookStage']));
  expect(touched.hookStage).toBe('learn');
  expect(touched).not.toHaveProperty('dominantHand');
});

it('takes pounds, commas and per cent; nonsense stays nonsense for the contract to refuse', () => {
  const draft = draftOf(profile, 'lb');
  expect(requestOf({ ...draft, deadliftMax: '300,5' }, profile, 'lb', none).deadliftMax).toBeCloseTo(
    136.3,
    1,
  );
  expect(requestOf({ ...draft, deadliftMax: 'heavy' }, profile, 'lb', none).deadliftMax).toBeNaN();
  const surer = { ...draft, thresholds: { ...draft.thresholds, top: '97,5' } };
  expect(requestOf(surer, profile, 'lb', none).thresholds!.top).toBeCloseTo(0.975, 12);
  expect(typedNumber('')).toBeNaN();
});

it('names the fields in which two versions differ', () => {
  const draft = draftOf(profile, 'kg');
  expect(
    differences(draft, { ...draft, stance: 'sumo', history: [{ kind: 'heart', cleared: false }] }),
  ).toEqual(['stance', 'history']);
});
