import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { PosteriorAt } from './posterior.ts';

/** Bounds of each coordinate; the search stays inside. */
export interface Box {
  readonly lower: Float64Array;
  readonly upper: Float64Array;
}

export interface Maximum {
  readonly theta: Float64Array;
  readonly at: PosteriorAt;
  /** True where the gradient vanished inside the box. */
  readonly settled: boolean;
}

const MAX_STEPS = 100;
const GRADIENT_TOLERANCE = 1e-9;
/** A step that fails needs damping that is felt: smaller ones would only fail again. */
const LEAST_REPAIR = 1e-3;

/**
 * Damped Newton ascent with box bounds: coordinates that sit on a bound and would leave it are held for the step,
 * the damping grows until the step rises. The log-posterior is not concave in ln σ everywhere, so the damping also
 * repairs an indefinite Hessian. Ends after {@link MAX_STEPS} steps at the latest.
 */
export function maximise(
  evaluate: (theta: Float64Array) => PosteriorAt,
  start: Float64Array,
  box: Box,
): Maximum {
  let theta = clampTo(box, start);
  let at = evaluate(theta);
  let damping = 1e-9;
  for (let step = 0; step < MAX_STEPS; step++) {
    const free = freeCoordinates(theta, at.gradient, box);
    const largest = free.reduce((most, j) => Math.max(most, Math.abs(at.gradient[j]!)), 0);
    if (largest < GRADIENT_TOLERANCE * (1 + Math.abs(at.value))) {
      return { theta, at, settled: free.length === theta.length };
    }
    let risen = false;
    while (!risen && damping < 1e12) {
      const move = newtonStep(at, free, theta.length, damping);
      if (move) {
        const next = clampTo(
          box,
          theta.map((value, j) => value + move[j]!),
        );
        const nextAt = evaluate(next);
        if (nextAt.value >= at.value && Number.isFinite(nextAt.value)) {
          const still = next.every(
            (value, j) => Math.abs(value - theta[j]!) <= 1e-13 * (1 + Math.abs(value)),
          );
          risen = true;
          theta = next;
          at = nextAt;
          damping = Math.max(damping / 30, 1e-12);
          if (still) return { theta, at, settled: free.length === theta.length && largest < 1e-5 };
          continue;
        }
      }
      damping = Math.max(damping, LEAST_REPAIR) * 10;
    }
    if (!risen) return { theta, at, settled: largest < 1e-5 };
  }
  return { theta, at, settled: false };
}

function clampTo(box: Box, theta: Float64Array): Float64Array {
  return theta.map((value, j) => Math.min(box.upper[j]!, Math.max(box.lower[j]!, value)));
}

function freeCoordinates(theta: Float64Array, gradient: Float64Array, box: Box): number[] {
  const free: number[] = [];
  for (let j = 0; j < theta.length; j++) {
    const leavesBelow = theta[j]! <= box.lower[j]! && gradient[j]! < 0;
    const leavesAbove = theta[j]! >= box.upper[j]! && gradient[j]! > 0;
    if (!leavesBelow && !leavesAbove) free.push(j);
  }
  return free;
}

function newtonStep(
  at: PosteriorAt,
  free: readonly number[],
  size: number,
  damping: number,
): Float64Array | undefined {
  const system = new Matrix(free.length, free.length);
  const right = new Matrix(free.length, 1);
  free.forEach((j, row) => {
    free.forEach((m, column) => system.set(row, column, -at.hessian[j * size + m]!));
    const diagonal = Math.abs(at.hessian[j * size + j]!);
    system.set(row, row, system.get(row, row) + damping * (diagonal + 1e-6));
    right.set(row, 0, at.gradient[j]!);
  });
  const cholesky = new CholeskyDecomposition(system);
  if (!cholesky.isPositiveDefinite()) return undefined;
  const solved = cholesky.solve(right);
  const move = new Float64Array(size);
  free.forEach((j, row) => (move[j] = solved.get(row, 0)));
  return move.every(Number.isFinite) ? move : undefined;
}
