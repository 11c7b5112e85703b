import erfc from '@stdlib/math-base-special-erfc';
import erfcx from '@stdlib/math-base-special-erfcx';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';

/** Standard normal distribution function Φ(x), accurate in both tails. */
export function normalCdf(x: number): number {
  return 0.5 * erfc(-x / Math.SQRT2);
}

/** Standard normal quantile Φ⁻¹(p), 0 < p < 1. */
export function normalInverse(p: number): number {
  return normalQuantile(p, 0, 1);
}

/** ln Φ(−z), the log of the chance that a standard normal exceeds z; finite for any finite z. */
export function logSurvival(z: number): number {
  return z > 0
    ? Math.log(0.5 * erfcx(z / Math.SQRT2)) - 0.5 * z * z
    : Math.log1p(-0.5 * erfc(-z / Math.SQRT2));
}

/** Hazard φ(z)/Φ(−z) of the standard normal (the inverse Mills ratio); →0 far left, ~z far right. */
export function normalHazard(z: number): number {
  return Math.sqrt(2 / Math.PI) / erfcx(z / Math.SQRT2);
}

/** ln φ(z), the log of the standard normal density. */
export function logDensity(z: number): number {
  return -0.5 * z * z - 0.5 * Math.log(2 * Math.PI);
}
