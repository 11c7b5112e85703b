import { fromKg, type MassUnit } from '@iron-clasp/core';
import { massAxis } from './mass-axis.ts';

const read = (unit: MassUnit, extent: readonly [number, number]): number[] =>
  massAxis(extent, [300, 0], unit).ticks.map((kg) => Number(fromKg(kg, unit).toFixed(6)));

it('its lines are round figures in the unit that is read', () => {
  expect(read('kg', [63, 197])).toEqual([60, 80, 100, 120, 140, 160, 180, 200]);
  expect(read('lb', [63, 197])).toEqual([100, 150, 200, 250, 300, 350, 400, 450]);
});

it('it takes kilograms whatever is read, and has everything inside', () => {
  for (const unit of ['kg', 'lb'] as const) {
    const { y, ticks } = massAxis([63, 197], [300, 0], unit);
    expect(y(63)).toBeLessThanOrEqual(300);
    expect(y(197)).toBeGreaterThanOrEqual(0);
    expect(y(ticks[0]!)).toBeCloseTo(300, 9);
    expect(y(ticks.at(-1)!)).toBeCloseTo(0, 9);
    expect(y(100)).toBeGreaterThan(y(150));
  }
});
