import type { BarLoading } from '../bar-loading/load-bar.ts';
import { advise, CAUTIONS } from '../calls/advice.ts';
import { CALL_RULES } from '../calls/call-rules.ts';
import {
  curveCheck,
  effortCheck,
  eventCheck,
  lifterCheck,
  schoolCheck,
  venueCheck,
} from '../calls/check-call.ts';
import { chalkAllowed } from '../calls/event-and-venue-rules.ts';
import { applyRules, type RuleFacts } from '../calls/rules.ts';
import { noNearLimit } from '../calls/strain.ts';
import { bareOrder } from '../calls/school-policy.ts';
import type { EffortRule, School } from '../calls/school.ts';
import type { CallLifter, CallVenue, EventRules, Reason } from '../calls/types.ts';
import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import {
  ENDINGS,
  GRIPS,
  type ChalkKind,
  type Grip,
  type HoldConditions,
  type HoldCurve,
} from '../clasp-curve/types.ts';
import { InvalidInputError } from '../errors.ts';
import {
  BEFORE_BARE_DEADLIFT_HOURS,
  HARD_HOLD_GAP_HOURS,
  LAST_HEAVY_HOLD_DAYS,
  NO_HEAVY_HOLD_DAYS,
} from '../grip-week/spacing-figures.ts';
import { ledgerCheck, mixedLedger, type MixedLedger, nextSideUnder } from '../hands/mixed-ledger.ts';
import { otherSide, SIDES, type Side } from '../hands/hand-state.ts';
import type { Lift } from '../set-demand/lift.ts';
import { findLift } from '../set-demand/lifts.ts';
import { setDemand, writtenLoad } from '../set-demand/set-demand.ts';
import { listOf, once, oneOf, optional, positive, range, record, text, whole, type Check } from '../shape.ts';
import { effortLoad, effortReason, effortSeconds, UNCLEARED_EFFORT } from './effort.ts';
import { HOLD_AIMS, HOLD_KINDS, HOLD_KINDS_BY_ID } from './hold-kinds.ts';
import type { HoldAim, HoldKind, HoldKindId } from './hold-kinds.ts';
import { kitCheck, loadMaker, nearestLoading, type HoldKit } from './hold-loads.ts';
import { moveLoad, moveTime, type HoldChange, type HoldSession, type Progression } from './progression.ts';

export interface HoldRequest {
  readonly kind: HoldKindId;
  /** The lifter's support curve; for plate pinch and hex holds their pinch curve. */
  readonly curve: HoldCurve;
  readonly school: School;
  readonly lifter: CallLifter;
  readonly venue: CallVenue;
  readonly event?: EventRules;
  readonly ledger?: MixedLedger;
  /** Earlier sessions of this hold, the latest first; only those with the grip prescribed now are compared. */
  readonly history: readonly HoldSession[];
  readonly equipment: HoldKit;
  /** The lift it is done as, where the kind leaves a choice (handles, frame, dumbbells, axle). */
  readonly lift?: string;
  /** What a behind-back hold is for. Default `strength`. */
  readonly aim?: HoldAim;
  /** The coach's own effort rule in place of the kind's or the school's. */
  readonly effort?: EffortRule;
  /** Diameter of what the hand closes on, mm, where it is neither the venue's bar nor the lift's own. */
  readonly diameter?: number;
  /** kg; for hangs. */
  readonly bodyMass?: number;
  /** A coach may raise the ceiling on the load, kg as the lift is written. */
  readonly ceiling?: number;
  /** Days to the next meet. */
  readonly meet?: { readonly daysAway: number };
  readonly timing?: {
    /** Since the last hard hold. */
    readonly hoursSinceHardHold?: number;
    /** To the next heavy bare-handed deadlift. */
    readonly hoursToBareDeadlift?: number;
  };
}

export interface HoldPrescription {
  readonly kind: HoldKindId;
  readonly lift: string;
  /** Where the hold must not be done today; everything else then stands for what would have been. */
  readonly barred?: Reason;
  readonly sets: number;
  /** s. */
  readonly seconds: number;
  /** Repetitions, where the work is done in them; `seconds` is theirs added up. */
  readonly reps?: number;
  /** kg as the lift is written. */
  readonly load: number;
  readonly loading: BarLoading;
  readonly grip: Grip;
  readonly sideUnder?: Side;
  /** Chance that the last set reaches its seconds. */
  readonly probability: number;
  /** s: shortest and longest rest. */
  readonly rest: readonly [number, number];
  /** Of what the hand closes on, mm; left out for a pinch. */
  readonly diameter?: number;
  /** How it is set up: pin height for rack holds. */
  readonly pins: string;
  readonly effort: EffortRule;
  readonly change: HoldChange;
  readonly why: readonly Reason[];
  readonly cautions: readonly string[];
}

