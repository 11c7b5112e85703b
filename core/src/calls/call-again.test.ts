import { mixedLedger } from '../hands/mixed-ledger.ts';
import { findLift } from '../set-demand/lifts.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import type { LoggedSetFacts } from '../log/observe-log.ts';
import { callAgain, sameCall, slipsOf, whyChanged, type SessionUnderWay } from './call-again.ts';
import { lifter } from './fixtures.test-helper.ts';
import { findSchool } from './schools.ts';

const deadlift = findLift('deadlift.conventional')!;
const under = (more: Partial<SessionUnderWay> = {}, school = 'strap-the-volume'): SessionUnderWay => ({
  session: {
    lifter: lifter({ hookStage: 'settled', deadliftMax: 180 }),
    school: findSchool(school)!,
    venue: { name: 'Hall', chalk: 'block', barDiameter: 29 },
    ledger: mixedLedger([]),
    sets: [150, 160, 160].map((load) => ({ lift: deadlift, role: 'top', load, reps: 1 })),
  },
  observations: [],
  fit: { referenceLoad: 126 },
  done: [],
  holds: [],
  bodyMass: null,
  ...more,
});
const single = (load: number, more: Partial<LoggedSetFacts> = {}): LoggedSetFacts => ({
  ...{ liftId: deadlift.id, load, reps: 1, style: 'reset', seconds: null, slippedAtRep: null },
  ...{ grip: 'hook', strapped: false, chalk: 'block', diameter: 29 },
  ...more,
});

it('with nothing done the session is called as it stood', () => {
  const { calls, curve } = callAgain(under());
  expect(calls).toHaveLength(3);
  expect(curve.evidence.observations).toBe(0);
});

it('a slip in the second single changes the third: another grip, straps or lighter, and says why', () => {
  const before = callAgain(under()).calls[2]!;
  expect(before.choice).toBe('hook');
  const { calls, curve } = callAgain(under({ done: [single(150), single(160, { slippedAtRep: 1 })] }));
  const after = calls[2]!;
  expect(after.choice).not.toBe('hook');
  expect(sameCall(before, after)).toBe(false);
  expect(whyChanged(before, after)!.ruleId).toBe('adaptation.slipped-today');
  expect(curve.evidence).toMatchObject({ observations: 2, slipped: 1 });
  // The first single was lighter than what slipped: the hook may stay there.
  expect(calls[0]!.choice).toBe('hook');
});

it('a grip that the curve rates weaker than what slipped is not called either', () => {
  const { calls } = callAgain(under({ done: [single(150), single(160, { slippedAtRep: 1 })] }));
  // The hook is rated strongest: with it everything bare is out, and this school straps once slipping starts.
  expect(calls[2]!.choice).toBe('straps');
  expect(calls[2]!.reasons.map((reason) => reason.ruleId)).toContain('school.strap-the-volume.straps-last');
});

it('bare hands that all slipped leave a lighter load, in the school that never straps', () => {
  const done = (['hook', 'mixed', 'doubleOverhand'] as const).map((grip) =>
    single(160, { grip, slippedAtRep: 1 }),
  );
  const { calls } = callAgain(under({ done }, 'bare-hands'));
  expect(calls[2]).toMatchObject({ choice: null, verdict: 'stop' });
  expect(calls[2]!.lighterLoad).toBeLessThan(160);
  expect(calls[2]!.lighterLoad).toBeGreaterThan(0);
});

it('a set that went as called leaves the calls as they were, and straps tell nothing', () => {
  const before = callAgain(under()).calls;
  const { calls, curve } = callAgain(
    under({ done: [single(150), single(160, { strapped: true, slippedAtRep: 1 })] }),
  );
  expect(calls.every((call, i) => sameCall(call, before[i]!))).toBe(true);
  expect(curve.evidence.observations).toBe(1);
});

