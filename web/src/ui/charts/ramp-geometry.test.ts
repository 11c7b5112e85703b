import { fitHoldCurve, gripCeilings } from '@iron-clasp/core';
import { rampGeometry } from './ramp-geometry.ts';

const frame = { width: 700, height: 400, margin: { top: 10, right: 100, bottom: 40, left: 50 } };
const curve = fitHoldCurve([{ load: 140, seconds: 9, ended: 'slipped' }], { referenceLoad: 126 });
const reps = Array.from({ length: 10 }, (_, i) => i + 1);
const ceilings = gripCeilings(curve, { lift: 'deadlift.conventional', reps, probability: 0.8 });
const numbers = (path: string): number[] =>
  [...path.matchAll(/-?\d+(\.\d+)?/g)].map((match) => Number(match[0]));

describe('rampGeometry', () => {
  const geometry = rampGeometry(ceilings, [{ reps: 1, load: 250 }], frame);

  it('frames every set and ceiling, from the empty hand up', () => {
    expect(geometry.x(1)).toBe(50);
    expect(geometry.x(10)).toBe(600);
    expect(geometry.y.domain()[0]).toBe(0);
    expect(geometry.y.domain()[1]).toBeGreaterThan(250);
  });

  it('draws one line a grip, the weakest first, through its ceilings', () => {
    expect(geometry.lines.map((each) => each.grip)).toEqual(['doubleOverhand', 'mixed', 'hook']);
    const [x, y] = numbers(geometry.lines[2]!.path);
    expect(x).toBeCloseTo(50, 2);
    expect(y).toBeCloseTo(geometry.y(ceilings[0]!.ceilings[2]!.value), 2);
    expect(geometry.lines[2]!.end.y).toBeCloseTo(geometry.y(ceilings[9]!.ceilings[2]!.value), 6);
  });

  it('regions lie on one another and never cross', () => {
    for (const { region } of geometry.lines) {
      expect(region).toMatch(/^M.*Z$/);
      expect(region).not.toMatch(/NaN|Infinity/);
    }
  });

  it('a lift without a grip to call draws nothing but its axes', () => {
    const none = rampGeometry(
      gripCeilings(curve, { lift: 'squat', reps: [1, 2], probability: 0.9 }),
      [],
      frame,
    );
    expect(none.lines).toEqual([]);
    expect(none.y.domain()[1]).toBeGreaterThan(0);
  });
});
