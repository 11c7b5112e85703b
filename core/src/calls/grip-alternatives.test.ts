import { gripAlternatives } from './grip-alternatives.ts';
import { findSchool } from './schools.ts';
import type { SetFacts } from './set-facts.ts';
import type { Grip } from '../clasp-curve/types.ts';
import type { GripAlternative, GripChoice, Reason } from './types.ts';

const school = findSchool('overhand-first')!;
const NO_STRAPS: Reason = { ruleId: 'school.straps', rank: 'school', text: 'No straps here.' };
const SKIN: Reason = { ruleId: 'safety.skin', rank: 'safety', text: 'The thumb is torn.' };

/** What was not called at an 80 % asked: overhand as given, mixed holds, hook as given. */
function others(
  chance: Partial<Record<Grip, number>> = {},
  { called = 'mixed', bars = [], straps, high = 0.5 }: Given = {},
): Map<GripChoice, GripAlternative> {
  const odds = { doubleOverhand: 0.9, mixed: 0.95, hook: 0.6, ...chance };
  const facts = {
    ...{ barred: { choices: new Map(bars) }, threshold: 0.8 },
    ...{ odds: (grip: Grip) => odds[grip], range: () => ({ low: 0.1, high }) },
  } as unknown as SetFacts;
  return new Map(gripAlternatives(school, called, facts, straps).map((each) => [each.choice, each]));
}
interface Given {
  readonly called?: GripChoice | null;
  readonly bars?: readonly (readonly [GripChoice, Reason])[];
  readonly straps?: Reason;
  readonly high?: number;
}
const plain = (each: GripAlternative | undefined): string | undefined =>
  each?.why.text.replaceAll('\u00a0', ' ');

it('speaks of every grip but the called one, and of all where none is called', () => {
  expect([...others().keys()].sort()).toEqual(['doubleOverhand', 'hook', 'straps']);
  expect([...others({}, { called: null }).keys()].sort()).toEqual([
    'doubleOverhand',
    'hook',
    'mixed',
    'straps',
  ]);
});

it('a grip that would hold comes later in the order of the school, from just what is asked on', () => {
  expect(others().get('doubleOverhand')).toMatchObject({
    ...{ permitted: true, probability: 0.9 },
    why: { ruleId: 'school.overhand-first.ladder', rank: 'evidence' },
  });
  expect(plain(others().get('doubleOverhand'))).toBe(
    `Would hold as well (90 %), but comes later in the order of ${school.name}.`,
  );
  expect(plain(others({ hook: 0.8 }).get('hook'))).toContain('Would hold as well (80 %)');
});

it('one of which it is not known is told from one that is too weak', () => {
  expect(plain(others({}, { high: 0.8 }).get('hook'))).toBe(
    `Not known whether it would hold (60 %), and it comes later in the order of ${school.name}.`,
  );
  const weak = others().get('hook')!;
  expect(weak).toMatchObject({
    ...{ permitted: true, probability: 0.6 },
    why: { ruleId: 'evidence.below-threshold', rank: 'evidence' },
  });
  expect(plain(weak)).toBe('Hook holds with 60 % probability only; 80 % is asked for.');
});

it('one that a rule takes away says the rule, with its chance', () => {
  const barred = others({}, { bars: [['hook', SKIN]] }).get('hook');
  expect(barred).toEqual({ choice: 'hook', permitted: false, probability: 0.6, why: SKIN });
});

it('straps test no hand: they are kept for other sets, or the school’s own words stand', () => {
  expect(others().get('straps')).toMatchObject({
    ...{ permitted: true, probability: null },
    why: { ruleId: 'school.overhand-first.ladder', text: `${school.name} keeps straps for other sets.` },
  });
  expect(others({}, { straps: NO_STRAPS }).get('straps')).toEqual({
    ...{ choice: 'straps', permitted: false, probability: null, why: NO_STRAPS },
  });
  // The school’s word on straps is none on a bare grip.
  expect(others({}, { straps: NO_STRAPS }).get('hook')).toMatchObject({ permitted: true });
});
