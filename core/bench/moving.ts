import {
  movingLifter,
  PLANTED_REFERENCE,
  type Movement,
} from '../src/clasp-curve/moving-lifter.test-helper.ts';
import { curveOn, fitMovingCurve, holdProbability, medianLoad } from '../src/index.ts';
import { say } from './clock.ts';

const LIFTERS = Number(process.env['IRON_CLASP_BENCH_LIFTERS'] ?? 2000);

/** Five ways in which hands move or do not, and three that no fit expects. */
const SCENARIOS: readonly Movement[] = [
  { name: 'hands that stand still', gain: 0, walk: 0, days: 0 },
  { name: 'days vary by 4 %', gain: 0, walk: 0, days: 0.04 },
  { name: 'walk of 1 % a week', gain: 0, walk: 0.01, days: 0 },
  { name: 'gain of 0.6 % a week', gain: 0.006, walk: 0, days: 0 },
  { name: 'gain, walk and days together', gain: 0.006, walk: 0.01, days: 0.04 },
  { name: 'a layoff of six weeks', gain: 0.003, walk: 0.007, days: 0.03, layoff: 6 },
  { name: 'a jump of 8 % in a block', gain: 0.003, walk: 0.005, days: 0.03, jump: 0.08 },
  { name: '5 % of times tapped wrong', gain: 0.003, walk: 0.007, days: 0.03, mistapped: 0.05 },
];

/** Loads asked of each lifter, as shares of the true 10 s load. */
const ASKED = Array.from({ length: 20 }, (_, i) => 0.8 + 0.02 * i);

/**
 * Honesty of the moving curve: how often the 80 % interval of today's 10 s load holds the truth that was planted, how far off
 * its middle is, and what happened where it said a chance, by tenths.
 */
export function benchMoving(): void {
  say(`\nThe moving curve on ${LIFTERS} planted lifters a scenario, 26 weeks of 9 holds`);
  const all: number[] = [];
  for (const movement of SCENARIOS) {
    let covered = 0;
    let bias = 0;
    const tenths = Array.from({ length: 10 }, () => ({ asked: 0, said: 0, held: 0 }));
    for (let seed = 1; seed <= LIFTERS; seed++) {
      const planted = movingLifter(seed, movement);
      const curve = curveOn(fitMovingCurve(planted.log, { referenceLoad: PLANTED_REFERENCE }), 0);
      const { value, low, high } = medianLoad(curve, { seconds: 10 });
      if (low <= planted.ten && planted.ten <= high) covered++;
      bias += Math.log(value / planted.ten) / LIFTERS;
      for (const share of ASKED) {
        const load = planted.ten * share;
        const chance = holdProbability(curve, { load, seconds: 10 });
        const tenth = tenths[Math.min(9, Math.floor(10 * chance))]!;
        tenth.asked++;
        tenth.said += chance;
        if (planted.held(load, 10)) tenth.held++;
      }
    }
    all.push(covered / LIFTERS);
    const off = tenths.map(({ asked, said, held }) =>
      asked ? Math.round((100 * (held - said)) / asked) : 0,
    );
    say(
      `${movement.name.padEnd(30)} covered ${((100 * covered) / LIFTERS).toFixed(1)} %   middle off by ${(100 * bias).toFixed(1)} %   happened less said, points by tenth: ${off.join(' ')}`,
    );
  }
  const mean = all.slice(0, 5).reduce((sum, each) => sum + each / 5, 0);
  say(`The first five together: ${(100 * mean).toFixed(1)} % (80 meant)`);
}
