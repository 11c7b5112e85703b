import { checkList, checkRange } from '../check.ts';
import type { Estimate } from '../statistics/estimate.ts';
import { curveOn, type MovingCurve } from './moving-curve.ts';
import { medianLoad } from './read-outs.ts';
import type { HoldConditions, HoldCurve } from './types.ts';

/** A clasp curve as it stood on an earlier day, or will stand on a later one. */
export interface CurveThen {
  /** Days before the day of the fit; below 0 for a day to come. */
  readonly daysAgo: number;
  readonly curve: HoldCurve;
  /** Holds and bare-handed sets logged up to that day. */
  readonly behind: number;
  readonly tenSeconds: Estimate;
  readonly thirtySeconds: Estimate;
}

/**
 * How the curve moved: the moving curve read on each of the days. What was logged later has its say too, since it tells
 * where the hands must have stood. Read-outs are loads held 10 and 30 s as often as not, kg, with their doubt.
 * @throws InvalidInputError for days or conditions that cannot be used.
 * @example curveOverTime(fitMovingCurve([{ load: 150, seconds: 12, ended: 'slipped', ageDays: 40 }], { referenceLoad: 140 }), [60, 0]).map((then) => then.behind) // [0, 1]
 */
export function curveOverTime(
  moving: MovingCurve,
  daysAgo: readonly number[],
  conditions: HoldConditions = {},
): CurveThen[] {
  checkList('daysAgo', daysAgo, (days, field) => checkRange(field, days, -36_525, 36_525), { max: 2000 });
  return daysAgo.map((days) => {
    const curve = curveOn(moving, days);
    return {
      daysAgo: days,
      curve,
      behind: moving.fit.days.reduce((sum, day) => (day.ageDays >= days ? sum + day.rows : sum), 0),
      tenSeconds: medianLoad(curve, { ...conditions, seconds: 10 }),
      thirtySeconds: medianLoad(curve, { ...conditions, seconds: 30 }),
    };
  });
}