it('a timed hold of today counts for the curve', () => {
  const holds = [
    {
      ...{ liftId: 'hold.front-rack', load: 150, seconds: 4, diameter: 29, place: 0 },
      ...{ ended: 'slipped' as const, grip: 'hook' as const, chalk: 'block' as const },
    },
  ];
  const chance = (given: SessionUnderWay): number => callAgain(given).calls[1]!.probability!;
  expect(chance(under({ holds }))).toBeLessThan(chance(under()));
});

it('what the log cannot vouch for yet is the same call; what is weak or barred is another', () => {
  const said = (verdict: 'called' | 'unproven' | 'weak' | 'stop'): Parameters<typeof sameCall>[0] => ({
    ...{ choice: 'hook', chalk: { kind: 'block', where: [] }, verdict },
  });
  expect(sameCall(said('called'), said('unproven'))).toBe(true);
  expect(sameCall(said('unproven'), said('unproven'))).toBe(true);
  expect(sameCall(said('called'), said('weak'))).toBe(false);
  expect(sameCall(said('unproven'), said('weak'))).toBe(false);
  expect(sameCall(said('weak'), said('stop'))).toBe(false);
  expect(sameCall(said('weak'), said('weak'))).toBe(true);
});

it('a reason that was not there before is why a call is another one, else the one that leads', () => {
  const torn = { ruleId: 'a', rank: 'safety', text: 'Torn.' } as const;
  const worse = { ...torn, text: 'Torn on both.' };
  const school = { ruleId: 'b', rank: 'school', text: 'In its order.' } as const;
  const why = (before: (typeof school | typeof worse)[], after: typeof before): string | undefined =>
    whyChanged({ reasons: before }, { reasons: after })?.text;
  expect(why([], [torn, school])).toBe('Torn.');
  expect(why([torn], [torn, school])).toBe('In its order.');
  expect(why([torn, school], [worse, school])).toBe('Torn on both.');
  expect(why([torn, school], [torn])).toBe('Torn.');
  expect(why([torn], [])).toBeUndefined();
});

it('hands that sweat today are observed as such, in sets and in holds', () => {
  const held = {
    ...{ liftId: 'hold.front-rack', load: 100, seconds: 9, diameter: 29, place: 0 },
    ...{ ended: 'slipped' as const, grip: 'hook' as const, chalk: 'block' as const },
  };
  const effects = (sweat: boolean, day: Partial<SessionUnderWay>): string[] => {
    const given = under(day);
    return callAgain({ ...given, session: { ...given.session, sweat } }).curve.effects.map(
      ({ name }) => name,
    );
  };
  for (const day of [{ done: [single(150)] }, { holds: [held] }]) {
    expect(effects(true, day)).toContain('sweat');
    expect(effects(false, day)).not.toContain('sweat');
  }
});

it('only bare grips that slipped count as slips, each with what lay on the hands', () => {
  expect(
    slipsOf([
      single(200, { slippedAtRep: 1 }),
      single(210),
      single(220, { strapped: true, slippedAtRep: 1 }),
      single(20, { liftId: 'carry.dumbbells', grip: 'doubleOverhand', seconds: 12, slippedAtRep: 1 }),
    ]),
  ).toEqual([
    { grip: 'hook', load: 210 },
    { grip: 'doubleOverhand', load: setDemand({ lift: 'carry.dumbbells', reps: 1, load: 20 }).load },
  ]);
});

it.each([
  ['done', { done: [null] }, /done\[0\]/],
  ['holds', { holds: [7] }, /holds\[0\]/],
])('names what in %s is no entry', (_name, more, field) => {
  expect(() => callAgain(under(more as never))).toThrow(field);
});

it('names a slip that is no set, or of no grip', () => {
  expect(() => slipsOf([null as never])).toThrow(/sets\[0\]/);
  expect(() => slipsOf([single(200), single(200, { grip: 'claw' as never })])).toThrow(/sets\[1\]\.grip/);
});
