import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import { holdsNear } from '../clasp-curve/holds-near.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import type { HoldObservation } from '../clasp-curve/types.ts';
import { observeBestPull, type BestPull } from '../log/observe-best.ts';
import { SOUND_HAND } from '../hands/hand-state.ts';
import { callSet } from './call-set.ts';
import { context, curveAround, lifter, set } from './fixtures.test-helper.ts';
import type { SetCall, SetToCall } from './types.ts';

/** A lifter of whom three answers are known, a best of 150 kg, and nothing is logged. */
const newcomer = lifter({ deadliftMax: 150, hookStage: 'none', trainingMonths: 12 });
const curveOf = (pulled: BestPull['pulled'], rows: readonly HoldObservation[] = []) => {
  const best = observeBestPull({ load: 150, pulled, sport: 'powerlifting' });
  return fitHoldCurve([...rows, ...(best ? [best] : [])], { referenceLoad: 0.7 * 150 });
};
const call = (school: string, what: Partial<Omit<SetToCall, 'lift'>>): SetCall =>
  callSet(context({ school, lifter: newcomer, curve: curveOf('mixed'), set: set(what) }));

describe('no log, a best deadlift of 150 that was pulled mixed', () => {
  it.each([
    [30, 8],
    [60, 5],
    [75, 3],
    [90, 2],
    [90, 1],
  ])('a warm-up of %d × %d is double overhand, in every school that starts so', (load, reps) => {
    for (const school of ['overhand-first', 'strap-the-volume', 'same-grip', 'bare-hands', 'strongman'])
      expect(call(school, { role: 'warmup', load, reps }).choice).toBe('doubleOverhand');
  });

  it('a single at 90 % is mixed, unproven, without straps and without a lighter load', () => {
    const single = call('same-grip', { load: 135 });
    expect(single).toMatchObject({ choice: 'mixed', verdict: 'unproven', near: 0 });
    expect(single.probability).toBeCloseTo(0.9, 1);
    expect(single.range!.low).toBeCloseTo(0.66, 1);
    expect(single.range!.high).toBeGreaterThan(0.99);
    expect(single.lighterLoad).toBeUndefined();
    expect(single.reasons.find((each) => each.ruleId === 'evidence.not-known-yet')!.text).toMatch(
      /^Not known yet: no logged hold near this load\./,
    );
  });

  it('3 × 5 at 75 % stays bare where straps are the last resort: mixed, since overhand is shown too weak', () => {
    const experienced = { ...newcomer, trainingMonths: 60 };
    const five = callSet(
      context({
        lifter: experienced,
        curve: curveOf('mixed'),
        set: set({ role: 'volume', load: 112.5, reps: 5 }),
      }),
    );
    expect(five).toMatchObject({ choice: 'mixed', verdict: 'unproven' });
  });

  it('nothing is called weak, strapped as a last resort or made lighter by what people usually hold', () => {
    const far = [
      { lift: 'hold.behind-back', role: 'volume', load: 100, reps: 1, seconds: 30 },
      { lift: 'carry.handles', role: 'volume', load: 110, reps: 1, seconds: 40 },
      { role: 'volume', load: 130, reps: 12 },
      { role: 'top', load: 200, reps: 1 },
    ] as const;
    for (const what of far)
      for (const pulled of ['mixed', 'straps'] as const) {
        const lifted = { ...newcomer, trainingMonths: 60 };
        const asked = { lifter: lifted, set: set(what), school: 'overhand-first' };
        const unknown = callSet(context({ ...asked, curve: curveOf(pulled) }));
        expect(unknown).toMatchObject({ verdict: 'unproven' });
        expect(unknown.choice).not.toBe('straps');
        expect(unknown.lighterLoad).toBeUndefined();
        expect(unknown.reasons.map(({ ruleId }) => ruleId)).toContain('evidence.nothing-logged');
        // A single slip is a log, and speaks.
        const slipped = [{ load: what.load, seconds: 2, grip: 'doubleOverhand', ended: 'slipped' }] as const;
        expect(callSet(context({ ...asked, curve: curveOf(pulled, slipped) })).verdict).not.toBe('unproven');
      }
  });

  it('the same figures without the best are wider and lower', () => {
    const asked = { load: 135 * 1.05, seconds: 5, grip: 'mixed' as const };
    expect(holdProbability(curveOf('mixed'), asked)).toBeGreaterThan(
      holdProbability(curveOf('straps'), asked),
    );
  });
});