const requestCheck: Check = record<HoldRequest>({
  kind: oneOf(HOLD_KINDS),
  curve: curveCheck,
  school: schoolCheck,
  lifter: lifterCheck,
  venue: venueCheck,
  event: optional(eventCheck),
  ledger: optional(ledgerCheck),
  history: once(
    listOf(
      record<HoldSession>({
        load: range(0, 2000),
        grip: oneOf(GRIPS),
        target: positive(3600),
        sets: listOf(
          record<HoldSession['sets'][number]>({ seconds: positive(3600), ended: oneOf(ENDINGS) }),
          100,
        ),
      }),
      10_000,
    ),
  ),
  equipment: kitCheck,
  lift: optional(text(100)),
  aim: optional(oneOf(HOLD_AIMS)),
  effort: optional(effortCheck),
  diameter: optional(range(5, 200)),
  bodyMass: optional(positive(400)),
  ceiling: optional(positive(2000)),
  meet: optional(record<{ daysAway: number }>({ daysAway: range(0, 3660) })),
  timing: optional(
    record<NonNullable<HoldRequest['timing']>>({
      hoursSinceHardHold: optional(range(0, 1e6)),
      hoursToBareDeadlift: optional(range(0, 1e6)),
    }),
  ),
});

/**
 * Prescribes the next session of a hold: front rack, behind the back, supinated, thick bar, hangs, pinches, carries, or
 * high-rep double overhand pulls.
 *
 * Load and time come from the clasp curve under the effort rule (near the limit: held with the rule's probability;
 * fraction of best: that share of the median time), judged at the last set, since each hard hold tires the hand, and
 * are rounded down to what the kit makes. The first session starts one step lighter. After that results move it: every
 * set reached the time → the smallest step more that keeps the rule (of load, or of time where the kind moves time
 * first); one miss → the same again; two misses running → 7.5 % off. Never above the kind's safe limit (the deadlift
 * max for rack holds) unless the coach raised the ceiling. Loads in kg as the lift is written, times in s.
 * @throws InvalidInputError naming the field of the request that cannot be used.
 * @example
 * prescribeHold({ kind: 'frontRackHold', curve, lifter, venue, school: findSchool('strap-the-volume'), history: [], equipment: { bar: 20, collars: 0, plates: [{ mass: 20, unit: 'kg', pairs: 4 }, { mass: 2.5, unit: 'kg', pairs: 1 }] } })
 * // { sets: 2, seconds: 10, grip: 'hook', load: 105, change: 'start' }
 */
