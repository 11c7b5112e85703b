import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdProbability, holdProbabilityRange } from '../clasp-curve/hold-probability.ts';
import type { ChalkKind, Grip, HoldConditions } from '../clasp-curve/types.ts';
import { IMBALANCE_FLAG, nextSideUnder } from '../hands/mixed-ledger.ts';
import { otherSide, SIDES, type Side } from '../hands/hand-state.ts';
import { setDemand, type SetDemand } from '../set-demand/set-demand.ts';
import {
  CHALK_CUES,
  CHALK_PLACES,
  FAMILY_CAUTIONS,
  GRIP_CUES,
  HISTORY_CAUTIONS,
  HOLD_CHALK_PLACE,
  STRAP_CAUTION,
  TAPE_CUE,
  TORN_SKIN_CAUTION,
} from './cues.ts';
import { applyRules, type Barred } from './rules.ts';
import type { LadderStep, StrapCondition, StrapPolicy } from './school.ts';
import { SCHOOLS } from './schools.ts';
import { GRIP_NAMES } from './say-call.ts';
import {
  GRIP_CHOICES,
  type CallContext,
  type ChalkCall,
  type GripAlternative,
  type GripChoice,
  type Reason,
  type SchoolAlternative,
  type SetCall,
} from './types.ts';

/**
 * Calls grip, straps and chalk for one set.
 *
 * Order: what safety, event, venue and lift bar is taken away; a coach's override is followed unless it is barred;
 * the school's order is walked and the first grip whose chance of holding the set's demand reaches the lifter's
 * threshold for the role is called, else the best one, said to be weak, with a load that would do. Then the side
 * under from the ledger, chalk from the venue, cues and cautions. Every step leaves a reason with its rule id.
 * @throws InvalidInputError for a non-positive load or repetitions outside 1–100.
 */
export function callSet(context: CallContext): SetCall {
  const call = decide(context);
  const schools =
    call.verdict === 'free'
      ? []
      : SCHOOLS.filter((school) => school.id !== context.school.id).map((school) =>
          askSchool(context, school, call),
        );
  return { ...call, alternatives: { ...call.alternatives, schools } };
}

function askSchool(context: CallContext, school: CallContext['school'], own: SetCall): SchoolAlternative {
  const { override: _own, ...rest } = context;
  const other = decide({ ...rest, school });
  const leading = other.reasons.find((reason) => reason.rank === 'school') ?? other.reasons[0];
  return {
    schoolId: school.id,
    schoolName: school.name,
    choice: other.choice,
    probability: other.probability,
    same: other.choice === own.choice,
    why: leading?.text ?? school.ladderReason,
  };
}

