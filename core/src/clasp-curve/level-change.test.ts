import { Matrix, inverse } from 'ml-matrix';
import { chance } from './simulated-lifter.test-helper.ts';
import { levelChange } from './level-change.ts';
import { fitMovingCurve } from './moving-curve.ts';
import { movingLifter, PLANTED_REFERENCE } from './moving-lifter.test-helper.ts';
import type { HoldObservation } from './types.ts';

const OPTIONS = { referenceLoad: PLANTED_REFERENCE };
const STILL = { name: 'still', gain: 0, walk: 0, days: 0 };

it('a change that was planted is found, and its doubt is less than that of two loads', () => {
  const { log } = movingLifter(3, { ...STILL, jump: 0.12 });
  const { ratio, chanceOfGain } = levelChange(fitMovingCurve(log, OPTIONS), 150, 20);
  expect(ratio.low).toBeLessThan(1.12);
  expect(ratio.high).toBeGreaterThan(1.12);
  expect(ratio.low).toBeGreaterThan(1);
  expect(chanceOfGain).toBeGreaterThan(0.95);
});

it('a day against itself is no change', () => {
  const moving = fitMovingCurve(movingLifter(1, STILL).log, OPTIONS);
  expect(levelChange(moving, 30, 30)).toEqual({ ratio: { value: 1, low: 1, high: 1 }, chanceOfGain: 0.5 });
});

it('equals the difference in the dense covariance of a log of exact slips', () => {
  // With exact slips only the posterior is Gaussian, and a dense solution is four lines.
  const { normal } = chance(11);
  const scales = { sigma: 0.3, tau: 0.05, omega: 0.1, logSigmaSd: 0 };
  const ages = [50, 41, 30, 12, 3];
  const log = ages.flatMap((ageDays) =>
    [0, 1, 2].map((): HoldObservation => {
      const load = 126 * Math.exp(0.1 * normal());
      return { load, seconds: 10 * Math.exp(0.4 * normal()), ended: 'slipped', ageDays };
    }),
  );
  const size = 2 * ages.length + 2;
  const precision = Matrix.zeros(size, size);
  const add = (row: readonly number[], by: number): void => {
    row.forEach((x, i) => row.forEach((y, j) => precision.set(i, j, precision.get(i, j) + by * x * y)));
  };
  const unit = (entries: Record<number, number>): number[] =>
    Array.from({ length: size }, (_, i) => entries[i] ?? 0);
  for (const { load, ageDays } of log) {
    const day = 2 * ages.indexOf(ageDays!);
    add(unit({ [day]: 1, [day + 1]: 1, [size - 1]: -Math.log(load / 126) }), 1 / 0.3 ** 2);
  }
  ages.forEach((age, day) => {
    add(unit({ [2 * day + 1]: 1 }), 1 / 0.1 ** 2);
    if (day === 0) return;
    const weeks = (ages[day - 1]! - age) / 7;
    add(unit({ [2 * day]: 1, [2 * day - 2]: -1, [size - 2]: -weeks }), 1 / (0.05 ** 2 * weeks));
  });
  add(unit({ 0: 1 }), 1 / 0.7 ** 2);
  add(unit({ [size - 2]: 1 }), 1 / 0.012 ** 2);
  add(unit({ [size - 1]: 1 }), 1);
  const dense = inverse(precision);
  const moving = fitMovingCurve(log, { referenceLoad: 126, scales });
  const { days, terms } = moving.fit;
  expect(days[2]!.variance).toBeCloseTo(dense.get(4, 4), 8);
  expect(days[2]!.withNext).toBeCloseTo(dense.get(4, 6), 8);
  expect(days[2]!.withTerms[0]).toBeCloseTo(dense.get(4, size - 1), 8);
  const [a, b, slope] = [2, 8, size - 1];
  const moved = days[4]!.level - days[1]!.level;
  const variance = dense.get(a, a) + dense.get(b, b) - 2 * dense.get(a, b);
  const ofLog =
    variance / terms[0]! ** 2 +
    (moved / terms[0]! ** 2) ** 2 * dense.get(slope, slope) -
    2 * (moved / terms[0]! ** 3) * (dense.get(b, slope) - dense.get(a, slope));
  const { ratio } = levelChange(moving, 41, 3);
  expect(Math.log(ratio.high / ratio.value) / 1.2815515655446004).toBeCloseTo(Math.sqrt(ofLog), 8);
});
