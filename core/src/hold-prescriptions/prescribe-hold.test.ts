import fc from 'fast-check';
import { curveAround, hands, lifter } from '../calls/fixtures.test-helper.ts';
import { findSchool } from '../calls/schools.ts';
import { holdSeconds } from '../clasp-curve/hold-seconds.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import { LAST_HEAVY_HOLD_DAYS } from '../grip-week/spacing-figures.ts';
import { bar, holdRequest } from './fixtures.test-helper.ts';
import type { HoldRequest } from './hold-request.ts';
import { prescribeHold } from './prescribe-hold.ts';
import type { HoldSession } from './progression.ts';

const session = (load: number, ...seconds: number[]): HoldSession => ({
  load,
  grip: 'hook',
  target: 10,
  sets: seconds.map((each) => ({ seconds: each, ended: each >= 10 ? 'stopped' : 'slipped' })),
});

describe('prescribeHold', () => {
  it('starts one step lighter than the load held ten seconds two times in three', () => {
    const first = prescribeHold(holdRequest());
    expect(first).toMatchObject({ sets: 2, seconds: 10, change: 'start', grip: 'hook' });
    const chance = (load: number): number =>
      holdProbability(curveAround(130), { load, seconds: 10, grip: 'hook', earlierHolds: 1 });
    expect(first.probability).toBeCloseTo(chance(first.load), 9);
    expect(chance(first.load + 2.5)).toBeGreaterThanOrEqual(0.65);
    expect(chance(first.load + 5)).toBeLessThan(0.65);
  });

  it('adds the smallest step once both sets reach the time', () => {
    const next = prescribeHold(holdRequest({ history: [session(130, 10, 10)] }));
    expect(next).toMatchObject({ change: 'add', load: 132.5 });
  });

  it('counts a hold put down a blink before the buzzer, but no earlier', () => {
    expect(
      prescribeHold(
        holdRequest({
          history: [{ load: 130, grip: 'hook', target: 10, sets: [{ seconds: 9.8, ended: 'stopped' }] }],
        }),
      ).change,
    ).toBe('add');
    expect(
      prescribeHold(
        holdRequest({
          history: [{ load: 130, grip: 'hook', target: 10, sets: [{ seconds: 9.5, ended: 'stopped' }] }],
        }),
      ).change,
    ).toBe('repeat');
  });

  it('repeats after one miss and takes 7.5 % off after two running', () => {
    expect(
      prescribeHold(holdRequest({ history: [session(130, 10, 7), session(127.5, 10, 10)] })),
    ).toMatchObject({
      change: 'repeat',
      load: 130,
    });
    // 120.25 is not on the plates: the next lighter load is.
    expect(prescribeHold(holdRequest({ history: [session(130, 10, 7), session(130, 8, 6)] }))).toMatchObject({
      change: 'back',
      load: 120,
    });
  });

  it('goes lighter when the log has moved below the load', () => {
    const next = prescribeHold(holdRequest({ curve: curveAround(90), history: [session(150, 10, 10)] }));
    expect(next.change).toBe('lighter');
    expect(next.load).toBeLessThan(150);
  });

  it('never passes the deadlift max, unless the coach raised the ceiling', () => {
    const strong = holdRequest({ curve: curveAround(300), history: [session(180, 10, 10)] });
    expect(prescribeHold(strong)).toMatchObject({ load: 180, change: 'repeat' });
    expect(prescribeHold({ ...strong, ceiling: 200 })).toMatchObject({ load: 182.5, change: 'add' });
  });

  it('takes a lifter with uncleared blood pressure well away from the limit', () => {
    const flagged = prescribeHold(
      holdRequest({ lifter: lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] }) }),
    );
    expect(flagged.effort).toEqual({ kind: 'fractionOfBest', fraction: 0.5 });
    expect(flagged.why[0]!.ruleId).toBe('safety.no-near-limit-holds');
    const first = prescribeHold(holdRequest());
    expect(flagged.load).toBeLessThan(first.load);
    const cleared = prescribeHold(
      holdRequest({ lifter: lifter({ flags: [{ kind: 'bloodPressure', cleared: true }] }) }),
    );
    expect(cleared.load).toBe(first.load);
  });

  it('spares an arthritic thumb: no hook for holds', () => {
    const sore = prescribeHold(
      holdRequest({ lifter: lifter({ flags: [{ kind: 'thumbArthritis', side: 'right', cleared: true }] }) }),
    );
    expect(sore.grip).toBe('mixed');
    expect(sore.why.map((reason) => reason.ruleId)).toContain('safety.thumb-arthritis-hook-top-only');
  });

  it('repeats after one miss though the curve has sunk a little below it, but not far past it', () => {
    const limit = prescribeHold(holdRequest({ history: [session(300, 10, 10)] })).load;
    expect(prescribeHold(holdRequest({ history: [session(limit + 5, 10, 2)] }))).toMatchObject({
      change: 'repeat',
      load: limit + 5,
    });
    expect(prescribeHold(holdRequest({ history: [session(limit + 20, 10, 2)] })).change).toBe('lighter');
    expect(prescribeHold(holdRequest({ history: [session(limit + 5, 10, 10)] })).change).toBe('lighter');
  });

  it.each(['supinatedDeadHold', 'thickBarHold'] as const)(
    '%s, which moves by time, goes lighter where its load is past the limit or not at hand',
    (kind) => {
      const start = prescribeHold(holdRequest({ kind }));
      const held = (load: number): HoldSession => ({
        ...{ load, grip: start.grip, target: start.seconds },
        sets: [{ seconds: start.seconds, ended: 'stopped' }],
      });
      const heavy = prescribeHold(holdRequest({ kind, history: [held(400)] }));
      expect(heavy).toMatchObject({ change: 'lighter' });
      expect(heavy.load).toBeLessThan(400);
      // A kilogram more than the plates make.
      const odd = prescribeHold(holdRequest({ kind, history: [held(start.load + 1)] }));
      expect(odd).toMatchObject({ change: 'lighter', load: start.load });
      expect(prescribeHold(holdRequest({ kind, history: [held(start.load)] })).change).not.toBe('lighter');
    },
  );

  it('starts afresh when the grip is a new one', () => {
    expect(
      prescribeHold(holdRequest({ history: [{ ...session(130, 10, 10), grip: 'doubleOverhand' }] })).change,
    ).toBe('start');
  });

  it('is barred on torn skin, with the rule named', () => {
    const torn = prescribeHold(holdRequest({ lifter: lifter({ hands: hands('left', { palm: 'torn' }) }) }));
    expect(torn.barred).toMatchObject({ ruleId: 'safety.torn-callus-straps' });
  });

  it('always names a load the plates make, at or below ceiling, whatever the history', () => {
    const history = fc.array(
      fc.record({
        load: fc.double({ min: 25, max: 220, noNaN: true }),
        grip: fc.constant('hook' as const),
        target: fc.constant(10),
        sets: fc.array(
          fc.record({
            seconds: fc.double({ min: 0.5, max: 20, noNaN: true }),
            ended: fc.constantFrom('slipped', 'stopped'),
          }),
          { maxLength: 3 },
        ),
      }),
      { maxLength: 4 },
    );
    const curve = curveAround(130);
    fc.assert(
      fc.property(history, (past) => {
        const { load, loading } = prescribeHold(holdRequest({ curve, history: past as HoldSession[] }));
        expect(load).toBeLessThanOrEqual(180);
        expect(25 + 2 * loading.perSide.reduce((sum, plate) => sum + plate.mass, 0)).toBeCloseTo(load, 9);
      }),
    );
  });
});