/** The call without the other schools' opinions. */
function decide(context: CallContext): SetCall {
  const { lifter, set, school } = context;
  const threshold = lifter.thresholds[set.role];
  if (!set.lift.grips) return notGripped(context, threshold);
  const demand = setDemand(set);
  const chalkKind = chalkAllowed(context);
  const odds = oddsFor(context, demand, chalkKind);
  const barred = applyRules({
    lifter,
    lift: set.lift,
    role: set.role,
    reps: set.reps,
    ...(context.event && { event: context.event }),
  });
  const schoolStraps = schoolBarsStraps(context);
  const free = (choice: GripChoice): boolean => !barred.choices.has(choice);
  const reasons: Reason[] = [...barred.fired];

  const override = judgeOverride(context, barred);
  const bare = bareOrder(context, barred, demand, chalkKind);
  let choice: GripChoice | null = null;
  let why: Reason | undefined;

  if (override?.accepted) {
    choice = override.accepted;
    why = override.reason;
  } else {
    const strapPolicy =
      free('straps') && !schoolStraps
        ? school.strapsFirst.find((policy) => applies(policy, context))
        : undefined;
    const holding = bare.find((grip) => odds(grip) >= threshold);
    if (strapPolicy) {
      choice = 'straps';
      why = { ruleId: strapPolicy.id, rank: 'school', text: `${school.name}: ${strapPolicy.reason}.` };
    } else if (holding) {
      choice = holding;
      why = {
        ruleId: `school.${school.id}.ladder`,
        rank: 'school',
        text: `${school.name}: ${school.ladderReason}.`,
      };
    } else if (free('straps') && !schoolStraps && school.strapsLast && applies(school.strapsLast, context)) {
      choice = 'straps';
      why = {
        ruleId: school.strapsLast.id,
        rank: 'school',
        text: `${school.name}: ${school.strapsLast.reason}.`,
      };
    } else if (bare.length) {
      choice = bare.reduce((best, grip) => (odds(grip) > odds(best) ? grip : best));
      why = {
        ruleId: 'evidence.best-below-threshold',
        rank: 'evidence',
        text: `No permitted grip reaches what is asked: ${GRIP_NAMES[choice]} comes closest.`,
      };
    } else if (free('straps')) {
      // A safety rule has left only straps: that outranks a school that would not use them.
      choice = 'straps';
      why = {
        ruleId: 'safety.straps-only-left',
        rank: 'safety',
        text: 'Every bare grip is barred today, so straps, whatever the school says.',
      };
    }
  }

  if (why) reasons.push(why);
  if (override?.refused) reasons.push(override.refused);
  if (schoolStraps && choice !== 'straps') reasons.push(schoolStraps);
  const probability = choice && choice !== 'straps' ? odds(choice) : null;
  if (probability !== null)
    reasons.push(evidenceReason(context, choice as Grip, probability, demand, threshold));
  const side = choice === 'mixed' ? sideUnder(context, barred) : undefined;
  if (side) reasons.push(side.reason);
  const weak = probability !== null && probability < threshold;
  const verdict = choice === null ? 'stop' : weak ? 'weak' : 'called';
  if (choice === null) {
    reasons.push({
      ruleId: 'safety.nothing-left',
      rank: 'safety',
      text: 'Every grip and straps are barred for this set: leave it out, or change the lift.',
    });
  }
  const strapFit =
    choice === 'straps' ? (set.lift.strapFit ?? { type: 'loop' as const, turns: 2 }) : undefined;
  const question = choice && choice !== 'straps' ? conditions(context, choice, chalkKind) : undefined;
  return {
    choice,
    grip: choice === 'straps' ? 'doubleOverhand' : choice,
    ...(side && { sideUnder: side.side }),
    ...(strapFit && { straps: { type: strapFit.type, turns: strapFit.turns } }),
    chalk: chalkCall(context, choice, chalkKind, demand),
    probability,
    ...(question && { range: holdProbabilityRange(context.curve, { ...demand, ...question }) }),
    threshold,
    verdict,
    ...(weak &&
      question && {
        lighterLoad:
          holdLoad(context.curve, { ...question, seconds: demand.seconds, probability: threshold }) /
          set.lift.dynamicFactor,
      }),
    demand,
    cues: cues(context, choice, chalkKind),
    cautions: cautions(context, choice),
    reasons,
    ...(override?.refused && { overrideRefused: override.refused }),
    overridden: Boolean(override?.accepted),
    alternatives: {
      grips: gripAlternatives(context, choice, barred, schoolStraps, odds, threshold),
      schools: [],
    },
  };
}

function notGripped(context: CallContext, threshold: number): SetCall {
  return {
    choice: null,
    grip: null,
    chalk: { kind: chalkAllowed(context), where: [] },
    probability: null,
    threshold,
    verdict: 'free',
    cues: [],
    cautions: [],
    reasons: [
      {
        ruleId: 'lift.not-gripped',
        rank: 'lift',
        text: `${context.set.lift.name} does not hang from the hands: no grip call.`,
      },
    ],
    overridden: false,
    alternatives: { grips: [], schools: [] },
  };
}

/** The chalk the house, and on the day the rulebook, leaves. */
function chalkAllowed(context: CallContext): ChalkKind {
  const { venue, event } = context;
  return venue.chalk === 'liquid' && event && !event.liquidChalk ? 'none' : venue.chalk;
}

function conditions(context: CallContext, grip: Grip, chalk: ChalkKind): HoldConditions {
  return { grip, chalk, diameter: context.venue.barDiameter };
}

function oddsFor(context: CallContext, demand: SetDemand, chalk: ChalkKind): (grip: Grip) => number {
  const known = new Map<Grip, number>();
  return (grip) => {
    const found =
      known.get(grip) ?? holdProbability(context.curve, { ...demand, ...conditions(context, grip, chalk) });
    known.set(grip, found);
    return found;
  };
}

