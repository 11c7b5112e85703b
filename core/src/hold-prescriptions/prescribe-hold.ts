import { loadBar, type BarLoading, type PlatePairs } from '../bar-loading/load-bar.ts';
import { checkPositive } from '../check.ts';
import { bareOrder } from '../calls/school-policy.ts';
import { applyRules } from '../calls/rules.ts';
import { HISTORY_CAUTIONS, FAMILY_CAUTIONS } from '../calls/cues.ts';
import type { EffortRule, School } from '../calls/school.ts';
import type { CallLifter, CallVenue, EventRules, Reason } from '../calls/types.ts';
import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import type { Ending, Grip, HoldConditions, HoldCurve } from '../clasp-curve/types.ts';
import { mixedLedger, type MixedLedger, nextSideUnder } from '../hands/mixed-ledger.ts';
import { otherSide, type Side } from '../hands/hand-state.ts';
import { InvalidInputError } from '../errors.ts';
import { findLift } from '../set-demand/lifts.ts';

/** One earlier session of the same hold: its load and how each set ended. */
export interface HoldSession {
  /** kg. */
  readonly load: number;
  readonly grip: Grip;
  /** s that were asked for. */
  readonly target: number;
  readonly sets: readonly { readonly seconds: number; readonly ended: Ending }[];
}

export interface HoldEquipment {
  /** kg. */
  readonly bar: number;
  /** kg, both together. */
  readonly collars: number;
  readonly plates: readonly PlatePairs[];
}

export interface HoldRequest {
  readonly kind: 'frontRackHold';
  readonly curve: HoldCurve;
  readonly school: School;
  readonly lifter: CallLifter;
  readonly venue: CallVenue;
  readonly event?: EventRules;
  readonly ledger?: MixedLedger;
  /** Earlier sessions of this hold, the latest first; only those with the grip prescribed now are compared. */
  readonly history: readonly HoldSession[];
  readonly equipment: HoldEquipment;
  /** A coach may raise the ceiling above the deadlift max, kg. */
  readonly ceiling?: number;
}

export interface HoldPrescription {
  readonly kind: 'frontRackHold';
  /** Where the hold must not be done today; everything else then stands for what would have been. */
  readonly barred?: Reason;
  readonly sets: number;
  /** s. */
  readonly seconds: number;
  /** kg on the bar. */
  readonly load: number;
  readonly loading: BarLoading;
  readonly grip: Grip;
  readonly sideUnder?: Side;
  /** Chance that the last set reaches its seconds. */
  readonly probability: number;
  /** s: shortest and longest rest. */
  readonly rest: readonly [number, number];
  readonly pins: string;
  readonly effort: EffortRule;
  /** What happened to the load since the last session. */
  readonly change: 'start' | 'add' | 'repeat' | 'lighter' | 'back';
  readonly why: readonly Reason[];
  readonly cautions: readonly string[];
}

/** What two misses running take off: enough to reach the time again, little enough to lose no work. */
export const BACK_OFF_SHARE = 0.075;

const PINS = 'Pins slightly below lockout, so that the legs can help; not so high that the shoulders shrug.';

/** For a lifter flagged for blood pressure or fainting until cleared: half the predicted time, no strain. */
const UNCLEARED_EFFORT: EffortRule = { kind: 'fractionOfBest', fraction: 0.5 };

/**
 * Prescribes the next front rack hold.
 *
 * The load comes from the clasp curve under the school's effort rule, judged at the last set (each hard hold tires
 * the hand), and is rounded down to what the plates make. The first session starts one step lighter. After that
 * results move it: every set reached the time → the smallest step more that keeps the rule; one miss → the same
 * again; two misses running → 7.5 % off. Never above the deadlift max unless the coach raised the ceiling.
 */
export function prescribeHold(request: HoldRequest): HoldPrescription {
  const { curve, lifter, school, equipment } = request;
  if (request.kind !== 'frontRackHold') throw new InvalidInputError('kind', 'frontRackHold', request.kind);
  const ceiling = checkPositive('ceiling', request.ceiling ?? lifter.deadliftMax, 2000);
  const scheme = school.hold;
  const held = chooseGrip(request);
  const history = request.history.filter((session) => session.grip === held.grip);
  const uncleared = lifter.flags.find(
    (flag) => !flag.cleared && (flag.kind === 'bloodPressure' || flag.kind === 'fainting'),
  );
  const effort = uncleared && scheme.effort.kind === 'nearLimit' ? UNCLEARED_EFFORT : scheme.effort;
  const conditions: HoldConditions = {
    grip: held.grip,
    chalk: request.venue.chalk,
    diameter: request.venue.barDiameter,
    earlierHolds: scheme.sets - 1,
  };
  const limit = Math.min(ceiling, effortLoad(curve, scheme.seconds, effort, conditions));
  const load = (target: number): { atOrBelow?: BarLoading; atOrAbove?: BarLoading; nearest: BarLoading } =>
    loadBar({ target, ...equipment });
  const lightest = load(1e-3).atOrAbove!;
  const atOrBelow = (target: number): BarLoading => load(Math.max(target, 1e-3)).atOrBelow ?? lightest;
  const stepDown = (loading: BarLoading): BarLoading => atOrBelow(loading.total - 0.01);

  const { change, loading, text } = nextLoading({
    history,
    limit,
    atOrBelow,
    stepDown,
    stepUp: (from) => load(from + 0.01).atOrAbove,
  });
  const why: Reason[] = [{ ruleId: `hold.progress.${change}`, rank: 'evidence', text }];
  why.push({ ruleId: `school.${school.id}.hold`, rank: 'school', text: `${school.name}: ${scheme.reason}.` });
  why.push(effortReason(effort, scheme.seconds));
  if (uncleared && effort !== scheme.effort) {
    why.unshift({
      ruleId: 'safety.no-near-limit-holds',
      rank: 'safety',
      text: `No near-limit holds until cleared: ${HISTORY_CAUTIONS[uncleared.kind]}`,
    });
  }
  if (limit >= ceiling)
    why.push({
      ruleId: 'hold.ceiling',
      rank: 'safety',
      text: 'Capped at the deadlift max; only the coach raises that.',
    });
  why.push(...held.why);
  return {
    kind: request.kind,
    ...(held.barred && { barred: held.barred }),
    sets: scheme.sets,
    seconds: scheme.seconds,
    load: loading.total,
    loading,
    grip: held.grip,
    ...(held.sideUnder && { sideUnder: held.sideUnder }),
    probability: holdProbability(curve, { load: loading.total, seconds: scheme.seconds, ...conditions }),
    rest: scheme.rest,
    pins: PINS,
    effort,
    change,
    why,
    cautions: [
      ...FAMILY_CAUTIONS.hold!,
      ...lifter.flags.filter((flag) => !flag.cleared).map((flag) => HISTORY_CAUTIONS[flag.kind]),
    ],
  };
}

