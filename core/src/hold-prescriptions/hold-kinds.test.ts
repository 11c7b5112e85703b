import fc from 'fast-check';
import { context, curveAround, hands, lifter } from '../calls/fixtures.test-helper.ts';
import { findSchool } from '../calls/schools.ts';
import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import { holdSeconds } from '../clasp-curve/hold-seconds.ts';
import type { HoldObservation } from '../clasp-curve/types.ts';
import { findLift } from '../set-demand/lifts.ts';
import { bar, holdRequest, plates } from './fixtures.test-helper.ts';
import { HOLD_KINDS, HOLD_KINDS_BY_ID, type HoldKindId } from './hold-kinds.ts';
import type { HoldKit } from './hold-loads.ts';
import type { HoldRequest } from './hold-request.ts';
import { prescribeHold } from './prescribe-hold.ts';
import type { HoldSession } from './progression.ts';

const pinches: HoldKit = { kind: 'loads', loads: [10, 15, 20, 25, 30, 35, 40, 50] };
/** Pinches 30 kg in two hands for ten seconds. */
const pinchCurve = fitHoldCurve(
  [0.8, 0.9, 1, 1.1, 1.2].flatMap((share): HoldObservation[] => [
    { load: 30 * share, seconds: 10 * share ** -3.5, ended: 'slipped' },
  ]),
  { referenceLoad: 30, family: 'pinch' },
);

const KIT: Partial<Record<HoldKindId, Partial<HoldRequest>>> = {
  deadHang: { bodyMass: 80, equipment: { kind: 'loads', loads: [0, 5, 10, 20] } },
  fabricHang: { bodyMass: 80, equipment: { kind: 'loads', loads: [0, 5, 10] } },
  platePinch: { equipment: pinches, curve: pinchCurve },
  hexHold: { equipment: pinches, curve: pinchCurve },
  carry: { equipment: { kind: 'twoHandles', handle: 10, plates } },
};

function ask(kind: HoldKindId, more: Partial<HoldRequest> = {}): ReturnType<typeof prescribeHold> {
  return prescribeHold(holdRequest({ kind, ...KIT[kind], ...more }));
}
const done = (load: number, target: number, seconds: number[] = [target, target]): HoldSession => ({
  load,
  grip: 'doubleOverhand',
  target,
  sets: seconds.map((each) => ({ seconds: each, ended: each >= target ? 'stopped' : 'slipped' })),
});
const ids = (found: ReturnType<typeof ask>): string[] => found.why.map((each) => each.ruleId);

describe.each(HOLD_KINDS)('%s', (kind) => {
  const first = ask(kind);
  const data = HOLD_KINDS_BY_ID[kind];

  it('starts where it is likely to be held, with the kit at hand, and says why', () => {
    expect(first.change).toBe('start');
    expect(first.barred).toBeUndefined();
    expect(first.probability).toBeGreaterThan(0.6);
    expect(first.seconds).toBeLessThanOrEqual(data.mostSeconds);
    expect(first.why.length).toBeGreaterThan(2);
    for (const reason of first.why) expect(reason.text).not.toMatch(/NaN|undefined/);
    expect(findLift(first.lift)).toBeDefined();
    expect(data.lifts).toContain(first.lift);
  });

  it('moves on after success, repeats after a miss, goes back after two', () => {
    // A step lighter than where it starts, so that there is room to move.
    const target = first.seconds;
    const history = (...sessions: HoldSession[]): HoldSession[] =>
      sessions.map((each) => ({ ...each, grip: first.grip }));
    const success = ask(kind, { history: history(done(first.load, target)) });
    expect(['add', 'longer', 'repeat']).toContain(success.change);
    const miss = ask(kind, { history: history(done(first.load, target, [target, target * 0.7])) });
    expect(miss).toMatchObject({ change: 'repeat', load: first.load, seconds: target });
    const again = done(first.load, target, [target * 0.8, target * 0.6]);
    const back = ask(kind, { history: history(again, again) });
    expect(back.change).toBe('back');
    expect(back.load < first.load || back.seconds < target).toBe(true);
  });

  it('is barred by numb hands, whatever the kind', () => {
    const numb = ask(kind, { lifter: lifter({ hands: hands('left', { numb: true }) }) });
    expect(numb.barred?.ruleId).toBe('safety.numbness-stop');
  });
});

