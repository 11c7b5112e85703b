import fc from 'fast-check';
import { curveAround } from '../calls/fixtures.test-helper.ts';
import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import { gripCeilings } from './grip-ceilings.ts';
import { setDemand } from './set-demand.ts';

const curve = curveAround(130);

describe('gripCeilings', () => {
  it('at a ceiling the grip holds with just the chance asked', () => {
    const reps = fc.integer({ min: 1, max: 12 });
    const chance = fc.double({ min: 0.3, max: 0.98, noNaN: true });
    const lifts = fc.constantFrom(
      'deadlift.conventional',
      'romanian',
      'row.dumbbell',
      'clean',
      'deadlift.one-arm',
    );
    fc.assert(
      fc.property(lifts, reps, chance, (lift, n, probability) => {
        for (const { ceilings } of gripCeilings(curve, { lift, reps: [n], probability })) {
          for (const { grip, value, low, high } of ceilings) {
            const demand = setDemand({ lift, reps: n, load: value });
            const diameter = lift === 'row.dumbbell' ? 30 : 28.5;
            expect(holdProbability(curve, { ...demand, grip, diameter })).toBeCloseTo(probability, 6);
            expect(low).toBeLessThanOrEqual(value);
            expect(high).toBeGreaterThanOrEqual(value);
          }
        }
      }),
    );
  });

  it('more repetitions and more certainty ask for less load; only what the lift admits is listed, the weakest first', () => {
    const [one, five] = gripCeilings(curve, {
      lift: 'deadlift.conventional',
      reps: [1, 5],
      probability: 0.95,
    });
    expect(one!.ceilings.map((each) => each.grip)).toEqual(['doubleOverhand', 'mixed', 'hook']);
    one!.ceilings.forEach((each, i) => expect(each.value).toBeGreaterThan(five!.ceilings[i]!.value));
    const surer = gripCeilings(curve, { lift: 'deadlift.conventional', reps: [1], probability: 0.98 })[0]!;
    surer.ceilings.forEach((each, i) => expect(each.value).toBeLessThan(one!.ceilings[i]!.value));
    const clean = gripCeilings(curve, { lift: 'clean', reps: [1], probability: 0.9 })[0]!;
    expect(clean.ceilings.map((each) => each.grip)).toEqual(['doubleOverhand', 'hook']);
    expect(gripCeilings(curve, { lift: 'squat', reps: [1], probability: 0.9 })[0]!.ceilings).toEqual([]);
  });

  it('chalk moves the crossover; a thin log shows as a wide interval', () => {
    const at = (chalk: 'block' | 'none') =>
      gripCeilings(curve, { lift: 'deadlift.conventional', reps: [1], probability: 0.9, chalk })[0]!
        .ceilings[0]!;
    expect(at('none').value).toBeLessThan(at('block').value);
    const thin = gripCeilings(fitHoldCurve([], { referenceLoad: 126 }), {
      lift: 'deadlift.conventional',
      reps: [1],
      probability: 0.5,
    })[0]!.ceilings[0]!;
    expect(thin.high / thin.low).toBeGreaterThan(at('block').high / at('block').low);
  });

  it('a body that hangs is taken off', () => {
    const asked = { lift: 'pull-up', reps: [5], probability: 0.5 };
    const whole = gripCeilings(curve, asked)[0]!.ceilings[0]!.value;
    const added = gripCeilings(curve, { ...asked, bodyMass: 70 })[0]!.ceilings[0]!.value;
    expect(whole - added).toBeCloseTo(70, 6);
  });

  it.each([
    [{ lift: 'kettle', reps: [1], probability: 0.9 }, /lift/],
    [{ lift: 'clean', reps: [0], probability: 0.9 }, /reps\[0\]/],
    [{ lift: 'clean', reps: [1], probability: 1 }, /probability/],
  ])('refuses %j', (question, words) => expect(() => gripCeilings(curve, question)).toThrow(words));
});
