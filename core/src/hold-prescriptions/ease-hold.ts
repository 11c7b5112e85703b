import { REASON_RANKS, type Reason } from '../calls/types.ts';
import { oneOf, positive, range, record, text, type Check } from '../shape.ts';
import { kitCheck, loadMaker, type HoldKit } from './hold-loads.ts';
import type { HoldPrescription } from './hold-request.ts';

/** What makes a hold easier today: the share of its load that is kept, and why. */
export interface Easing {
  /** Above 0, at most 1. */
  readonly share: number;
  readonly reason: Reason;
}

const easingCheck: Check = record<Easing>({
  share: positive(1),
  reason: record<Reason>({
    ruleId: text(100),
    rank: oneOf(REASON_RANKS),
    text: text(1000),
  }),
});
const prescribedCheck: Check = record<Pick<HoldPrescription, 'load' | 'seconds' | 'probability'>>({
  load: range(0, 2000),
  seconds: positive(3600),
  probability: range(0, 1),
});

/**
 * Makes a prescribed hold easier for today: the share of its load, rounded down to what the kit makes, with the reason
 * put first. Seconds and sets stay; a sore hand is spared load before it is spared time. The chance given with it stays as
 * a lower bound, since a lighter hold is the likelier one. Where the kit makes nothing lighter the hold comes back as it
 * was, reason and all. Loads in kg.
 * @throws InvalidInputError for a share outside 0 to 1, a prescription or kit that cannot be used.
 * @example
 * easeHold(prescribeHold({ kind: 'frontRackHold', curve, lifter, venue, school: findSchool('strap-the-volume'), history: [], equipment: { bar: 20, collars: 0, plates: [{ mass: 20, unit: 'kg', pairs: 4 }, { mass: 2.5, unit: 'kg', pairs: 1 }] } }), { share: 0.9, reason: { ruleId: 'squeeze.sustained-drop', rank: 'evidence', text: 'Down twice running.' } }, { bar: 20, collars: 0, plates: [{ mass: 20, unit: 'kg', pairs: 4 }] }).load
 * // 60
 */
export function easeHold(prescription: HoldPrescription, easing: Easing, kit: HoldKit): HoldPrescription {
  prescribedCheck('prescription', prescription);
  easingCheck('easing', easing);
  kitCheck('kit', kit);
  const loading = loadMaker(kit).atOrBelow(prescription.load * easing.share);
  const why = [easing.reason, ...(Array.isArray(prescription.why) ? prescription.why : [])];
  return loading.total < prescription.load
    ? { ...prescription, load: loading.total, loading, change: 'lighter', why }
    : { ...prescription, why };
}