describe('what is said of a hold', () => {
  const ids = (more: Partial<HoldRequest>): string[] =>
    prescribeHold(holdRequest(more)).why.map(({ ruleId }) => ruleId);

  it('the last heavy hold is named up to a day before its day, and a far or easy one is not', () => {
    const last = 'hold.meet-last-heavy';
    const at = (daysAway: number): boolean => ids({ meet: { daysAway } }).includes(last);
    expect([LAST_HEAVY_HOLD_DAYS, LAST_HEAVY_HOLD_DAYS + 1].map(at)).toEqual([true, true]);
    expect([LAST_HEAVY_HOLD_DAYS + 1.01, LAST_HEAVY_HOLD_DAYS + 10].map(at)).toEqual([false, false]);
    const effort = { kind: 'fractionOfBest', fraction: 0.5 } as const;
    expect(ids({ effort, meet: { daysAway: LAST_HEAVY_HOLD_DAYS } })).not.toContain(last);
    // What is barred is no hold at all.
    expect(
      ids({
        lifter: lifter({ hands: hands('left', { palm: 'torn' }) }),
        meet: { daysAway: LAST_HEAVY_HOLD_DAYS },
      }),
    ).not.toContain(last);
  });

  it('the cap is named where it binds, and only there', () => {
    expect(ids({ curve: curveAround(300), history: [session(180, 10, 10)] })).toContain('hold.ceiling');
    expect(ids({})).not.toContain('hold.ceiling');
  });

  it('a load that is too heavy at its lightest is said to be, and an ordinary one is not', () => {
    expect(ids({})).not.toContain('hold.lightest-too-heavy');
    expect(ids({ curve: curveAround(20), equipment: { ...bar, bar: 50 } })).toContain(
      'hold.lightest-too-heavy',
    );
  });

  it('what bars it comes first, once', () => {
    const { barred, why } = prescribeHold(
      holdRequest({ lifter: lifter({ hands: hands('left', { palm: 'torn' }) }) }),
    );
    expect(why[0]).toEqual(barred);
    expect(why.filter(({ ruleId }) => ruleId === barred!.ruleId)).toHaveLength(1);
  });

  it('that nothing goes near the limit is said where it takes something away', () => {
    const strain = 'safety.no-near-limit-holds';
    const flagged = lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] });
    expect(ids({ lifter: flagged })[0]).toBe(strain);
    const effort = { kind: 'fractionOfBest', fraction: 0.5 } as const;
    // As easy as that already: nothing was taken away.
    expect(ids({ lifter: flagged, effort })).not.toContain(strain);
    expect(ids({ effort })).not.toContain(strain);
  });

  it('of the grip only what protects, or what the log has shown, is said', () => {
    const { why } = prescribeHold(
      holdRequest({
        lifter: lifter({ flags: [{ kind: 'thumbArthritis', side: 'right', cleared: true }] }),
        venue: { name: 'Hotel', chalk: 'none', barDiameter: 28.5, straps: [] },
      }),
    );
    const ranks = new Set(why.map(({ rank }) => rank));
    expect(ranks).not.toContain('venue');
    expect(ranks).not.toContain('event');
    expect(why.map(({ ruleId }) => ruleId)).toContain('safety.thumb-arthritis-hook-top-only');
  });
});

