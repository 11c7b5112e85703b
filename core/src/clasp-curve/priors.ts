import type { GaussianPrior } from '../statistics/posterior.ts';
import type { CurveFamily, Effect } from './types.ts';

/** Share of the deadlift max that a trained double-overhand hand holds for about ten seconds: the usual starting guess. */
export const REFERENCE_SHARE_OF_DEADLIFT = 0.7;

/** Share of the deadlift max that two hands pinch for about ten seconds on common smooth plates: a wide guess. */
export const PINCH_REFERENCE_SHARE_OF_DEADLIFT = 0.25;

/**
 * Days in which a logged hold loses half its weight in a curve that stands still, and in the count of what a log is worth:
 * about one training block, after which hands have changed.
 */
export const RECENCY_HALF_LIFE_DAYS = 42;

/** Handle diameter of the base, mm: the common power bar. */
export const BASE_DIAMETER_MM = 28.5;

/** Steepest doubt allowed downwards: below this slope a hand would barely notice the load, which no log supports. */
export const SLOPE_FLOOR = 0.8;

/** Typical slope: seconds fall with about the 3.5th power of the load. Also turns load multipliers into terms on ln seconds. */
const TYPICAL_SLOPE = 3.5;

/** Median 10 s at the reference load, uncertain by a fifth of the load; a pinch, which a deadlift says less about, by a third. */
export const INTERCEPT_PRIORS: Record<CurveFamily, GaussianPrior> = {
  support: { mean: Math.log(10), sd: 0.2 * TYPICAL_SLOPE },
  pinch: { mean: Math.log(10), sd: 0.33 * TYPICAL_SLOPE },
};

export const SLOPE_PRIOR: GaussianPrior = { mean: TYPICAL_SLOPE, sd: 1 };

/** Repeat holds of one hand scatter by about a third in time. */
export const LOG_SIGMA_PRIOR: GaussianPrior = { mean: Math.log(0.35), sd: 0.4 };

/**
 * How much the level of a trained hand moves in a week past its drift, on ln seconds: about half a percent of load. Wide, so that
 * hands that stand still and hands that move are told apart by their logs.
 */
export const LOG_TAU_PRIOR: GaussianPrior = { mean: Math.log(0.02), sd: 1 };

/** How much one day differs from the next, on ln seconds: about 3 to 4 % of load. */
export const LOG_OMEGA_PRIOR: GaussianPrior = { mean: Math.log(0.12), sd: 0.7 };

/** Steady gain or loss a week, on ln seconds: a third of a percent of load either way, and none before the log says so. */
export const DRIFT_PRIOR: GaussianPrior = { mean: 0, sd: 0.012 };

/** What each condition before the lifter's own log has a say: a multiplier on load, ± its standard deviation. */
export const EFFECT_MULTIPLIERS: Record<
  Effect,
  { readonly multiplier: number; readonly sd: number; readonly reason: string }
> = {
  mixed: { multiplier: 1.22, sd: 0.1, reason: 'the bar cannot roll out of opposed hands' },
  hook: { multiplier: 1.28, sd: 0.12, reason: 'the thumb is held shut by the fingers' },
  noChalk: { multiplier: 0.9, sd: 0.06, reason: 'sweat makes the skin slide before the fingers tire' },
  liquidChalk: {
    multiplier: 0.97,
    sd: 0.04,
    reason: 'nearly as dry as block, thinner on the web of the thumb',
  },
  behindBack: { multiplier: 0.9, sd: 0.06, reason: 'no help from pressing the fingers into the thighs' },
  supinated: { multiplier: 0.9, sd: 0.06, reason: 'palms forward, the thumb helps less' },
  extraDiameterMm: { multiplier: 0.982, sd: 0.006, reason: 'each mm past 28.5 opens the hand' },
  earlierHolds: { multiplier: 0.97, sd: 0.02, reason: 'each hard hold already done tires the hand' },
  leftHand: { multiplier: 1, sd: 0.08, reason: 'left alone: sides differ by a tenth either way' },
  rightHand: { multiplier: 1, sd: 0.08, reason: 'right alone: sides differ by a tenth either way' },
  sweat: { multiplier: 0.96, sd: 0.04, reason: 'sweat comes through the chalk within a set' },
};

/** A common hand, mm from wrist crease to fingertip: the priors are for it; a shorter one is weaker on the same bar. */
export const COMMON_HAND_MM = 190;

/** Share of load that each 10 mm less of hand costs on a common bar: the fingers reach less far over the thumb. */
const LOSS_PER_10_MM = 0.015;

/** Shortest hand that the priors follow, mm. */
const SHORTEST_HAND_MM = 120;

/** How much shorter than the common hand, mm; 0 where it is not known or longer. */
function shorter(handLength: number | undefined): number {
  return handLength === undefined ? 0 : Math.max(0, COMMON_HAND_MM - Math.max(handLength, SHORTEST_HAND_MM));
}

/** Prior of the median ln seconds at the reference load: lower for a short hand, with that much more doubt. */
export function interceptPrior(family: CurveFamily, handLength?: number): GaussianPrior {
  const { mean, sd } = INTERCEPT_PRIORS[family];
  const shift = TYPICAL_SLOPE * Math.log(1 - (LOSS_PER_10_MM * shorter(handLength)) / 10);
  return { mean: mean + shift, sd: Math.hypot(sd, shift) };
}

/**
 * The prior of an effect as a term on ln seconds: N(3.5·ln m, (3.5·s)²). A thick handle costs a short hand more, in
 * proportion to its length, with as much doubt again.
 */
export function effectPrior(effect: Effect, handLength?: number): GaussianPrior {
  const { multiplier, sd } = EFFECT_MULTIPLIERS[effect];
  const prior = { mean: TYPICAL_SLOPE * Math.log(multiplier), sd: TYPICAL_SLOPE * sd };
  if (effect !== 'extraDiameterMm') return prior;
  const more = prior.mean * (COMMON_HAND_MM / (COMMON_HAND_MM - shorter(handLength)) - 1);
  return { mean: prior.mean + more, sd: Math.hypot(prior.sd, more) };
}
