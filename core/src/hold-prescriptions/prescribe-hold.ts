import { advise, CAUTIONS } from '../calls/advice.ts';
import { CALL_RULES } from '../calls/call-rules.ts';
import { chalkAllowed } from '../calls/event-and-venue-rules.ts';
import { applyRules, type RuleFacts } from '../calls/rules.ts';
import { bareOrder } from '../calls/school-policy.ts';
import type { EffortRule } from '../calls/school.ts';
import { noNearLimit } from '../calls/strain.ts';
import type { CallLifter, Reason } from '../calls/types.ts';
import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdProbability, holdProbabilityRange } from '../clasp-curve/hold-probability.ts';
import type { Grip, HoldConditions } from '../clasp-curve/types.ts';
import { InvalidInputError } from '../errors.ts';
import { LAST_HEAVY_HOLD_DAYS, NO_HEAVY_HOLD_DAYS } from '../grip-week/spacing-figures.ts';
import { otherSide, SIDES, type Side } from '../hands/hand-state.ts';
import { mixedLedger, nextSideUnder } from '../hands/mixed-ledger.ts';
import { writtenLoad } from '../set-demand/set-demand.ts';
import { effortLoad, effortReason, effortSeconds, UNCLEARED_EFFORT } from './effort.ts';
import { HOLD_KINDS_BY_ID, type HoldKind } from './hold-kinds.ts';
import { loadMaker } from './hold-loads.ts';
import { pinOf, samePin } from './hold-pins.ts';
import { holdRamp } from './hold-ramp.ts';
import { requestCheck, type HoldPrescription, type HoldRequest } from './hold-request.ts';
import {
  ceilingOf,
  ceilingText,
  conditionsOf,
  diameterOf,
  liftFor,
  loadOnHands,
  rulesOf,
} from './hold-setup.ts';
import { countDays, untilDay } from '../say-days.ts';
import { isHard, timingBar } from './hold-timing.ts';
import { moveLoad, moveTime, type Progression } from './progression.ts';

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
  const { pin, text: pins } = pinOf(kind, request.pins, request.history);
  const loads = loadMaker(request.equipment);
  const progression: Progression = {
    history: request.history.filter(
      (session) => session.grip === held.grip && samePin(session.pin, pin?.height),
    ),
    limit: (seconds) => Math.min(ceiling, written(effortLoad(curve, seconds, effort, conditions))),
    longest: (load) => effortSeconds(curve, Math.max(onHands(load), 1e-6), effort, conditions),
    loads,
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
      text: `The last heavy hold before the meet, ${countDays(request.meet.daysAway)} out.`,
    });
  if (request.target) {
    const onTarget = Math.max(onHands(request.target.load), 1e-6);
    why.push(
      targetReason(request.target, load, holdProbabilityRange(curve, { ...question, load: onTarget })),
    );
  }
  why.push(...held.why);
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
    pins,
    ...(pin && { pin }),
    ramp: kind.pins && isHard(effort) ? holdRamp(load, loads) : [],
    effort,
    change: next.change,
    why,
    cautions: [
      // What is short of the limit is not barred, and tires the hand all the same.
      ...(request.meet && !barred && request.meet.daysAway < NO_HEAVY_HOLD_DAYS
        ? [`The meet is ${untilDay(request.meet.daysAway)}: easy, or not at all.`]
        : []),
      ...advise({ ...rules, choice: held.grip, chalk, earlierHolds: 0 }, CAUTIONS),
    ],
  };
}

/** How far the coach's target is, as the hands are now. */
function targetReason(
  { load: target, daysAway }: NonNullable<HoldRequest['target']>,
  load: number,
  { low, high }: { readonly low: number; readonly high: number },
): Reason {
  const [from, to] = [low, high].map((each) => Math.round(100 * each));
  const chance = `held ${from === to ? from : `${from} to ${to}`} times in 100 as the hands are now`;
  return {
    ruleId: 'hold.target',
    rank: 'evidence',
    text:
      load >= target - 1e-9
        ? 'The target is reached with this load.'
        : daysAway < 0
          ? `The day of the target is past: it is ${chance}.`
          : `The target, ${daysAway < 0.5 ? 'due today' : `${countDays(daysAway)} away`}, is ${chance}.`,
  };
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
    seconds: kind.secondsByAim?.[aim ?? 'events'] ?? kind.seconds,
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

function chooseHeldGrip(
  request: HoldRequest,
  rules: RuleFacts,
  strength: (grip: Grip) => number,
): { grip: Grip; sideUnder?: Side; barred?: Reason; why: Reason[] } {
  const { lifter, school } = request;
  const barred = applyRules(rules, CALL_RULES);
  const why = barred.fired.filter((each) => each.rank === 'safety' || each.rank === 'adaptation');
  const fixed = HOLD_KINDS_BY_ID[request.kind].grip;
  const bare = barred.choices.get(fixed ?? 'doubleOverhand');
  const usual = bare ? undefined : (fixed ?? 'doubleOverhand');
  const grip = fixed || !rules.lift.grips ? usual : (bareOrder(school, 'top', barred, strength)[0] ?? usual);
  // What takes the last grip away is said, and nothing of the others.
  if (!grip) return { grip: 'doubleOverhand', barred: bare!, why: [] };
  if (grip !== 'mixed') return { grip, why };
  const proposed = nextSideUnder(request.ledger ?? mixedLedger([]), lifter.dominantHand);
  return { grip, sideUnder: barred.sidesUnder.has(proposed) ? otherSide(proposed) : proposed, why };
}