export function prescribeHold(request: HoldRequest): HoldPrescription {
  requestCheck('', request);
  const { curve, lifter, school } = request;
  const kind = HOLD_KINDS_BY_ID[request.kind];
  const lift = liftFor(kind, request);
  if (lift.curve !== curve.family)
    throw new InvalidInputError(
      'curve.family',
      `${lift.curve} for ${kind.name.toLowerCase()}s`,
      curve.family,
    );
  if (lift.loadMeans === 'addedToBody' && request.bodyMass === undefined)
    throw new InvalidInputError('bodyMass', 'given for a hang, in kg', undefined);
  const scheme = spared(schemeOf(kind, request), lifter);
  const rules = rulesOf(request, lift);
  const chalk = lift.chalk ? chalkAllowed(rules) : 'none';
  const diameter = diameterOf(request, lift);
  const conditionsFor = (grip: Grip): HoldConditions => conditionsOf(request, lift, chalk, grip);
  const held = chooseHeldGrip(request, rules, (grip) =>
    holdLoad(curve, { seconds: scheme.seconds, probability: 0.5, ...conditionsFor(grip) }),
  );
  const conditions = { ...conditionsFor(held.grip), earlierHolds: scheme.sets - 1 };
  const strain = noNearLimit(lifter);
  const effort = strain ? easier(scheme.effort) : scheme.effort;
  const ceiling = ceilingOf(kind, lift, request);
  const onHands = (load: number): number => loadOnHands(request, lift, load);
  const written = (load: number): number => (load > 0 ? writtenLoad(lift, load, request.bodyMass) : 0);
  const progression: Progression = {
    history: request.history.filter((session) => session.grip === held.grip),
    limit: (seconds) => Math.min(ceiling, written(effortLoad(curve, seconds, effort, conditions))),
    longest: (load) => effortSeconds(curve, Math.max(onHands(load), 1e-6), effort, conditions),
    loads: loadMaker(request.equipment),
    seconds: scheme.seconds,
    mostSeconds: kind.mostSeconds,
    step: kind.step,
  };
  const next = kind.progress === 'load' ? moveLoad(progression) : moveTime(progression);
  const load = next.loading.total;
  const question = { load: Math.max(onHands(load), 1e-6), seconds: next.seconds, ...conditions };
  const barred = held.barred ?? timingBar(request, effort);
  const why: Reason[] = [
    { ruleId: `hold.progress.${next.change}`, rank: 'evidence', text: next.text },
    kind.bySchool
      ? { ruleId: `school.${school.id}.hold`, rank: 'school', text: `${school.name}: ${scheme.reason}.` }
      : { ruleId: `hold.kind.${request.kind}`, rank: 'school', text: `${kind.name}: ${scheme.reason}.` },
    effortReason(effort, next.seconds),
  ];
  if (isTender(lifter))
    why.push({
      ruleId: 'hold.tender-one-less',
      rank: 'safety',
      text: 'Tender skin: one hard bare-handed set less today.',
    });
  if (barred) why.unshift(barred);
  if (strain && effort !== scheme.effort) {
    why.unshift({ ...strain, rank: 'safety' });
  }
  if (progression.limit(next.seconds) >= ceiling - 1e-9)
    why.push({ ruleId: 'hold.ceiling', rank: 'safety', text: ceilingText(kind) });
  if (progression.longest(load) < next.seconds - 1e-6)
    why.push({
      ruleId: 'hold.lightest-too-heavy',
      rank: 'evidence',
      text: 'The lightest load at hand is already past the effort rule: stop well before the grip does, or find a lighter one.',
    });
  if (request.meet && isHard(effort) && request.meet.daysAway <= LAST_HEAVY_HOLD_DAYS + 1 && !barred)
    why.push({
      ruleId: 'hold.meet-last-heavy',
      rank: 'adaptation',
      text: `The last heavy hold before the meet, ${Math.round(request.meet.daysAway)} days out.`,
    });
  why.push(...held.why.filter((each) => each !== barred));
  return {
    kind: request.kind,
    lift: lift.id,
    ...(barred && { barred }),
    sets: scheme.sets,
    seconds: next.seconds,
    ...(kind.inReps && { reps: Math.max(1, Math.floor(next.seconds / lift.secondsPerRep + 1e-9)) }),
    load,
    loading: next.loading,
    grip: held.grip,
    ...(held.sideUnder && { sideUnder: held.sideUnder }),
    probability: holdProbability(curve, question),
    rest: scheme.rest,
    ...(diameter !== undefined && { diameter }),
    pins: kind.setUp,
    effort,
    change: next.change,
    why,
    cautions: advise({ ...rules, choice: held.grip, chalk, noTape: false, earlierHolds: 0 }, CAUTIONS),
  };
}

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

/** The rules see a hold as accessory work: a thumb that may hook only top sets does not hook holds. */
function rulesOf({ lifter, venue, event }: HoldRequest, lift: Lift): RuleFacts {
  return { lifter, lift, role: 'accessory', reps: 1, venue, ...(event && { event }) };
}

/** Of what the hand closes on, mm; a pinched plate has a width, not a diameter. */
function diameterOf({ diameter, venue }: HoldRequest, lift: Lift): number | undefined {
  return lift.curve === 'pinch' ? undefined : (diameter ?? lift.diameter ?? venue.barDiameter ?? 28.5);
}

function conditionsOf(request: HoldRequest, lift: Lift, chalk: ChalkKind, grip: Grip): HoldConditions {
  const diameter = request.diameter ?? diameterOf(request, lift) ?? lift.diameter ?? 28.5;
  return { grip, chalk, position: lift.position, diameter };
}

function loadOnHands({ bodyMass }: HoldRequest, lift: Lift, load: number): number {
  if (load <= 0 && !(lift.loadMeans === 'addedToBody' && bodyMass)) return 0;
  return setDemand({ lift, reps: 1, seconds: 1, load, ...(bodyMass && { bodyMass }) }).load;
}

function liftFor(kind: HoldKind, { lift }: HoldRequest): Lift {
  if (lift !== undefined && !kind.lifts.includes(lift))
    throw new InvalidInputError('lift', `one of ${kind.lifts.join(', ')}`, lift);
  return findLift(lift ?? kind.lifts[0])!;
}

interface Scheme {
  readonly sets: number;
  readonly seconds: number;
  readonly rest: readonly [number, number];
  readonly effort: EffortRule;
  readonly reason: string;
}

