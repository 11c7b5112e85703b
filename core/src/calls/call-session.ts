import { listOf, optional, record, type Check } from '../shape.ts';
import { callChecked } from './call-set.ts';
import { CALL_FIELDS, overrideCheck, setCheck } from './check-call.ts';
import type { CallContext, CallOverride, SetCall, SetToCall } from './types.ts';

export interface SessionContext extends Omit<CallContext, 'set' | 'override'> {
  readonly sets: readonly (SetToCall & { readonly override?: CallOverride })[];
}

/** A session longer than this is a mistake. */
const MOST_SETS = 500;

const sessionSetCheck: Check = (field, value) => {
  setCheck(field, value);
  optional(overrideCheck)(`${field}.override`, (value as { override?: unknown }).override);
};
const sessionCheck: Check = record<SessionContext>({
  ...CALL_FIELDS,
  sets: listOf(sessionSetCheck, MOST_SETS),
});

/**
 * Calls every set of a session in order: warm-ups, top sets, back-offs, accessories, holds. The ledger is read once, so
 * that a lifter turns the same hand under all day; hard holds done earlier in the session tire the hand for what follows.
 * @throws InvalidInputError naming the set and field that cannot be used.
 * @example
 * callSession({ lifter, venue, curve, school: findSchool('overhand-first'), ledger: mixedLedger([]), sets: [60, 110].map((load) => ({ lift: findLift('deadlift.conventional'), role: 'warmup', load, reps: 2 })) }).map((call) => call.choice)
 * // ['doubleOverhand', 'hook']
 */
export function callSession(context: SessionContext): SetCall[] {
  sessionCheck('', context);
  const { sets, ...rest } = context;
  let earlierHolds = 0;
  return sets.map(({ override, ...set }) => {
    const call = callChecked({
      ...rest,
      set: { ...set, earlierHolds: set.earlierHolds ?? earlierHolds },
      ...(override && { override }),
    });
    if (isHardHold(set) && call.choice !== null) earlierHolds += 1;
    return call;
  });
}

/** Timed support work beyond a warm-up tires the hand for what follows. */
function isHardHold({ lift, role }: SetToCall): boolean {
  return role !== 'warmup' && lift.timed && lift.curve === 'support' && lift.family !== 'carry';
}
