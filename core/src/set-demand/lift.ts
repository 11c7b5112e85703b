import type { CurveFamily, Grip, HoldPosition } from '../clasp-curve/types.ts';

/** What a lift is to the trade: rules and schools speak of families. */
export const LIFT_FAMILIES = [
  'deadlift',
  'pull',
  'row',
  'olympicPull',
  'clean',
  'snatch',
  'press',
  'squat',
  'bodyweightPull',
  'curl',
  'carry',
  'hold',
  'hang',
  'pinch',
  'crush',
  'wrist',
  'opening',
  'event',
] as const;
export type LiftFamily = (typeof LIFT_FAMILIES)[number];

/** The kinds of hand and forearm work that every week should touch. */
export const GRIP_KINDS = [
  'crush',
  'pinch',
  'support',
  'openHand',
  'wristFlexion',
  'wristExtension',
  'deviation',
  'rotation',
  'fingerOpening',
] as const;
export type GripKind = (typeof GRIP_KINDS)[number];

/** Forearm muscle length at which the hand works. */
export const WRIST_POSITIONS = ['short', 'mid', 'long'] as const;
export type WristPosition = (typeof WRIST_POSITIONS)[number];

/** Whether a strap may be used, and why not where it may not. */
export type StrapAdmission =
  | { readonly allowed: true }
  | { readonly allowed: false; readonly ruleId: string; readonly reason: string };

export const STRAP_TYPES = ['loop', 'plain', 'quickRelease', 'figureEight', 'heavyDuty'] as const;
export type StrapType = (typeof STRAP_TYPES)[number];

export interface StrapFit {
  readonly type: StrapType;
  readonly turns: number;
  readonly reason: string;
}

/**
 * What a coach writes as the load: the one thing that is lifted, the two that both hands hold together, what each hand
 * holds, what one hand holds while the other is free, or what is added to the body that hangs.
 */
export const LOAD_MEANINGS = ['total', 'bothHands', 'eachHand', 'oneHand', 'addedToBody'] as const;
export type LoadMeaning = (typeof LOAD_MEANINGS)[number];

/** Kit that a lift cannot be done without; a bar and plates go without saying. */
export const KIT_NEEDS = [
  'rack',
  'dumbbells',
  'cable',
  'pullUpBar',
  'fabric',
  'thickBar',
  'handles',
  'frame',
  'axle',
  'smoothPlates',
  'block',
  'hexDumbbell',
  'gripper',
  'ball',
  'band',
  'lever',
  'bell',
  'roller',
  'mat',
  'stone',
  'keg',
  'sandbag',
  'yoke',
] as const;
export type KitNeed = (typeof KIT_NEEDS)[number];

/** One lift or exercise of the catalogue and how it works the hands. Figures are working defaults; timed sets replace them. */
export interface Lift {
  readonly id: string;
  readonly name: string;
  readonly family: LiftFamily;
  /** Seconds on the bar of one repetition (of the whole set where `timed`). */
  readonly secondsPerRep: number;
  /** True where the repetitions follow one another without the hand being unloaded. */
  readonly continuous: boolean;
  /** True where the set is its own seconds (holds, carries). */
  readonly timed: boolean;
  /** Multiplier from the load written to the load on the hands, for acceleration and swing. */
  readonly dynamicFactor: number;
  readonly loadMeans: LoadMeaning;
  /** Does the set hang from closed hands on a bar, so that there is a grip to call? */
  readonly grips: boolean;
  /** The clasp curve that the set tells about; null where it tells nothing (presses, wrist work). */
  readonly curve: CurveFamily | null;
  readonly position: HoldPosition;
  /** Working diameter of what the hand closes on, mm, where that is not the venue's bar. */
  readonly diameter?: number;
  readonly straps: StrapAdmission;
  /** Strap type and turns that fit the lift, where straps are allowed. */
  readonly strapFit?: StrapFit;
  /** True where the bar must be let go at once: no strap that cannot be. */
  readonly mustDropFast: boolean;
  /** True where the back, not the grip, is the aim. */
  readonly aimIsBack: boolean;
  /** True where chalk has a place. */
  readonly chalk: boolean;
  /** The bare grips that have a place on the lift. */
  readonly admits: readonly Grip[];
  /** The kind of hand work it counts as; null where it is none. */
  readonly kind: GripKind | null;
  readonly wrist: readonly WristPosition[];
  readonly needs: readonly KitNeed[];
  /** What to say when it is set up. */
  readonly cues: readonly string[];
}
