/** What a set is for in its session; an attempt is one on the platform. */
export const SET_ROLES = ['warmup', 'top', 'backoff', 'volume', 'accessory', 'attempt'] as const;
export type SetRole = (typeof SET_ROLES)[number];

/** Each role in the words of the trade. */
export const SET_ROLE_NAMES: Record<SetRole, string> = {
  warmup: 'warm-up',
  top: 'top set',
  backoff: 'back-off',
  volume: 'volume set',
  accessory: 'accessory set',
  attempt: 'meet attempt',
};
