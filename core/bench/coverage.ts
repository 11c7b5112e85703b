import { PRIOR_TEN, simulatedLifter } from '../src/clasp-curve/simulated-lifter.test-helper.ts';
import { fitHoldCurve, medianLoad, worthOf, type Estimate } from '../src/index.ts';
import { say } from './clock.ts';

const LIFTERS = 2000;

/**
 * Honesty of the doubt: lifters drawn from the prior itself, their logs simulated, and how often the 80 % interval holds
 * the truth that was planted.
 */
export function benchCoverage(): void {
  say(`\nCoverage of the 80 % interval over ${LIFTERS} simulated lifters, by length of log`);
  for (const holds of [5, 10, 20, 40]) {
    let ten = 0;
    let hook = 0;
    let width = 0;
    for (let i = 1; i <= LIFTERS; i++) {
      const planted = simulatedLifter(i);
      const curve = fitHoldCurve(planted.log.slice(0, holds), { referenceLoad: PRIOR_TEN });
      const found = medianLoad(curve, { seconds: 10 });
      if (inside(found, planted.ten)) ten++;
      if (inside(worthOf(curve, 'hook')!, planted.hook)) hook++;
      width += Math.log(found.high / found.low) / LIFTERS;
    }
    const error = 100 * Math.sqrt((0.8 * 0.2) / LIFTERS);
    const share = (count: number): string => `${((100 * count) / LIFTERS).toFixed(1)} %`;
    say(
      `${String(holds).padStart(3)} holds   10 s load ${share(ten)}   worth of hook ${share(hook)}   (80 % meant, ± ${error.toFixed(1)} by chance)   mean width ${((Math.exp(width) - 1) * 100).toFixed(0)} % of the load`,
    );
  }
}

function inside({ low, high }: Estimate, truth: number): boolean {
  return truth >= low && truth <= high;
}
