/** A Gaussian belief: mean and standard deviation. */
export interface GaussianPrior {
  readonly mean: number;
  readonly sd: number;
}

/** Value, gradient and Hessian of a log-posterior at one point; the Hessian is row-major, square in the gradient's length. */
export interface PosteriorAt {
  readonly value: number;
  readonly gradient: Float64Array;
  readonly hessian: Float64Array;
}

/**
 * Adds Gaussian priors to a log-likelihood at θ, in place, and mirrors the lower triangle of the Hessian.
 * `undefined` stands for a flat prior. Constants are left out. Gives the value with the priors in.
 */
export function withPriors(
  theta: Float64Array,
  { value, gradient, hessian }: PosteriorAt,
  priors: readonly (GaussianPrior | undefined)[],
): PosteriorAt {
  const size = gradient.length;
  let total = value;
  for (let j = 0; j < size; j++) {
    for (let m = 0; m < j; m++) hessian[m * size + j] = hessian[j * size + m]!;
    const prior = priors[j];
    if (!prior) continue;
    const precision = 1 / (prior.sd * prior.sd);
    const distance = theta[j]! - prior.mean;
    total -= 0.5 * precision * distance * distance;
    gradient[j]! -= precision * distance;
    hessian[j * size + j]! -= precision;
  }
  return { value: total, gradient, hessian };
}
