import { fitHoldCurve, holdLoad } from '@iron-clasp/core';
import { curveGeometry } from './curve-geometry.ts';

const frame = { width: 600, height: 400, margin: { top: 10, right: 20, bottom: 40, left: 50 } };
const curve = fitHoldCurve([], { referenceLoad: 126 });

describe('curveGeometry', () => {
  const geometry = curveGeometry(curve, 'hook', [], [150], frame);

  it('places the seconds on a log axis within the frame', () => {
    expect(geometry.x(1)).toBeCloseTo(50, 6);
    expect(geometry.x(120)).toBeCloseTo(580, 6);
    expect(geometry.x(Math.sqrt(120))).toBeCloseTo(315, 6);
  });

  it('frames every point and demand', () => {
    const [low, high] = geometry.y.domain() as [number, number];
    expect(low).toBeLessThan(holdLoad(curve, { seconds: 45, probability: 0.5, grip: 'hook' }));
    expect(high).toBeGreaterThan(150);
    const far = curveGeometry(
      curve,
      'hook',
      [{ load: 320, seconds: 2, ended: 'slipped', grip: 'hook', ageDays: 0, source: 'set' }],
      [],
      frame,
    );
    expect(far.y.domain()[1]).toBeGreaterThan(320);
  });

  it('draws the middle through the load held as often as not, and a band around it', () => {
    const ten = geometry.x(10);
    const points = [...geometry.middle.matchAll(/[ML]([\d.]+),([\d.]+)/g)].map(
      ([, x, y]) => [Number(x), Number(y)] as const,
    );
    const nearest = points.reduce((best, point) =>
      Math.abs(point[0] - ten) < Math.abs(best[0] - ten) ? point : best,
    );
    const seconds = geometry.x.invert(nearest[0]);
    expect(geometry.y.invert(nearest[1])).toBeCloseTo(
      holdLoad(curve, { seconds, probability: 0.5, grip: 'hook' }),
      0,
    );
    expect(geometry.band).toMatch(/^M.*Z$/);
    expect(geometry.band).not.toMatch(/NaN|Infinity/);
  });
});
