import { withPriors, type GaussianPrior, type PosteriorAt } from '../statistics/posterior.ts';
import { logDensity, logSurvival, upperTail, type Tail } from '../statistics/normal.ts';

/** A design matrix by its entries that are not 0: row i has those from `starts[i]` up to `starts[i + 1]`. */
export interface SparseDesign {
  readonly starts: Int32Array;
  readonly columns: Uint8Array;
  readonly values: Float64Array;
}

/** Reads a design matrix, row after row of `terms` numbers; most effects are absent from most holds. */
export function sparseDesign(design: Float64Array, terms: number): SparseDesign {
  const count = design.length / terms;
  const starts = new Int32Array(count + 1);
  const columns: number[] = [];
  const values: number[] = [];
  for (let i = 0; i < count; i++) {
    for (let j = 0; j < terms; j++) {
      const x = design[i * terms + j]!;
      if (x === 0) continue;
      columns.push(j);
      values.push(x);
    }
    starts[i + 1] = columns.length;
  }
  return { starts, columns: Uint8Array.from(columns), values: Float64Array.from(values) };
}

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
  let value = 0;
  for (let i = 0; i < rows.logSeconds.length; i++) {
    const from = starts[i]!;
    const to = starts[i + 1]!;
    let eta = 0;
    for (let e = from; e < to; e++) eta += values[e]! * theta[columns[e]!]!;
    const w = rows.weight[i]!;
    const z = (rows.logSeconds[i]! - eta) / sigma;
    let dEta: number, dTau: number, dEtaEta: number, dEtaTau: number, dTauTau: number;
    const since = rows.since[i]!;
    if (!Number.isNaN(since)) {
      const inside = intervalTerm((since - eta) / sigma, z);
      const { a, b, za, zb } = inside;
      value += w * inside.logChance;
      dEta = (a - b) / sigma;
      dTau = za * a - zb * b;
      dEtaEta = (za * a - zb * b - (a - b) * (a - b)) / (sigma * sigma);
      dEtaTau = (za * za * a - zb * zb * b - (a - b) - (a - b) * dTau) / sigma;
      dTauTau = a * (za * za * za - za) - b * (zb * zb * zb - zb) - dTau * dTau;
    } else if (rows.slipped[i]) {
      value += w * (-theta[k]! - 0.5 * z * z);
      dEta = z / sigma;
      dTau = z * z - 1;
      dEtaEta = -1 / (sigma * sigma);
      dEtaTau = (-2 * z) / sigma;
      dTauTau = -2 * z * z;
    } else if (z < CERTAIN) {
      continue;
    } else {
      upperTail(z, tail);
      const h = tail.hazard;
      const slope = h * (h - z);
      value += w * tail.logSurvival;
      dEta = h / sigma;
      dTau = h * z;
      dEtaEta = -slope / (sigma * sigma);
      dEtaTau = -(slope * z + h) / sigma;
      dTauTau = -z * (slope * z + h);
    }
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
