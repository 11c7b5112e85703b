import { listOf, positive, range, record, type Check } from '../shape.ts';
import { toKg } from '../units/mass.ts';
import { platesCheck, type PlatePairs } from './plates.ts';
import { loadBar, type BarLoading } from './load-bar.ts';

export interface RampToLoad {
  /** Wanted loads of the sets in order, kg. */
  readonly targets: readonly number[];
  /** kg. */
  readonly bar: number;
  /** Mass of both collars together, kg. Default 0. */
  readonly collars?: number;
  readonly plates: readonly PlatePairs[];
}

export interface RampLoading extends BarLoading {
  /** Plates of one side taken off and put on since the set before. */
  readonly moved: number;
}

/** Loadings of one total that are weighed against one another; a normal gym has fewer. */
const MOST_WAYS = 400;
/** Plate masses closer than this, kg, are alike. */
const SAME = 1e-6;
/** Sets of one ramp. */
const MOST_SETS = 50;

const rampCheck: Check = record<RampToLoad>({
  targets: listOf(positive(5000), MOST_SETS),
  bar: positive(500),
  collars: (field, value) => (value === undefined ? undefined : range(0, 50)(field, value)),
  plates: platesCheck,
});

type Stack = readonly { readonly mass: number; readonly unit: PlatePairs['unit'] }[];

/**
 * Loads a ramp of sets, each at the loadable total nearest to its target (the lighter of two equally near), with as few
 * plates taken off and put on between sets as can be: of all the ways to make each total, heaviest inside, the chain
 * with the fewest moves from the empty bar on. Among equal chains the one with fewer plates wins. Source: shortest path
 * by dynamic programming.
 * @throws InvalidInputError naming the target, bar or plate that cannot be used.
 * @example loadRamp({ targets: [60, 100], bar: 20, plates: [{ mass: 20, unit: 'kg', pairs: 2 }] }).map((set) => set.moved) // [1, 1]
 */
export function loadRamp(question: RampToLoad): RampLoading[] {
  rampCheck('', question);
  const { targets, bar, collars = 0, plates } = question;
  const steps = targets.map((target) => {
    const { nearest } = loadBar({ target, bar, collars, plates });
    return { total: nearest.total, ways: waysToMake(nearest, plates) };
  });
  // best[w]: fewest moves (and then fewest plates) that end with way w of the present set.
  let best: { cost: number; chain: Stack[] }[] = [{ cost: 0, chain: [[]] }];
  for (const { ways } of steps) {
    best = ways
      .map((way) =>
        best
          .map(({ cost, chain }) => ({
            cost: cost + moves(chain[chain.length - 1]!, way) + way.length * 1e-4,
            chain,
          }))
          .reduce((least, each) => (each.cost < least.cost ? each : least)),
      )
      .map(({ cost, chain }, w) => ({ cost, chain: [...chain, ways[w]!] }));
  }
  const { chain } = best.reduce((least, each) => (each.cost < least.cost ? each : least));
  return steps.map(({ total }, i) => ({
    total,
    perSide: chain[i + 1]!,
    moved: moves(chain[i]!, chain[i + 1]!),
  }));
}

/** Plates taken off and put on: what lies inside the first difference stays. */
function moves(from: Stack, to: Stack): number {
  let kept = 0;
  while (
    kept < from.length &&
    kept < to.length &&
    from[kept]!.mass === to[kept]!.mass &&
    from[kept]!.unit === to[kept]!.unit
  )
    kept++;
  return from.length + to.length - 2 * kept;
}

/** Every stack, heaviest inside, that weighs the same as the given loading; the fewest plates first. */
function waysToMake(loading: BarLoading, plates: readonly PlatePairs[]): Stack[] {
  const kinds = [...plates]
    .map((plate) => ({ ...plate, kg: toKg(plate.mass, plate.unit) }))
    .filter((plate) => plate.pairs > 0)
    .sort((a, b) => b.kg - a.kg);
  const wanted = loading.perSide.reduce((sum, plate) => sum + toKg(plate.mass, plate.unit), 0);
  /** kg that the kinds from i on can make at most. */
  const rest = kinds.map((_, i) => kinds.slice(i).reduce((sum, kind) => sum + kind.kg * kind.pairs, 0));
  const found: Stack[] = [loading.perSide];
  let tries = 0;
  const fill = (i: number, left: number, stack: Stack): void => {
    if (found.length >= MOST_WAYS || ++tries > MOST_WAYS * 100) return;
    if (left <= SAME) {
      if (moves(stack, loading.perSide) > 0) found.push(stack);
      return;
    }
    if (i === kinds.length || rest[i]! < left - SAME) return;
    const kind = kinds[i]!;
    for (let n = Math.min(kind.pairs, Math.floor((left + SAME) / kind.kg)); n >= 0; n--) {
      const more = Array.from({ length: n }, () => ({ mass: kind.mass, unit: kind.unit }));
      fill(i + 1, left - n * kind.kg, [...stack, ...more]);
    }
  };
  fill(0, wanted, []);
  return found.sort((a, b) => a.length - b.length);
}
