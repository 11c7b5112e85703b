import { GRIP_NAMES } from '../vocabulary.ts';
import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import { holdsNear } from '../clasp-curve/holds-near.ts';
import { GRIPS, type Grip } from '../clasp-curve/types.ts';
import { isBarLift } from '../set-demand/is-bar-lift.ts';
import { writtenLoad } from '../set-demand/set-demand.ts';
import { advise, CAUTIONS, CUES, type AdviceFacts } from './advice.ts';
import { chalkCall } from './chalk-call.ts';
import { contextCheck } from './check-call.ts';
import { chooseGrip, strongest, type Chosen } from './choose-grip.ts';
import { gripAlternatives } from './grip-alternatives.ts';
import { refuses } from './rules.ts';
import { EASY_HOLD } from './strain.ts';
import type { School } from './school.ts';
import { SCHOOLS, SORE } from './schools.ts';
import { handsHurt } from './school-policy.ts';
import { setFacts, USUAL_BODY_MASS, type SetFacts } from './set-facts.ts';
import { sideUnder } from './side-under.ts';
import { strapCall } from './strap-call.ts';
import type {
  CallContext,
  GripChoice,
  Reason,
  SchoolAlternative,
  SetCall,
  SetToCall,
  Verdict,
} from './types.ts';
import { evidenceReason } from './wording.ts';

/**
 * Calls grip, straps and chalk for one set.
 *
 * Order: what safety, event, venue and lift bar is taken away; a coach's override is followed unless it is barred;
 * the school's order is walked and the first grip that may hold the set's demand is called: a grip is left only on
 * evidence, where even the upper end of its chance stays below the lifter's threshold for the role. What the log does
 * not know yet is said to be unproven; where every grip is shown too weak the best one is called weak, with a load that
 * would do. Without any log nothing is weak: it is not known. An attempt takes the permitted grip with the highest chance. Then the side under from profile and ledger,
 * the strap, chalk from the venue, cues and cautions. Every step leaves a reason with its rule id. Loads in kg, times in
 * s, diameters in mm.
 * @throws InvalidInputError naming the field of the context that cannot be used.
 * @example
 * sayCall(callSet({ lifter, venue, curve, school: findSchool('strap-the-volume'), ledger: mixedLedger([]), set: { lift: findLift('deadlift.conventional'), role: 'backoff', load: 120, reps: 5 } }))
 * // 'straps, loop, 3 turns, block chalk'
 */
export function callSet(context: CallContext): SetCall {
  contextCheck('', context);
  return callChecked(context);
}