/** The school's order for the role with `bestBare` resolved by the lifter's own curve, without what is barred. */
export function bareOrder(context: CallContext, barred: Barred, demand: SetDemand, chalk: ChalkKind): Grip[] {
  const strength = (grip: Grip): number =>
    holdLoad(context.curve, {
      seconds: demand.seconds,
      probability: 0.5,
      ...conditions(context, grip, chalk),
    });
  const resolve = (step: LadderStep): Grip[] => {
    if (step !== 'bestBare') return [step];
    return (['mixed', 'hook'] as const)
      .filter((grip) => !barred.choices.has(grip))
      .sort((a, b) => strength(b) - strength(a))
      .slice(0, 1);
  };
  const order = context.school.ladder[context.set.role].flatMap(resolve);
  return [...new Set(order)].filter((grip) => !barred.choices.has(grip));
}

function schoolBarsStraps({ school, lifter }: CallContext): Reason | undefined {
  if (!school.strapsFirst.length && !school.strapsLast) {
    return { ruleId: `school.${school.id}.straps-never`, rank: 'school', text: `${school.name}: no straps.` };
  }
  if (lifter.trainingMonths < school.strapsNotBeforeMonths) {
    return {
      ruleId: `school.${school.id}.straps-not-before`,
      rank: 'school',
      text: `${school.name}: no straps in the first ${school.strapsNotBeforeMonths} months of training (now ${lifter.trainingMonths}).`,
    };
  }
  return undefined;
}

function applies(policy: StrapPolicy, context: CallContext): boolean {
  return policy.when.every((condition) => met(condition, context));
}

function met(condition: StrapCondition, { set, lifter, event }: CallContext): boolean {
  switch (condition.kind) {
    case 'roles':
      return condition.roles.includes(set.role);
    case 'repsAtLeast':
      return !set.lift.timed && set.reps >= condition.reps;
    case 'families':
      return condition.families.includes(set.lift.family);
    case 'loadAtLeastShareOfMax':
      return set.load >= condition.share * lifter.deadliftMax;
    case 'aimIsBack':
      return set.lift.aimIsBack;
    case 'handPainAtLeast':
      return SIDES.some((side) => lifter.hands[side].pain >= condition.pain);
    case 'eventAllowsStraps':
      return (event ? event.straps : lifter.nextEventStraps) === true;
  }
}

function judgeOverride(
  context: CallContext,
  barred: Barred,
): { accepted?: GripChoice; refused?: Reason; reason?: Reason } | undefined {
  const { override } = context;
  if (!override) return undefined;
  const bar = barred.choices.get(override.choice);
  // Adaptation limits are advice for now; everything above them cannot be overridden.
  if (bar && bar.rank !== 'adaptation') {
    return { refused: { ...bar, text: `Override to ${GRIP_NAMES[override.choice]} refused. ${bar.text}` } };
  }
  return {
    accepted: override.choice,
    reason: {
      ruleId: 'override.coach',
      rank: 'override',
      text: `${override.by} chose ${GRIP_NAMES[override.choice]}: ${override.reason}`,
    },
  };
}

function sideUnder(context: CallContext, barred: Barred): { side: Side; reason: Reason } {
  const proposed = nextSideUnder(context.ledger, context.lifter.dominantHand);
  const bar = barred.sidesUnder.get(proposed);
  if (bar) {
    const side = otherSide(proposed);
    return {
      side,
      reason: {
        ...bar,
        text: `${capital(side)} hand under: ${bar.text.charAt(0).toLowerCase()}${bar.text.slice(1)}`,
      },
    };
  }
  const { imbalance, left, right } = context.ledger;
  const behind =
    left.sets + right.sets === 0
      ? 'nothing in the ledger yet, so the non-dominant hand'
      : `the ${proposed} side has less behind it (${left.sets} sets left, ${right.sets} right)`;
  const flag = imbalance >= IMBALANCE_FLAG ? `; imbalance ${percent(imbalance)}, even it out` : '';
  return {
    side: proposed,
    reason: {
      ruleId: 'ledger.next-side',
      rank: 'ledger',
      text: `${capital(proposed)} hand under: ${behind}${flag}.`,
    },
  };
}

/** A warm-up that the dry hand holds nearly for certain needs no chalk; everything else gets what the house allows. */
const DRY_ENOUGH = 0.99;

