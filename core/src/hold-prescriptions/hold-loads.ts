import { loadBar, type BarLoading } from '../bar-loading/load-bar.ts';
import { platesCheck, type PlatePairs } from '../bar-loading/plates.ts';
import { listOf, oneOf, optional, positive, range, record, type Check } from '../shape.ts';

/** A bar with plates. */
export interface HoldEquipment {
  readonly kind?: 'bar';
  /** kg. */
  readonly bar: number;
  /** kg, both together. */
  readonly collars: number;
  readonly plates: readonly PlatePairs[];
}

/** Two loadable handles, or a frame's two sides: each gets the same plates. */
export interface HandlesEquipment {
  readonly kind: 'twoHandles';
  /** kg of one empty handle. */
  readonly handle: number;
  readonly plates: readonly PlatePairs[];
}

/** Loads that come as they are (dumbbells, plates pinched together, what a belt can hang), kg as the lift is written. */
export interface FixedLoads {
  readonly kind: 'loads';
  readonly loads: readonly number[];
}

export type HoldKit = HoldEquipment | HandlesEquipment | FixedLoads;

const barCheck: Check = record<HoldEquipment>({
  kind: optional(oneOf(['bar'])),
  bar: positive(500),
  collars: range(0, 50),
  plates: platesCheck,
});
const handlesCheck: Check = record<HandlesEquipment>({
  kind: oneOf(['twoHandles']),
  handle: positive(200),
  plates: platesCheck,
});
const loadsCheck: Check = (field, value) => {
  record<FixedLoads>({ kind: oneOf(['loads']), loads: listOf(range(0, 2000), 500) })(field, value);
  listAtLeastOne(`${field}.loads`, (value as FixedLoads).loads);
};
const listAtLeastOne: Check = (field, value) => positive()(`${field}.length`, (value as unknown[]).length);

export const kitCheck: Check = (field, value) => {
  const kind = (value as { kind?: unknown } | null)?.kind;
  if (kind === 'twoHandles') handlesCheck(field, value);
  else if (kind === 'loads') loadsCheck(field, value);
  else barCheck(field, value);
};

/** Two loads closer than this, kg, are the same. */
const SAME = 1e-6;

/** What the kit can make, in kg as the lift is written. */
export interface LoadMaker {
  readonly lightest: BarLoading;
  /** The heaviest at or below the target, else the lightest there is. */
  readonly atOrBelow: (target: number) => BarLoading;
  /** The next heavier; undefined where there is none. */
  readonly above: (from: number) => BarLoading | undefined;
  /** The next lighter, else the lightest there is. */
  readonly below: (from: number) => BarLoading;
}

/** Reads the kit as a maker of loads; of two handles the total counts both, and the plates shown are one handle's side. */
export function loadMaker(kit: HoldKit): LoadMaker {
  if (kit.kind === 'loads') return fixedMaker(kit.loads);
  const hands = kit.kind === 'twoHandles' ? 2 : 1;
  const empty =
    kit.kind === 'twoHandles' ? { bar: kit.handle, collars: 0 } : { bar: kit.bar, collars: kit.collars };
  // Plates lie by twos on one bar; on two handles each pair in the list gives one plate to each of two sides of one
  // handle, so that a handle can count on half the pairs.
  const plates =
    hands === 1 ? kit.plates : kit.plates.map((each) => ({ ...each, pairs: Math.floor(each.pairs / 2) }));
  const both = (loading: BarLoading): BarLoading =>
    hands === 1 ? loading : { total: loading.total * 2, perSide: loading.perSide };
  const at = (target: number): ReturnType<typeof loadBar> =>
    loadBar({ target: Math.max(target / hands, 1e-3), ...empty, plates });
  const lightest = both(at(1e-3).atOrAbove!);
  const atOrBelow = (target: number): BarLoading => {
    const found = at(target).atOrBelow;
    return found ? both(found) : lightest;
  };
  return {
    lightest,
    atOrBelow,
    above: (from) => {
      const found = at(from + 0.01).atOrAbove;
      return found && both(found);
    },
    below: (from) => atOrBelow(from - 0.01),
  };
}

/** How a load that a coach named is put on: the nearest that the kit makes; fixed loads are taken as they are named. */
export function nearestLoading(kit: HoldKit, load: number): BarLoading {
  if (kit.kind === 'loads') return { total: load, perSide: [] };
  const maker = loadMaker(kit);
  const below = maker.atOrBelow(load);
  const above = maker.above(below.total);
  return above && above.total - load < Math.abs(load - below.total) ? above : below;
}

function fixedMaker(loads: readonly number[]): LoadMaker {
  const sorted = [...new Set(loads)].sort((a, b) => a - b);
  const as = (total: number): BarLoading => ({ total, perSide: [] });
  const lightest = as(sorted[0]!);
  const lastWhere = (test: (load: number) => boolean): BarLoading => {
    const found = sorted.filter(test);
    return found.length ? as(found[found.length - 1]!) : lightest;
  };
  return {
    lightest,
    atOrBelow: (target) => lastWhere((load) => load <= target + SAME),
    above: (from) => {
      const found = sorted.find((load) => load > from + SAME);
      return found === undefined ? undefined : as(found);
    },
    below: (from) => lastWhere((load) => load < from - SAME),
  };
}
