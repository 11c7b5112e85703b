import { checkList, checkOneOf, checkProbability, checkWhole } from '../check.ts';
import { holdLoad } from '../clasp-curve/hold-load.ts';
import { medianLoad } from '../clasp-curve/read-outs.ts';
import { GRIPS, type Grip, type HoldConditions, type HoldCurve } from '../clasp-curve/types.ts';
import type { Estimate } from '../statistics/estimate.ts';
import type { Lift } from './lift.ts';
import { liftOf } from './lifts.ts';
import { REP_STYLES, setDemand, writtenLoad, type RepStyle } from './set-demand.ts';

export interface CeilingQuestion extends Omit<HoldConditions, 'grip' | 'position'> {
  readonly lift: Lift | string;
  /** Rep counts to answer for. */
  readonly reps: readonly number[];
  readonly style?: RepStyle;
  /** The chance of holding that is asked of a grip: the lifter's threshold. */
  readonly probability: number;
  /** kg; for lifts that hang the body. */
  readonly bodyMass?: number;
}

/** The heaviest load of one grip at one rep count, as the lift means it (on the bar, in each hand…), kg. */
export interface GripCeiling extends Estimate {
  readonly grip: Grip;
}

export interface CeilingsAtReps {
  readonly reps: number;
  /** Equivalent seconds of one still hold. */
  readonly seconds: number;
  /** One for each bare grip that the lift admits, the weakest first. */
  readonly ceilings: readonly GripCeiling[];
}

/**
 * Crossover loads: for each rep count, the load up to which each bare grip holds the set with the chance asked for.
 * Above a grip's figure the next stronger one is needed; above the last, none of them is enough. Loads are kg as the
 * lift is written; the interval is the 80 % doubt about the grip's curve, carried over to its ceiling.
 * @throws InvalidInputError for an unknown lift, rep counts outside 1–100, or a chance outside 0–1.
 * @example
 * gripCeilings(fitHoldCurve([], { referenceLoad: 126 }), { lift: 'deadlift.conventional', reps: [1], probability: 0.5 })[0].ceilings.map((each) => [each.grip, Math.round(each.value)])
 * // [['doubleOverhand', 146], ['mixed', 178], ['hook', 187]]
 */
export function gripCeilings(curve: HoldCurve, question: CeilingQuestion): CeilingsAtReps[] {
  const lift = liftOf(question?.lift);
  const probability = checkProbability('probability', question.probability);
  if (question.style !== undefined) checkOneOf('style', question.style, REP_STYLES);
  checkList('reps', question.reps, (reps, field) => checkWhole(field, reps, 1, 100), { max: 100 });
  const diameter = question.diameter ?? lift.diameter;
  const conditions: HoldConditions = {
    position: lift.position,
    ...(question.chalk && { chalk: question.chalk }),
    ...(diameter && { diameter }),
    ...(question.earlierHolds && { earlierHolds: question.earlierHolds }),
    ...(question.hand && { hand: question.hand }),
  };
  return question.reps.map((reps) => {
    const { seconds } = setDemand({ lift, reps, load: 1, ...(question.style && { style: question.style }) });
    const ceilings = GRIPS.filter((grip) => lift.admits.includes(grip))
      .map((grip) => ceilingOf(curve, lift, { ...conditions, grip, seconds }, probability, question.bodyMass))
      .sort((a, b) => a.value - b.value);
    return { reps, seconds, ceilings };
  });
}

function ceilingOf(
  curve: HoldCurve,
  lift: Lift,
  asked: HoldConditions & { readonly grip: Grip; readonly seconds: number },
  probability: number,
  bodyMass: number | undefined,
): GripCeiling {
  const onHands = holdLoad(curve, { ...asked, probability });
  const middle = medianLoad(curve, asked);
  const written = (load: number): number => (load > 0 ? writtenLoad(lift, load, bodyMass) : 0);
  return {
    grip: asked.grip,
    value: written(onHands),
    low: written(onHands * (middle.low / middle.value)),
    high: written(onHands * (middle.high / middle.value)),
  };
}
