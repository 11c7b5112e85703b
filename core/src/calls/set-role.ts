/** What a set is for in its session; an attempt is one on the platform. */
export const SET_ROLES = ['warmup', 'top', 'backoff', 'volume', 'accessory', 'attempt'] as const;
export type SetRole = (typeof SET_ROLES)[number];
