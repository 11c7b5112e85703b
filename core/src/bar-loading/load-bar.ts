import { checkPositive, checkRange } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import { KG_PER_LB, toKg, type MassUnit } from '../units/mass.ts';
import { GRAIN, platesCheck, type PlatePairs } from './plates.ts';

export interface BarToLoad {
  /** Wanted load of bar, collars and plates together, kg. */
  readonly target: number;
  /** kg. */
  readonly bar: number;
  /** Mass of both collars together, kg. Default 0. */
  readonly collars?: number;
  readonly plates: readonly PlatePairs[];
}

export interface BarLoading {
  /** Load as it stands on the bar, kg. */
  readonly total: number;
  /** Plates of one side in loading order: heaviest innermost. */
  readonly perSide: readonly { readonly mass: number; readonly unit: MassUnit }[];
}

export interface BarLoadings {
  /** Heaviest loading at or below the target; undefined where the empty bar is already above it. */
  readonly atOrBelow?: BarLoading;
  /** Lightest loading at or above the target; undefined where all the plates do not reach it. */
  readonly atOrAbove?: BarLoading;
  /** The closer of the two; the lighter one where they are equally far. */
  readonly nearest: BarLoading;
}

/** Two loads closer than this, kg, are the same load. */
const SAME = 1e-6;

/**
 * What the plates at hand can put on a bar near a target.
 *
 * Exact: every reachable sum of the kg plates and of the lb plates is found by bounded knapsack over their greatest
 * common step, and the two ordered lists are met in the middle. Among equal loads the fewest plates win, then the
 * heaviest inside.
 * @throws InvalidInputError for non-positive masses, more than 50 pairs of one plate, a mass finer than a thousandth of
 * its unit, or more plates, more finely weighed, than can all be tried.
 * @example loadBar({ target: 100, bar: 20, plates: [{ mass: 20, unit: 'kg', pairs: 2 }] }).nearest.total // 100
 */
export function loadBar(question: BarToLoad): BarLoadings {
  const target = checkPositive('target', question?.target, 5000);
  const base = checkPositive('bar', question.bar, 500) + checkRange('collars', question.collars ?? 0, 0, 50);
  const both = reachableBoth(question.plates);
  const { kg, lb } = both;
  const { below, above } = closestPairs(both, (target - base) / 2);
  const loading = (pair: Pair | undefined): BarLoading | undefined =>
    pair && {
      total: base + 2 * pair.sum,
      perSide: [...kg.platesOf(pair.kg), ...lb.platesOf(pair.lb)].sort(
        (a, b) => toKg(b.mass, b.unit) - toKg(a.mass, a.unit),
      ),
    };
  const atOrBelow = loading(below);
  const atOrAbove = loading(above);
  const nearest =
    !atOrAbove || (atOrBelow && target - atOrBelow.total <= atOrAbove.total - target + SAME)
      ? atOrBelow
      : atOrAbove;
  return { ...(atOrBelow && { atOrBelow }), ...(atOrAbove && { atOrAbove }), nearest: nearest! };
}

interface Reachable {
  /** Reachable masses of one side in kg, ascending, with the fewest plates for each. */
  readonly sums: Float64Array;
  readonly counts: Int32Array;
  readonly platesOf: (index: number) => { mass: number; unit: MassUnit }[];
}

interface Pair {
  readonly kg: number;
  readonly lb: number;
  readonly sum: number;
}

interface Pairs {
  readonly below: Pair | undefined;
  readonly above: Pair | undefined;
}

interface BothUnits {
  readonly kg: Reachable;
  readonly lb: Reachable;
  /** What was found for the loads asked for last, by kg of one side. */
  readonly found: Map<number, Pairs>;
}

/** Sums of the plates of the venues asked for last: a session loads the same bar many times, and so does the next request. */
const known = new Map<string, BothUnits>();
const VENUES_KEPT = 32;
/** A club's bars bear the same few hundred loads, asked for by every page that shows them. */
const LOADS_KEPT = 1_000;
/** Sums of plates weighed to the gram fill more memory than they save time. */
const MOST_SUMS_KEPT = 20_000;

function reachableBoth(plates: readonly PlatePairs[]): BothUnits {
  platesCheck('plates', plates);
  const key = plates.map(({ mass, unit, pairs }) => `${mass}${unit}${pairs}`).join(' ');
  const before = known.get(key);
  if (before) return before;
  const both = { kg: reachable(plates, 'kg'), lb: reachable(plates, 'lb'), found: new Map<number, Pairs>() };
  if (both.kg.sums.length + both.lb.sums.length > MOST_SUMS_KEPT) return both;
  const [oldest] = known.keys();
  if (known.size >= VENUES_KEPT && oldest !== undefined) known.delete(oldest);
  known.set(key, both);
  return both;
}

const UNREACHABLE = 1 << 20;
/** Sums times pairs that are tried: a normal gym needs fifty thousand, one with plates weighed to the gram ten million. */
const MOST_WORK = 50_000_000;

