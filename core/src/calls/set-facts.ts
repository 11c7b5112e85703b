import { holdLoad } from '../clasp-curve/hold-load.ts';
import { holdChance } from '../clasp-curve/hold-probability.ts';
import type { ChalkKind, Grip, HoldConditions } from '../clasp-curve/types.ts';
import { closedOn } from '../log/observe-log.ts';
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
  /** Chance that a bare grip holds the demand: the mean over what the curve may be. */
  readonly odds: (grip: Grip) => number;
  /** 80 % range of that chance, given how well the curve is known. */
  readonly range: (grip: Grip) => ChanceRange;
  /** Nothing is logged yet: what the curve knows is what people like this lifter usually hold, which calls nobody weak. */
  readonly unlogged: boolean;
  /** Nobody has said how heavy the body is that hangs. */
  readonly assumedBody: boolean;
  /** The load, kg on the hands, that a bare grip holds for the demand's seconds one time in two. */
  readonly strength: (grip: Grip) => number;
}

/** Body that is taken to hang where nobody has said, kg. */
export const USUAL_BODY_MASS = 80;

export interface ChanceRange {
  readonly low: number;
  readonly high: number;
}

export function setFacts(context: Omit<CallContext, 'school' | 'ledger' | 'override'>): SetFacts {
  const { lifter, venue, event, set, curve, sweat = false } = context;
  const lift = liftOf(set.lift);
  // What hangs is the body: where nobody has said how heavy it is, a usual one stands in and is said to.
  const assumedBody = lift.loadMeans === 'addedToBody' && set.bodyMass === undefined;
  const demand = setDemand(assumedBody ? { ...set, bodyMass: USUAL_BODY_MASS } : set);
  const rules: RuleFacts = {
    lifter,
    lift,
    role: set.role,
    reps: set.reps,
    load: set.load,
    ...(set.max !== undefined && { max: set.max }),
    // A thick handle or a towel is there for the grip, unless the line says otherwise.
    ...((set.purpose ?? set.handle) && { purpose: set.purpose ?? 'grip' }),
    ...(set.hand && { hand: set.hand }),
    sweat,
    hookedBefore: set.hookedBefore ?? 0,
    venue,
    demand,
    odds: (grip) => odds(grip),
    ...(event && { event }),
  };
  const chalk = lift.chalk ? chalkAllowed(rules) : 'none';
  const base: HoldConditions = {
    position: lift.position,
    diameter: set.diameter ?? closedOn(lift.id, venue.barDiameter, set.handle),
    earlierHolds: set.earlierHolds ?? 0,
    ...(sweat && { sweat }),
  };
  const conditions = (grip: Grip, withChalk: ChalkKind = chalk): HoldConditions => ({
    ...base,
    grip,
    chalk: withChalk,
  });
  const chances = remembered((grip) => holdChance(curve, { ...demand, ...conditions(grip) }));
  const odds = (grip: Grip): number => chances(grip).chance;
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
    range: chances,
    strength,
    unlogged: curve.evidence.observations === 0,
    assumedBody,
  };
}

/** Works each grip's figure out once. */
function remembered<Figure>(work: (grip: Grip) => Figure): (grip: Grip) => Figure {
  const known = new Map<Grip, Figure>();
  return (grip) => {
    const found = known.get(grip) ?? work(grip);
    known.set(grip, found);
    return found;
  };
}
