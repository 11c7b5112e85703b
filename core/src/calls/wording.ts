import { GRIP_NAMES, SET_ROLE_NAMES } from '../vocabulary.ts';
import { capital, withArticle, percent } from './plain-words.ts';
import { checkObject, checkOneOf, checkProbability, checkWhole } from '../check.ts';
import type { Grip, HoldCurve } from '../clasp-curve/types.ts';
import type { SetDemand } from '../set-demand/set-demand.ts';
import { type SetRole } from './set-role.ts';
import { VERDICTS, type GripChoice, type Reason, type SetCall, type Verdict } from './types.ts';

/** What the log says of a grip for a set. */
interface Evidence {
  readonly curve: HoldCurve;
  readonly role: SetRole;
  readonly grip: Grip;
  readonly demand: SetDemand;
  readonly threshold: number;
  readonly verdict: Verdict;
  readonly chance: number;
  readonly range: { readonly low: number; readonly high: number };
  /** Logged holds and sets of the grip near the load. */
  readonly near: number;
}

/** The log’s own sentence on a grip: how likely it holds, against what is asked, and what stands behind that. */
export function evidenceReason(evidence: Evidence): Reason {
  const { curve, role, grip, demand, threshold, verdict, chance, range, near } = evidence;
  const { observations, slipped } = curve.evidence;
  const behind =
    observations === 0
      ? 'nothing logged behind it'
      : `${observations} logged holds and sets behind it, ${slipped} of them slips`;
  const asked = `the ${percent(threshold)} asked of ${withArticle(SET_ROLE_NAMES[role])}`;
  const text =
    verdict === 'unproven'
      ? `${unprovenText(near)}. ${capital(GRIP_NAMES[grip])} holds this set’s ${demand.seconds.toFixed(0)} s with ${percent(range.low)} to ${percent(range.high)} probability, ${asked.replace('the ', '')}; ${behind}${bestBehind(curve)}.`
      : `${capital(GRIP_NAMES[grip])} holds this set’s ${demand.seconds.toFixed(0)} s with ${percent(chance)} probability, ${chance >= threshold ? 'at or above' : 'below'} ${asked}; ${behind}${bestBehind(curve)}.`;
  return {
    ruleId: verdict === 'unproven' ? 'evidence.not-known-yet' : 'evidence.clasp-curve',
    rank: 'evidence',
    text,
  };
}

/** Logged holds near a load from which it is no longer for want of them that the log cannot tell. */
const MANY = 10;

/** What is said of a call that the log cannot vouch for yet; `near` counts logged holds and bare sets near the load. */
function unprovenText(near: number): string {
  const holds = near === 0 ? 'no logged hold' : near === 1 ? 'one logged hold' : `${near} logged holds`;
  // Many holds can still lie on both sides of what is asked.
  return `Not known yet: ${holds} near this load${near >= MANY ? ' leave it open' : ''}`;
}

/**
 * How firmly a call stands, in the words a coach says: empty where it is called and nothing is in doubt.
 * @throws InvalidInputError for something that is no call.
 * @example sayStanding({ verdict: 'unproven', near: 3, threshold: 0.95, probability: 0.9 }) // 'not known yet: 3 logged holds near this load'
 * @example sayStanding({ verdict: 'weak', near: 12, threshold: 0.95, probability: 0.7 }) // 'weak: 95\u00a0% is asked'
 */
export function sayStanding(call: Pick<SetCall, 'verdict' | 'near' | 'threshold' | 'probability'>): string {
  checkObject('call', call);
  checkOneOf('call.verdict', call.verdict, VERDICTS);
  if (call.verdict === 'weak')
    return `weak: ${percent(checkProbability('call.threshold', call.threshold))} is asked`;
  if (call.verdict !== 'unproven') return '';
  const words = unprovenText(checkWhole('call.near', call.near ?? 0, 0, 1e12));
  return words.charAt(0).toLowerCase() + words.slice(1);
}

function bestBehind({ evidence }: HoldCurve): string {
  if (!evidence.best) return '';
  const and = evidence.observations === 0 ? ' but' : ', and';
  return evidence.best === 'told'
    ? `${and} the best deadlift as it was pulled`
    : `${and} the best deadlift, its grip assumed`;
}

/** A grip that stays below what is asked. */
export function weakText(choice: GripChoice, probability: number, threshold: number): string {
  return `${capital(GRIP_NAMES[choice])} holds with ${percent(probability)} probability only; ${percent(threshold)} is asked for.`;
}
