import { LIFTS } from '@iron-clasp/core';

/** Lifts that hang from no grip: a press in the log says nothing about a hand. */
export const NOT_GRIPPED: readonly string[] = LIFTS.filter((lift) => !lift.grips).map((lift) => lift.id);
