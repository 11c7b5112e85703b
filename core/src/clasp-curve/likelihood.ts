import { withPriors, type GaussianPrior, type PosteriorAt } from '../statistics/posterior.ts';
import type { SparseDesign } from '../statistics/sparse-design.ts';
import { logDensity, logSurvival, upperTail, type Tail } from '../statistics/normal.ts';

/**
 * The rows of a fit in flat arrays: the linear predictor's terms (1, −ln(load/ref), effects…), ln seconds, whether the row slipped (an event) or was stopped (right-censored), and its weight. Where `since` is not
 * NaN the slip happened at some moment between it and `logSeconds`, both ln seconds (−∞ for "any time before").
 */
export interface FitRows {
  readonly terms: number;
  readonly design: SparseDesign;
  readonly logSeconds: Float64Array;
  readonly slipped: Uint8Array;
  readonly since: Float64Array;
  readonly weight: Float64Array;
}

/** A stop this many σ before the predicted time was certain to double precision: it moves neither value nor slope. */
const CERTAIN = -9;

/**
 * Log-posterior of the censored log-normal accelerated-failure-time model with its exact first and second
 * derivatives, at θ = (coefficients…, ln σ).
 *
 * With z = (ln t − η)/σ: a slip adds −ln σ − z²/2, a stop adds ln Φ(−z), a slip within an interval adds
 * ln(Φ(z₂) − Φ(z₁)). Constants are left out.
 * Priors are Gaussian; `undefined` stands for a flat one. Standard method: censored (Tobit-type) maximum
 * likelihood, see any survival-analysis text under parametric AFT models.
 */
export function logPosterior(
  rows: FitRows,
  theta: Float64Array,
  priors: readonly (GaussianPrior | undefined)[],
): PosteriorAt {
  const k = rows.terms;
  const size = k + 1;
  const sigma = Math.exp(theta[k]!);
  const gradient = new Float64Array(size);
  const hessian = new Float64Array(size * size);
  const { starts, columns, values } = rows.design;
  const tail: Tail = { logSurvival: 0, hazard: 0 };
  const term: HoldTerm = { value: 0, dEta: 0, dTau: 0, dEtaEta: 0, dEtaTau: 0, dTauTau: 0 };
  let value = 0;
  for (let i = 0; i < rows.logSeconds.length; i++) {
    const from = starts[i]!;
    const to = starts[i + 1]!;
    let eta = 0;
    for (let e = from; e < to; e++) eta += values[e]! * theta[columns[e]!]!;
    const w = rows.weight[i]!;
    holdTerm(rows, i, eta, sigma, tail, term);
    const { value: said, dEta, dTau, dEtaEta, dEtaTau, dTauTau } = term;
    if (said === 0 && dEta === 0) continue;
    value += w * said;
    for (let e = from; e < to; e++) {
      const j = columns[e]!;
      const x = values[e]!;
      gradient[j]! += w * dEta * x;
      hessian[j * size + k]! += w * dEtaTau * x;
      const scaled = w * dEtaEta * x;
      const line = j * size;
      for (let f = from; f <= e; f++) hessian[line + columns[f]!]! += scaled * values[f]!;
    }
    gradient[k]! += w * dTau;
    hessian[k * size + k]! += w * dTauTau;
  }
  for (let m = 0; m < k; m++) hessian[k * size + m] = hessian[m * size + k]!;
  return withPriors(theta, { value, gradient, hessian }, priors);
}

/** What one row says at a predicted ln time η and a scatter σ, with its derivatives in η and in ln σ. */
export interface HoldTerm {
  value: number;
  dEta: number;
  dTau: number;
  dEtaEta: number;
  dEtaTau: number;
  dTauTau: number;
}

/** Fills in what row i says, its weight not yet in: a slip, a slip within an interval, or a stop. */
export function holdTerm(
  rows: Pick<FitRows, 'logSeconds' | 'slipped' | 'since'>,
  i: number,
  eta: number,
  sigma: number,
  tail: Tail,
  into: HoldTerm,
): void {
  const z = (rows.logSeconds[i]! - eta) / sigma;
  const since = rows.since[i]!;
  if (!Number.isNaN(since)) {
    const { logChance, a, b, za, zb } = intervalTerm((since - eta) / sigma, z);
    const dTau = za * a - zb * b;
    into.value = logChance;
    into.dEta = (a - b) / sigma;
    into.dTau = dTau;
    into.dEtaEta = (dTau - (a - b) * (a - b)) / (sigma * sigma);
    into.dEtaTau = (za * za * a - zb * zb * b - (a - b) - (a - b) * dTau) / sigma;
    into.dTauTau = a * (za * za * za - za) - b * (zb * zb * zb - zb) - dTau * dTau;
  } else if (rows.slipped[i]) {
    into.value = -Math.log(sigma) - 0.5 * z * z;
    into.dEta = z / sigma;
    into.dTau = z * z - 1;
    into.dEtaEta = -1 / (sigma * sigma);
    into.dEtaTau = (-2 * z) / sigma;
    into.dTauTau = -2 * z * z;
  } else if (z < CERTAIN) {
    into.value = into.dEta = into.dTau = into.dEtaEta = into.dEtaTau = into.dTauTau = 0;
  } else {
    upperTail(z, tail);
    const h = tail.hazard;
    const slope = h * (h - z);
    into.value = tail.logSurvival;
    into.dEta = h / sigma;
    into.dTau = h * z;
    into.dEtaEta = -slope / (sigma * sigma);
    into.dEtaTau = -(slope * z + h) / sigma;
    into.dTauTau = -z * (slope * z + h);
  }
}

/**
 * ln(Φ(zb) − Φ(za)) and the two densities over that chance, worked out in logs so that neither tail underflows.
 * With za = −∞ its density is nothing and its score counts as 0.
 */
function intervalTerm(
  za: number,
  zb: number,
): { logChance: number; a: number; b: number; za: number; zb: number } {
  // Mirrored, so that the distribution function is only ever taken on the side where it keeps its digits.
  const [low, high] = za > 0 ? [-zb, -za] : [za, zb];
  const logHigh = logSurvival(-high);
  const logChance =
    low === -Infinity
      ? logHigh
      : logHigh + Math.log(-Math.expm1(Math.min(logSurvival(-low) - logHigh, -1e-12)));
  const b = Math.exp(logDensity(zb) - logChance);
  return za === -Infinity
    ? { logChance, a: 0, b, za: 0, zb }
    : { logChance, a: Math.exp(logDensity(za) - logChance), b, za, zb };
}
