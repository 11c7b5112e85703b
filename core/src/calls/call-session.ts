import { InvalidInputError } from '../errors.ts';
import { callSet } from './call-set.ts';
import type { CallContext, CallOverride, SetCall, SetToCall } from './types.ts';

export interface SessionContext extends Omit<CallContext, 'set' | 'override'> {
  readonly sets: readonly (SetToCall & { readonly override?: CallOverride })[];
}

/**
 * Calls every set of a session in order. The ledger is read once, so that a lifter turns the same hand under all day.
 */
export function callSession(context: SessionContext): SetCall[] {
  const { sets, ...rest } = context;
  if (!Array.isArray(sets)) throw new InvalidInputError('sets', 'a list of sets', sets);
  return sets.map(({ override, ...set }) => callSet({ ...rest, set, ...(override && { override }) }));
}
