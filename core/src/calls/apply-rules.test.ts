import { findLift } from '../set-demand/lifts.ts';
import { lifter } from './fixtures.test-helper.ts';
import { applyRules, type Barred, type CallRule, type RuleEffect } from './rules.ts';

/* How what several rules do to one set comes together. */

const rule = (id: string, effect: RuleEffect | undefined): CallRule => ({
  ...{ id, rank: 'safety', reason: `${id}.` },
  effect: () => effect,
});
const applied = (effects: readonly (RuleEffect | undefined)[], lift = 'deadlift.conventional'): Barred =>
  applyRules(
    { lifter: lifter(), lift: findLift(lift)!, role: 'top', reps: 1 },
    effects.map((effect, i) => rule(`r${i}`, effect)),
  );
const by = (map: ReadonlyMap<string, { ruleId: string }>): Record<string, string> =>
  Object.fromEntries([...map].map(([key, { ruleId }]) => [key, ruleId]));

it('a rule that does nothing here bars nothing', () => {
  expect(applied([undefined])).toMatchObject({ fired: [], noTape: false });
  const said = applied([{ noTape: true }]);
  expect(said.fired.map(({ ruleId }) => ruleId)).toEqual(['r0']);
  expect(said.noTape).toBe(true);
  for (const map of [said.choices, said.sidesUnder, said.strapTypes, said.handBarred, said.prefers])
    expect(map.size).toBe(0);
  expect([said.stops, said.loadAtMost, said.onlyHand, said.strapsFirst]).toEqual([
    ...[undefined, undefined, undefined, undefined],
  ]);
});

it('the first rule that takes something away is the one that is said', () => {
  const twice: RuleEffect = {
    ...{ bars: ['hook'], barsUnder: ['left'], barsStrapTypes: ['loop'], prefers: 'mixed', strapsFirst: true },
  };
  const found = applied([twice, twice]);
  expect(by(found.choices)).toEqual({ hook: 'r0' });
  expect(by(found.sidesUnder)).toEqual({ left: 'r0' });
  expect(by(found.strapTypes)).toEqual({ loop: 'r0' });
  expect(by(found.prefers)).toEqual({ mixed: 'r0' });
  expect(found.strapsFirst!.ruleId).toBe('r0');
});

it('a grip comes back with a lighter load only where nothing but the load takes it away', () => {
  const load: RuleEffect = { bars: ['hook', 'mixed'], byLoad: true };
  expect([...applied([load]).byLoad]).toEqual(['hook', 'mixed']);
  expect([...applied([load, load]).byLoad]).toEqual(['hook', 'mixed']);
  expect([...applied([load, { bars: ['hook'] }]).byLoad]).toEqual(['mixed']);
  expect([...applied([{ bars: ['hook'] }, load]).byLoad]).toEqual(['mixed']);
});

it('of several loads the lightest counts, with the first rule that says it', () => {
  const most = (...loads: (number | undefined)[]): unknown[] => {
    const { loadAtMost } = applied(loads.map((load) => (load === undefined ? {} : { loadAtMost: load })));
    return [loadAtMost?.load, loadAtMost?.reason.ruleId];
  };
  expect(most(100, 80, 90)).toEqual([80, 'r1']);
  expect(most(undefined, 80, undefined)).toEqual([80, 'r1']);
  expect(most(80, 80)).toEqual([80, 'r0']);
  expect(most(0, 80)).toEqual([0, 'r0']);
  expect(most(undefined)).toEqual([undefined, undefined]);
});

it('a hand that is out leaves the other where one works at a time, and stops what needs both', () => {
  const one = applied([{ handsOut: ['left'] }, { handsOut: ['left'] }], 'row.dumbbell');
  expect(one.onlyHand).toMatchObject({ side: 'right', reason: { ruleId: 'r0' } });
  expect(by(one.handBarred)).toEqual({ left: 'r0' });
  expect([one.stops, one.choices.size]).toEqual([undefined, 0]);
  const gripper = applied([{ handsOut: ['right'] }], 'gripper.close');
  expect(gripper.onlyHand).toMatchObject({ side: 'left' });
  const both = applied([{ handsOut: ['left'] }, { handsOut: ['right'] }], 'row.dumbbell');
  expect(both.onlyHand).toBeUndefined();
  expect(both.stops!.ruleId).toBe('r0');
  const bar = applied([{ handsOut: ['left'] }]);
  expect(bar.onlyHand).toBeUndefined();
  expect(bar.stops!.ruleId).toBe('r0');
  expect(by(bar.choices)).toEqual({ doubleOverhand: 'r0', mixed: 'r0', hook: 'r0', straps: 'r0' });
  expect(by(bar.handBarred)).toEqual({ left: 'r0', right: 'r0' });
});

it('what stops the set takes everything away, and keeps what was barred by its own rule', () => {
  const found = applied(
    [{ bars: ['hook'], handsOut: ['left'] }, { stops: true }, { stops: true }],
    'row.dumbbell',
  );
  expect(found.stops!.ruleId).toBe('r1');
  expect(by(found.choices)).toEqual({ hook: 'r0', doubleOverhand: 'r1', mixed: 'r1', straps: 'r1' });
  expect(by(found.handBarred)).toEqual({ left: 'r0', right: 'r1' });
});

it('both sides barred from turning under bar mixed grip, every strap type barred bars straps', () => {
  expect(by(applied([{ barsUnder: ['left'] }]).choices)).toEqual({});
  expect(by(applied([{ barsUnder: ['left'] }, { barsUnder: ['right'] }]).choices)).toEqual({ mixed: 'r0' });
  expect(by(applied([{ bars: ['mixed'] }, { barsUnder: ['left', 'right'] }]).choices)).toEqual({
    mixed: 'r0',
  });
  const all = ['plain', 'loop', 'quickRelease', 'figureEight', 'heavyDuty'] as const;
  expect(by(applied([{ barsStrapTypes: all.slice(1) }]).choices)).toEqual({});
  expect(by(applied([{ bars: ['straps'] }, { barsStrapTypes: all }]).choices)).toEqual({ straps: 'r0' });
  expect(by(applied([{ barsStrapTypes: all }]).choices)).toEqual({ straps: 'r0' });
});
