import type { MassUnit } from '@iron-clasp/core';
import { useAccount } from './account.ts';

/** The unit the signed-in person reads. */
export function useUnit(): MassUnit {
  return useAccount()?.unit ?? 'kg';
}
