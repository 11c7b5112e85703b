import { curveAround, hands, lifter } from '../calls/fixtures.test-helper.ts';
import { findSchool } from '../calls/schools.ts';
import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import { mixedLedger } from '../hands/mixed-ledger.ts';
import { findLift } from '../set-demand/lifts.ts';
import { easeHold } from './ease-hold.ts';
import { holdRequest } from './fixtures.test-helper.ts';
import { holdLift } from './hold-kinds.ts';
import type { HoldPrescription, HoldRequest } from './hold-request.ts';
import { ceilingOf, conditionsOf, diameterOf, loadOnHands } from './hold-setup.ts';
import { HOLD_KINDS_BY_ID } from './hold-kinds.ts';
import { prescribeHold } from './prescribe-hold.ts';

/* Grip, side, diameter, chalk and the words of a prescribed hold. */

const ask = (more?: Partial<HoldRequest>): HoldPrescription => prescribeHold(holdRequest(more));
const ids = ({ why }: HoldPrescription): string[] => why.map(({ ruleId }) => ruleId);
const pinched: Partial<HoldRequest> = {
  kind: 'platePinch',
  curve: fitHoldCurve([], { referenceLoad: 30, family: 'pinch' }),
  equipment: { kind: 'loads', loads: [5, 10, 15, 20] },
};
const hang: Partial<HoldRequest> = {
  ...{ kind: 'deadHang', bodyMass: 80 },
  equipment: { kind: 'loads', loads: [0, 5, 10] },
};
const arthritis = { kind: 'thumbArthritis', side: 'right', cleared: true } as const;
/** A lifter who holds mixed. */
const mixed = (more: Parameters<typeof lifter>[0] = {}): Pick<HoldRequest, 'lifter'> => ({
  lifter: lifter({ ...more, flags: [arthritis, ...(more.flags ?? [])] }),
});

describe('the side under', () => {
  const worked = (side: 'left' | 'right'): HoldRequest['ledger'] =>
    mixedLedger([{ sideUnder: side, reps: 1, load: 150, seconds: 10 }]);

  it('is the one with less behind it where the grip is mixed, and none where it is not', () => {
    expect(ask(mixed())).toMatchObject({ grip: 'mixed', sideUnder: 'left' });
    expect(ask({ ...mixed(), ledger: worked('left')! })).toMatchObject({ sideUnder: 'right' });
    expect(ask({ ...mixed(), ledger: worked('right')! })).toMatchObject({ sideUnder: 'left' });
    expect(ask()).toMatchObject({ grip: 'hook' });
    expect(ask()).not.toHaveProperty('sideUnder');
  });

  it('is never one that may not be turned under', () => {
    const repaired = mixed({ flags: [{ kind: 'bicepsTendon', side: 'left', cleared: true }] });
    expect(ask(repaired)).toMatchObject({ grip: 'mixed', sideUnder: 'right' });
  });
});

describe('what the hand closes on', () => {
  const lift = (id: string) => findLift(id)!;
  const venue = { name: 'Hall', chalk: 'block' as const, barDiameter: 32 };

  it('is the diameter asked for, else the lift’s own, else the house’s bar', () => {
    const at = (id: string, more: Partial<HoldRequest>): number | undefined =>
      diameterOf(holdRequest(more), lift(id));
    expect(at('hold.front-rack', { venue, diameter: 50 })).toBe(50);
    expect(at('hold.thick-bar', { venue })).toBe(lift('hold.thick-bar').diameter);
    expect(at('hold.front-rack', { venue })).toBe(32);
    expect(at('pinch.plates', { venue, diameter: 50 })).toBeUndefined();
  });

  it('is part of the conditions, a pinch’s width with it', () => {
    const of = (id: string, more: Partial<HoldRequest>): number | undefined =>
      conditionsOf(holdRequest(more), lift(id), 'block', 'doubleOverhand').diameter;
    expect(of('hold.front-rack', { venue })).toBe(32);
    expect(of('hold.front-rack', { venue, diameter: 50 })).toBe(50);
    expect(of('pinch.plates', { venue, diameter: 60 })).toBe(60);
    expect(of('pinch.plates', { venue })).toBe(lift('pinch.plates').diameter ?? 28.5);
  });

  it('stands in the prescription of a bar, and not of a pinch', () => {
    expect(ask()).toMatchObject({ diameter: 28.5 });
    expect(ask({ diameter: 50 }).load).toBeLessThan(ask().load);
    expect(ask(pinched)).not.toHaveProperty('diameter');
  });
});

