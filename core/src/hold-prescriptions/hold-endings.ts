/** How a hold ended: as any observation of the hands, or not begun, since it could not be broken from the pins. */
export const HOLD_ENDINGS = ['slipped', 'stopped', 'notLifted'] as const;
export type HoldEnding = (typeof HOLD_ENDINGS)[number];