describe('the kinds as the trade does them', () => {
  it('behind the back: 30 s for events, 10 for the deadlift, 60 for medleys', () => {
    expect(ask('behindBackHold')).toMatchObject({ sets: 3, seconds: 30, rest: [180, 300] });
    expect(ask('behindBackHold', { aim: 'deadlift' }).seconds).toBe(10);
    expect(ask('behindBackHold', { aim: 'medleys' }).seconds).toBe(60);
    expect(ask('behindBackHold').load).toBeLessThan(ask('frontRackHold').load);
  });

  it('a thick bar takes about a third off a standard hold', () => {
    const school = findSchool('strap-the-volume')!;
    const thick = ask('thickBarHold', { effort: school.hold.effort });
    const standard = ask('frontRackHold', {
      lifter: lifter({ hookStage: 'none', armsBendUnderMixed: true }),
    });
    expect(thick.load / standard.load).toBeGreaterThan(0.55);
    expect(thick.load / standard.load).toBeLessThan(0.8);
  });

  it('a supinated hold beats last week’s time up to two minutes, then takes load', () => {
    const strong = curveAround(220);
    const at = (target: number) => ask('supinatedDeadHold', { curve: strong, history: [done(60, target)] });
    expect(at(40)).toMatchObject({ change: 'longer', load: 60, seconds: 45 });
    expect(at(118)).toMatchObject({ change: 'longer', seconds: 120 });
    expect(at(120)).toMatchObject({ change: 'add', load: 62.5 });
  });

  it('fabric at about six tenths of the best time, whatever the school', () => {
    const found = ask('fabricHang', { curve: curveAround(160) });
    expect(found.effort).toEqual({ kind: 'fractionOfBest', fraction: 0.6 });
    const best = holdSeconds(curveAround(160), { load: 80, probability: 0.5, earlierHolds: 1 });
    expect(found.seconds / best).toBeLessThanOrEqual(0.6);
  });

  it('a hang of the body alone adds nothing, and goes to time first, then load', () => {
    const strong = curveAround(200);
    expect(ask('deadHang', { curve: strong, history: [done(0, 30)] })).toMatchObject({
      change: 'longer',
      load: 0,
      seconds: 35,
    });
    expect(ask('deadHang', { curve: strong, history: [done(0, 60)] })).toMatchObject({
      change: 'add',
      load: 5,
    });
  });

  it('a body too heavy for the hand hangs shorter, or says so', () => {
    const found = ask('deadHang', { curve: curveAround(60), bodyMass: 110 });
    expect(found.seconds).toBeLessThan(20);
    expect(ids(found)).toContain('hold.lightest-too-heavy');
  });

  it('carries load two handles alike, in total', () => {
    const found = ask('carry');
    expect(found).toMatchObject({ lift: 'carry.handles', sets: 3, seconds: 30 });
    const side = found.loading.perSide.reduce((sum, plate) => sum + plate.mass, 0);
    expect(2 * (10 + 2 * side)).toBeCloseTo(found.load, 9);
    expect(ask('carry', { lift: 'carry.dumbbells', equipment: pinches }).load).toBeLessThanOrEqual(50);
    expect(() => ask('carry', { lift: 'clean' })).toThrow(/lift must be one of carry\.handles/);
  });

  it('high-rep overhand pulls count repetitions', () => {
    const found = ask('overhandReps');
    expect(found.grip).toBe('doubleOverhand');
    expect(found.reps).toBe(Math.floor(found.seconds / 5));
    expect(ask('overhandReps', { history: [done(60, 50)] })).toMatchObject({ change: 'longer', reps: 11 });
  });

  it('pinches need the pinch curve, hangs the body’s mass', () => {
    expect(() => ask('platePinch', { curve: curveAround(130) })).toThrow(/curve\.family must be pinch/);
    const { bodyMass: _none, ...rest } = KIT.deadHang!;
    const { lifter: person, venue } = context();
    expect(() =>
      prescribeHold({
        kind: 'deadHang',
        curve: curveAround(130),
        school: findSchool('strap-the-volume')!,
        lifter: person,
        venue,
        history: [],
        equipment: bar,
        ...rest,
      }),
    ).toThrow(/bodyMass/);
  });
});

