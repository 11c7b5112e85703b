import type { MassUnit } from '@iron-clasp/core';
import { useSession } from './queries.ts';

/** The unit the signed-in person reads. */
export function useUnit(): MassUnit {
  return useSession().data?.account.unit ?? 'kg';
}
