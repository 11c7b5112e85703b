import { timeGeometry } from './time-geometry.ts';

const FRAME = { width: 400, height: 200, margin: { top: 10, right: 10, bottom: 20, left: 40 } };
const WEEKS = [
  { on: '2026-10-01', value: 40, low: 36, high: 44 },
  { on: '2026-11-01', value: 45, low: 42, high: 48 },
];

it('puts the first day at the left, the last at the right, and every doubt inside the frame', () => {
  const { x, y, lines } = timeGeometry([{ name: 'left', points: WEEKS }], FRAME);
  expect(x(new Date(2026, 9, 1))).toBe(40);
  expect(x(new Date(2026, 10, 1))).toBe(390);
  for (const value of [36, 48]) {
    expect(y(value)).toBeGreaterThanOrEqual(10);
    expect(y(value)).toBeLessThanOrEqual(180);
  }
  expect(y(45)).toBeLessThan(y(40));
  expect(lines[0]!.band).not.toBeNull();
});

it('a single figure and none at all are drawn without a number that is none', () => {
  for (const points of [[], [WEEKS[0]!]]) {
    const { lines, valueTicks } = timeGeometry([{ name: 'left', points }], FRAME);
    expect(JSON.stringify([lines, valueTicks])).not.toMatch(/NaN|null,null/);
  }
});

it('starts at zero where that is asked, and draws no band without a doubt', () => {
  const plain = WEEKS.map(({ on, value }) => ({ on, value }));
  const { y, lines } = timeGeometry([{ name: 'left', points: plain }], FRAME, { fromZero: true });
  expect(y.domain()[0]).toBe(0);
  expect(lines[0]!.band).toBeNull();
});
