/** Hours between two hard holds: the hand's own recovery. */
export const HARD_HOLD_GAP_HOURS = 48;
/** Hours before a heavy bare-handed deadlift without hard holds. */
export const BEFORE_BARE_DEADLIFT_HOURS = 48;
/** Days before a meet on which the last heavy hold falls. */
export const LAST_HEAVY_HOLD_DAYS = 7;
/** From this many days before a meet on there is no heavy hold: a day's slack on the week. */
export const NO_HEAVY_HOLD_DAYS = 6;
/** Most hard grip days in a week. */
export const MOST_HARD_DAYS = 3;
/** Most hard grip days in a week that is full of heavy bare-handed pulling. */
export const MOST_HARD_DAYS_WITH_HEAVY_PULLS = 2;
/** Heavy bare-handed pulling days from which a week counts as full of them. */
export const MANY_HEAVY_PULL_DAYS = 2;
/** Weeks after the straps came off in which other grip work is reduced. */
export const STRAPS_OFF_WEEKS = 3;
