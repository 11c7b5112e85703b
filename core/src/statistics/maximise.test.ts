import type { PosteriorAt } from './posterior.ts';
import { maximise, type Box } from './maximise.ts';

const OPEN: Box = { lower: Float64Array.from([-100, -100]), upper: Float64Array.from([100, 100]) };

/** A hill with its top at (3, −2) and tilted axes. */
function hill(theta: Float64Array): PosteriorAt {
  const [a, b] = [theta[0]! - 3, theta[1]! + 2];
  return {
    value: -(a * a + a * b + 2 * b * b),
    gradient: Float64Array.from([-(2 * a + b), -(a + 4 * b)]),
    hessian: Float64Array.from([-2, -1, -1, -4]),
  };
}

describe('maximise', () => {
  it('climbs a quadratic hill to its top', () => {
    const { theta, settled } = maximise(hill, Float64Array.from([-50, 70]), OPEN);
    expect(theta[0]).toBeCloseTo(3, 6);
    expect(theta[1]).toBeCloseTo(-2, 6);
    expect(settled).toBe(true);
  });

  it('stops at a bound, finds the best there, and says it is not settled', () => {
    const box = { lower: Float64Array.from([-100, 1]), upper: OPEN.upper };
    const { theta, settled } = maximise(hill, Float64Array.from([0, 5]), box);
    expect(theta[1]).toBe(1);
    // With b = 1 held, the best a solves 2(a − 3) + 3 = 0.
    expect(theta[0]).toBeCloseTo(1.5, 6);
    expect(settled).toBe(false);
  });

  it('finds its way where the curvature has the wrong sign', () => {
    // −cos has a saddle-like start: at 2.5 the second derivative is positive.
    const wave = (theta: Float64Array): PosteriorAt => ({
      value: Math.cos(theta[0]!),
      gradient: Float64Array.from([-Math.sin(theta[0]!)]),
      hessian: Float64Array.from([-Math.cos(theta[0]!)]),
    });
    const { theta } = maximise(wave, Float64Array.from([2.5]), {
      lower: Float64Array.from([-3]),
      upper: Float64Array.from([3]),
    });
    expect(theta[0]).toBeCloseTo(0, 6);
  });

  it('ends on a slope that never ends, at the bound', () => {
    const slope = (theta: Float64Array): PosteriorAt => ({
      value: theta[0]!,
      gradient: Float64Array.from([1]),
      hessian: Float64Array.from([0]),
    });
    const { theta, settled } = maximise(slope, Float64Array.from([0]), {
      lower: Float64Array.from([-5]),
      upper: Float64Array.from([5]),
    });
    expect(theta[0]).toBe(5);
    expect(settled).toBe(false);
  });
});
