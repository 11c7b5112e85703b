import { findLift, liftOf } from '../set-demand/lifts.ts';
import type { Lift } from '../set-demand/lift.ts';
import { listOf, optional, positive, record, text, type Check } from '../shape.ts';

/** A lifter's best in a lift, kg as the lift is written. */
export interface KnownBest {
  readonly liftId: string;
  readonly load: number;
}

/** What is known of a lifter's bests. */
export interface KnownBests {
  /** Best deadlift, kg. */
  readonly deadliftMax: number;
  /** Best lifts beside it. */
  readonly bests?: readonly KnownBest[];
}

/** What percentages and efforts are told against. */
export interface LiftMax {
  /** kg. */
  readonly max: number;
  /** The lift whose best it is. */
  readonly liftId: string;
}

/** Which lift's best stands in where a lift has none of its own, and why. */
export interface MaxStandIn {
  readonly id: string;
  readonly when: (lift: Lift) => boolean;
  /** The lift that stands in. */
  readonly from: string;
  readonly reason: string;
}

const DEADLIFT = 'deadlift.conventional';
const OF_THE_DEADLIFT: readonly Lift['family'][] = ['deadlift', 'pull', 'row', 'carry', 'hold'];

/** In order; the first that applies counts. What no line names has no stand-in: its own best is asked for. */
export const MAX_STAND_INS: readonly MaxStandIn[] = [
  {
    id: 'max.clean-variants',
    when: (lift) => ['clean-pull', 'power-clean', 'hang-clean', 'high-pull'].includes(lift.id),
    from: 'clean',
    reason: 'cleans and their pulls are written against the best clean',
  },
  {
    id: 'max.snatch-variants',
    when: (lift) => ['snatch-pull', 'power-snatch', 'hang-snatch'].includes(lift.id),
    from: 'snatch',
    reason: 'snatches and their pulls are written against the best snatch',
  },
  {
    id: 'max.pulls-from-deadlift',
    when: (lift) => OF_THE_DEADLIFT.includes(lift.family),
    from: DEADLIFT,
    reason: 'pulls, rows, holds and carries are written against the best deadlift',
  },
];

export const bestsCheck: Check = listOf(record<KnownBest>({ liftId: text(60), load: positive(2000) }), 100);

const knownCheck: Check = record<KnownBests>({
  deadliftMax: positive(2000),
  bests: optional(bestsCheck),
});

/**
 * The best that a percentage of a lift is of: the lift's own where it is known, else the one that stands in by
 * {@link MAX_STAND_INS}; undefined where neither is known. Loads kg.
 * @throws InvalidInputError for an unknown lift or a best that cannot be used.
 * @example maxOfLift('romanian', { deadliftMax: 200, bests: [] }).max // 200
 * @example maxOfLift('clean-pull', { deadliftMax: 200, bests: [{ liftId: 'clean', load: 110 }] }).max // 110
 * @example maxOfLift('squat', { deadliftMax: 200, bests: [] }) // undefined
 */
export function maxOfLift(lift: Lift | string, known: KnownBests): LiftMax | undefined {
  const asked = liftOf(lift, 'lift');
  knownCheck('', known);
  const { deadliftMax, bests = [] } = known;
  const best = (liftId: string): LiftMax | undefined => {
    if (liftId === DEADLIFT) return { max: deadliftMax, liftId };
    const own = bests.find((each) => each.liftId === liftId);
    return own && { max: own.load, liftId };
  };
  const standIn = MAX_STAND_INS.find((each) => each.when(asked));
  return best(asked.id) ?? (standIn && best(standIn.from));
}

/** The lift whose best is asked for, in words: its own, or the one that stands in. */
export function bestAskedFor(lift: Lift): string {
  const standIn = MAX_STAND_INS.find((each) => each.when(lift));
  return findLift(standIn?.from ?? lift.id)!.name.toLowerCase();
}
