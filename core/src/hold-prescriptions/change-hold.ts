import { chalkAllowed } from '../calls/event-and-venue-rules.ts';
import type { Reason } from '../calls/types.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import { positive, range, optional, record, whole, type Check } from '../shape.ts';
import { effortSeconds } from './effort.ts';
import { HOLD_KINDS_BY_ID } from './hold-kinds.ts';
import { nearestLoading } from './hold-loads.ts';
import type { HoldPrescription, HoldRequest } from './hold-request.ts';
import { ceilingOf, ceilingText, conditionsOf, liftFor, loadOnHands, rulesOf } from './hold-setup.ts';
import { prescribeHold } from './prescribe-hold.ts';

/** What a coach makes of a prescribed hold; what is left out stays. */
export interface HoldFigures {
  /** kg as the lift is written. */
  readonly load?: number;
  readonly seconds?: number;
  readonly sets?: number;
}

/** Reasons that speak of the engine's own figures: they do not follow a coach's. */
const OF_THE_FIGURES = /^hold\.(progress|effort)\.|^hold\.(ceiling|lightest-too-heavy)$/;

/**
 * A prescribed hold with the coach's own figures: the chance is that of these, and so are the reasons. Loads kg, times s.
 * @throws InvalidInputError for figures that cannot be used, or a request as {@link prescribeHold} refuses it.
 * @example
 * changeHold({ kind: 'frontRackHold', curve, lifter, venue, school: findSchool('strap-the-volume'), history: [], equipment: { bar: 20, collars: 0, plates: [{ mass: 20, unit: 'kg', pairs: 4 }] } }, { load: 60 }).load
 * // 60
 */
export function changeHold(request: HoldRequest, figures: HoldFigures): HoldPrescription {
  figuresCheck('figures', figures);
  const prescribed = prescribeHold(request);
  const { load = prescribed.load, seconds = prescribed.seconds, sets = prescribed.sets } = figures;
  const lift = liftFor(HOLD_KINDS_BY_ID[request.kind], request);
  const chalk = lift.chalk ? chalkAllowed(rulesOf(request, lift)) : 'none';
  const conditions = {
    ...conditionsOf(request, lift, chalk, prescribed.grip),
    earlierHolds: sets - 1,
  };
  const onHands = Math.max(loadOnHands(request, lift, load), 1e-6);
  const { effort } = prescribed;
  const longest = effortSeconds(request.curve, onHands, effort, conditions);
  const ceiling = ceilingOf(HOLD_KINDS_BY_ID[request.kind], lift, request);
  const why: Reason[] = prescribed.why.filter((reason) => !OF_THE_FIGURES.test(reason.ruleId));
  if (longest < seconds - 1e-6)
    why.push({
      ruleId: 'hold.past-effort',
      rank: 'evidence',
      text: `Harder than the school asks: by its rule ${Math.max(0, Math.floor(longest))} s are held at this load.`,
    });
  if (load > ceiling + 1e-9)
    why.push({
      ruleId: 'hold.past-ceiling',
      rank: 'safety',
      text: ceilingText(HOLD_KINDS_BY_ID[request.kind]),
    });
  return {
    ...prescribed,
    ...{ sets, seconds, load, why },
    loading: nearestLoading(request.equipment, load),
    probability: holdProbability(request.curve, { load: onHands, seconds, ...conditions }),
    ...(prescribed.reps !== undefined && {
      reps: Math.max(1, Math.floor(seconds / lift.secondsPerRep + 1e-9)),
    }),
  };
}

const figuresCheck: Check = record<HoldFigures>({
  load: optional(range(0, 2000)),
  seconds: optional(positive(3600)),
  sets: optional(whole(1, 20)),
});