function reachable(plates: readonly PlatePairs[], unit: MassUnit): Reachable {
  const pairsOf = new Map<number, number>();
  for (const plate of plates) {
    if (plate.unit !== unit || plate.pairs === 0) continue;
    const grains = Math.round(plate.mass * GRAIN);
    pairsOf.set(grains, (pairsOf.get(grains) ?? 0) + plate.pairs);
  }
  const kinds = [...pairsOf]
    .map(([grains, pairs]) => ({ grains, pairs }))
    .sort((a, b) => b.grains - a.grains);
  const step = kinds.reduce((g, kind) => greatestCommonDivisor(g, kind.grains), 0) || 1;
  const top = kinds.reduce((sum, kind) => sum + kind.grains * kind.pairs, 0) / step;
  const work = top * kinds.reduce((sum, kind) => sum + kind.pairs, 0);
  if (work > MOST_WORK)
    throw new InvalidInputError(
      'plates',
      'plates whose sums can all be tried: fewer pairs, or masses less finely given',
      plates,
    );
  // fewest[i][s]: fewest plates that make s steps from kind i and the lighter ones after it, as far as those reach.
  const fewest: Int32Array[] = Array.from({ length: kinds.length + 1 });
  fewest[kinds.length] = new Int32Array(1);
  for (let i = kinds.length - 1; i >= 0; i--) {
    fewest[i] = addKind(fewest[i + 1]!, kinds[i]!.grains / step, kinds[i]!.pairs);
  }
  const all = fewest[0]!;
  let found = 0;
  for (let s = 0; s <= top; s++) if (all[s]! < UNREACHABLE) found++;
  const indices = new Int32Array(found);
  const sums = new Float64Array(found);
  const counts = new Int32Array(found);
  const stepKg = (step * (unit === 'lb' ? KG_PER_LB : 1)) / GRAIN;
  for (let s = 0, at = 0; s <= top; s++) {
    if (all[s]! >= UNREACHABLE) continue;
    indices[at] = s;
    sums[at] = s * stepKg;
    counts[at++] = all[s]!;
  }
  return {
    sums,
    counts,
    platesOf: (index) => {
      const used: { mass: number; unit: MassUnit }[] = [];
      let left = indices[index]!;
      kinds.forEach((kind, i) => {
        const size = kind.grains / step;
        let pairs = Math.min(kind.pairs, Math.floor(left / size));
        while (pairs > 0 && pairs + fewest[i + 1]![left - pairs * size]! !== fewest[i]![left]!) pairs--;
        for (let n = 0; n < pairs; n++) used.push({ mass: kind.grains / GRAIN, unit });
        left -= pairs * size;
      });
      return used;
    },
  };
}

/** Adds up to `pairs` plates of `size` steps to every sum, keeping the fewest plates; reaches as far as they do. */
function addKind(rest: Int32Array, size: number, pairs: number): Int32Array {
  const best = new Int32Array(rest.length + size * pairs).fill(UNREACHABLE);
  best.set(rest);
  for (let n = 1; n <= pairs; n++) {
    const shift = n * size;
    for (let s = 0; s < rest.length; s++) {
      const count = rest[s]! + n;
      if (count < best[s + shift]!) best[s + shift] = count;
    }
  }
  return best;
}

function closestPairs({ kg, lb, found }: BothUnits, wanted: number): Pairs {
  const before = found.get(wanted);
  if (before) return before;
  const pairs = {
    below: closestPair(kg, lb, wanted, 'below'),
    above: closestPair(kg, lb, wanted, 'above'),
  };
  if (found.size >= LOADS_KEPT) found.clear();
  found.set(wanted, pairs);
  return pairs;
}

function closestPair(
  kg: Reachable,
  lb: Reachable,
  wanted: number,
  side: 'below' | 'above',
): Pair | undefined {
  let best: (Pair & { count: number }) | undefined;
  let j = lb.sums.length - 1;
  for (let i = 0; i < kg.sums.length; i++) {
    while (j >= 0 && kg.sums[i]! + lb.sums[j]! > wanted + SAME) j--;
    // lb[j] is the heaviest at or below; the one after it is the lightest above. At the target itself both are lb[j].
    const exact = j >= 0 && Math.abs(kg.sums[i]! + lb.sums[j]! - wanted) <= SAME;
    const k = side === 'below' || exact ? j : j + 1;
    if (k < 0 || k >= lb.sums.length) continue;
    const sum = kg.sums[i]! + lb.sums[k]!;
    const count = kg.counts[i]! + lb.counts[k]!;
    const closer = best ? Math.abs(best.sum - wanted) - Math.abs(sum - wanted) : Infinity;
    if (closer > SAME || (closer > -SAME && best && count < best.count)) best = { kg: i, lb: k, sum, count };
  }
  return best;
}

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
