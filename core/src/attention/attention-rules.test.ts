import { SOUND_HAND } from '../hands/hand-state.ts';
import { ATTENTION_RULES, findAttention, type AttentionFacts } from './attention-rules.ts';

const QUIET: AttentionFacts = {
  hands: { left: SOUND_HAND, right: SOUND_HAND },
  slips: { recent: 0, recentSets: 40, before: 0, beforeSets: 40 },
  daysSinceTest: 10,
  tests: true,
  squeezeDown: [],
  closingToOpening: 3,
  uncleared: [],
};
const rulesOf = (more: Partial<AttentionFacts>): string[] =>
  findAttention({ ...QUIET, ...more }).map((each) => each.ruleId);

it('a quiet lifter needs nothing', () => {
  expect(rulesOf({})).toEqual([]);
});

it.each<[string, Partial<AttentionFacts>]>([
  ['attention.unwell', { hands: { left: SOUND_HAND, right: SOUND_HAND, unwell: true } }],
  ['attention.numb', { hands: { left: { ...SOUND_HAND, numb: true }, right: SOUND_HAND } }],
  ['attention.torn-skin', { hands: { left: SOUND_HAND, right: { ...SOUND_HAND, palm: 'torn' } } }],
  ['attention.finger', { hands: { left: { ...SOUND_HAND, finger: 'sprained' }, right: SOUND_HAND } }],
  ['attention.sharp-pain', { hands: { left: { ...SOUND_HAND, bicepsPain: 8 }, right: SOUND_HAND } }],
  ['attention.uncleared', { uncleared: ['blood pressure'] }],
  ['attention.pain', { hands: { left: SOUND_HAND, right: { ...SOUND_HAND, elbowPain: 4 } } }],
  ['attention.squeeze-down', { squeezeDown: ['right'] }],
  [
    'attention.third-attempt',
    { meet: { name: 'Open', days: 30, third: { load: 200, chance: 0.9, asked: 0.98 } } },
  ],
  ['attention.slips-rising', { slips: { recent: 6, recentSets: 30, before: 2, beforeSets: 32 } }],
  ['attention.closing-against-opening', { closingToOpening: null }],
  ['attention.closing-against-opening', { closingToOpening: 9 }],
  ['attention.hook-moves', { hook: { move: 'up', to: 'carry' } }],
  ['attention.hook-moves', { hook: { move: 'back', to: 'learn' } }],
  ['attention.look-due', { daysSinceLook: 8 }],
  ['attention.look-due', { daysSinceLook: null }],
  ['attention.test-overdue', { daysSinceTest: 43 }],
  ['attention.meet-near', { meet: { name: 'Open', days: 14 } }],
])('%s', (rule, facts) => {
  expect(rulesOf(facts)).toEqual([rule]);
});

it.each<[string, Partial<AttentionFacts>]>([
  ['as many slips as before', { slips: { recent: 5, recentSets: 40, before: 5, beforeSets: 40 } }],
  ['more slips among more sets', { slips: { recent: 6, recentSets: 80, before: 3, beforeSets: 40 } }],
  ['a rise that chance brings often', { slips: { recent: 7, recentSets: 62, before: 4, beforeSets: 60 } }],
  ['every set slipped, as before', { slips: { recent: 4, recentSets: 4, before: 5, beforeSets: 5 } }],
  ['two slips, which may be chance', { slips: { recent: 2, recentSets: 10, before: 0, beforeSets: 40 } }],
  ['no test where the club does not test', { tests: false, daysSinceTest: 400 }],
  [
    'a third attempt that holds',
    { meet: { name: 'Open', days: 30, third: { load: 200, chance: 0.99, asked: 0.98 } } },
  ],
  ['hands looked at a week ago', { daysSinceLook: 7 }],
  ['a meet that is over', { meet: { name: 'Open', days: -1 } }],
])('says nothing of %s', (_, facts) => {
  expect(rulesOf(facts)).toEqual([]);
});

it('the gravest comes first, each with its step', () => {
  const found = findAttention({
    ...QUIET,
    hands: { left: { ...SOUND_HAND, palm: 'torn', pain: 5 }, right: SOUND_HAND },
    closingToOpening: null,
  });
  expect(found.map((each) => [each.level, each.step])).toEqual([
    ['stop', 'hands'],
    ['caution', 'hands'],
    ['note', 'holds'],
  ]);
});

it('every rule has a reason and an id of its own', () => {
  expect(new Set(ATTENTION_RULES.map((rule) => rule.id)).size).toBe(ATTENTION_RULES.length);
  for (const rule of ATTENTION_RULES) expect(rule.reason).toMatch(/[.]$/);
});
