import type { PlannedSet } from './training.entity.ts';

/** A set whose line says nothing beyond lift, load and repetitions. */
export const NO_TERMS = {
  ...{ purpose: null, fixed: null, under: null, handle: null, hand: null, rest: null },
} satisfies Partial<PlannedSet>;