/** {@link callSet} for a context that has been checked. */
export function callChecked(context: CallContext): SetCall {
  const facts = setFacts(context);
  if (!facts.rules.lift.grips) return notGripped(context, facts);
  const { school, set } = context;
  const { barred, demand, threshold, odds } = facts;
  const override = judgeOverride(context, facts) ?? judgeFixed(set, facts);
  const chosen: Chosen = override?.accepted
    ? { ...chooseGrip(school, facts), choice: override.accepted, why: override.reason! }
    : chooseGrip(school, set.fixed === 'bare' ? withoutStraps(facts) : facts);
  const { choice, why, schoolStraps } = chosen;
  const bare = choice === 'straps' ? null : choice;
  const reasons: Reason[] = [...barred.fired];
  if (why) reasons.push(why);
  if (override?.refused) reasons.push(override.refused);
  if (schoolStraps && choice !== 'straps') reasons.push(schoolStraps);
  if (choice && choice !== 'straps' && !school.soreHands.straps && handsHurt(context.lifter, SORE))
    reasons.push(soreHands(school));
  const probability = bare && odds(bare);
  const near = bare ? holdsNear(context.curve, { load: demand.load, grip: bare }) : 0;
  const verdict = verdictOf(choice, bare, facts);
  if (bare)
    reasons.push(
      evidenceReason({
        ...{ curve: context.curve, role: set.role, grip: bare, demand, threshold, verdict, near },
        ...{ chance: odds(bare), range: facts.range(bare) },
      }),
    );
  if (facts.assumedBody)
    reasons.push({
      ruleId: 'evidence.body-mass-assumed',
      rank: 'evidence',
      text: `Body mass is not known: taken as ${USUAL_BODY_MASS} kg. Say it in the profile.`,
    });
  const side = choice === 'mixed' ? sideUnder(context, barred) : undefined;
  if (side) reasons.push(side.reason);
  const straps = choice === 'straps' ? strapCall(school, facts.policy, barred) : undefined;
  if (straps) reasons.push(...new Set(barred.strapTypes.values()), straps.reason);
  const weak = verdict === 'weak';
  if (choice === null) reasons.push(nothingLeft(facts));
  const lighter = weak || choice === null ? lighterLoad(context, facts, bare) : 0;
  const advice: AdviceFacts = {
    ...facts.rules,
    choice,
    chalk: facts.chalk,
    noTape: barred.noTape,
    earlierHolds: set.earlierHolds ?? 0,
    ...(straps && { strapType: straps.type }),
  };
  return {
    choice,
    grip: choice === 'straps' ? 'doubleOverhand' : choice,
    ...(side && { sideUnder: side.side }),
    ...(choice && barred.onlyHand && { onlyHand: barred.onlyHand.side }),
    ...(straps && { straps: { type: straps.type, turns: straps.turns } }),
    chalk: chalkCall({ lift: facts.rules.lift, role: set.role }, choice, facts.chalk, () =>
      bare ? holdProbability(context.curve, { ...demand, ...facts.conditions(bare, 'none') }) : 1,
    ),
    probability,
    ...(bare && { range: rangeOf(facts, bare), near }),
    threshold,
    verdict,
    ...(lighter > 0 && { lighterLoad: lighter }),
    demand,
    cues: choice ? [...advise(advice, CUES), ...facts.rules.lift.cues] : [],
    cautions: advise(advice, CAUTIONS),
    reasons,
    ...(override?.refused && { overrideRefused: override.refused }),
    overridden: override?.reason?.ruleId === 'override.coach',
    alternatives: {
      grips: gripAlternatives(school, choice, facts, schoolStraps),
      schools: (context.schools ?? SCHOOLS)
        .filter((each) => each.id !== school.id)
        .map((each) => askSchool(each, facts, choice)),
    },
  };
}

function verdictOf(
  choice: GripChoice | null,
  bare: Grip | null,
  { odds, range, threshold, unlogged }: SetFacts,
): Verdict {
  if (choice === null) return 'stop';
  if (bare === null || odds(bare) >= threshold) return 'called';
  return unlogged || range(bare).high >= threshold ? 'unproven' : 'weak';
}

function askSchool(school: School, facts: SetFacts, own: GripChoice | null): SchoolAlternative {
  const { choice, why } = chooseGrip(school, facts);
  // Where no step of the school decided, a rule did.
  const leading = (why ?? facts.barred.strapsFirst ?? facts.barred.fired[0])!;
  return {
    schoolId: school.id,
    schoolName: school.name,
    choice,
    probability: choice && choice !== 'straps' ? facts.odds(choice) : null,
    same: choice === own,
    why: leading.text,
  };
}

function notGripped(context: CallContext, facts: SetFacts): SetCall {
  const { lift } = facts.rules;
  const { noTape, onlyHand, loadAtMost } = facts.barred;
  const stops = facts.barred.stops ?? loadAtMost?.reason;
  const advice: AdviceFacts = { ...facts.rules, choice: null, chalk: facts.chalk, noTape, earlierHolds: 0 };
  const text = `${lift.name} does not hang from the hands: no grip call.`;
  return {
    choice: null,
    grip: null,
    chalk: facts.barred.stops
      ? { kind: 'none', where: [] }
      : chalkCall({ lift, role: context.set.role }, null, facts.chalk, () => 1, context.sweat === true),
    probability: null,
    threshold: facts.threshold,
    verdict: stops ? 'stop' : 'free',
    ...(!facts.barred.stops && loadAtMost && { lighterLoad: loadAtMost.load }),
    ...(!stops && onlyHand && { onlyHand: onlyHand.side }),
    cues: stops ? [] : [...advise(advice, CUES), ...lift.cues],
    cautions: advise(advice, CAUTIONS),
    reasons: [
      ...facts.barred.fired.filter(({ rank }) => rank === 'safety'),
      { ruleId: 'lift.not-gripped', rank: 'lift', text },
    ],
    overridden: false,
    alternatives: { grips: [], schools: [] },
  };
}

