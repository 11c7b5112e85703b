import { lifterCheck } from '../calls/check-call.ts';
import { CALL_RULES } from '../calls/call-rules.ts';
import { applyRules } from '../calls/rules.ts';
import { isSore } from '../calls/strain.ts';
import type { CallLifter, Reason } from '../calls/types.ts';
import { SIDES, type Side } from '../hands/hand-state.ts';
import { findLift } from '../set-demand/lifts.ts';
import { listOf, oneOf, optional, positive, record, text, type Check } from '../shape.ts';
import type { Estimate } from '../statistics/estimate.ts';
import { checkLadder, closeProbability, halfChanceResistance } from './close-probability.ts';
import { MAX_RESISTANCE } from './fit-gripper-ladder.ts';
import { START_DEPTHS, type GripperLadder, type StartDepth } from './types.ts';

/** A gripper of the club. */
export interface Gripper {
  readonly id: string;
  readonly name: string;
  /** Measured resistance, kg; null where it was never measured. */
  readonly resistance: number | null;
}

export interface GripperPlanRequest {
  readonly ladder: GripperLadder;
  readonly hand: Side;
  readonly grippers: readonly Gripper[];
  /** Start of working sets and goal attempts. Default `open`. */
  readonly depth?: StartDepth;
  /** The lifter today, where the hands check should have a say. */
  readonly lifter?: CallLifter;
}

/** Sets on one gripper. */
export interface GripperWork {
  readonly gripper: Gripper;
  /** Chance of closing it once. */
  readonly probability: number;
  readonly sets: number;
  readonly reps: number;
  /** s each repetition is held or lowered, where it is timed. */
  readonly seconds?: number;
  readonly reason: Reason;
}

export interface GripperPlan {
  readonly hand: Side;
  readonly halfChance: Estimate;
  /** Where grippers must not be squeezed today. */
  readonly barred?: Reason;
  /** Closed easily: the sets that build. */
  readonly working?: GripperWork;
  /** The next one: single attempts. */
  readonly goal?: GripperWork;
  /** Past the goal: closed with help, opened slowly. */
  readonly negatives?: GripperWork;
  /** The working gripper closed and held. */
  readonly timedCloses?: GripperWork;
  /** Opening work afterwards: sets and repetitions against a band. */
  readonly opening: { readonly sets: number; readonly reps: number };
  /** Grippers that were passed over for want of a measured resistance. */
  readonly unrated: readonly string[];
  readonly why: readonly Reason[];
}

/** A gripper closed this surely is one to work on. */
export const WORKING_CHANCE = 0.9;
/** A goal is closed at least this often, or attempts only wear the hand… */
export const GOAL_CHANCE_FROM = 0.2;
/** …and less often than this, or it is no goal. */
export const GOAL_CHANCE_BELOW = 0.6;

const requestCheck: Check = record<GripperPlanRequest>({
  ladder: (field, value) => checkLadder(value as GripperLadder, field),
  hand: oneOf(SIDES),
  grippers: listOf(
    record<Gripper>({
      id: text(100),
      name: text(200),
      resistance: (field, value) => (value === null ? undefined : positive(MAX_RESISTANCE)(field, value)),
    }),
    1000,
  ),
  depth: optional(oneOf(START_DEPTHS)),
  lifter: optional(lifterCheck),
});

const says = (ruleId: string, words: string): Reason => ({ ruleId, rank: 'evidence', text: words });

/**
 * Plans the next gripper session of one hand: working sets on the hardest gripper closed at least nine times in ten,
 * single attempts on a goal closed between one time in five and three in five, negatives on the next past it, timed
 * closes on the working one, and opening work after. Sets stay short of failure.
 * @throws InvalidInputError naming the field of the request that cannot be used.
 * @example
 * gripperPlan({ ladder: fitGripperLadder([]), hand: 'left', grippers: [{ id: 'a', name: 'A', resistance: 27 }, { id: 'b', name: 'B', resistance: 60 }] }).working.gripper.id
 * // 'a'
 */
