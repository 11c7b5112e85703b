/** The bare-handed grips. Straps are no grip: a strapped set tells nothing about the hands. */
export const GRIPS = ['doubleOverhand', 'mixed', 'hook'] as const;
export type Grip = (typeof GRIPS)[number];

export const CHALK_KINDS = ['block', 'liquid', 'none'] as const;
export type ChalkKind = (typeof CHALK_KINDS)[number];

/** Where the load is held: in front of the thighs, behind them, or palms forward. */
export const HOLD_POSITIONS = ['front', 'behindBack', 'supinated'] as const;
export type HoldPosition = (typeof HOLD_POSITIONS)[number];

/** Which hands hold: both, or one alone (whose load counts double). */
export const HANDS_ON = ['both', 'left', 'right'] as const;
export type HandsOn = (typeof HANDS_ON)[number];

/** Bars, axles, handles and hangs share the support curve; plates, blocks and hex heads pinched have one of their own. */
export const CURVE_FAMILIES = ['support', 'pinch'] as const;
export type CurveFamily = (typeof CURVE_FAMILIES)[number];

/** How a hold ended: the grip failed, or it was put down on purpose (so the true time is at least as long). */
export const ENDINGS = ['slipped', 'stopped'] as const;
export type Ending = (typeof ENDINGS)[number];

/** The circumstances of a hold that move its expected length. Left out means the base: double overhand, block chalk, front, 28.5 mm, fresh, both hands. */
export interface HoldConditions {
  readonly grip?: Grip;
  readonly chalk?: ChalkKind;
  readonly position?: HoldPosition;
  /** Diameter of the bar or handle, mm. */
  readonly diameter?: number;
  /** Hard holds already done in the session. */
  readonly earlierHolds?: number;
  /** One hand alone, or both; the load of one hand counts double. Default both. */
  readonly hand?: HandsOn;
  /** Heat, or hands that sweat through the chalk. Default no. */
  readonly sweat?: boolean;
}

/** One continuous hold. A bare-handed lifting set is a hold too, as long as its set demand. */
export interface HoldObservation extends HoldConditions {
  /** Load on both hands together, kg. */
  readonly load: number;
  /** Length of the hold, s. */
  readonly seconds: number;
  readonly ended: Ending;
  /**
   * Where the moment of a slip is not known (a repetition during which it happened), the seconds between which it
   * lies, 0 included: interval-censored. `seconds` is then only its middle, for drawing.
   */
  readonly within?: readonly [number, number];
  /** Days before the day of the fit: where on the moving level the observation lies. Default 0. */
  readonly ageDays?: number;
  /** An explicit weight on the observation's log-likelihood, multiplied into the recency weight. Default 1. */
  readonly weight?: number;
  /** How many identical holds the row stands for. Default 1. */
  readonly times?: number;
  /** True knowledge that was told, not logged: the lifter's best pull, and whether its grip was said or is assumed. */
  readonly best?: BestKnown;
}

/** Whether the grip of a lifter's best pull was told, or is taken from what is usual in the sport. */
export const BEST_KNOWN = ['told', 'assumed'] as const;
export type BestKnown = (typeof BEST_KNOWN)[number];

/** The additive terms on ln seconds beside the intercept and the slope. */
export const EFFECTS = [
  'mixed',
  'hook',
  'noChalk',
  'liquidChalk',
  'behindBack',
  'supinated',
  'extraDiameterMm',
  'earlierHolds',
  'leftHand',
  'rightHand',
  'sweat',
] as const;
export type Effect = (typeof EFFECTS)[number];

/**
 * A fitted clasp curve: ln T = intercept − slope·ln(load / referenceLoad) + Σ effects + σ·ε.
 * Plain data, so that it travels as JSON and every question can be asked of it anywhere.
 */
export interface HoldCurve {
  readonly family: CurveFamily;
  /** mm, from wrist crease to fingertip, where it was known to the fit. */
  readonly handLength?: number;
  /** kg; the load at which the intercept is the median ln seconds. */
  readonly referenceLoad: number;
  readonly intercept: number;
  readonly slope: number;
  readonly logSigma: number;
  /** Scatter from day to day, on ln seconds: 0 where the curve is of a known day, or stands still. */
  readonly daySd: number;
  /**
   * The effects that the rows held, in the order of the covariance's rows after intercept and slope. Under the default
   * prior an effect that no row held is still what the prior says of it, and independent of the rest.
   */
  readonly effects: readonly { readonly name: Effect; readonly value: number }[];
  /** Rows and columns: intercept, slope, each effect, ln σ. */
  readonly covariance: readonly (readonly number[])[];
  /** What stands behind the figures. */
  readonly evidence: CurveEvidence;
}

/** How a lifter's holds scatter and how their hands move, all on ln seconds. */
export interface CurveScales {
  /** Scatter of the holds of one day. */
  readonly sigma: number;
  /** Standard deviation of what the level moves in a week, past its drift. */
  readonly tau: number;
  /** Standard deviation from day to day. */
  readonly omega: number;
  /** Standard deviation of ln σ. */
  readonly logSigmaSd: number;
}

/** Logged rows of one grip at about one load. */
export interface LoadStep {
  readonly grip: Grip;
  /** ln(load / referenceLoad) in steps of 0.05, rounded. */
  readonly step: number;
  readonly count: number;
}

export interface CurveEvidence {
  /** Logged bare-handed holds and sets used; a best pull that was only told is not among them. */
  readonly observations: number;
  /** The best pull that stands behind the curve beside the log, where there is one. */
  readonly best?: BestKnown;
  /** Where the logged rows lie: how many of each grip at each step of load, see {@link holdsNear}. */
  readonly spread: readonly LoadStep[];
  /** Of these, how many ended in a slip: only these show the limit itself. */
  readonly slipped: number;
  /** Sum of the weights: what the log is worth after ageing. */
  readonly effective: number;
  readonly prior: 'default' | 'flat';
  /** False where the search ended at a bound or the data could not fix every term: read the doubt as a lower limit. */
  readonly settled: boolean;
}