function judgeOverride(
  { override }: CallContext,
  { barred }: SetFacts,
): { accepted?: GripChoice; refused?: Reason; reason?: Reason } | undefined {
  if (!override) return undefined;
  const sideBar =
    override.choice === 'mixed' && override.sideUnder ? barred.sidesUnder.get(override.sideUnder) : undefined;
  const refusing = [barred.choices.get(override.choice), sideBar].find(refuses);
  if (refusing) {
    return {
      refused: { ...refusing, text: `Override to ${GRIP_NAMES[override.choice]} refused. ${refusing.text}` },
    };
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

/** What the line itself fixes: followed like a coach's decision, and refused where a rule bars it. */
function judgeFixed({ fixed }: SetToCall, { barred }: SetFacts): ReturnType<typeof judgeOverride> {
  if (!fixed || fixed === 'bare') return undefined;
  const bar = barred.choices.get(fixed);
  return refuses(bar)
    ? { refused: { ...bar, text: `The line asks for ${GRIP_NAMES[fixed]}. ${bar.text}` } }
    : {
        accepted: fixed,
        reason: { ruleId: 'line.fixed', rank: 'override', text: `The line asks for ${GRIP_NAMES[fixed]}.` },
      };
}

/** A line that stays bare takes the straps away; where only they are left it says so like any other bar. */
function withoutStraps(facts: SetFacts): SetFacts {
  const { choices } = facts.barred;
  if (choices.has('straps') || GRIPS.every((grip) => choices.has(grip))) return facts;
  const reason: Reason = { ruleId: 'line.bare', rank: 'override', text: 'The line asks for bare hands.' };
  return { ...facts, barred: { ...facts.barred, choices: new Map([...choices, ['straps', reason]]) } };
}

/** The load, as the lift is written, that the called grip, or the best one that a lighter load would give back, holds with the chance asked. */
function lighterLoad({ curve, set }: CallContext, facts: SetFacts, called: Grip | null): number {
  const { barred, conditions, demand, threshold, odds, rules } = facts;
  const back = GRIPS.filter((grip) => !barred.choices.has(grip) || barred.byLoad.has(grip));
  const grip = called ?? (back.length && !barred.stops ? strongest(back, odds) : null);
  // Only the strapped hands may do it, and only lighter.
  if (!grip) return barred.byLoad.has('straps') && !barred.stops ? (barred.loadAtMost?.load ?? 0) : 0;
  const least = barred.byLoad.has(grip) ? Math.max(threshold, EASY_HOLD) : threshold;
  const onHands = holdLoad(curve, { ...conditions(grip), seconds: demand.seconds, probability: least });
  const body = facts.assumedBody ? USUAL_BODY_MASS : set.bodyMass;
  const held = onHands > 0 ? writtenLoad(rules.lift, onHands, body) : 0;
  const most = Math.min(held, barred.loadAtMost?.load ?? Infinity);
  // What plates can make of it is the venue's to say; handles and dumbbells are told apart by no less than this.
  return isBarLift(rules.lift) ? most : Math.floor(most / FINEST) * FINEST;
}

/** kg. */
const FINEST = 0.5;

function nothingLeft({ barred }: SetFacts): Reason {
  if (barred.stops)
    return { ruleId: 'safety.nothing-left', rank: 'safety', text: 'Leave this set out today.' };
  if (barred.loadAtMost)
    return { ruleId: 'safety.nothing-left', rank: 'safety', text: 'Not as written: a lighter load instead.' };
  const text =
    barred.byLoad.size > 0
      ? 'Not at this load: every grip would be near its limit. Lighter, or shorter.'
      : 'Every grip and straps are barred for this set: leave it out, or change the lift.';
  return { ruleId: 'safety.nothing-left', rank: 'safety', text };
}

function soreHands(school: School): Reason {
  return {
    ruleId: `school.${school.id}.sore-hands`,
    rank: 'school',
    text: `${school.name}: ${school.soreHands.reason}.`,
  };
}

function rangeOf({ range }: SetFacts, grip: Grip): { low: number; high: number } {
  const { low, high } = range(grip);
  return { low, high };
}