describe('safe limits', () => {
  const mighty = { curve: curveAround(400) };
  it('the deadlift max for rack holds, a share of it for others, unless the coach raises it', () => {
    expect(ask('frontRackHold', mighty).load).toBeLessThanOrEqual(180);
    expect(ask('supinatedDeadHold', mighty).load).toBeLessThanOrEqual(0.6 * 180);
    expect(ids(ask('supinatedDeadHold', mighty))).toContain('hold.ceiling');
    expect(ask('frontRackHold', { ...mighty, ceiling: 220 }).load).toBeGreaterThan(180);
  });
});

describe('timing', () => {
  const bar = (more: Partial<HoldRequest>) => ask('frontRackHold', more).barred?.ruleId;
  it('the last heavy hold falls about a week before the meet', () => {
    expect(bar({ meet: { daysAway: 5 } })).toBe('spacing.last-heavy-hold-before-meet');
    const last = ask('frontRackHold', { meet: { daysAway: 7 } });
    expect(last.barred).toBeUndefined();
    expect(ids(last)).toContain('hold.meet-last-heavy');
    // An easy hold may still be done, and says so.
    const easy = ask('frontRackHold', { school: findSchool('bare-hands')!, meet: { daysAway: 1 } });
    expect(easy.barred).toBeUndefined();
    expect(easy.cautions[0]).toBe('The meet is tomorrow: easy, or not at all.');
    expect(last.cautions.join(' ')).not.toMatch(/The meet is/);
  });

  it('hard holds stand apart, and clear of a heavy bare deadlift', () => {
    expect(bar({ timing: { hoursSinceHardHold: 30 } })).toBe('spacing.hard-holds-apart');
    expect(bar({ timing: { hoursSinceHardHold: 50, hoursToBareDeadlift: 40 } })).toBe(
      'spacing.no-hard-hold-before-bare-deadlift',
    );
    expect(bar({ timing: { hoursSinceHardHold: 50, hoursToBareDeadlift: 60 } })).toBeUndefined();
  });
});

describe('a lifter who must not strain', () => {
  it('is taken no further than half the predicted time, in every kind', () => {
    const uncleared = lifter({ flags: [{ kind: 'heart', cleared: false }] });
    for (const kind of HOLD_KINDS) {
      const { effort, why } = ask(kind, { lifter: uncleared });
      expect(effort.kind === 'fractionOfBest' && effort.fraction <= 0.6).toBe(true);
      if (ask(kind).effort !== effort && kind !== 'fabricHang')
        expect(why[0]!.ruleId).toBe('safety.no-near-limit-holds');
    }
  });
});

it('whatever the history, the load is one the kit makes and the time is sane', () => {
  const kinds = fc.constantFrom(...HOLD_KINDS);
  const history = fc.array(
    fc.record({
      load: fc.double({ min: 0, max: 250, noNaN: true }),
      grip: fc.constantFrom('doubleOverhand' as const, 'hook' as const),
      target: fc.double({ min: 3, max: 130, noNaN: true }),
      sets: fc.array(
        fc.record({
          seconds: fc.double({ min: 0.5, max: 130, noNaN: true }),
          ended: fc.constantFrom('slipped' as const, 'stopped' as const),
        }),
        { maxLength: 3 },
      ),
    }),
    { maxLength: 3 },
  );
  fc.assert(
    fc.property(kinds, history, (kind, past) => {
      const found = ask(kind, { history: past });
      expect(found.seconds).toBeGreaterThanOrEqual(3);
      expect(found.seconds).toBeLessThanOrEqual(Math.max(HOLD_KINDS_BY_ID[kind].mostSeconds, 130));
      expect(found.probability >= 0 && found.probability <= 1).toBe(true);
      const kit = KIT[kind]?.equipment;
      if (kit?.kind === 'loads') expect(kit.loads).toContain(found.load);
      else if (!kit)
        expect(25 + 2 * found.loading.perSide.reduce((sum, plate) => sum + plate.mass, 0)).toBeCloseTo(
          found.load,
          9,
        );
    }),
  );
});