describe('each school’s own holds', () => {
  it.each([
    ['strap-the-volume', 2, 10, 'nearLimit'],
    ['overhand-first', 2, 20, 'fractionOfBest'],
    ['hook-committed', 2, 15, 'fractionOfBest'],
    ['same-grip', 2, 10, 'fractionOfBest'],
    ['bare-hands', 3, 15, 'fractionOfBest'],
    ['weightlifting', 2, 10, 'fractionOfBest'],
    ['strongman', 3, 30, 'nearLimit'],
  ])('%s: %d × %d s, %s', (id, sets, seconds, effort) => {
    const found = prescribeHold(holdRequest({ school: findSchool(id)! }));
    expect(found).toMatchObject({ sets, seconds, effort: { kind: effort } });
    // Whatever the rule, the first session is likely to succeed, and says whose rule it is.
    expect(found.probability).toBeGreaterThan(0.6);
    expect(found.why.map((reason) => reason.ruleId)).toContain(`school.${id}.hold`);
  });

  it('short of failure means the target is that share of the median time', () => {
    const school = findSchool('bare-hands')!;
    const { load, grip } = prescribeHold(holdRequest({ school }));
    const median = holdSeconds(curveAround(130), { load, probability: 0.5, grip, earlierHolds: 2 });
    expect(15 / median).toBeLessThanOrEqual(0.6);
    // The first session is rounded down and one step lighter: a few per cent of load, a tenth of the time.
    expect(15 / median).toBeGreaterThan(0.5);
  });
});
