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

/** What a fit asks of the upper tail, filled in place: it is asked a thousand times a step. */
export interface Tail {
  logSurvival: number;
  hazard: number;
}

const SQRT_2_OVER_PI = Math.sqrt(2 / Math.PI);

/** ln Φ(−z) and the hazard φ(z)/Φ(−z) (the inverse Mills ratio: →0 far left, ~z far right) with one special function between them. */
export function upperTail(z: number, into: Tail): void {
  const x = z / Math.SQRT2;
  if (z > 0) {
    const scaled = erfcx(x);
    into.logSurvival = Math.log(0.5 * scaled) - x * x;
    into.hazard = SQRT_2_OVER_PI / scaled;
  } else {
    const density = Math.exp(-x * x);
    const below = 0.5 * density * erfcx(-x);
    into.logSurvival = Math.log1p(-below);
    into.hazard = (0.5 * SQRT_2_OVER_PI * density) / (1 - below);
  }
}

/** ln φ(z), the log of the standard normal density. */
export function logDensity(z: number): number {
  return -0.5 * z * z - 0.5 * Math.log(2 * Math.PI);
}