function chalkCall(
  context: CallContext,
  choice: GripChoice | null,
  allowed: ChalkKind,
  demand: SetDemand,
): ChalkCall {
  if (!choice || allowed === 'none') return { kind: 'none', where: [] };
  if (context.set.role === 'warmup' && choice !== 'straps') {
    const dry = holdProbability(context.curve, { ...demand, ...conditions(context, choice, 'none') });
    if (dry >= DRY_ENOUGH) return { kind: 'none', where: [] };
  }
  const places = CHALK_PLACES[choice];
  return {
    kind: allowed,
    where: context.set.lift.family === 'hold' ? [...places, HOLD_CHALK_PLACE] : places,
  };
}

function cues(context: CallContext, choice: GripChoice | null, chalk: ChalkKind): string[] {
  if (!choice) return [];
  const learning = choice === 'hook' && context.lifter.hookStage !== 'settled';
  const tape = learning && (!context.event || context.event.thumbTape) ? [TAPE_CUE] : [];
  const chalkCue = CHALK_CUES[chalk];
  return [...GRIP_CUES[choice], ...tape, ...(chalkCue && context.set.role !== 'warmup' ? [chalkCue] : [])];
}

function cautions(context: CallContext, choice: GripChoice | null): string[] {
  const { lifter, set } = context;
  const torn = SIDES.some(
    (side) => lifter.hands[side].palm === 'torn' || lifter.hands[side].thumb === 'torn',
  );
  return [
    ...(choice === 'straps' ? [STRAP_CAUTION] : []),
    ...(torn ? [TORN_SKIN_CAUTION] : []),
    ...(FAMILY_CAUTIONS[set.lift.family] ?? []),
    ...lifter.flags
      .filter((flag) => !flag.cleared || (flag.kind === 'thumbArthritis' && choice === 'hook'))
      .map((flag) => HISTORY_CAUTIONS[flag.kind]),
  ];
}

function gripAlternatives(
  context: CallContext,
  called: GripChoice | null,
  barred: Barred,
  schoolStraps: Reason | undefined,
  odds: (grip: Grip) => number,
  threshold: number,
): GripAlternative[] {
  return GRIP_CHOICES.filter((choice) => choice !== called).map((choice) => {
    const probability = choice === 'straps' ? null : odds(choice);
    const bar = barred.choices.get(choice) ?? (choice === 'straps' ? schoolStraps : undefined);
    if (bar) return { choice, permitted: false, probability, why: bar };
    const text =
      probability === null
        ? `${context.school.name} keeps straps for other sets.`
        : probability < threshold
          ? weakText(choice, probability, threshold)
          : `Would hold as well (${percent(probability)}), but comes later in the order of ${context.school.name}.`;
    return {
      choice,
      permitted: true,
      probability,
      why: {
        ruleId:
          probability === null || probability >= threshold
            ? `school.${context.school.id}.ladder`
            : 'evidence.below-threshold',
        rank: 'evidence',
        text,
      },
    };
  });
}

function evidenceReason(
  context: CallContext,
  grip: Grip,
  probability: number,
  demand: SetDemand,
  threshold: number,
): Reason {
  const { observations, slipped } = context.curve.evidence;
  const verdict = probability >= threshold ? 'at or above' : 'below';
  return {
    ruleId: 'evidence.clasp-curve',
    rank: 'evidence',
    text: `${capital(GRIP_NAMES[grip])} holds this set’s ${demand.seconds.toFixed(0)} s with ${percent(probability)} probability, ${verdict} the ${percent(threshold)} asked of a ${ROLE_WORDS[context.set.role]}; ${observations} logged holds and sets behind it, ${slipped} of them slips.`,
  };
}

const ROLE_WORDS: Record<CallContext['set']['role'], string> = {
  warmup: 'warm-up',
  top: 'top set',
  backoff: 'back-off',
  volume: 'volume set',
  accessory: 'accessory set',
  attempt: 'meet attempt',
};

function weakText(choice: GripChoice, probability: number, threshold: number): string {
  return `${capital(GRIP_NAMES[choice])} holds with ${percent(probability)} probability only; ${percent(threshold)} is asked for.`;
}

/** Whole per cent, never claiming certainty. */
function percent(probability: number): string {
  return probability > 0.99
    ? 'over 99\u00a0%'
    : probability < 0.01
      ? 'under 1\u00a0%'
      : `${Math.round(probability * 100)}\u00a0%`;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