export function gripperPlan(request: GripperPlanRequest): GripperPlan {
  requestCheck('', request);
  const { ladder, hand, grippers, depth = 'open', lifter } = request;
  const halfChance = halfChanceResistance(ladder, hand, depth);
  const unrated = grippers.filter((each) => each.resistance === null).map((each) => each.name);
  const base = { hand, halfChance, opening: { sets: 3, reps: 15 }, unrated };
  const barred = lifter && barredToday(lifter, hand);
  if (barred) return { ...base, barred, why: [barred] };
  const rungs = grippers
    .flatMap((gripper) =>
      gripper.resistance === null
        ? []
        : [
            {
              gripper,
              resistance: gripper.resistance,
              probability: closeProbability(ladder, { hand, resistance: gripper.resistance, depth }),
            },
          ],
    )
    .sort((a, b) => a.resistance - b.resistance || a.gripper.id.localeCompare(b.gripper.id));
  const why: Reason[] = [];
  if (unrated.length)
    why.push(
      says('gripper.unrated', `Passed over for want of a measured resistance: ${unrated.join(', ')}.`),
    );
  const easy = rungs.filter((rung) => rung.probability >= WORKING_CHANCE);
  const working = easy[easy.length - 1] ?? rungs[0];
  if (!working) {
    why.push(
      says('gripper.none', 'No gripper with a measured resistance: measure one, or use band and ball.'),
    );
    return { ...base, why };
  }
  const sure = working.probability >= WORKING_CHANCE;
  const work: GripperWork = {
    gripper: working.gripper,
    probability: working.probability,
    sets: 3,
    reps: sure ? 5 : 2,
    reason: sure
      ? says('gripper.working', 'Closed at least nine times in ten: sets of five, short of failure.')
      : says('gripper.no-easy-one', 'None is closed surely: the easiest, two at a time, short of failure.'),
  };
  const timed: GripperWork = {
    ...work,
    sets: 2,
    reps: 1,
    seconds: 10,
    reason: says('gripper.timed-close', 'Closed and held for ten seconds.'),
  };
  const sore = lifter && isSore(lifter.hands[hand]);
  if (sore) {
    why.push({
      ruleId: 'gripper.elbow-waits',
      rank: 'safety',
      text: 'Elbow or wrist pain: no goal attempts and no negatives until it has settled; opening work stays in.',
    });
    return { ...base, working: work, why };
  }
  const harder = rungs.filter((rung) => rung.resistance > working.resistance);
  const goal = harder.find(
    (rung) => rung.probability >= GOAL_CHANCE_FROM && rung.probability < GOAL_CHANCE_BELOW,
  );
  const past = harder.find((rung) => rung.probability < GOAL_CHANCE_FROM);
  if (!goal)
    why.push(
      says(
        'gripper.gap-in-ladder',
        'No gripper lies between easy and out of reach: a deeper start on the next, or one in between, would make a goal.',
      ),
    );
  return {
    ...base,
    working: work,
    ...(goal && {
      goal: {
        gripper: goal.gripper,
        probability: goal.probability,
        sets: 3,
        reps: 1,
        reason: says(
          'gripper.goal',
          'Closed between one time in five and three in five: three single attempts.',
        ),
      },
    }),
    ...(past && {
      negatives: {
        gripper: past.gripper,
        probability: past.probability,
        sets: 2,
        reps: 2,
        seconds: 5,
        reason: says(
          'gripper.negatives',
          'Past the goal: closed with the other hand’s help, opened over five seconds.',
        ),
      },
    }),
    ...(sure && { timedCloses: timed }),
    why,
  };
}

/** The safety rule that keeps the hand from squeezing today. */
function barredToday(lifter: CallLifter, hand: Side): Reason | undefined {
  return applyRules(
    { lifter, lift: findLift('gripper.close')!, role: 'accessory', reps: 1, hand },
    CALL_RULES,
  ).handBarred.get(hand);
}
