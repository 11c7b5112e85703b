import { platesCheck, type PlatePairs } from '../bar-loading/plates.ts';
import { CHALK_KINDS, type ChalkKind } from '../clasp-curve/types.ts';
import { InvalidInputError } from '../errors.ts';
import { KIT_NEEDS, STRAP_TYPES, type KitNeed, type StrapType } from '../set-demand/lift.ts';
import { listOf, oneOf, positive, range, record, text, whole, type Check } from '../shape.ts';

/** How deep the knurl bites, from none to sharp. */
export const KNURLS = ['smooth', 'mild', 'medium', 'sharp'] as const;
export type Knurl = (typeof KNURLS)[number];

export interface KitBar {
  readonly id: string;
  readonly name: string;
  /** kg. */
  readonly mass: number;
  /** mm. */
  readonly diameter: number;
  /** Both together, kg. */
  readonly collars: number;
  readonly knurl: Knurl;
  /** Chalked sets between brushings. */
  readonly brushEvery: number;
}

/** What a hand closes on that is no bar: thick handles, carry handles, axles. */
export interface KitHandle {
  readonly id: string;
  readonly name: string;
  /** mm. */
  readonly diameter: number;
  /** kg, empty. */
  readonly mass: number;
}

export interface KitGripper {
  readonly id: string;
  readonly name: string;
  /** Measured resistance at closing, kg; null where nobody has measured it: the ladder then leaves it out. */
  readonly resistance: number | null;
}

export interface KitRack {
  readonly id: string;
  readonly name: string;
  /** Heights at which the pins go in, mm above the floor, from low to high. */
  readonly pinHeights: readonly number[];
}

export interface KitDynamometer {
  readonly id: string;
  readonly name: string;
  /** Handle settings as they are marked on it, with the span of each, mm. */
  readonly settings: readonly { readonly name: string; readonly span: number }[];
}

/** Everything that stands at one venue, and the rules of the house. */
export interface VenueKit {
  readonly name: string;
  readonly chalk: ChalkKind;
  /** Heat, humidity, and whatever else about the place works on the hands. */
  readonly note: string;
  /** Strap types at hand; null where any can be had. */
  readonly straps: readonly StrapType[] | null;
  /** What is there beside bars and plates; null where nobody has listed it. */
  readonly has: readonly KitNeed[] | null;
  /** The first is the one that sessions use unless they say otherwise. */
  readonly bars: readonly KitBar[];
  readonly plates: readonly PlatePairs[];
  readonly handles: readonly KitHandle[];
  readonly grippers: readonly KitGripper[];
  readonly racks: readonly KitRack[];
  readonly dynamometers: readonly KitDynamometer[];
}

/** Items of one kind at one venue. */
const MOST = 40;
const id = text(60);

/** Words that may be none. */
const note: Check = (field, value) => (value === '' ? undefined : text(500)(field, value));

/** A name that is not blank. */
const name: Check = (field, value) => {
  text(120)(field, value);
  if ((value as string).trim() === '')
    throw new InvalidInputError(field, 'a name of 1 to 120 characters', value);
};
const orNull =
  (check: Check): Check =>
  (field, value) =>
    value === null ? undefined : check(field, value);

const named =
  (check: Check): Check =>
  (field, value) => {
    listOf(check, MOST)(field, value);
    const ids = (value as readonly { readonly id: string }[]).map((each) => each.id);
    const twice = ids.find((each, i) => ids.indexOf(each) !== i);
    if (twice !== undefined) throw new InvalidInputError(field, 'a list with each id once', twice);
  };

const rising: Check = (field, value) => {
  listOf(positive(4000), 100)(field, value);
  (value as readonly number[]).forEach((height, i, all) => {
    if (i > 0 && height <= all[i - 1]!)
      throw new InvalidInputError(`${field}[${i}]`, 'higher than the pin below it', height);
  });
};

const denominations: Check = (field, value) => {
  platesCheck(field, value);
  const kinds = (value as readonly PlatePairs[]).map(({ mass, unit }) => `${mass} ${unit}`);
  const twice = kinds.findIndex((kind, i) => kinds.indexOf(kind) !== i);
  if (twice >= 0)
    throw new InvalidInputError(`${field}[${twice}]`, 'listed once, with all its pairs', kinds[twice]);
};

const bars: Check = (field, value) => {
  named(
    record<KitBar>({
      id,
      name,
      mass: range(1, 60),
      diameter: range(15, 90),
      collars: range(0, 10),
      knurl: oneOf(KNURLS),
      brushEvery: whole(1, 100_000),
    }),
  )(field, value);
  if ((value as readonly unknown[]).length === 0)
    throw new InvalidInputError(field, 'at least one bar', value);
};

const kitCheck: Check = record<VenueKit>({
  name,
  chalk: oneOf(CHALK_KINDS),
  note,
  straps: orNull(listOf(oneOf(STRAP_TYPES), STRAP_TYPES.length)),
  has: orNull(listOf(oneOf(KIT_NEEDS), KIT_NEEDS.length)),
  bars,
  plates: denominations,
  handles: named(record<KitHandle>({ id, name, diameter: range(15, 150), mass: range(0, 300) })),
  grippers: named(record<KitGripper>({ id, name, resistance: orNull(range(1, 250)) })),
  racks: named(record<KitRack>({ id, name, pinHeights: rising })),
  dynamometers: named(
    record<KitDynamometer>({
      id,
      name,
      settings: listOf(record<KitDynamometer['settings'][number]>({ name, span: range(10, 150) }), 12),
    }),
  ),
});

/**
 * Asserts that a venue's kit can be used: names, masses kg, diameters and heights mm, plates listed once each, at least
 * one bar, pins from low to high.
 * @throws InvalidInputError naming the item and figure that cannot be used.
 * @example checkVenueKit({ name: 'Shed', chalk: 'block', note: '', straps: null, has: null, bars: [{ id: 'a', name: 'Bar', mass: 20, diameter: 29, collars: 5, knurl: 'medium', brushEvery: 150 }], plates: [], handles: [], grippers: [], racks: [], dynamometers: [] }) // undefined
 */
export function checkVenueKit(kit: VenueKit): void {
  kitCheck('', kit);
}
