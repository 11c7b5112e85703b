import { CholeskyDecomposition, EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { GaussianPrior } from './posterior.ts';

/** A covariance, and whether it is the inverse of the curvature as it stands. */
export interface LaplaceCovariance {
  readonly matrix: number[][];
  readonly exact: boolean;
}

/**
 * Covariance of an estimate by Laplace's approximation: the inverse of −Hessian at the optimum.
 *
 * Where that is no covariance, because the search ended at a bound (`inside` false) or the curvature points the wrong way
 * in some direction, what the data say of those directions is taken as nothing: the likelihood's share of the curvature
 * is projected onto its positive part, so that the doubt falls back to the prior's. Without priors a small ridge stands
 * in. `exact` is then false.
 */
export function laplaceCovariance(
  hessian: Float64Array,
  size: number,
  priors: readonly (GaussianPrior | undefined)[] = [],
  inside = true,
): LaplaceCovariance {
  const curvature = new Matrix(size, size);
  for (let j = 0; j < size; j++) for (let m = 0; m < size; m++) curvature.set(j, m, -hessian[j * size + m]!);
  const direct = inverse(curvature);
  if (direct && inside) return { matrix: direct, exact: true };
  const precision = Array.from({ length: size }, (_, j) => (priors[j] ? 1 / priors[j].sd ** 2 : 0));
  const bounded = precision.every((each) => each > 0) ? inverse(projected(curvature, precision)) : undefined;
  return { matrix: bounded ?? direct ?? ridged(curvature), exact: false };
}

/** A variance beyond this is an open direction that rounding has closed. */
const LARGEST = 1e12;

function inverse(matrix: Matrix): number[][] | undefined {
  const cholesky = new CholeskyDecomposition(matrix);
  if (!cholesky.isPositiveDefinite()) return undefined;
  const found = cholesky.solve(Matrix.eye(matrix.rows)).to2DArray();
  return found.every((row) => row.every((cell) => Math.abs(cell) <= LARGEST)) ? found : undefined;
}

/** The prior's precision plus the positive part of what the data add to it. */
function projected(curvature: Matrix, precision: readonly number[]): Matrix {
  const data = Matrix.sub(curvature, Matrix.diag([...precision]));
  const { realEigenvalues, eigenvectorMatrix: vectors } = new EigenvalueDecomposition(data, {
    assumeSymmetric: true,
  });
  const positive = Matrix.diag(realEigenvalues.map((value) => Math.max(0, value)));
  const rebuilt = Matrix.add(vectors.mmul(positive).mmul(vectors.transpose()), Matrix.diag([...precision]));
  // Rounding leaves the two triangles a digit apart, which a Cholesky decomposition refuses.
  return Matrix.add(rebuilt, rebuilt.transpose()).mul(0.5);
}

function ridged(curvature: Matrix): number[][] {
  for (let ridge = 1e-8; ridge < 1e12; ridge *= 10) {
    const found = inverse(Matrix.add(curvature, Matrix.eye(curvature.rows, curvature.rows, ridge)));
    if (found) return found;
  }
  return Matrix.eye(curvature.rows, curvature.rows, 1e6).to2DArray();
}
