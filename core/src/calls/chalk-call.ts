import { holdProbability } from '../clasp-curve/hold-probability.ts';
import type { ChalkKind, Grip, HoldConditions } from '../clasp-curve/types.ts';
import type { SetDemand } from '../set-demand/set-demand.ts';
import { CHALK_PLACES, HOLD_CHALK_PLACE } from './cues.ts';
import type { CallContext, ChalkCall, GripChoice } from './types.ts';

/** The chalk the house, and on the day the rulebook, leaves. */
export function chalkAllowed(context: CallContext): ChalkKind {
  const { venue, event } = context;
  return venue.chalk === 'liquid' && event && !event.liquidChalk ? 'none' : venue.chalk;
}

/** The circumstances of the set as the clasp curve takes them. */
export function conditions(context: CallContext, grip: Grip, chalk: ChalkKind): HoldConditions {
  return { grip, chalk, diameter: context.venue.barDiameter };
}

/** The chance that each bare grip holds the demand, worked out once a grip. */
export function oddsFor(context: CallContext, demand: SetDemand, chalk: ChalkKind): (grip: Grip) => number {
  const known = new Map<Grip, number>();
  return (grip) => {
    const found =
      known.get(grip) ?? holdProbability(context.curve, { ...demand, ...conditions(context, grip, chalk) });
    known.set(grip, found);
    return found;
  };
}

/** A warm-up that the dry hand holds nearly for certain needs no chalk; everything else gets what the house allows. */
const DRY_ENOUGH = 0.99;

/** Kind and places of chalk for the call. */
export function chalkCall(
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
