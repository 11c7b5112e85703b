import { mixedLedger } from '../hands/mixed-ledger.ts';
import { findLift } from '../set-demand/lifts.ts';
import type { LoggedSetFacts } from '../log/observe-log.ts';
import { callAgain, sameCall, whyChanged, type SessionUnderWay } from './call-again.ts';
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
