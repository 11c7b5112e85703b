import type { ChalkKind, Grip, MassUnit, Side } from '@iron-clasp/core';

/*
 * What fields of requests share. Loads are kg, times s. The lists repeat the core's on purpose: this package takes only
 * types of the core, and `satisfies` makes the compiler hold the two together.
 */

export const GRIPS = ['doubleOverhand', 'mixed', 'hook'] as const satisfies readonly Grip[];

export const CHALK = ['block', 'liquid', 'none'] as const satisfies readonly ChalkKind[];

export const SIDES = ['left', 'right'] as const satisfies readonly Side[];

export const UNITS = ['kg', 'lb'] as const satisfies readonly MassUnit[];

/** Bounds of what a person can have done; past them the figure is a typing or unit mistake. */
export const LIMITS = {
  load: { min: 1, max: 600 },
  holdSeconds: { min: 0.5, max: 600 },
  reps: { min: 1, max: 100 },
} as const;

export const LOAD_MESSAGE = `Load must be a number from ${LIMITS.load.min} to ${LIMITS.load.max} kg. Check the figure and the unit.`;

export const SECONDS_MESSAGE = `Seconds must be a number from ${LIMITS.holdSeconds.min} to ${LIMITS.holdSeconds.max}. Longer than ten minutes is not one hold.`;

export const TARGET_MESSAGE = `Target must be a number of seconds from 1 to ${LIMITS.holdSeconds.max}.`;

export const PAIN_MESSAGE = 'Pain must be a whole number from 0 to 10.';

export const CONFIDENCE_MESSAGE = 'Confidence must be a whole number from 1 to 5.';

export const FINITE = { allowNaN: false, allowInfinity: false } as const;

export const DAY = /^\d{4}-\d{2}-\d{2}$/;
