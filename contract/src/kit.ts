import {
  CHALK_KINDS,
  KIT_NEEDS,
  KNURLS,
  MASS_UNITS,
  STRAP_TYPES,
  type ChalkKind,
  type KitNeed,
  type Knurl,
  type MassUnit,
  type PlatePairs,
  type StrapType,
  type VenueKit,
} from '@iron-clasp/core';
import {
  Amount,
  Amounts,
  CHALK_MESSAGE,
  Id,
  Moment,
  Nullable,
  OneOf,
  Part,
  Parts,
  SeenVersion,
  Text,
  Whole,
  Words,
} from './fields.ts';

const ITEM = 'An item’s id must be a UUID made by the client.';
const NAME = 'Name it in 1 to 80 characters.';

/** What every item of a venue carries. */
abstract class ItemBody {
  @Id(ITEM)
  id: string;

  @Text(80, NAME)
  name: string;
}

/** Masses kg, diameter mm; collars both together. */
export class BarBody extends ItemBody {
  @Amount({ min: 1, max: 60 }, 'A bar’s mass must be a number from 1 to 60 kg.')
  mass: number;

  @Amount({ min: 15, max: 90 }, 'A bar’s diameter must be a number from 15 to 90 mm.')
  diameter: number;

  @Amount({ min: 0, max: 10 }, 'Collars must be a number from 0 to 10 kg, both together.')
  collars: number;

  @OneOf(KNURLS, 'The knurl must be smooth, mild, medium or sharp.')
  knurl: Knurl;

  @Whole({ min: 1, max: 100_000 }, 'Chalked sets between brushings must be a whole number from 1.')
  brushEvery: number;
}

export class PlateBody {
  @Amount({ min: 0.05, max: 100 }, 'A plate’s mass must be a number above 0, up to 100.')
  mass: number;

  @OneOf(MASS_UNITS, 'A plate’s unit must be kg or lb.')
  unit: MassUnit;

  @Whole({ min: 0, max: 100 }, 'Pairs must be a whole number from 0 to 100.')
  pairs: number;
}

export class HandleBody extends ItemBody {
  @Amount({ min: 15, max: 150 }, 'A handle’s diameter must be a number from 15 to 150 mm.')
  diameter: number;

  @Amount({ min: 0, max: 300 }, 'A handle’s mass must be a number from 0 to 300 kg.')
  mass: number;
}

export class GripperBody extends ItemBody {
  /** kg at closing; null where nobody has measured it. */
  @Nullable()
  @Amount({ min: 1, max: 250 }, 'Resistance must be a number from 1 to 250 kg, or left out.')
  resistance: number | null;
}

export class RackBody extends ItemBody {
  @Amounts({ min: 0, max: 3000 }, 100, 'Pin heights must be numbers from 0 to 3000 mm.')
  pinHeights: number[];
}

export class SettingBody {
  @Text(80, NAME)
  name: string;

  @Amount({ min: 10, max: 150 }, 'The span of a setting must be a number from 10 to 150 mm.')
  span: number;
}

export class DynamometerBody extends ItemBody {
  @Parts(() => SettingBody, { max: 12, message: 'Settings are a list.' })
  settings: SettingBody[];
}

/** Everything that stands at a venue; the core says where items do not go together. */
export class VenueKitBody implements VenueKit {
  @Text(80, NAME)
  name: string;

  @OneOf(CHALK_KINDS, CHALK_MESSAGE)
  chalk: ChalkKind;

  @Text(300, 'Keep the note to 300 characters.', 0)
  note: string;

  @Nullable()
  @Words(STRAP_TYPES, STRAP_TYPES.length, 'Choose the straps at hand.')
  straps: StrapType[] | null;

  @Nullable()
  @Words(KIT_NEEDS, KIT_NEEDS.length, 'Choose what is there.')
  has: KitNeed[] | null;

  @Parts(() => BarBody, { min: 1, max: 50, message: 'List at least one bar.' })
  bars: BarBody[];

  @Parts(() => PlateBody, { max: 60, message: 'Plates are a list.' })
  plates: PlateBody[];

  @Parts(() => HandleBody, { max: 50, message: 'Handles are a list.' })
  handles: HandleBody[];

  @Parts(() => GripperBody, { max: 50, message: 'Grippers are a list.' })
  grippers: GripperBody[];

  @Parts(() => RackBody, { max: 50, message: 'Racks are a list.' })
  racks: RackBody[];

  @Parts(() => DynamometerBody, { max: 50, message: 'Dynamometers are a list.' })
  dynamometers: DynamometerBody[];
}

/** A venue with all that stands there. */
export class VenueRequest {
  @SeenVersion()
  version: number;

  @Part(() => VenueKitBody, 'Say what stands there.')
  kit: VenueKit;
}

export class BrushingRequest {
  @Moment('The time of the brushing is not a date and time.')
  brushedAt: string;
}

/** A bar as it is used: brushing comes due by chalked sets. */
export interface BarUseView {
  readonly id: string;
  readonly brushedAt: string | null;
  readonly brushedBy: string | null;
  readonly chalkedSets: number;
  readonly setsLeft: number;
  readonly due: boolean;
}

export interface VenueView {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
  readonly kit: VenueKit;
  /** In the order of the kit's bars. */
  readonly bars: readonly BarUseView[];
}

export interface KitView {
  readonly venues: readonly VenueView[];
  readonly archived: readonly VenueView[];
}

/** What an editor of sessions chooses from. */
export interface VenueChoice {
  readonly id: string;
  readonly name: string;
  /** The first is used unless another is named. */
  readonly bars: readonly {
    readonly id: string;
    readonly name: string;
    readonly mass: number;
    readonly collars: number;
  }[];
  readonly plates: readonly PlatePairs[];
  readonly has: readonly KitNeed[] | null;
}
