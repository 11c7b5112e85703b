import { fitHoldCurve, type FitOptions } from '../clasp-curve/fit-hold-curve.ts';
import { fitMovingCurve } from '../clasp-curve/moving-curve.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import { medianLoad } from '../clasp-curve/read-outs.ts';
import {
  CHALK_KINDS,
  GRIPS,
  type ChalkKind,
  type Grip,
  type HoldConditions,
  type HoldCurve,
  type HoldObservation,
} from '../clasp-curve/types.ts';
import { kitCheck, loadMaker, type HoldKit, type LoadMaker } from '../hold-prescriptions/hold-loads.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { bool, listOf, oneOf, range, record, text, whole, type Check } from '../shape.ts';
import type { Estimate } from '../statistics/estimate.ts';

/** What an audit is planned from. Loads kg, times s, diameters mm. */
export interface AuditQuestion {
  /** Everything observed so far, the audit's own steps too. */
  readonly observations: readonly HoldObservation[];
  readonly fit: FitOptions;
  /** Grips that are asked about: those that nothing bars. */
  readonly grips: readonly Grip[];
  readonly kit: HoldKit;
  readonly chalk: ChalkKind;
  readonly diameter: number;
  /** The lift whose sets may be steps beside still holds. */
  readonly pull: string;
  /** False where no rack stands for still holds. */
  readonly rack: boolean;
  /** Most chance that a step slips: {@link MOST_SLIP}, less for a lifter who must not strain. */
  readonly mostSlip: number;
  /** Steps done so far. */
  readonly done: number;
}

/** The next hold or set of an audit, with the second or repetition at which it ends whatever the hand would still hold. */
export interface AuditStep {
  readonly lift: string;
  readonly grip: Grip;
  readonly load: number;
  readonly reps: number;
  /** The stop time of a hold; left out for a set. */
  readonly seconds?: number;
  /** Chance that it slips before. */
  readonly slips: number;
  /** Share of the doubt about the loads held 10 s that it is expected to remove. */
  readonly removes: number;
}

/** Steps of an audit. */
export const AUDIT_STEPS = 4;
/** Most chance that a step of an audit slips. */
export const MOST_SLIP = 0.25;
/** A step that removes less than this share of the doubt is not worth the skin. */
const LEAST_REMOVED = 0.02;
/** Stop times of holds, s, and repetitions of sets. */
const STOP_SECONDS = [8, 15] as const;
const REPS = [3, 5] as const;
/** Shares of the 10 s load, as it is thought to be, that are tried. */
const SHARES = [0.6, 0.75, 0.9, 1] as const;
/** What slips is taken to slip at this share of its stop time: on the way, nobody knows where. */
const SLIP_AT = 0.6;

/** Checked where they are used, by the fit. */
const byTheFit: Check = () => undefined;

const questionCheck: Check = record<AuditQuestion>({
  observations: listOf(byTheFit, 1e6),
  fit: byTheFit,
  grips: listOf(oneOf(GRIPS), 3),
  kit: kitCheck,
  chalk: oneOf(CHALK_KINDS),
  diameter: range(5, 200),
  pull: text(100),
  rack: bool,
  mostSlip: range(0.01, 0.5),
  done: whole(0, 100),
});

/**
 * The next step of a grip audit: the submaximal hold or set, among what the kit makes and the permitted grips, that is
 * expected to lower the doubt about the loads held 10 s the most, at a chance of slipping below the most allowed. Undefined
 * once enough steps are done, or where none removes any doubt worth having.
 * Source: expected posterior spread over the two outcomes of each candidate, both fitted.
 * @throws InvalidInputError naming the field that cannot be used.
 * @example
 * nextAuditStep({ observations: [], fit: { referenceLoad: 105 }, grips: ['doubleOverhand', 'mixed'], kit: { bar: 20, collars: 0, plates: [{ mass: 20, unit: 'kg', pairs: 4 }, { mass: 5, unit: 'kg', pairs: 4 }] }, chalk: 'block', diameter: 28.5, pull: 'deadlift.conventional', rack: true, mostSlip: 0.25, done: 0 }).slips < 0.25
 * // true
 */
