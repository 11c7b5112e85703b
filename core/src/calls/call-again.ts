import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import type { HoldCurve, HoldObservation } from '../clasp-curve/types.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { observeSet, type DoneSet } from '../set-demand/set-observation.ts';
import { checkList, checkObject } from '../check.ts';
import { listOf, oneOf, record, text } from '../shape.ts';
import { callSession, type SessionContext } from './call-session.ts';
import { sayCall } from './say-call.ts';
import { REASON_RANKS, type Reason, type SetCall } from './types.ts';

/** A session under way: what it was called from, and what has been done of it since. */
export interface SessionUnderWay {
  /** As {@link callSession} takes it, without a curve: that is fitted with what was done today. */
  readonly session: Omit<SessionContext, 'curve'>;
  /** Holds and bare-handed sets before this session. */
  readonly observations: readonly HoldObservation[];
  /** Prior middle of the 10 s load, kg. */
  readonly referenceLoad: number;
  /** Sets done today, in order. */
  readonly done: readonly DoneSet[];
  /** Timed holds done today. */
  readonly holds: readonly HoldObservation[];
}

/**
 * Calls the session again with what was done today: the curve learns from every set and hold, and a bare grip that slipped
 * today is not called again at that load. Sets already done are called too; the caller knows which they are.
 * @throws InvalidInputError naming the set, hold or field that cannot be used.
 * @example
 * callAgain({ session: { lifter, venue, school: findSchool('strap-the-volume'), ledger: mixedLedger([]), sets: [{ lift: findLift('deadlift.conventional'), role: 'top', load: 120, reps: 1 }] }, observations: [], referenceLoad: 126, done: [{ lift: 'deadlift.conventional', load: 120, reps: 1, slippedAtRep: 1, grip: 'hook', strapped: false }], holds: [] }).calls[0].choice === 'hook' // false
 */
export function callAgain(underWay: SessionUnderWay): { curve: HoldCurve; calls: SetCall[] } {
  checkObject('', underWay);
  const { session, observations, referenceLoad, done, holds } = underWay;
  checkObject('session', session);
  checkList('observations', observations);
  checkList('done', done, (set, field) => checkObject(field, set));
  checkList('holds', holds);
  const today = done.flatMap((set) => {
    const observed = liftOf(set.lift).curve === 'support' ? observeSet(set) : undefined;
    return observed ? [{ ...observed, ageDays: 0 }] : [];
  });
  const curve = fitHoldCurve([...observations, ...today, ...holds], { referenceLoad });
  const slippedToday = done
    .filter((set) => set.slippedAtRep !== undefined && !set.strapped)
    .map((set) => ({ grip: set.grip, load: setDemand(set).load }));
  return { curve, calls: callSession({ ...session, lifter: { ...session.lifter, slippedToday }, curve }) };
}

/**
 * Are two calls the same: read aloud alike, and standing as firmly.
 * @throws InvalidInputError for something that is no call.
 * @example sameCall({ choice: 'hook', chalk: { kind: 'block', where: [] }, verdict: 'called' }, { choice: 'mixed', chalk: { kind: 'block', where: [] }, verdict: 'called' }) // false
 */
export function sameCall(a: SpokenCall, b: SpokenCall): boolean {
  return sayCall(a) === sayCall(b) && a.verdict === b.verdict;
}

/** The part of a call that is said. */
export type SpokenCall = Pick<SetCall, 'choice' | 'sideUnder' | 'straps' | 'chalk' | 'verdict'>;

/**
 * Why a call is another one now: the first reason that was not there before, else the one that leads.
 * @throws InvalidInputError for calls without a list of reasons.
 * @example whyChanged({ reasons: [] }, { reasons: [{ ruleId: 'a', rank: 'safety', text: 'Torn.' }] }).text // 'Torn.'
 */
export function whyChanged(
  before: Pick<SetCall, 'reasons'>,
  after: Pick<SetCall, 'reasons'>,
): Reason | undefined {
  saidCheck('before', before);
  saidCheck('after', after);
  const known = new Set(before.reasons.map((reason) => `${reason.ruleId} ${reason.text}`));
  return after.reasons.find((reason) => !known.has(`${reason.ruleId} ${reason.text}`)) ?? after.reasons[0];
}

const saidCheck = record<Pick<SetCall, 'reasons'>>({
  reasons: listOf(record<Reason>({ ruleId: text(), rank: oneOf(REASON_RANKS), text: text() }), 500),
});
