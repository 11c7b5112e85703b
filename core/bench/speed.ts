import { context, lifter } from '../src/calls/fixtures.test-helper.ts';
import { chance } from '../src/clasp-curve/simulated-lifter.test-helper.ts';
import {
  analyseTrace,
  callSession,
  fitGripperLadder,
  fitHoldCurve,
  LIFTS,
  loadBar,
  SET_ROLES,
  type HoldObservation,
  type PlatePairs,
  type SetToCall,
} from '../src/index.ts';
import { say, timed, type Measured } from './clock.ts';

/** A thousand holds that carry eight effects: both grips, both chalks, both positions, diameter and earlier holds. */
function thousandHolds(seed: number): HoldObservation[] {
  const { uniform, normal } = chance(seed);
  const pick = <T>(...of: T[]): T => of[Math.floor(uniform() * of.length)]!;
  return Array.from({ length: 1000 }, () => {
    const load = 80 + 90 * uniform();
    const held = 10 * (126 / load) ** 3.5 * Math.exp(0.35 * normal());
    const wanted = pick(5, 10, 20, 30);
    return {
      load,
      seconds: Math.max(0.3, Math.min(held, wanted)),
      ended: held < wanted ? 'slipped' : 'stopped',
      grip: pick('doubleOverhand', 'mixed', 'hook'),
      chalk: pick('block', 'liquid', 'none'),
      position: pick('front', 'behindBack', 'supinated'),
      diameter: pick(28.5, 32, 50),
      earlierHolds: pick(0, 1, 2),
      ageDays: Math.floor(180 * uniform()),
    };
  });
}

/** Twenty-five sets of a long session. */
function longSession(): SetToCall[] {
  const gripped = LIFTS.filter((lift) => lift.grips);
  return Array.from({ length: 25 }, (_, i) => ({
    lift: gripped[(i * 7) % gripped.length]!,
    role: SET_ROLES[i % SET_ROLES.length]!,
    load: 40 + 5 * i,
    reps: 1 + (i % 8),
  }));
}

const plates = (): PlatePairs[] => [
  ...[25, 20, 15, 10, 5, 2.5, 1.25, 0.5].map((mass) => ({ mass, unit: 'kg' as const, pairs: 4 })),
  ...[45, 35, 25, 10, 5, 2.5].map((mass) => ({ mass, unit: 'lb' as const, pairs: 2 })),
];

/** One minute at 80 Hz, with noise, a spike and dropped samples. */
function minuteTrace(): { times: number[]; forces: number[] } {
  const { normal } = chance(5);
  const times = Array.from({ length: 4800 }, (_, i) => i / 80);
  const forces = times.map((t) => (t < 1 ? 0 : 50 * Math.exp(-(t - 1) / 60)) + 0.2 * normal());
  forces[1000] = 200;
  forces[2000] = Number.NaN;
  return { times, forces };
}

export function benchSpeed(): void {
  say('\nSpeed after warming up, beside the machine’s own yardstick (a plain 100 × 100 matrix product)');
  const line = (name: string, { work, yardstick }: Measured, reach: number): void =>
    say(
      `${name.padEnd(54)} median ${work.median.toFixed(3).padStart(7)} ms   p95 ${work.p95.toFixed(3).padStart(7)} ms   ${(work.median / yardstick.median).toFixed(2).padStart(5)} × yardstick (${yardstick.median.toFixed(2)} ms)   ${(work.median / reach).toFixed(2)} of the reach of ${reach} ms`,
    );

  const logs = Array.from({ length: 20 }, (_, i) => thousandHolds(i + 11));
  const scales = { sigma: 0.35, tau: 0.03, omega: 0.12, logSigmaSd: 0 };
  line(
    'moving fit: 1,000 holds in 26 weeks, scales known',
    timed(60, (i) => fitHoldCurve(logs[i % logs.length]!, { referenceLoad: 126, scales })),
    8,
  );
  line(
    'moving fit: the same with the search of the scales',
    timed(20, (i) => fitHoldCurve(logs[i % logs.length]!, { referenceLoad: 126 })),
    80,
  );
  // Three years of six such logs, one after another.
  const years = Array.from({ length: 6 }, (_, half) =>
    thousandHolds(half + 41).map((each) => ({ ...each, ageDays: each.ageDays! + 180 * half })),
  ).flat();
  line(
    'moving fit: 6,000 holds in three years, scales known',
    timed(20, () => fitHoldCurve(years, { referenceLoad: 126, scales })),
    40,
  );
  line(
    'moving fit: the same with the search of the scales',
    timed(4, () => fitHoldCurve(years, { referenceLoad: 126 })),
    400,
  );
  const curves = logs.map((log) => fitHoldCurve(log, { referenceLoad: 126 }));
  const { set: _set, ...rest } = context();
  const sets = longSession();
  line(
    'call sheet: 25 sets, 7 schools compared',
    timed(100, (i) => callSession({ ...rest, lifter: lifter(), curve: curves[i % curves.length]!, sets })),
    5,
  );
  const gym = plates();
  loadBar({ target: 100, bar: 20, plates: gym });
  line(
    'bar loading: 14 denominations, kg and lb',
    timed(300, (i) => loadBar({ target: 60 + i * 0.7, bar: 20, collars: 5, plates: gym })),
    0.2,
  );
  const kilos = (i: number): PlatePairs[] => [
    ...plates().filter((plate) => plate.unit === 'kg'),
    { mass: 0.25 * (1 + (i % 200)), unit: 'kg', pairs: 1 },
  ];
  line(
    'bar loading: plates never seen before',
    timed(300, (i) => loadBar({ target: 60 + i * 0.7, bar: 20, collars: 5, plates: kilos(i) })),
    0.2,
  );
  const trace = minuteTrace();
  line(
    'force trace: 60 s at 80 Hz',
    timed(100, () => analyseTrace(trace)),
    2,
  );
  const attempts = thousandHolds(3).map(({ load, ended }, i) => ({
    hand: i % 2 ? ('left' as const) : ('right' as const),
    resistance: load / 2,
    depth: 'open' as const,
    closed: ended === 'stopped',
  }));
  line(
    'gripper ladder: 1,000 attempts',
    timed(100, () => fitGripperLadder(attempts)),
    5,
  );
}
