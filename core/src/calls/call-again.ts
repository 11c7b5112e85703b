import { fitHoldCurve, type FitOptions } from '../clasp-curve/fit-hold-curve.ts';
import { GRIPS, type Grip, type HoldCurve, type HoldObservation } from '../clasp-curve/types.ts';
import { observeLog, type LoggedHoldFacts, type LoggedSetFacts } from '../log/observe-log.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { checkList, checkObject, checkOneOf } from '../check.ts';
import { listOf, oneOf, record, text } from '../shape.ts';
import { callSession, type SessionContext } from './call-session.ts';
import { sayCall } from './say-call.ts';
import { REASON_RANKS, type Reason, type SetCall, type Verdict } from './types.ts';

/** A session under way: what it was called from, and what has been done of it since. */
export interface SessionUnderWay {
  /** As {@link callSession} takes it, without a curve: that is fitted with what was done today. */
  readonly session: Omit<SessionContext, 'curve'>;
  /** Holds and bare-handed sets before this session. */
  readonly observations: readonly HoldObservation[];
  /** What the curve starts from beside the log. */
  readonly fit: FitOptions;
  /** Sets done today, in order. */
  readonly done: readonly LoggedSetFacts[];
  /** Holds done today, in order. */
  readonly holds: readonly LoggedHoldFacts[];
  /** kg, for what hangs; null where nobody has said. */
  readonly bodyMass: number | null;
}

/**
 * Calls the session again with what was done today: the curve learns from every set and hold, and a bare grip that slipped
 * today is not called again at that load. Sets already done are called too; the caller knows which they are.
 * @throws InvalidInputError naming the set, hold or field that cannot be used.
 * @example
 * callAgain({ session: { lifter, venue, school: findSchool('strap-the-volume'), ledger: mixedLedger([]), sets: [{ lift: findLift('deadlift.conventional'), role: 'top', load: 120, reps: 1 }] }, observations: [], fit: { referenceLoad: 126 }, done: [{ liftId: 'deadlift.conventional', load: 120, reps: 1, style: 'reset', seconds: null, slippedAtRep: 1, grip: 'hook', strapped: false, chalk: 'block', diameter: 29 }], holds: [], bodyMass: null }).calls[0].choice === 'hook' // false
 */
export function callAgain(underWay: SessionUnderWay): { curve: HoldCurve; calls: SetCall[] } {
  checkObject('', underWay);
  const { session, observations, fit, done, holds, bodyMass } = underWay;
  checkObject('session', session);
  checkList('observations', observations);
  checkList('done', done, (row, field) => checkObject(field, row));
  checkList('holds', holds);
  const { sweat } = session;
  const hot = <Row extends object>(rows: readonly Row[]): Row[] =>
    rows.map((row) => (sweat ? { ...row, sweat } : row));
  const today = observeLog({ sets: hot(done), holds: hot(holds), bodyMass }, 'support');
  const curve = fitHoldCurve([...observations, ...today], fit);
  const slippedToday = slipsOf(done);
  return { curve, calls: callSession({ ...session, lifter: { ...session.lifter, slippedToday }, curve }) };
}

/**
 * The bare grips that slipped, with what lay on the hands, kg.
 * @throws InvalidInputError for a lift that the catalogue does not have, or a grip that is none.
 * @example slipsOf([{ liftId: 'deadlift.conventional', load: 200, reps: 1, style: 'reset', seconds: null, slippedAtRep: 1, grip: 'hook', strapped: false, chalk: 'block', diameter: 29 }])[0].load // 210
 */
export function slipsOf(
  sets: readonly Pick<
    LoggedSetFacts,
    'liftId' | 'load' | 'reps' | 'style' | 'grip' | 'strapped' | 'slippedAtRep'
  >[],
): { grip: Grip; load: number }[] {
  checkList('sets', sets, (set, field) => {
    checkObject(field, set);
    checkOneOf(`${field}.grip`, set.grip, GRIPS);
  });
  return sets
    .filter((set) => set.slippedAtRep !== null && !set.strapped)
    .map(({ grip, liftId, reps, load, style }) => ({
      grip,
      load: setDemand({ lift: liftId, reps, load, style }).load,
    }));
}

/**
 * Are two calls the same: read aloud alike, and neither weak nor barred where the other is not.
 * @throws InvalidInputError for something that is no call.
 * @example sameCall({ choice: 'hook', chalk: { kind: 'block', where: [] }, verdict: 'called' }, { choice: 'mixed', chalk: { kind: 'block', where: [] }, verdict: 'called' }) // false
 */
export function sameCall(a: SpokenCall, b: SpokenCall): boolean {
  return sayCall(a) === sayCall(b) && standsAs(a) === standsAs(b);
}

/** What the log cannot vouch for yet is done like what it can: a call that only became surer is the same call. */
const standsAs = ({ verdict }: SpokenCall): Verdict => (verdict === 'unproven' ? 'called' : verdict);

/** The part of a call that is said. */
export type SpokenCall = Pick<SetCall, 'choice' | 'sideUnder' | 'onlyHand' | 'straps' | 'chalk' | 'verdict'>;

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
