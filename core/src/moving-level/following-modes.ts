import type { LevelMode } from './level-mode.ts';

/** Finds the mode at given logarithms of the scales, from a start where there is one. */
type FindMode = (logs: readonly number[], start?: Float64Array) => LevelMode;

/** A mode that was found, and for which scales. */
interface Known {
  readonly logs: readonly number[];
  readonly mode: LevelMode;
}

/** The farthest that a mode is led on past those known, as a multiple of the way between them. */
const FARTHEST = 4;

/** Two distances, squared, that differ by less are the same. */
const ALIKE = 1e-9;

/**
 * Finds modes at one set of scales after another, each begun where those found before lead: the unknowns change nearly in
 * proportion to the logarithms of the scales, so that most are found with one or two looks at the rows. A set that was asked
 * for before is not searched again.
 */
export function followingModes(find: FindMode): (logs: readonly number[]) => LevelMode {
  const known: Known[] = [];
  return (logs) => {
    const same = known.find((each) => each.logs.every((log, j) => log === logs[j]));
    if (same) return same.mode;
    const mode = find(logs, led(logs, known));
    known.push({ logs: [...logs], mode });
    return mode;
  };
}

/** Where the nearest known mode leads, by what each scale alone has been seen to change. */
function led(logs: readonly number[], known: readonly Known[]): Float64Array | undefined {
  if (known.length === 0) return undefined;
  const far = (each: Known): number => each.logs.reduce((sum, log, j) => sum + (log - logs[j]!) ** 2, 0);
  // Of modes as near the first one, whatever the last digit says: the same log in another order must be led the same way.
  const base = known.reduce((best, each) => (far(each) < far(best) - ALIKE ? each : best));
  const start = new Float64Array(base.mode.x);
  logs.forEach((log, j) => {
    const way = log === base.logs[j] ? undefined : alone(j, base, known);
    if (!way) return;
    const [from, to] = way;
    const share = (log - base.logs[j]!) / (to.logs[j]! - from.logs[j]!);
    const steps = Math.max(-FARTHEST, Math.min(FARTHEST, share));
    for (let i = 0; i < start.length; i++) start[i]! += steps * (to.mode.x[i]! - from.mode.x[i]!);
  });
  return start;
}

/** Two known modes that differ in this scale alone, the base one of them where there are such, else the latest. */
function alone(j: number, base: Known, known: readonly Known[]): readonly [Known, Known] | undefined {
  const differsIn = (one: Known, other: Known): boolean =>
    one.logs.every((log, k) => (log === other.logs[k]) === (k !== j));
  for (const from of [base, ...known.toReversed()]) {
    const to = known.findLast((each) => differsIn(from, each));
    if (to) return [from, to];
  }
  return undefined;
}