export function nextAuditStep(question: AuditQuestion): AuditStep | undefined {
  questionCheck('', question);
  const { observations, grips, done, kit, mostSlip } = question;
  if (done >= AUDIT_STEPS || grips.length === 0) return undefined;
  // What is done today has no say in the scales: they are searched once, not with every outcome of every candidate.
  const { scales } = fitMovingCurve(observations, question.fit).fit;
  const fit = { ...question.fit, scales };
  const curve = fitHoldCurve(observations, fit);
  const before = doubtOf(curve, question);
  const best = candidates(question, curve, loadMaker(kit))
    .filter((step) => step.slips <= mostSlip)
    .map((step) => ({ step, after: expectedDoubt({ ...question, fit }, step, before) }))
    .reduce<{ step: Candidate; after: number } | undefined>(
      (least, each) => (least === undefined || each.after < least.after ? each : least),
      undefined,
    );
  if (!best) return undefined;
  const removes = 1 - best.after / before;
  if (removes < LEAST_REMOVED) return undefined;
  const { demand: _demand, ...step } = best.step;
  return { ...step, removes };
}

/**
 * The loads held 10 s in each grip as an audit leaves them, with their doubt.
 * @throws InvalidInputError naming the field that cannot be used.
 * @example
 * auditFindings({ observations: [], fit: { referenceLoad: 105 }, grips: ['hook'], kit: { bar: 20, collars: 0, plates: [] }, chalk: 'block', diameter: 28.5, pull: 'deadlift.conventional', rack: true, mostSlip: 0.25, done: 0 })[0].grip
 * // 'hook'
 */
export function auditFindings(
  question: AuditQuestion,
): { readonly grip: Grip; readonly tenSeconds: Estimate }[] {
  questionCheck('', question);
  const curve = fitHoldCurve(question.observations, question.fit);
  return question.grips.map((grip) => ({
    grip,
    tenSeconds: medianLoad(curve, { ...conditionsOf(question, grip), seconds: 10 }),
  }));
}

type Candidate = Omit<AuditStep, 'removes'> & { readonly demand: { load: number; seconds: number } };

const conditionsOf = ({ chalk, diameter }: AuditQuestion, grip: Grip): HoldConditions => ({
  ...{ grip, chalk, diameter },
});

/** Every hold and set worth weighing: near what the hand is thought to hold, as the kit makes it. */
function candidates(question: AuditQuestion, curve: HoldCurve, loads: LoadMaker): Candidate[] {
  const { grips, pull, rack, done } = question;
  const found = new Map<string, Candidate>();
  for (const grip of grips) {
    const conditions = conditionsOf(question, grip);
    const ten = medianLoad(curve, { ...conditions, seconds: 10 }).value;
    const add = (lift: string, load: number, reps: number, seconds?: number): void => {
      const demand = setDemand({ lift, reps, load, ...(seconds !== undefined && { seconds }) });
      const slips = 1 - holdProbability(curve, { ...demand, ...conditions, earlierHolds: done });
      found.set(`${lift} ${grip} ${load} ${reps} ${seconds ?? ''}`, {
        ...{ lift, grip, load, reps, slips, demand: { load: demand.load, seconds: demand.seconds } },
        ...(seconds !== undefined && { seconds }),
      });
    };
    for (const share of SHARES) {
      const { total } = loads.atOrBelow(share * ten);
      if (rack) for (const seconds of STOP_SECONDS) add('hold.front-rack', total, 1, seconds);
      for (const reps of REPS) add(liftOf(pull).id, total, reps);
    }
  }
  return [...found.values()];
}

/** Spread of the logarithm of the 10 s loads, over the grips asked about. */
function doubtOf(curve: HoldCurve, question: AuditQuestion): number {
  return question.grips.reduce((sum, grip) => {
    const { low, high } = medianLoad(curve, { ...conditionsOf(question, grip), seconds: 10 });
    return sum + Math.log(high / low);
  }, 0);
}

/** The doubt that is left after a step, over its two outcomes: stopped on time, or slipped on the way. */
function expectedDoubt(question: AuditQuestion, step: Candidate, before: number): number {
  const { observations, fit, done } = question;
  const { demand, grip, slips } = step;
  const after = (ended: 'stopped' | 'slipped'): number => {
    const observed: HoldObservation = {
      ...{ load: demand.load, ended, earlierHolds: done, ageDays: 0 },
      seconds: ended === 'stopped' ? demand.seconds : SLIP_AT * demand.seconds,
      ...conditionsOf(question, grip),
    };
    return doubtOf(fitHoldCurve([...observations, observed], fit), question);
  };
  // An outcome that hardly happens is not worth a fit.
  return (1 - slips) * after('stopped') + (slips > 0.01 ? slips * after('slipped') : slips * before);
}
