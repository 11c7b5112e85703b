import { checkObject, checkOneOf, checkPositive } from '../check.ts';
import { checkHoldCurve } from './check-hold-curve.ts';
import { GRIPS, type Grip, type HoldCurve, type HoldObservation, type LoadStep } from './types.ts';

/** Width of a step of load in ln(load): about 5 %. */
const STEP = 0.05;
/** Steps to either side that still count as near: about a tenth of the load. */
const NEAR_STEPS = 2;

/** Never −0, which travels as 0 and would then be another figure. */
const stepOf = (load: number, referenceLoad: number): number =>
  Math.round(Math.log(load / referenceLoad) / STEP) || 0;

/** Counts rows by grip and step of load, so that a curve can say what it rests on without the rows. */
export function spreadOf(rows: readonly HoldObservation[], referenceLoad: number): LoadStep[] {
  const counts = new Map<string, { grip: Grip; step: number; count: number }>();
  for (const { grip = 'doubleOverhand', load, times = 1 } of rows) {
    const step = stepOf(load, referenceLoad);
    const key = `${grip} ${step}`;
    const found = counts.get(key) ?? { grip, step, count: 0 };
    found.count += times;
    counts.set(key, found);
  }
  // In one order whatever order the rows came in: a device and the server then say the same of the same log.
  return [...counts.values()].sort((a, b) => a.grip.localeCompare(b.grip) || a.step - b.step);
}

/**
 * How many logged holds and bare-handed sets of a grip lie near a load, within about a tenth of it: what a figure asked
 * there rests on. `load` is kg on both hands together.
 * @throws InvalidInputError for something that is no curve, a load not above 0, or an unknown grip.
 * @example holdsNear(fitHoldCurve([{ load: 140, seconds: 9, ended: 'slipped' }], { referenceLoad: 126 }), { load: 133, grip: 'doubleOverhand' }) // 1
 */
export function holdsNear(curve: HoldCurve, at: { readonly load: number; readonly grip: Grip }): number {
  checkHoldCurve(curve);
  checkObject('at', at);
  checkOneOf('at.grip', at.grip, GRIPS);
  const step = stepOf(checkPositive('at.load', at.load), curve.referenceLoad);
  return curve.evidence.spread
    .filter((each) => each.grip === at.grip && Math.abs(each.step - step) <= NEAR_STEPS)
    .reduce((sum, each) => sum + each.count, 0);
}
