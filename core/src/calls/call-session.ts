import { withMixedSet } from '../hands/mixed-ledger.ts';
import { listOf, optional, record, type Check } from '../shape.ts';
import { callChecked } from './call-set.ts';
import { CALL_FIELDS, eventCheck, overrideCheck, setCheck } from './check-call.ts';
import type { CallContext, CallOverride, EventRules, SetCall, SetToCall } from './types.ts';

export interface SessionContext extends Omit<CallContext, 'set' | 'override'> {
  readonly sets: readonly (SetToCall & { readonly override?: CallOverride; readonly event?: EventRules })[];
}

/** A session longer than this is a mistake. */
const MOST_SETS = 500;

const sessionSetCheck: Check = (field, value) => {
  setCheck(field, value);
  optional(overrideCheck)(`${field}.override`, (value as { override?: unknown }).override);
  optional(eventCheck)(`${field}.event`, (value as { event?: unknown }).event);
};
const sessionCheck: Check = record<SessionContext>({
  ...CALL_FIELDS,
  sets: listOf(sessionSetCheck, MOST_SETS),
});

/**
 * Calls every set of a session in order: warm-ups, top sets, back-offs, accessories, holds. The session keeps count of
 * what its own calls use up: hard holds done earlier tire the hand for what follows, hooked work sets fill the stage's
 * share and the skin budget, and a lifter who alternates set by set turns the other hand under next.
 * @throws InvalidInputError naming the set and field that cannot be used.
 * @example
 * callSession({ lifter, venue, curve, school: findSchool('overhand-first'), ledger: mixedLedger([]), sets: [60, 110].map((load) => ({ lift: findLift('deadlift.conventional'), role: 'warmup', load, reps: 2 })) }).map((call) => call.choice)
 * // ['doubleOverhand', 'doubleOverhand']
 */
export function callSession(context: SessionContext): SetCall[] {
  sessionCheck('', context);
  const { sets, ...rest } = context;
  const { lifter } = context;
  let { ledger } = context;
  let earlierHolds = 0;
  let hookedBefore = 0;
  let budget = lifter.hookBudgetLeft ?? Infinity;
  return sets.map(({ override, event, ...set }) => {
    const call = callChecked({
      ...rest,
      ledger,
      lifter: { ...lifter, hookBudgetLeft: budget },
      set: {
        ...set,
        earlierHolds: set.earlierHolds ?? earlierHolds,
        hookedBefore: set.hookedBefore ?? hookedBefore,
      },
      ...(override && { override }),
      // An event of the day with its own rules binds its own lift.
      ...(event && { event }),
    });
    if (isHardHold(set) && call.choice !== null) earlierHolds += 1;
    const spent = call.demand ? call.demand.load * call.demand.seconds : 0;
    if (call.choice === 'hook') {
      if (set.role !== 'warmup') hookedBefore += 1;
      budget = Math.max(0, budget - spent);
    }
    if (lifter.alternation === 'lightBySet' && call.sideUnder && call.demand)
      ledger = withMixedSet(ledger, {
        ...{ sideUnder: call.sideUnder, reps: set.reps },
        ...{ load: call.demand.load, seconds: call.demand.seconds },
      });
    return call;
  });
}

/** Timed work of a gripping hand, beyond a warm-up, tires it for what follows. */
function isHardHold({ lift, role }: SetToCall): boolean {
  return role !== 'warmup' && lift.timed && lift.family !== 'carry';
}