/** The heaviest load the effort rule allows, kg. */
function effortLoad(
  curve: HoldCurve,
  seconds: number,
  effort: EffortRule,
  conditions: HoldConditions,
): number {
  return effort.kind === 'nearLimit'
    ? holdLoad(curve, { seconds, probability: effort.probability, ...conditions })
    : holdLoad(curve, { seconds: seconds / effort.fraction, probability: 0.5, ...conditions });
}

interface Progress {
  readonly history: readonly HoldSession[];
  readonly limit: number;
  readonly atOrBelow: (target: number) => BarLoading;
  readonly stepDown: (loading: BarLoading) => BarLoading;
  readonly stepUp: (from: number) => BarLoading | undefined;
}

function nextLoading({ history, limit, atOrBelow, stepDown, stepUp }: Progress): {
  change: HoldPrescription['change'];
  loading: BarLoading;
  text: string;
} {
  const [last, before] = history;
  if (!last) {
    return {
      change: 'start',
      loading: stepDown(atOrBelow(limit)),
      text: 'First session: one step lighter than the curve allows, so that the time is reached.',
    };
  }
  const reached = (session: HoldSession): boolean =>
    session.sets.length > 0 &&
    session.sets.every((set) => set.ended === 'stopped' && set.seconds >= session.target - TIMING_SLACK);
  const same = atOrBelow(last.load);
  if (!reached(last) && before && !reached(before)) {
    return {
      change: 'back',
      loading: atOrBelow(Math.min(last.load * (1 - BACK_OFF_SHARE), limit)),
      text: 'Two sessions running missed the time: 7.5 % off.',
    };
  }
  if (same.total > limit + 1e-9) {
    return {
      change: 'lighter',
      loading: atOrBelow(limit),
      text: 'The log now says this load is past the effort rule: lighter.',
    };
  }
  if (!reached(last))
    return { change: 'repeat', loading: same, text: 'Not every set reached its time: the same load again.' };
  const up = stepUp(last.load);
  if (up && up.total <= limit + 1e-9) {
    return {
      change: 'add',
      loading: up,
      text: 'Every set reached its time: the smallest step the plates make.',
    };
  }
  return {
    change: 'repeat',
    loading: same,
    text: 'Every set reached its time, but one step more would go past the effort rule: the same load again.',
  };
}

/** A hold let go this much before the buzzer still counts as reached, s: a person stops the clock. */
const TIMING_SLACK = 0.3;

function chooseGrip(request: HoldRequest): { grip: Grip; sideUnder?: Side; barred?: Reason; why: Reason[] } {
  const lift = findLift('hold.front-rack')!;
  const facts = {
    lifter: request.lifter,
    lift,
    // The rules see a hold as accessory work: a thumb that may hook only top sets does not hook holds.
    role: 'accessory' as const,
    reps: 1,
    ...(request.event && { event: request.event }),
  };
  const barred = applyRules(facts);
  const ledger = request.ledger ?? mixedLedger([]);
  const context = {
    ...request,
    ledger,
    set: { lift, role: 'top' as const, load: request.lifter.deadliftMax, reps: 1 },
  };
  const order = bareOrder(
    context,
    barred,
    { seconds: request.school.hold.seconds, load: request.lifter.deadliftMax },
    request.venue.chalk,
  );
  const grip = order[0];
  if (!grip) {
    const reason = barred.fired.find((each) => each.rank === 'safety') ?? [...barred.choices.values()][0]!;
    return { grip: 'doubleOverhand', barred: reason, why: [reason] };
  }
  const why = barred.fired.filter((each) => each.rank === 'safety' || each.rank === 'adaptation');
  if (grip !== 'mixed') return { grip, why };
  const proposed = nextSideUnder(ledger, request.lifter.dominantHand);
  return { grip, sideUnder: barred.sidesUnder.has(proposed) ? otherSide(proposed) : proposed, why };
}

function effortReason(effort: EffortRule, seconds: number): Reason {
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
