import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { GaussianPrior } from '../statistics/posterior.ts';

/** The most likely scales, on the log scale, and what is left of the doubt about them. */
export interface FoundScales {
  readonly logs: readonly number[];
  /** Standard deviation of each, by the curvature about the mode. */
  readonly sds: readonly number[];
  /** Points about the mode, and how much each weighs: together they stand for what the scales may be. Looks at the evidence anew. */
  readonly points: () => readonly { readonly logs: readonly number[]; readonly weight: number }[];
}

/** How far from a point the evidence is looked at for its slope and curvature, in standard deviations of the prior. */
const LOOK = 0.3;
const MOST_STEPS = 8;
/** A step shorter than this share of the doubt is none: the scales are never known so well. */
const SHORT = 0.25;
/** Longest step, in standard deviations of the prior. */
const LONGEST = 1.5;
/** Search stays within this many standard deviations of the prior's middle. */
const FARTHEST = 4;

/**
 * Maximises the evidence of a few scales, the prior of their logarithms included, by Newton's method on differences, and
 * lays points about the mode that carry the doubt: the cubature of degree three, each weighed by the evidence there.
 * @param evidence log-evidence of the scales at these logarithms, their prior not included.
 */
export function findScales(
  evidence: (logs: readonly number[]) => number,
  priors: readonly GaussianPrior[],
): FoundScales {
  const size = priors.length;
  // In standard deviations of the prior from its middle: there every direction is alike.
  const logsOf = (u: readonly number[]): number[] =>
    u.map((each, j) => priors[j]!.mean + each * priors[j]!.sd);
  const value = (u: readonly number[]): number =>
    evidence(logsOf(u)) - 0.5 * u.reduce((sum, each) => sum + each * each, 0);
  let u = priors.map(() => 0);
  let here = value(u);
  let root = Matrix.eye(size, size);
  for (let step = 0; step < MOST_STEPS; step++) {
    const { gradient, precision } = quadratic(value, u, here);
    const cholesky = new CholeskyDecomposition(precision);
    const solved = cholesky.solve(Matrix.eye(size, size));
    // Rounding leaves the two triangles a digit apart, which a Cholesky decomposition refuses.
    const covariance = Matrix.add(solved, solved.transpose()).mul(0.5);
    root = new CholeskyDecomposition(covariance).lowerTriangularMatrix;
    const move = cholesky.solve(Matrix.columnVector(gradient)).to1DArray();
    const length = Math.hypot(...move);
    const shrink = length > LONGEST ? LONGEST / length : 1;
    let share = shrink;
    let moved = false;
    for (let halving = 0; halving < 4; halving++, share /= 2) {
      const next = u.map((each, j) => clamp(each + share * move[j]!));
      const there = value(next);
      if (there < here - 1e-9) continue;
      u = next;
      here = there;
      moved = true;
      break;
    }
    const far = move.reduce((sum, each, j) => sum + each * gradient[j]!, 0);
    if (!moved || far < SHORT * SHORT) break;
  }
  return {
    logs: logsOf(u),
    sds: priors.map(({ sd }, j) => sd * Math.hypot(...root.getRow(j))),
    points: () => pointsAbout(u, here, root, value).map(({ at, weight }) => ({ logs: logsOf(at), weight })),
  };
}

const clamp = (each: number): number => Math.min(FARTHEST, Math.max(-FARTHEST, each));

/** Slope and curvature of the log-posterior about u; a direction that curves the wrong way keeps the prior's curvature. */
function quadratic(
  value: (u: readonly number[]) => number,
  u: readonly number[],
  here: number,
): { gradient: number[]; precision: Matrix } {
  const size = u.length;
  const beside = (...steps: readonly [number, number][]): number[] =>
    u.map((each, j) => each + steps.reduce((sum, [k, by]) => (k === j ? sum + by : sum), 0));
  const up = u.map((_, j) => value(beside([j, LOOK])));
  const down = u.map((_, j) => value(beside([j, -LOOK])));
  const gradient = u.map((_, j) => (up[j]! - down[j]!) / (2 * LOOK));
  const curvature = u.map((_, j) => -(up[j]! + down[j]! - 2 * here) / (LOOK * LOOK));
  const precision = Matrix.diag(curvature.map((each) => Math.max(each, LEAST_CURVATURE)));
  for (let j = 0; j < size; j++) {
    for (let k = 0; k < j; k++) {
      const both = value(beside([j, LOOK], [k, LOOK]));
      const cross = -(both - up[j]! - up[k]! + here) / (LOOK * LOOK);
      precision.set(j, k, cross);
      precision.set(k, j, cross);
    }
  }
  if (new CholeskyDecomposition(precision).isPositiveDefinite()) return { gradient, precision };
  return { gradient, precision: Matrix.diag(curvature.map((each) => Math.max(each, LEAST_CURVATURE))) };
}

/** A log-posterior flatter than this says less than a fifth of what the prior does; differences of it are noise. */
const LEAST_CURVATURE = 0.2;

function pointsAbout(
  u: readonly number[],
  here: number,
  root: Matrix,
  value: (u: readonly number[]) => number,
): { at: number[]; weight: number }[] {
  const size = u.length;
  const reach = Math.sqrt(size);
  const points = u.flatMap((_, column) =>
    [-reach, reach].map((by) => {
      const at = u.map((each, j) => clamp(each + by * root.get(j, column)));
      // A Gaussian falls by half the squared reach out there; where the evidence falls less or more, the point weighs more or less.
      return { at, weight: Math.exp(Math.min(value(at) - here + (reach * reach) / 2, MOST_WEIGHT)) };
    }),
  );
  const total = points.reduce((sum, each) => sum + each.weight, 0);
  return points.map(({ at, weight }) => ({ at, weight: weight / total }));
}

/** No point may count for more than e² of another that stands where a Gaussian would have it. */
const MOST_WEIGHT = 2;