function schemeOf(kind: HoldKind, { school, aim, effort }: HoldRequest): Scheme {
  if (kind.bySchool) return effort ? { ...school.hold, effort } : school.hold;
  return {
    sets: kind.sets,
    seconds: kind.secondsByAim?.[aim ?? 'strength'] ?? kind.seconds,
    rest: kind.rest,
    effort: effort ?? kind.effort ?? school.hold.effort,
    reason: kind.reason,
  };
}

/** Tender skin takes one hard bare-handed exposure away, where there is more than one. */
function spared(scheme: Scheme, lifter: CallLifter): Scheme {
  return isTender(lifter) && scheme.sets > 1 ? { ...scheme, sets: scheme.sets - 1 } : scheme;
}

const isTender = ({ hands }: CallLifter): boolean =>
  SIDES.some((side) => hands[side].palm === 'tender' || hands[side].thumb === 'tender');

/** Nothing near the limit for a lifter who must not strain. */
function easier(effort: EffortRule): EffortRule {
  return effort.kind === 'nearLimit' || effort.fraction > 0.6 ? UNCLEARED_EFFORT : effort;
}

/** A hold near the limit is a hard one: it needs its spacing. */
function isHard(effort: EffortRule): boolean {
  return effort.kind === 'nearLimit';
}

/** Most load as written, kg. */
function ceilingOf(kind: HoldKind, lift: Lift, request: HoldRequest): number {
  if (request.ceiling !== undefined) return request.ceiling;
  if (kind.ceilingShare !== null)
    return writtenLoad(lift, kind.ceilingShare * request.lifter.deadliftMax * lift.dynamicFactor);
  // A hang takes no more than the body's own mass again; a pinch is its own limit.
  return lift.loadMeans === 'addedToBody' ? request.bodyMass! : 2000;
}

function ceilingText(kind: HoldKind): string {
  const share = kind.ceilingShare;
  if (share === 1) return 'Capped at the deadlift max; only the coach raises that.';
  return share === null
    ? 'Capped at what is safe to add; only the coach raises that.'
    : `Capped at ${Math.round(share * 100)} % of the deadlift max; only the coach raises that.`;
}

function timingBar({ meet, timing }: HoldRequest, effort: EffortRule): Reason | undefined {
  if (!isHard(effort)) return undefined;
  if (meet && meet.daysAway < NO_HEAVY_HOLD_DAYS)
    return {
      ruleId: 'spacing.last-heavy-hold-before-meet',
      rank: 'adaptation',
      text: `The last heavy hold falls about ${LAST_HEAVY_HOLD_DAYS} days before the meet; now it is too close.`,
    };
  if (timing?.hoursToBareDeadlift !== undefined && timing.hoursToBareDeadlift < BEFORE_BARE_DEADLIFT_HOURS)
    return {
      ruleId: 'spacing.no-hard-hold-before-bare-deadlift',
      rank: 'adaptation',
      text: `No hard hold in the ${BEFORE_BARE_DEADLIFT_HOURS} h before a heavy bare-handed deadlift.`,
    };
  if (timing?.hoursSinceHardHold !== undefined && timing.hoursSinceHardHold < HARD_HOLD_GAP_HOURS)
    return {
      ruleId: 'spacing.hard-holds-apart',
      rank: 'adaptation',
      text: `Hard holds stand ${HARD_HOLD_GAP_HOURS} h apart.`,
    };
  return undefined;
}

function chooseHeldGrip(
  request: HoldRequest,
  rules: RuleFacts,
  strength: (grip: Grip) => number,
): { grip: Grip; sideUnder?: Side; barred?: Reason; why: Reason[] } {
  const { lifter, school } = request;
  const barred = applyRules(rules, CALL_RULES);
  const why = barred.fired.filter((each) => each.rank === 'safety' || each.rank === 'adaptation');
  const bare = barred.choices.get('doubleOverhand');
  const fixed = HOLD_KINDS_BY_ID[request.kind].grip;
  const grip = fixed
    ? barred.choices.has(fixed)
      ? undefined
      : fixed
    : rules.lift.grips
      ? (bareOrder(school, 'top', barred, strength)[0] ?? (bare ? undefined : 'doubleOverhand'))
      : bare?.rank === 'safety'
        ? undefined
        : 'doubleOverhand';
  if (!grip) {
    const reason = barred.fired.find((each) => each.rank === 'safety') ?? bare!;
    return { grip: 'doubleOverhand', barred: reason, why: [reason] };
  }
  if (grip !== 'mixed') return { grip, why };
  const proposed = nextSideUnder(request.ledger ?? mixedLedger([]), lifter.dominantHand);
  return { grip, sideUnder: barred.sidesUnder.has(proposed) ? otherSide(proposed) : proposed, why };
}