describe('the load', () => {
  it('on the hands has the body in it where it hangs, and is nothing where nothing is lifted', () => {
    const onHands = (id: string, load: number, more: Partial<HoldRequest> = {}): number =>
      loadOnHands(holdRequest(more), findLift(id)!, load);
    expect(onHands('hold.front-rack', 100)).toBeCloseTo(100, 9);
    expect(onHands('hold.front-rack', 0)).toBe(0);
    expect(onHands('hold.front-rack', 0, { bodyMass: 80 })).toBe(0);
    expect(onHands('hang.dead', 0, { bodyMass: 80 })).toBe(80);
    expect(onHands('hang.dead', 10, { bodyMass: 80 })).toBe(90);
    expect(onHands('hang.dead', 0)).toBe(0);
  });

  it('of a carry is capped for what walking adds to it', () => {
    const carry = HOLD_KINDS_BY_ID.carry;
    const frame = findLift('carry.frame')!;
    expect(frame.dynamicFactor).toBeGreaterThan(1);
    const request = holdRequest({ kind: 'carry', lifter: lifter({ deadliftMax: 200 }) });
    // On the hands a carry at its cap is the max times what walking adds: written it is the max.
    expect(ceilingOf(carry, frame, request)).toBeCloseTo(200, 9);
  });

  it('is the lightest of the kit where no load is known to be held that well', () => {
    const known = curveAround(130);
    // Neither level nor slope is known at all.
    const covariance = known.covariance.map((row, i) =>
      row.map((_, j) => (i !== j ? 0 : i === 1 ? 25 : i === 0 ? 4 : 0.01)),
    );
    const effort = { kind: 'nearLimit', probability: 0.9 } as const;
    expect(ask({ curve: { ...known, covariance }, effort }).load).toBe(25);
  });

  it('is lighter where the rulebook of the day bars the chalk of the house', () => {
    const event = { name: 'Open', straps: false, thumbTape: true, liquidChalk: false };
    const venue = { name: 'Hotel', chalk: 'liquid' as const, barDiameter: 28.5 };
    expect(ask({ venue, event }).load).toBeLessThan(ask({ venue }).load);
    expect(ask({ venue, event: { ...event, liquidChalk: true } }).load).toBe(ask({ venue }).load);
  });
});

describe('what is said', () => {
  it('the school stands behind its own holds, the kind behind the others', () => {
    const { why } = ask({ kind: 'behindBackHold' });
    expect(why).toContainEqual({
      ...{ ruleId: 'hold.kind.behindBackHold', rank: 'school' },
      text: 'Behind-back hold: start lighter than you think; every set reaches its time, then load up next week.',
    });
    expect(ids(ask())).not.toContain('hold.kind.frontRackHold');
  });

  it('a curve of another family is refused in words', () => {
    expect(() => ask({ ...pinched, curve: curveAround(130) })).toThrow(/pinch for plate pinchs/);
  });

  it('a limit for now is said as well as what protects', () => {
    expect(ids(ask({ lifter: lifter({ hookStage: 'learn' }) }))).toContain('adaptation.hook-stage');
    expect(ids(ask({ lifter: lifter({ hookStage: 'learn' }) }))).not.toContain(
      'lift.straps-never-on-grip-work',
    );
  });

  it('the cautions of a hold stand with it', () => {
    expect(ask().cautions).toContain('Set the safety pins; feet clear of the bar.');
  });
});

describe('what bars a hold', () => {
  it('is the rule that takes the last grip, not another that protects beside it', () => {
    const both = mixed({ hands: hands('left', { palm: 'torn' }) });
    expect(ask(both).barred).toMatchObject({ ruleId: 'safety.torn-callus-straps' });
    expect(ids(ask(both)).filter((id) => id === 'safety.torn-callus-straps')).toHaveLength(1);
    expect(ask(both).why.every(({ text }) => /\.$/.test(text))).toBe(true);
    const shoulder = mixed({ flags: [{ kind: 'shoulder', side: 'left', cleared: true }] });
    expect(ask({ kind: 'supinatedDeadHold', ...shoulder }).barred).toMatchObject({
      ruleId: 'adaptation.cleared-shoulder-not-supinated',
    });
    const reps = ask({ kind: 'overhandReps', ...both });
    expect(reps.barred).toMatchObject({ ruleId: 'safety.torn-callus-straps' });
  });

  it('a thumb that may not hook bars no hang', () => {
    const spared = ask({ ...hang, ...mixed() });
    expect(spared.barred).toBeUndefined();
    expect(spared.grip).toBe('doubleOverhand');
    expect(ask({ ...hang, lifter: lifter({ hands: hands('left', { palm: 'torn' }) }) }).barred).toMatchObject(
      {
        rank: 'safety',
      },
    );
  });
});

describe('what spares', () => {
  it('tender skin takes no set where there is one only', () => {
    const school = findSchool('strap-the-volume')!;
    const once = { ...school, hold: { ...school.hold, sets: 1 } };
    const tender = lifter({ hands: hands('left', { palm: 'tender' }) });
    expect(ask({ school: once, lifter: tender }).sets).toBe(1);
    expect(ask({ school, lifter: tender }).sets).toBe(1);
  });

  it('three fifths of the time are easy enough for who must not strain, more is not', () => {
    const uncleared = lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] });
    const effort = (fraction: number): HoldPrescription['effort'] =>
      ask({ lifter: uncleared, effort: { kind: 'fractionOfBest', fraction } }).effort;
    expect(effort(0.6)).toEqual({ kind: 'fractionOfBest', fraction: 0.6 });
    expect(effort(0.61)).toEqual({ kind: 'fractionOfBest', fraction: 0.5 });
  });

  it('an eased hold says why first, and needs no other reasons', () => {
    const reason = { ruleId: 'squeeze.sustained-drop', rank: 'evidence', text: 'Down.' } as const;
    const { why: _, ...bare } = ask();
    expect(easeHold(bare as HoldPrescription, { share: 0.9, reason }, holdRequest().equipment).why).toEqual([
      reason,
    ]);
  });
});

it('a kind of hold is usually done as its first lift', () => {
  expect(holdLift('behindBackHold').id).toBe('hold.behind-back');
  expect(() => holdLift('handstand' as never)).toThrow(/kind/);
});
