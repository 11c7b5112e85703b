import { CHALK_KINDS, type ChalkKind, type Grip, type HoldObservation } from '../clasp-curve/types.ts';
import type { HookStage } from '../hands/hand-state.ts';
import { SPORTS, type Sport } from '../profile/sport-and-stance.ts';
import { observeSet } from '../set-demand/set-observation.ts';
import { oneOf, optional, positive, range, record, type Check } from '../shape.ts';

/** How a lifter's best deadlift was held; `notSaid` where nobody has asked yet. */
export const BEST_PULLED = ['notSaid', 'doubleOverhand', 'mixed', 'hook', 'straps'] as const;
export type BestPulled = (typeof BEST_PULLED)[number];

/** The best deadlift, and how it was pulled. */
export interface BestPull {
  /** kg. */
  readonly load: number;
  readonly pulled: BestPulled;
  readonly sport: Sport;
  readonly chalk?: ChalkKind;
  /** Days before the day of the fit. Default 0. */
  readonly ageDays?: number;
  /** Heaviest bare-handed deadlift in the log, kg; from the best on upwards it replaces what was told. */
  readonly heaviestLogged?: number;
}

/** What is usual where nobody has said; left out where a bare hand is not usual. */
const USUAL_GRIP: Partial<Record<Sport, Grip>> = {
  powerlifting: 'mixed',
  generalStrength: 'mixed',
  weightlifting: 'hook',
};

/** What is asked of how a best was pulled, by whomever. */
const TOLD = { pulled: oneOf(BEST_PULLED), sport: oneOf(SPORTS) };
const stageCheck = record<Pick<BestPull, 'sport' | 'pulled'>>(TOLD);

/**
 * The stage of the hook of a lifter of whom nobody has said it: whoever pulls the best with it hooks top sets at least, and
 * where it is usual in the sport the hook is not started anew with this lifter.
 * @throws InvalidInputError for a sport or a way to pull that is not in its list.
 * @example usualHookStage({ sport: 'powerlifting', pulled: 'hook' }) // 'carry'
 */
export function usualHookStage(best: Pick<BestPull, 'sport' | 'pulled'>): HookStage {
  stageCheck('', best);
  if (USUAL_GRIP[best.sport] === 'hook') return 'settled';
  return best.pulled === 'hook' ? 'carry' : 'none';
}

const bestCheck: Check = record<BestPull>({
  load: positive(2000),
  ...TOLD,
  chalk: optional(oneOf(CHALK_KINDS)),
  ageDays: optional(range(0, 36525)),
  heaviestLogged: optional(range(0, 2000)),
});

/**
 * What the best deadlift says of the hands: the strongest single observation there is of a lifter without a log. It was
 * held for as long as a deadlift takes and put down on purpose. Undefined where it was strapped, where nobody has said
 * and a bare hand is not usual in the sport, or where the log holds as heavy a pull.
 * @throws InvalidInputError naming the field that cannot be used.
 * @example observeBestPull({ load: 150, pulled: 'notSaid', sport: 'powerlifting' })
 * // { load: 157.5, seconds: 5, ended: 'stopped', grip: 'mixed', best: 'assumed' }
 */
export function observeBestPull(best: BestPull): HoldObservation | undefined {
  bestCheck('', best);
  const { load, pulled, sport, chalk, ageDays, heaviestLogged = 0 } = best;
  if (pulled === 'straps' || heaviestLogged >= load) return undefined;
  const grip = pulled === 'notSaid' ? USUAL_GRIP[sport] : pulled;
  if (!grip) return undefined;
  const observed = observeSet({
    ...{ lift: 'deadlift.conventional', load, reps: 1, grip, strapped: false },
    ...(chalk && { chalk }),
    ...(ageDays !== undefined && { ageDays }),
  })!;
  return { ...observed, best: pulled === 'notSaid' ? 'assumed' : 'told' };
}
