import { lanesGeometry, weeksOf } from './lanes-geometry.ts';

const WEEKS = ['2026-11-16', '2026-11-23', '2026-11-30', '2026-12-07'];
const made = lanesGeometry(WEEKS, 3, { width: 500, left: 100, laneHeight: 40, top: 20, blockHeight: 30 });

it('gives each week the same room, and a day its place in it', () => {
  expect(made.weekWidth).toBe(100);
  expect(WEEKS.map((week) => made.x(week))).toEqual([100, 200, 300, 400]);
  expect(made.x('2026-11-30')).toBe(300);
  expect(made.x('2026-12-14')).toBe(500);
});

it('finds the week under the pointer, inside and outside the weeks shown', () => {
  expect(made.weekAt(250)).toBe(1);
  expect(made.weekAt(-50)).toBe(0);
  expect(made.weekAt(9000)).toBe(3);
  for (const [i, week] of WEEKS.entries()) expect(made.weekAt(made.x(week) + 1)).toBe(i);
});

it('stacks the lanes below the blocks', () => {
  expect([made.y(0), made.y(1), made.y(2)]).toEqual([70, 110, 150]);
  expect(made.height).toBeGreaterThan(made.y(2));
});

it('counts whole weeks', () => {
  expect(weeksOf('2026-12-07', '2026-12-27')).toBe(3);
});
