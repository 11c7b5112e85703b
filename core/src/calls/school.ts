import type { LiftFamily, StrapFit } from '../set-demand/lift.ts';
import type { SetRole } from './set-role.ts';

/** Steps of a school's grip order; `bestBare` is whichever of mixed and hook the lifter's own curve rates higher. */
export const LADDER_STEPS = ['doubleOverhand', 'mixed', 'hook', 'bestBare'] as const;
export type LadderStep = (typeof LADDER_STEPS)[number];

/** A condition under which a school reaches for straps; all conditions of one entry must hold. */
export type StrapCondition =
  | { readonly kind: 'roles'; readonly roles: readonly SetRole[] }
  | { readonly kind: 'repsAtLeast'; readonly reps: number }
  | { readonly kind: 'families'; readonly families: readonly LiftFamily[] }
  | { readonly kind: 'loadAtLeastShareOfMax'; readonly share: number }
  | { readonly kind: 'aimIsBack' }
  | { readonly kind: 'handPainAtLeast'; readonly pain: number }
  | { readonly kind: 'trainingMonthsBelow'; readonly months: number }
  /** The week is already full of carries, stones and axle. */
  | { readonly kind: 'gripWorkHigh' }
  /** The lifter clenches and stiffens the arms. */
  | { readonly kind: 'clenches' }
  | { readonly kind: 'eventAllowsStraps' }
  /** A bare grip slipped in this session. */
  | { readonly kind: 'slippedToday' };

export interface StrapPolicy {
  readonly id: string;
  readonly when: readonly StrapCondition[];
  readonly reason: string;
}

/** A strap that fits better than the lift's own, where the conditions hold. */
export interface StrapFitPolicy {
  readonly id: string;
  readonly when: readonly StrapCondition[];
  readonly fit: StrapFit;
}

/** How close to the limit a school's holds are taken. */
export type EffortRule =
  | { readonly kind: 'nearLimit'; readonly probability: number }
  | { readonly kind: 'fractionOfBest'; readonly fraction: number };

export interface HoldScheme {
  readonly sets: number;
  /** s. */
  readonly seconds: number;
  /** Rest between sets, s: shortest and longest. */
  readonly rest: readonly [number, number];
  readonly effort: EffortRule;
  readonly reason: string;
}

/** A school of practice: data only. The engine reads it and never asks for its name. */
export interface School {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  /** Grip order by role, the first that reaches the threshold is called. */
  readonly ladder: Readonly<Record<SetRole, readonly LadderStep[]>>;
  readonly ladderReason: string;
  /** Straps are called before any bare grip where one of these applies. */
  readonly strapsFirst: readonly StrapPolicy[];
  /** Straps are called after the bare grips have failed the threshold; null where the school never does. */
  readonly strapsLast: StrapPolicy | null;
  /** The last set of strapped work stays bare, so that the hand keeps its share. Default no. */
  readonly lastSetBare?: boolean;
  /** No straps before this many months of training; 0 for no such rule. */
  readonly strapsNotBeforeMonths: number;
  /** Are sore hands, skin sound, a reason for straps? */
  readonly soreHands: { readonly straps: boolean; readonly reason: string };
  readonly strapFits: readonly StrapFitPolicy[];
  readonly hold: HoldScheme;
}
