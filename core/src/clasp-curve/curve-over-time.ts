import { checkList, checkRange } from '../check.ts';
import { optional, range } from '../shape.ts';
import type { Estimate } from '../statistics/estimate.ts';
import { fitHoldCurve, type FitOptions } from './fit-hold-curve.ts';
import { medianLoad } from './read-outs.ts';
import type { HoldConditions, HoldCurve, HoldObservation } from './types.ts';

/** A clasp curve as it stood on an earlier day. */
export interface CurveThen {
  /** Days before today. */
  readonly daysAgo: number;
  readonly curve: HoldCurve;
  readonly tenSeconds: Estimate;
  readonly thirtySeconds: Estimate;
}

/**
 * How the curve moved: it is fitted as of each earlier day from what was logged by then, aged as it was then, so that a
 * point of the past never knows the future. Read-outs are loads held 10 and 30 s as often as not, kg, with their doubt.
 * @param observations with `ageDays` counted from today.
 * @throws InvalidInputError for observations, days or conditions that cannot be used.
 * @example curveOverTime([{ load: 150, seconds: 12, ended: 'slipped', ageDays: 40 }], [60, 0], { referenceLoad: 140 }).map((then) => then.curve.evidence.observations) // [0, 1]
 */
export function curveOverTime(
  observations: readonly HoldObservation[],
  daysAgo: readonly number[],
  options: Pick<FitOptions, 'referenceLoad' | 'handLength'> & { readonly conditions?: HoldConditions },
): CurveThen[] {
  checkList('observations', observations, (each, field) =>
    optional(range(0, 36_525))(`${field}.ageDays`, each?.ageDays),
  );
  checkList('daysAgo', daysAgo, (days, field) => checkRange(field, days, 0, 36_525), { max: 1000 });
  const conditions = options?.conditions ?? {};
  return daysAgo.map((days) => {
    const then = observations
      .filter((each) => (each?.ageDays ?? 0) >= days)
      .map((each) => ({ ...each, ageDays: (each?.ageDays ?? 0) - days }));
    const curve = fitHoldCurve(then, {
      referenceLoad: options?.referenceLoad,
      ...(options?.handLength !== undefined && { handLength: options.handLength }),
    });
    return {
      daysAgo: days,
      curve,
      tenSeconds: medianLoad(curve, { ...conditions, seconds: 10 }),
      thirtySeconds: medianLoad(curve, { ...conditions, seconds: 30 }),
    };
  });
}
