import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdSeconds } from '../clasp-curve/hold-seconds.ts';
import type { HoldConditions, HoldCurve } from '../clasp-curve/types.ts';
import type { EffortRule } from '../calls/school.ts';
import type { Reason } from '../calls/types.ts';

/** For a lifter who must not strain until cleared: half the predicted time. */
export const UNCLEARED_EFFORT: EffortRule = { kind: 'fractionOfBest', fraction: 0.5 };

/** The heaviest load on the hands, kg, that the effort rule allows for the seconds. */
export function effortLoad(
  curve: HoldCurve,
  seconds: number,
  effort: EffortRule,
  conditions: HoldConditions,
): number {
  return effort.kind === 'nearLimit'
    ? holdLoad(curve, { seconds, probability: effort.probability, ...conditions })
    : holdLoad(curve, { seconds: seconds / effort.fraction, probability: 0.5, ...conditions });
}

/** The longest time, s, that the effort rule allows at a load on the hands. */
export function effortSeconds(
  curve: HoldCurve,
  load: number,
  effort: EffortRule,
  conditions: HoldConditions,
): number {
  return effort.kind === 'nearLimit'
    ? holdSeconds(curve, { load, probability: effort.probability, ...conditions })
    : effort.fraction * holdSeconds(curve, { load, probability: 0.5, ...conditions });
}

/** The effort rule as a coach would say it. */
export function effortReason(effort: EffortRule, seconds: number): Reason {
  return effort.kind === 'nearLimit'
    ? {
        ruleId: 'hold.effort.near-limit',
        rank: 'school',
        text: `Near the limit: a load held ${seconds} s about ${Math.round(effort.probability * 100)} times in 100.`,
      }
    : {
        ruleId: 'hold.effort.fraction-of-best',
        rank: 'school',
        text: `Short of failure: ${seconds} s is ${Math.round(effort.fraction * 100)} % of the predicted time.`,
      };
}
