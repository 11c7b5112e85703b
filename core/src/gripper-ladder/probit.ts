import { logDensity, logSurvival } from '../statistics/normal.ts';
import { withPriors, type GaussianPrior, type PosteriorAt } from '../statistics/posterior.ts';

/** Rows of a probit fit: `terms` numbers a row, whether the event happened, and the row's weight. */
export interface ProbitRows {
  readonly terms: number;
  readonly design: Float64Array;
  readonly happened: Uint8Array;
  readonly weight: Float64Array;
}

/**
 * Log-posterior of a probit regression with exact gradient and Hessian: Σ w·ln Φ(±xᵀθ) plus Gaussian priors.
 * Standard method: probit maximum likelihood, observed information.
 */
export function probitPosterior(
  rows: ProbitRows,
  theta: Float64Array,
  priors: readonly (GaussianPrior | undefined)[],
): PosteriorAt {
  const size = rows.terms;
  const gradient = new Float64Array(size);
  const hessian = new Float64Array(size * size);
  let value = 0;
  for (let i = 0; i < rows.happened.length; i++) {
    const offset = i * size;
    let eta = 0;
    for (let j = 0; j < size; j++) eta += rows.design[offset + j]! * theta[j]!;
    const sign = rows.happened[i] ? 1 : -1;
    const z = sign * eta;
    // ln Φ(z), and φ(z)/Φ(z) worked out in logs so that the far tail keeps its digits.
    const logChance = logSurvival(-z);
    const mills = Math.exp(logDensity(z) - logChance);
    const w = rows.weight[i]!;
    value += w * logChance;
    const bend = -w * mills * (mills + z);
    for (let j = 0; j < size; j++) {
      const x = rows.design[offset + j]!;
      if (x === 0) continue;
      gradient[j]! += w * sign * mills * x;
      for (let m = 0; m <= j; m++) hessian[j * size + m]! += bend * x * rows.design[offset + m]!;
    }
  }
  return withPriors(theta, { value, gradient, hessian }, priors);
}
