import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/**
 * Covariance of an estimate by Laplace's approximation: the inverse of −Hessian at the optimum. Where the data leave a
 * direction open, a small ridge stands in for it and `exact` is false.
 */
export function laplaceCovariance(
  hessian: Float64Array,
  size: number,
): { matrix: number[][]; exact: boolean } {
  for (let ridge = 0; ridge < 1e12; ridge = ridge === 0 ? 1e-8 : ridge * 10) {
    const system = new Matrix(size, size);
    for (let j = 0; j < size; j++) {
      for (let m = 0; m < size; m++) system.set(j, m, -hessian[j * size + m]! + (j === m ? ridge : 0));
    }
    const cholesky = new CholeskyDecomposition(system);
    if (!cholesky.isPositiveDefinite()) continue;
    const matrix = cholesky.solve(Matrix.eye(size)).to2DArray();
    if (matrix.every((row) => row.every(Number.isFinite))) return { matrix, exact: ridge === 0 };
  }
  return { matrix: Matrix.eye(size, size, 1e6).to2DArray(), exact: false };
}
