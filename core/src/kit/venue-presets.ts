import { checkObject, checkOneOf, checkText } from '../check.ts';
import { InvalidInputError } from '../errors.ts';
import type { PlatePairs } from '../bar-loading/plates.ts';
import type { ChalkKind } from '../clasp-curve/types.ts';
import type { KitNeed } from '../set-demand/lift.ts';
import { MASS_UNITS, toKg, type MassUnit } from '../units/mass.ts';
import { USUAL_BRUSHING_SETS } from './brushing.ts';
import type { KitBar, KitHandle, Knurl, VenueKit } from './venue-kit.ts';

/** Rooms that lifters train in, to start a venue from: every figure can be changed afterwards. */
export const VENUE_PRESET_IDS = [
  'powerlifting',
  'weightlifting',
  'strongman',
  'commercial',
  'garage',
] as const;
export type VenuePresetId = (typeof VENUE_PRESET_IDS)[number];

/** A bar as such a room usually has it. */
export interface PresetBar {
  readonly name: string;
  /** In the unit of the room's plates. */
  readonly mass: Readonly<Record<MassUnit, number>>;
  /** Both together, in the unit of the plates. */
  readonly collars: Readonly<Record<MassUnit, number>>;
  /** mm. */
  readonly diameter: number;
  readonly knurl: Knurl;
}

/** A kind of room with what usually stands there, and why it is taken so. */
export interface VenuePreset {
  readonly id: VenuePresetId;
  readonly name: string;
  /** What sets it apart for the hands. */
  readonly reason: string;
  readonly chalk: ChalkKind;
  readonly has: readonly KitNeed[];
  readonly bars: readonly PresetBar[];
  readonly handles: readonly Omit<KitHandle, 'id'>[];
  /** Pairs of the largest plate. */
  readonly heaviestPairs: number;
  /** Heights of the rack's holes, mm; empty where there is no rack. */
  readonly pinHeights: readonly number[];
}

const TWENTY = { kg: 20, lb: 45 } as const;
const FIFTEEN = { kg: 15, lb: 35 } as const;
const LOCKED = { kg: 5, lb: 10 } as const;
const SPRING = { kg: 0, lb: 0 } as const;

/** Holes every 75 mm from knee height to above the chest. */
const HOLES = Array.from({ length: 14 }, (_, i) => 450 + 75 * i);

/** Bar diameters: federations' rules for competition bars; handles and axles: what makers write on theirs. */
export const VENUE_PRESETS: readonly VenuePreset[] = [
  {
    ...{ id: 'powerlifting', name: 'Powerlifting gym', chalk: 'block', heaviestPairs: 6, pinHeights: HOLES },
    reason:
      'A stiff bar of 29 mm with a sharp knurl and a thinner one for the deadlift; block chalk; collars count.',
    has: ['rack', 'dumbbells', 'cable', 'pullUpBar'],
    bars: [
      { name: 'Power bar', mass: TWENTY, collars: LOCKED, diameter: 29, knurl: 'sharp' },
      { name: 'Deadlift bar', mass: TWENTY, collars: LOCKED, diameter: 27, knurl: 'sharp' },
    ],
    handles: [],
  },
  {
    ...{
      id: 'weightlifting',
      name: 'Weightlifting hall',
      chalk: 'block',
      heaviestPairs: 4,
      pinHeights: HOLES,
    },
    reason: 'Bars that spin, 28 and 25 mm, with a mild knurl; block chalk; straps for pulls only.',
    has: ['rack', 'pullUpBar'],
    bars: [
      { name: 'Bar 28 mm', mass: TWENTY, collars: LOCKED, diameter: 28, knurl: 'mild' },
      { name: 'Bar 25 mm', mass: FIFTEEN, collars: LOCKED, diameter: 25, knurl: 'mild' },
    ],
    handles: [],
  },
  {
    ...{ id: 'strongman', name: 'Strongman yard', chalk: 'block', heaviestPairs: 8, pinHeights: HOLES },
    reason: 'An axle and carry handles beside the bar: thick diameters are where the hands give out first.',
    has: ['rack', 'pullUpBar', 'thickBar', 'handles', 'frame', 'axle'],
    bars: [
      { name: 'Stiff bar', mass: TWENTY, collars: SPRING, diameter: 29, knurl: 'medium' },
      { name: 'Axle', mass: { kg: 15, lb: 35 }, collars: SPRING, diameter: 50, knurl: 'smooth' },
    ],
    handles: [{ name: 'Carry handles', diameter: 32, mass: 15 }],
  },
  {
    ...{ id: 'commercial', name: 'Commercial gym', chalk: 'none', heaviestPairs: 4, pinHeights: HOLES },
    reason:
      'A worn bar of 28.5 mm and no chalk: everything slips earlier, so straps come sooner. Say so if liquid chalk is allowed.',
    has: ['rack', 'dumbbells', 'cable', 'pullUpBar'],
    bars: [{ name: 'Bar', mass: TWENTY, collars: SPRING, diameter: 28.5, knurl: 'mild' }],
    handles: [],
  },
  {
    ...{ id: 'garage', name: 'Garage', chalk: 'block', heaviestPairs: 3, pinHeights: HOLES },
    reason: 'One bar, a rack and a few plates; chalk is nobody else’s business.',
    has: ['rack', 'pullUpBar'],
    bars: [{ name: 'Bar', mass: TWENTY, collars: SPRING, diameter: 28.5, knurl: 'medium' }],
    handles: [],
  },
];

const PLATES: Readonly<Record<MassUnit, readonly number[]>> = {
  kg: [25, 20, 15, 10, 5, 2.5, 1.25],
  lb: [45, 35, 25, 10, 5, 2.5],
};

/**
 * Everything of a new venue as such a room usually has it: masses kg, diameters and heights mm. What is rarer than plates of
 * one kind, straps at hand among it, is left open for the coach to list.
 * @param options `name` of the venue, `unit` of its plates (bars and collars are what is sold with them), and `newId`, which makes
 * the id of each thing that stands there.
 * @throws InvalidInputError for a kind of room that is unknown, a blank name or an unknown unit.
 * @example venueFromPreset('garage', { name: 'At home', unit: 'kg', newId: () => 'bar' }).bars[0].mass // 20
 */
export function venueFromPreset(
  preset: VenuePresetId,
  options: { readonly name: string; readonly unit: MassUnit; readonly newId: () => string },
): VenueKit {
  checkOneOf('preset', preset, VENUE_PRESET_IDS);
  checkObject('options', options);
  const { name, unit, newId } = options;
  if (typeof newId !== 'function') throw new InvalidInputError('newId', 'a function that makes ids', newId);
  checkText('name', name, 120);
  checkOneOf('unit', unit, MASS_UNITS);
  const { chalk, has, bars, handles, heaviestPairs, pinHeights } = VENUE_PRESETS.find(
    (each) => each.id === preset,
  )!;
  return {
    ...{ name, chalk, note: '', straps: null, has },
    bars: bars.map(({ name: bar, mass, collars, diameter, knurl }): KitBar => ({
      ...{ id: newId(), name: bar, diameter, knurl, brushEvery: USUAL_BRUSHING_SETS },
      ...{ mass: toKg(mass[unit], unit), collars: toKg(collars[unit], unit) },
    })),
    plates: PLATES[unit].map((mass, i): PlatePairs => ({ mass, unit, pairs: i === 0 ? heaviestPairs : 2 })),
    handles: handles.map((each) => ({ ...each, id: newId() })),
    grippers: [],
    racks: pinHeights.length > 0 ? [{ id: newId(), name: 'Rack', pinHeights }] : [],
    dynamometers: [],
  };
}
