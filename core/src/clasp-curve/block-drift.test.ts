import { blockDrift, poolBlockDrifts, type BlockDrift } from './block-drift.ts';
import { fitMovingCurve, type MovingCurve } from './moving-curve.ts';
import { movingLifter, PLANTED_REFERENCE, type Movement } from './moving-lifter.test-helper.ts';

const fitted = (seed: number, movement: Movement): MovingCurve =>
  fitMovingCurve(movingLifter(seed, movement).log, { referenceLoad: PLANTED_REFERENCE, scales: SCALES });
/** As they were planted: no search. */
const SCALES = { sigma: 0.35, tau: 0.03, omega: 0.1, logSigmaSd: 0.1 };
const still: Movement = { name: 'still', gain: 0, walk: 0.003, days: 0.03 };
/** Jumps by 8 % at half way, thirteen weeks ago. */
const jumping: Movement = { ...still, name: 'jump', jump: 0.08 };
const [BEFORE, AFTER] = [7 * 15, 7 * 11];
const drifts = (movement: Movement, lifters = 16): BlockDrift[] =>
  Array.from({ length: lifters }, (_, i) => blockDrift(fitted(300 + i, movement), BEFORE, AFTER)).flatMap(
    (each) => each ?? [],
  );

it('finds what blocks did where many lifters gained in them, and nothing where none did', () => {
  const [gained, idle] = [drifts(jumping), drifts(still)];
  expect(gained.length).toBeGreaterThan(10);
  const [withJump, without] = [poolBlockDrifts(gained).perWeek, poolBlockDrifts(idle).perWeek];
  // 8 % within four weeks, less the drift that the fit gives to the whole half year.
  expect(withJump.low).toBeGreaterThan(0.005);
  expect(withJump.value).toBeLessThan(0.035);
  expect(Math.abs(without.value)).toBeLessThan(0.006);
});

it('says nothing of a block without two days a week apart, or without a log', () => {
  expect(blockDrift(fitMovingCurve([], { referenceLoad: 126 }), 40, 12)).toBeUndefined();
  expect(blockDrift(fitted(1, still), 10, 6)).toBeUndefined();
});

describe('pooled blocks', () => {
  const block = (perWeek: number, sd: number): BlockDrift => ({ perWeek, variance: sd ** 2 });
  const width = ({ low, high }: { low: number; high: number }): number => high - low;

  it('are what is usual where there are none', () => {
    const { perWeek, each } = poolBlockDrifts([]);
    expect(perWeek.value).toBeCloseTo(0.02 / 3.5, 9);
    expect(perWeek.low).toBeLessThan(0);
    expect(each).toEqual([]);
  });

  it('draw the one of which little is known towards the others, and hardly the well known one', () => {
    const { each } = poolBlockDrifts([block(0.002, 0.001), block(0.001, 0.001), block(0.05, 0.02)]);
    expect(each[2]!.value).toBeLessThan(0.02);
    expect(Math.abs(each[0]!.value - 0.002)).toBeLessThan(0.0015);
  });

  it('are surer with more of them, and less sure where they disagree', () => {
    const few = poolBlockDrifts([block(0.005, 0.004)]).perWeek;
    const many = poolBlockDrifts(Array.from({ length: 20 }, () => block(0.005, 0.004))).perWeek;
    const unlike = poolBlockDrifts(
      Array.from({ length: 20 }, (_, i) => block(i % 2 ? 0.025 : -0.015, 0.004)),
    ).perWeek;
    expect(width(many)).toBeLessThan(width(few));
    expect(width(unlike)).toBeGreaterThan(2 * width(many));
    expect(unlike.value).toBeCloseTo(0.005, 2);
  });

  it('do not mind the order', () => {
    const blocks = [block(0.01, 0.003), block(-0.004, 0.006), block(0.02, 0.01)];
    const [one, other] = [poolBlockDrifts(blocks), poolBlockDrifts([...blocks].reverse())];
    expect(other.perWeek.value).toBeCloseTo(one.perWeek.value, 12);
    expect(other.each[2]!.value).toBeCloseTo(one.each[0]!.value, 12);
  });
});
