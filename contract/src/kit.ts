import { IsISO8601, IsInt, IsObject, Min } from 'class-validator';
import type { KitNeed, PlatePairs, VenueKit } from '@iron-clasp/core';

/** A venue with all that stands there; the core says what of it cannot be used. */
export class VenueRequest {
  /** The version the editor was drawn from; 0 for a new venue. */
  @IsInt()
  @Min(0)
  version: number;

  @IsObject({ message: 'Say what stands there.' })
  kit: VenueKit;
}

export class BrushingRequest {
  @IsISO8601({ strict: true }, { message: 'The time of the brushing is not a date and time.' })
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
  /** Those put aside. */
  readonly aside: readonly VenueView[];
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
