import { chance } from '../src/clasp-curve/simulated-lifter.test-helper.ts';
import { fitGripperLadder, halfChanceResistance, type GripperAttempt } from '../src/index.ts';
import { say } from './clock.ts';

const LADDERS = Number(process.env['IRON_CLASP_BENCH_LADDERS'] ?? 400);
const WEEKS = 26;
const SETTINGS = [
  { name: 'hands that stand still', gain: 0, walk: 0 },
  { name: 'walk of 1 % a week', gain: 0, walk: 0.01 },
  { name: 'gain of 0.5 % a week with it', gain: 0.005, walk: 0.01 },
  { name: 'gain of 1 % a week', gain: 0.01, walk: 0 },
] as const;

/** How often the 80 % interval of today's half-chance resistance holds the truth, on ladders of six attempts a week. */
export function benchGrippers(): void {
  say(`\nGripper ladders: ${LADDERS} planted hands a setting, ${WEEKS} weeks of six attempts`);
  for (const { name, gain, walk } of SETTINGS) {
    let covered = 0;
    let off = 0;
    for (let seed = 1; seed <= LADDERS; seed++) {
      const { uniform, normal } = chance(seed * 8087 + 7);
      for (let i = 0; i < 20; i++) uniform();
      let half = Math.log(35 + 40 * uniform());
      const attempts: GripperAttempt[] = [];
      for (let week = 0; week < WEEKS; week++) {
        half += gain + walk * normal();
        for (let i = 0; i < 6; i++) {
          const resistance = Math.exp(half) * (0.85 + 0.3 * uniform());
          attempts.push({
            ...{
              hand: 'right',
              resistance,
              depth: 'open',
              ageDays: 7 * (WEEKS - week) - 6 + (i < 3 ? 3 : 0),
            },
            closed: -8 * (Math.log(resistance) - half) + normal() > 0,
          });
        }
      }
      const found = halfChanceResistance(fitGripperLadder(attempts), 'right');
      if (found.low <= Math.exp(half) && Math.exp(half) <= found.high) covered++;
      off += Math.log(found.value / Math.exp(half)) / LADDERS;
    }
    say(
      `${name.padEnd(30)} covered ${((100 * covered) / LADDERS).toFixed(1)} %   middle off by ${(100 * off).toFixed(1)} %`,
    );
  }
}
