import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import type { ChalkKind, Grip, HoldConditions } from '../clasp-curve/types.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { setDemand, type SetDemand } from '../set-demand/set-demand.ts';
import { CALL_RULES } from './call-rules.ts';
import { chalkAllowed } from './event-and-venue-rules.ts';
import { applyRules, type Barred, type RuleFacts } from './rules.ts';
import type { PolicyFacts } from './school-policy.ts';
import type { CallContext } from './types.ts';

/** All that is worked out once for a set and does not depend on a school: every school then chooses from the same. */
export interface SetFacts {
  readonly rules: RuleFacts;
  readonly policy: PolicyFacts;
  readonly barred: Barred;
  readonly demand: SetDemand;
  readonly chalk: ChalkKind;
  readonly threshold: number;
  /** The circumstances of the set as the clasp curve takes them. */
  readonly conditions: (grip: Grip, chalk?: ChalkKind) => HoldConditions;
  /** Chance that a bare grip holds the demand. */
  readonly odds: (grip: Grip) => number;
  /** The load, kg on the hands, that a bare grip holds for the demand's seconds one time in two. */
  readonly strength: (grip: Grip) => number;
}

export function setFacts(context: Omit<CallContext, 'school' | 'ledger' | 'override'>): SetFacts {
  const { lifter, venue, event, set, curve } = context;
  const lift = liftOf(set.lift);
  const demand = setDemand(set);
  const rules: RuleFacts = {
    lifter,
    lift,
    role: set.role,
    reps: set.reps,
    venue,
    demand,
    odds: (grip) => odds(grip),
    ...(event && { event }),
  };
  const chalk = lift.chalk ? chalkAllowed(rules) : 'none';
  const base: HoldConditions = {
    position: lift.position,
    diameter: set.diameter ?? lift.diameter ?? venue.barDiameter,
    earlierHolds: set.earlierHolds ?? 0,
  };
  const conditions = (grip: Grip, withChalk: ChalkKind = chalk): HoldConditions => ({
    ...base,
    grip,
    chalk: withChalk,
  });
  const odds = remembered((grip) => holdProbability(curve, { ...demand, ...conditions(grip) }));
  const strength = remembered((grip) =>
    holdLoad(curve, { seconds: demand.seconds, probability: 0.5, ...conditions(grip) }),
  );
  return {
    rules,
    policy: { lifter, set: { ...set, lift }, ...(event && { event }) },
    barred: applyRules(rules, CALL_RULES),
    demand,
    chalk,
    threshold: lifter.thresholds[set.role],
    conditions,
    odds,
    strength,
  };
}

/** Works each grip's figure out once. */
function remembered(work: (grip: Grip) => number): (grip: Grip) => number {
  const known = new Map<Grip, number>();
  return (grip) => {
    const found = known.get(grip) ?? work(grip);
    known.set(grip, found);
    return found;
  };
}
