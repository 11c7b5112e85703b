import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import { medianLoad } from '../clasp-curve/read-outs.ts';
import type { Grip, HoldObservation } from '../clasp-curve/types.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { AUDIT_STEPS, auditFindings, MOST_SLIP, nextAuditStep, type AuditQuestion } from './grip-audit.ts';

const ask = (more: Partial<AuditQuestion> = {}): AuditQuestion => ({
  ...{ observations: [], fit: { referenceLoad: 105 }, grips: ['doubleOverhand', 'mixed'] },
  kit: {
    ...{ bar: 20, collars: 0 },
    plates: [20, 10, 5, 2.5, 1.25].map((mass) => ({ mass, unit: 'kg' as const, pairs: 4 })),
  },
  ...{
    chalk: 'block',
    diameter: 28.5,
    pull: 'deadlift.conventional',
    rack: true,
    mostSlip: MOST_SLIP,
    done: 0,
  },
  ...more,
});

/** Runs an audit on a hand that holds `ten` kg for 10 s, each grip by its own share. */
function audited(ten: Readonly<Record<Grip, number>>, grips: readonly Grip[]): HoldObservation[] {
  const observations: HoldObservation[] = [];
  for (let done = 0; done < AUDIT_STEPS; done++) {
    const step = nextAuditStep(ask({ observations, grips, done }));
    if (!step) break;
    const demand = setDemand({
      ...{ lift: step.lift, reps: step.reps, load: step.load },
      ...(step.seconds !== undefined && { seconds: step.seconds }),
    });
    const held = 10 * (demand.load / ten[step.grip]) ** -3.5;
    const slipped = held < demand.seconds;
    observations.push({
      ...{
        load: demand.load,
        grip: step.grip,
        chalk: 'block',
        diameter: 28.5,
        ageDays: 0,
        earlierHolds: done,
      },
      ...{ seconds: slipped ? held : demand.seconds, ended: slipped ? 'slipped' : 'stopped' },
    });
  }
  return observations;
}

describe('a grip audit', () => {
  it('asks submaximal holds and sets, each with its stop, none likely to slip', () => {
    const step = nextAuditStep(ask())!;
    expect(step.slips).toBeLessThanOrEqual(MOST_SLIP);
    expect(step.removes).toBeGreaterThan(0.02);
    expect(step.seconds ?? step.reps).toBeGreaterThan(0);
    // Neither so light that it says nothing nor past what the hand is thought to hold.
    const thought = medianLoad(fitHoldCurve([], { referenceLoad: 105 }), { seconds: 10, grip: step.grip });
    expect(step.load).toBeGreaterThan(0.5 * thought.value);
    expect(step.load).toBeLessThanOrEqual(thought.value * 1.01);
  });

  it('stays easier for a lifter who must not strain', () => {
    const easy = nextAuditStep(ask({ mostSlip: 0.05 }));
    expect(easy === undefined || easy.slips <= 0.05).toBe(true);
  });

  it('asks no grip that is barred, and no still hold where no rack stands', () => {
    for (let done = 0; done < 3; done++)
      expect(nextAuditStep(ask({ grips: ['hook'], done }))!.grip).toBe('hook');
    expect(nextAuditStep(ask({ rack: false }))!.lift).toBe('deadlift.conventional');
    expect(nextAuditStep(ask({ grips: [] }))).toBeUndefined();
  });

  it('ends after four steps', () => {
    expect(nextAuditStep(ask({ done: AUDIT_STEPS }))).toBeUndefined();
    expect(nextAuditStep(ask({ done: AUDIT_STEPS - 1 }))).toBeDefined();
  });

  it('leaves a log that already says it all alone', () => {
    const observations = Array.from({ length: 60 }, (_, i): HoldObservation => ({
      ...{ load: 95 + (i % 20), seconds: 6 + (i % 9), ended: 'slipped', ageDays: i % 30 },
      grip: i % 2 ? 'mixed' : 'doubleOverhand',
    }));
    expect(nextAuditStep(ask({ observations }))).toBeUndefined();
  });

  it.each([
    ['a hand stronger than thought', { doubleOverhand: 140, mixed: 165, hook: 170 }],
    ['a hand weaker than thought', { doubleOverhand: 75, mixed: 95, hook: 95 }],
  ])('%s: the doubt shrinks, and the 10 s load moves towards the truth', (_name, ten) => {
    const grips: Grip[] = ['doubleOverhand', 'mixed'];
    const before = auditFindings(ask({ grips }));
    const after = auditFindings(ask({ grips, observations: audited(ten, grips) }));
    for (const [i, { grip, tenSeconds }] of after.entries()) {
      const was = before[i]!.tenSeconds;
      expect(tenSeconds.high / tenSeconds.low).toBeLessThan(was.high / was.low);
      const off = (value: number): number => Math.abs(Math.log(value / ten[grip]));
      expect(off(tenSeconds.value)).toBeLessThan(off(was.value));
      // An 80 % interval of each, four steps on: the truth is in the neighbourhood of it.
      expect(ten[grip]).toBeGreaterThan(tenSeconds.low * 0.85);
      expect(ten[grip]).toBeLessThan(tenSeconds.high * 1.15);
    }
  });
});
