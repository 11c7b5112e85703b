import { holdSeconds } from '../clasp-curve/hold-seconds.ts';
import { ENDINGS, type HoldCurve, type HoldObservation } from '../clasp-curve/types.ts';
import { oneOf, positive, record, type Check } from '../shape.ts';

/** Share of the predicted time from which a hold was near the limit: holds well short of it are prescribed at 0.6. */
export const HARD_SHARE_OF_BEST = 0.65;

const observationCheck: Check = (field, value) =>
  record<Pick<HoldObservation, 'load' | 'seconds' | 'ended'>>({
    load: positive(),
    seconds: positive(),
    ended: oneOf(ENDINGS),
  })(field, value);

/**
 * Was something held near the limit? What slipped was; else the seconds against the time that the curve predicts at that
 * load. A hold well short of it is no hard hold, whatever its kind.
 * @throws InvalidInputError for a curve or an observation that cannot be used.
 * @example isHardEffort(curve, { load: 60, seconds: 5, ended: 'stopped' }) // false
 */
export function isHardEffort(curve: HoldCurve, observation: HoldObservation): boolean {
  observationCheck('observation', observation);
  const { ended, seconds, load, grip, chalk, position, diameter, earlierHolds } = observation;
  if (ended === 'slipped') return true;
  const predicted = holdSeconds(curve, {
    ...{ load, probability: 0.5 },
    ...(grip && { grip }),
    ...(chalk && { chalk }),
    ...(position && { position }),
    ...(diameter !== undefined && { diameter }),
    ...(earlierHolds !== undefined && { earlierHolds }),
  });
  return seconds >= HARD_SHARE_OF_BEST * predicted;
}
