/** What a set is for in its session; an attempt is one on the platform. */
export const SET_ROLES = ['warmup', 'top', 'backoff', 'volume', 'accessory', 'attempt'] as const;
export type SetRole = (typeof SET_ROLES)[number];

/** Usual rest after a set of each role, s; a rack hold brings its own. */
export const USUAL_REST: Readonly<Record<SetRole, number>> = {
  warmup: 60,
  accessory: 90,
  volume: 120,
  backoff: 180,
  top: 240,
  attempt: 300,
};