describe('the best deadlift as an observation', () => {
  it.each([
    ['powerlifting', 'mixed'],
    ['generalStrength', 'mixed'],
    ['weightlifting', 'hook'],
    ['strongman', undefined],
    ['other', undefined],
  ] as const)('not said, in %s: %s', (sport, grip) => {
    const observed = observeBestPull({ load: 150, pulled: 'notSaid', sport });
    expect(observed?.grip).toBe(grip);
    if (grip) expect(observed).toMatchObject({ best: 'assumed', ended: 'stopped', seconds: 5 });
  });

  it('a strapped best says nothing, and a logged one as heavy replaces it', () => {
    expect(observeBestPull({ load: 150, pulled: 'straps', sport: 'powerlifting' })).toBeUndefined();
    const told = { load: 150, pulled: 'hook', sport: 'powerlifting' } as const;
    expect(observeBestPull({ ...told, heaviestLogged: 149 })).toMatchObject({ grip: 'hook', best: 'told' });
    expect(observeBestPull({ ...told, heaviestLogged: 150 })).toBeUndefined();
  });

  it('is not counted as logged, and is said to stand behind the curve', () => {
    expect(curveOf('mixed').evidence).toMatchObject({ observations: 0, best: 'told', spread: [] });
    expect(curveOf('notSaid').evidence.best).toBe('assumed');
    expect(curveOf('straps').evidence.best).toBeUndefined();
  });
});

describe('what the log says overrules the school', () => {
  const held = (load: number, seconds: number, times = 1): HoldObservation => ({
    ...{ load, seconds, grip: 'mixed', ended: 'stopped', times },
  });

  it('many good singles make the call firm; many slips make it weak, with a lighter load', () => {
    const good = curveOf('mixed', [held(141, 5, 12), held(150, 5, 6), held(141, 9, 6)]);
    const single = (curve: ReturnType<typeof curveOf>) =>
      callSet(context({ school: 'strap-the-volume', lifter: newcomer, curve, set: set({ load: 135 }) }));
    expect(single(good).verdict).toBe('called');
    const slips = Array.from({ length: 12 }, (_, i): HoldObservation => ({
      ...{ load: 141, seconds: 2 + (i % 3) * 0.5, grip: 'mixed', ended: 'slipped' },
    }));
    const weak = single(curveOf('straps', slips));
    expect(weak.verdict).toBe('weak');
    expect(weak.choice).not.toBe('straps');
    expect(weak.lighterLoad).toBeGreaterThan(0);
    expect(weak.lighterLoad).toBeLessThan(135);
  });

  it('counts the logged holds of the grip within about a tenth of the load', () => {
    const curve = curveOf('mixed', [held(141, 5, 3), held(152, 5), held(120, 5, 7)]);
    expect(holdsNear(curve, { load: 141.75, grip: 'mixed' })).toBe(4);
    expect(holdsNear(curve, { load: 141.75, grip: 'hook' })).toBe(0);
  });
});

describe('hand length moves the priors', () => {
  const tenSeconds = (handLength?: number, diameter = 28.5): number =>
    holdProbability(fitHoldCurve([], { referenceLoad: 105, ...(handLength && { handLength }) }), {
      ...{ load: 100, seconds: 10, diameter },
    });
  it('a shorter hand holds less, a thick bar costs it more; a longer one than common changes nothing', () => {
    expect(tenSeconds(170)).toBeLessThan(tenSeconds());
    expect(tenSeconds(200)).toBe(tenSeconds(190));
    expect(tenSeconds(190)).toBe(tenSeconds());
    expect(tenSeconds(160) - tenSeconds(160, 50)).toBeGreaterThan(0);
  });
});

describe('an attempt takes the permitted grip with the highest chance', () => {
  it('whatever the order of the school', () => {
    const rows: HoldObservation[] = [
      { load: 150, seconds: 20, grip: 'hook', ended: 'stopped', times: 10 },
      { load: 150, seconds: 4, grip: 'mixed', ended: 'slipped', times: 10 },
    ];
    const settled = {
      ...newcomer,
      hookStage: 'settled' as const,
      hands: { left: SOUND_HAND, right: SOUND_HAND },
    };
    const asked = { school: 'same-grip', lifter: settled, curve: curveOf('straps', rows) };
    expect(callSet(context({ ...asked, set: set({ role: 'attempt', load: 140 }) })).choice).toBe('hook');
  });

  it('and of those that hold alike the school’s own', () => {
    const light = set({ role: 'attempt', load: 142 });
    const mixed = callSet(context({ school: 'same-grip', curve: curveAround(130), set: light }));
    const hook = callSet(context({ school: 'hook-committed', curve: curveAround(130), set: light }));
    expect([mixed.choice, hook.choice]).toEqual(['mixed', 'hook']);
    // The other is the stronger by a little, which does not decide.
    expect(hook.probability!).toBeGreaterThan(mixed.probability!);
  });
});
