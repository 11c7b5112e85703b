import { chance } from '../src/clasp-curve/simulated-lifter.test-helper.ts';
import { addDays } from '../src/days.ts';
import { readSqueeze, type SqueezeProtocol, type SqueezeTest } from '../src/index.ts';
import { say } from './clock.ts';

const HANDS = Number(process.env['IRON_CLASP_BENCH_HANDS'] ?? 400);
const TESTS = 12;
const PROTOCOL: SqueezeProtocol = {
  ...{ handle: 2, elbow: 90, posture: 'seated', handOrder: 'leftFirst', trials: 3, rest: 60 },
};

interface Planted {
  readonly name: string;
  /** Shares of force. */
  readonly days: number;
  readonly trials: number;
  readonly gain?: number;
  /** Of the last test. */
  readonly drop?: number;
}

const SETTINGS: readonly Planted[] = [
  { name: 'days 0 %, trials 3 %', days: 0, trials: 0.03 },
  { name: 'days 2 %, trials 3 %', days: 0.02, trials: 0.03 },
  { name: 'days 4 %, trials 3 %', days: 0.04, trials: 0.03 },
  { name: 'days 6 %, trials 3 %', days: 0.06, trials: 0.03 },
  { name: 'days 4 %, trials 1.5 %', days: 0.04, trials: 0.015 },
  { name: 'gain of 0.4 % a week, days 4 %', days: 0.04, trials: 0.03, gain: 0.004 },
  { name: 'a true drop of 10 %, days 4 %', days: 0.04, trials: 0.03, drop: 0.1 },
];

const day = (n: number): string => addDays('2026-01-01', 14 * n);

function tests(seed: number, { days, trials, gain = 0, drop = 0 }: Planted): SqueezeTest[] {
  const { uniform, normal } = chance(seed * 4423 + 31);
  for (let i = 0; i < 20; i++) uniform();
  const force = 30 + 50 * uniform();
  return Array.from({ length: TESTS }, (_, i) => {
    const level =
      Math.log(force) + 2 * gain * i + days * normal() + (i === TESTS - 1 ? Math.log(1 - drop) : 0);
    return {
      ...{ on: day(i), protocol: PROTOCOL },
      trials: [0, 1, 2].map(() => ({ hand: 'left' as const, force: Math.exp(level + trials * normal()) })),
    };
  });
}

/** How often a squeeze is called changed where it is not, and found changed where it is. */
export function benchSqueeze(): void {
  say(`\nSqueeze tests of ${HANDS} planted hands a setting, the last of ${TESTS} a fortnight apart`);
  for (const setting of SETTINGS) {
    let changed = 0;
    let eased = 0;
    for (let seed = 1; seed <= HANDS; seed++) {
      const all = tests(seed, setting);
      const reading = readSqueeze({ today: all.at(-1)!, earlier: all.slice(0, -1) });
      const { verdict } = reading.hands.left!;
      if (setting.drop ? verdict === 'down' : verdict !== 'normal') changed++;
      if (reading.easierHolds) eased++;
    }
    const share = (count: number): string => `${((100 * count) / HANDS).toFixed(1)} %`;
    say(
      `${setting.name.padEnd(32)} ${setting.drop ? 'found' : 'called changed'} ${share(changed)}   holds eased ${share(eased)}`,
    );
  }
}
