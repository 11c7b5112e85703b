import { followingModes } from './following-modes.ts';
import type { LevelMode } from './level-mode.ts';

/** Modes that lie where a function of the scales says, with the starts that were offered for them. */
function following(at: (logs: readonly number[]) => number): {
  readonly ask: (...logs: number[]) => LevelMode;
  readonly starts: (number | undefined)[];
} {
  const starts: (number | undefined)[] = [];
  const find = followingModes((logs, start) => {
    starts.push(start?.[0]);
    return { x: Float64Array.of(at(logs)) } as LevelMode;
  });
  return { ask: (...logs) => find(logs), starts };
}
const plane = ([a, b]: readonly number[]): number => 10 + 3 * a! - 2 * b!;

it('the first is begun from nothing, the second from the first', () => {
  const { ask, starts } = following(plane);
  ask(0, 0);
  ask(0.3, 0);
  expect(starts).toEqual([undefined, 10]);
});

it('past two scales that were each moved alone, every other set is led to where it lies', () => {
  const { ask, starts } = following(plane);
  [ask(0, 0), ask(0.3, 0), ask(0, 0.3)].forEach(({ x }) => expect(x).toHaveLength(1));
  for (const [a, b] of [
    [-0.3, 0],
    [0.3, 0.3],
    [0.1, -0.7],
  ] as const) {
    ask(a, b);
    expect(starts.at(-1)).toBeCloseTo(plane([a, b]), 9);
  }
});

it('no farther than four times the way that is known', () => {
  const { ask, starts } = following(plane);
  [ask(0, 0), ask(0.1, 0)].forEach(({ x }) => expect(x[0]).toBeGreaterThanOrEqual(10));
  ask(-9, 0);
  expect(starts.at(-1)).toBeCloseTo(10 - 4 * 0.3, 9);
});

it('what was asked for before is not searched again', () => {
  const { ask, starts } = following(plane);
  expect(ask(1, 2)).toBe(ask(1, 2));
  expect(starts).toHaveLength(1);
});

it('of two as near the first leads, whatever the last digit says', () => {
  const { ask, starts } = following(([a]) => (a! < 0 ? -1 : 1));
  ask(-0.3, 5);
  ask(0.3 - 1e-16, 5.5);
  ask(0, 5.25);
  expect(starts.at(-1)).toBe(-1);
});
