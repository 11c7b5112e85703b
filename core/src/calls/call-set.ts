import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdProbabilityRange } from '../clasp-curve/hold-probability.ts';
import type { Grip } from '../clasp-curve/types.ts';
import { otherSide, type Side } from '../hands/hand-state.ts';
import { IMBALANCE_FLAG, nextSideUnder } from '../hands/mixed-ledger.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { chalkAllowed, chalkCall, conditions, oddsFor } from './chalk-call.ts';
import { cautions, cues } from './cues-and-cautions.ts';
import { gripAlternatives } from './grip-alternatives.ts';
import { applyRules, type Barred } from './rules.ts';
import { GRIP_NAMES } from './say-call.ts';
import { applies, bareOrder, schoolBarsStraps } from './school-policy.ts';
import { SCHOOLS } from './schools.ts';
import type { CallContext, GripChoice, Reason, SchoolAlternative, SetCall } from './types.ts';
import { capital, evidenceReason, percent } from './wording.ts';

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
  const { lifter, set } = context;
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
  const { choice, why } = override?.accepted
    ? { choice: override.accepted, why: override.reason }
    : choose({ context, bare, odds, threshold, mayStrap: free('straps'), schoolStraps });

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
  const lighter =
    weak && question
      ? holdLoad(context.curve, { ...question, seconds: demand.seconds, probability: threshold }) /
        set.lift.dynamicFactor
      : 0;
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
    ...(lighter > 0 && { lighterLoad: lighter }),
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

interface Choosing {
  readonly context: CallContext;
  /** The school’s order without what is barred. */
  readonly bare: readonly Grip[];
  readonly odds: (grip: Grip) => number;
  readonly threshold: number;
  /** True where no rule bars straps. */
  readonly mayStrap: boolean;
  /** Why the school uses none, where it does not. */
  readonly schoolStraps: Reason | undefined;
}

/** Walks the school’s policy: straps first where it says so, the first bare grip that holds, straps last, the best that is left. */
function choose({ context, bare, odds, threshold, mayStrap, schoolStraps }: Choosing): {
  choice: GripChoice | null;
  why?: Reason;
} {
  const { school } = context;
  const schoolSays = (ruleId: string, text: string): Reason => ({
    ruleId,
    rank: 'school',
    text: `${school.name}: ${text}.`,
  });
  const straps = mayStrap && !schoolStraps;
  const first = straps ? school.strapsFirst.find((policy) => applies(policy, context)) : undefined;
  if (first) return { choice: 'straps', why: schoolSays(first.id, first.reason) };
  const holding = bare.find((grip) => odds(grip) >= threshold);
  if (holding) return { choice: holding, why: schoolSays(`school.${school.id}.ladder`, school.ladderReason) };
  const last =
    straps && school.strapsLast && applies(school.strapsLast, context) ? school.strapsLast : undefined;
  if (last) return { choice: 'straps', why: schoolSays(last.id, last.reason) };
  if (bare.length) {
    const best = bare.reduce((strongest, grip) => (odds(grip) > odds(strongest) ? grip : strongest));
    const text = `No permitted grip reaches what is asked: ${GRIP_NAMES[best]} comes closest.`;
    return { choice: best, why: { ruleId: 'evidence.best-below-threshold', rank: 'evidence', text } };
  }
  if (!mayStrap) return { choice: null };
  // A safety rule has left only straps: that outranks a school that would not use them.
  const text = 'Every bare grip is barred today, so straps, whatever the school says.';
  return { choice: 'straps', why: { ruleId: 'safety.straps-only-left', rank: 'safety', text } };
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
