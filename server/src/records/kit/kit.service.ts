import { randomUUID } from 'node:crypto';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import type { HoldEquipment, VenueKit as WrittenKit } from '@iron-clasp/core';
import type { EntityManager } from 'typeorm';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { alike } from '../../platform/database/saves.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { TrainingService } from '../training/training.service.ts';
import type { Bar, BarBrushing, Gripper, Handle, Venue } from './kit.entity.ts';
import { KitRepository, type Stands } from './kit.repository.ts';

/** A venue with the bar that is used there and what loads it. */
export interface VenueKit {
  readonly venue: Venue;
  readonly bar: Bar;
  readonly bars: readonly Bar[];
  readonly equipment: HoldEquipment;
  readonly handles: readonly Handle[];
  /** Holes of its first rack, mm above the floor, from low to high; empty where none are listed. */
  readonly pinHeights: readonly number[];
}

/** Where a thing stands among those of its kind. */
interface Placed {
  readonly venueId: string;
  readonly place: number;
  readonly retiredAt: null;
}

/** Everything of a venue. */
export interface WholeVenue {
  readonly venue: Venue;
  readonly kit: WrittenKit;
}

/** A gripper with the venue it stands at. */
export interface KnownGripper {
  readonly id: string;
  readonly name: string;
  readonly venue: string;
  readonly resistance: number | null;
}

@Injectable()
export class KitService implements OnModuleInit {
  constructor(
    private readonly kit: KitRepository,
    private readonly training: TrainingService,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register(
      { name: 'venue', ofClub: OWN.ofClub, goesAlong: 'whole' },
      ...['bar', 'plate', 'handle', 'gripper', 'pin_rack', 'dynamometer'].map(
        (name) => ({ name, partOf: 'venue_id', goesAlong: 'whole' }) as const,
      ),
      { name: 'bar_brushing', partOf: 'bar_id' },
    );
  }

  /** The club's venues that are in use, by name. */
  async venues(clubId: string): Promise<Venue[]> {
    return (await this.kit.venues(clubId)).filter((venue) => !venue.archivedAt);
  }

  /**
   * The venue's kit with the named bar, else its first; null where the venue is not the club's, has no bar, or the bar is
   * another venue's. A bar retired since is still the one a session named.
   */
  async at(
    clubId: string,
    venueId: string,
    barId?: string | null,
    manager?: EntityManager,
  ): Promise<VenueKit | null> {
    const [venue, all, plates, handles, racks] = await Promise.all([
      this.kit.venue(clubId, venueId, manager),
      this.kit.bars([venueId], manager),
      this.kit.plates([venueId], manager),
      this.kit.handles([venueId], manager),
      this.kit.racks([venueId], manager),
    ]);
    const bars = all.filter((each) => !each.retiredAt);
    const bar = barId ? all.find((each) => each.id === barId) : bars[0];
    if (!venue || !bar) return null;
    const equipment = {
      bar: bar.mass,
      collars: bar.collars,
      plates: [...plates]
        .sort((a, b) => b.mass - a.mass)
        .map(({ mass, unit, pairs }) => ({ mass, unit, pairs })),
    };
    return { venue, bar, bars, handles, equipment, pinHeights: racks[0]?.pinHeights ?? [] };
  }

  /** Every venue of the club with all that stands there, archived ones too; the busiest first. */
  async whole(clubId: string): Promise<WholeVenue[]> {
    const venues = await this.kit.venues(clubId);
    const ids = venues.map((venue) => venue.id);
    const [busy, stands] = await Promise.all([
      this.training.sessionsByVenue(clubId, ids),
      this.kit.stands(ids),
    ]);
    return venues
      .sort((a, b) => (busy.get(b.id) ?? 0) - (busy.get(a.id) ?? 0))
      .map((venue) => ({ venue, kit: kitOf(venue, stands) }));
  }

  /** Those that can hold a session: in use, and with a bar. */
  async usable(clubId: string): Promise<WholeVenue[]> {
    return (await this.whole(clubId)).filter(({ venue, kit }) => !venue.archivedAt && kit.bars.length > 0);
  }

  /** Bars of the club that are in use, with their latest brushing. */
  async brushings(barIds: readonly string[]): Promise<Map<string, BarBrushing>> {
    return this.kit.brushings(barIds);
  }

  /** A bar of the club, retired or not, with its venue. */
  async bar(clubId: string, id: string, manager?: EntityManager): Promise<Bar | null> {
    const venues = await this.kit.venues(clubId, manager);
    const ids = venues.map((venue) => venue.id);
    return (await this.kit.bars(ids, manager)).find((bar) => bar.id === id) ?? null;
  }

  /** Writes a venue, new or at the version its editor saw. */
  async save(clubId: string, id: string, seen: number, kit: WrittenKit, now: Date): Promise<void> {
    const venue = await this.kit.venue(clubId, id);
    const known = venue && kitOf(venue, await this.kit.stands([id]));
    const kitChanged = !known || !alike(sorted(known), sorted(kit));
    const { name, chalk, note } = kit;
    const written = {
      name,
      chalk,
      note,
      straps: kit.straps && [...kit.straps],
      has: kit.has && [...kit.has],
    };
    await this.kit.save({ id, clubId, ...written }, seen, kit, kitChanged, now);
  }

  /** Archives a venue, or takes it back; one with sessions ahead stays. */
  async archive(
    clubId: string,
    id: string,
    seen: number,
    archivedAt: Date | null,
    today: string,
  ): Promise<void> {
    const known = await this.kit.venue(clubId, id);
    if (!known) throw notFound('venue');
    if ((known.archivedAt !== null) === (archivedAt !== null)) return;
    const ahead = archivedAt ? await this.training.aheadAt(clubId, id, today) : 0;
    if (ahead > 0)
      throw new Problem(
        409,
        'venue-in-use',
        `${ahead} coming ${ahead === 1 ? 'session is' : 'sessions are'} held at ${known.name}. Move them to another venue first.`,
      );
    await this.kit.archive(clubId, id, seen, archivedAt);
  }

  /** Keeps that a bar of the club was brushed. */
  async brush(clubId: string, brushing: BarBrushing): Promise<void> {
    if (!(await this.bar(clubId, brushing.barId))) throw notFound('bar');
    await this.kit.brush(brushing);
  }

  /** Takes a brushing of the club's bar back. */
  async unbrush(clubId: string, barId: string, id: string): Promise<void> {
    if (!(await this.bar(clubId, barId))) throw notFound('bar');
    await this.kit.unbrush(barId, id);
  }

  /** The club's grippers: those in use, the lightest first and those without a rating last; and every one by id. */
  async grippers(
    clubId: string,
  ): Promise<{ ladder: KnownGripper[]; byId: ReadonlyMap<string, KnownGripper> }> {
    const venues = await this.kit.venues(clubId);
    const rows = await this.kit.grippers(venues.map((venue) => venue.id));
    const known = (row: Gripper): KnownGripper => ({
      id: row.id,
      name: row.name,
      venue: venues.find((venue) => venue.id === row.venueId)!.name,
      resistance: row.resistance,
    });
    const used = rows.filter(
      (row) => !row.retiredAt && !venues.find((venue) => venue.id === row.venueId)!.archivedAt,
    );
    const weight = ({ resistance }: KnownGripper): number => resistance ?? Number.POSITIVE_INFINITY;
    return {
      ladder: used
        .map(known)
        .sort((a, b) =>
          weight(a) === weight(b)
            ? a.name.localeCompare(b.name) || a.id.localeCompare(b.id)
            : weight(a) - weight(b),
        ),
      byId: new Map(rows.map((row) => [row.id, known(row)])),
    };
  }

  /** Adds a venue with what stands there, as part of something larger. */
  async addVenue(manager: EntityManager, clubId: string, id: string, kit: WrittenKit): Promise<void> {
    const { name, chalk, note, straps, has } = kit;
    const placed = <Row extends object>(rows: readonly Row[]): (Row & Placed)[] =>
      rows.map((row, place) => ({ ...row, venueId: id, place, retiredAt: null }));
    await this.kit.addMany(
      manager,
      [
        {
          ...{ id, clubId, name, chalk, note, version: 1, archivedAt: null },
          ...{ straps: straps && [...straps], has: has && [...has] },
        },
      ],
      {
        bars: placed(kit.bars),
        plates: kit.plates.map((each) => ({ ...each, id: randomUUID(), venueId: id })),
        handles: placed(kit.handles),
        grippers: placed(kit.grippers),
        racks: placed(kit.racks.map((rack) => ({ ...rack, pinHeights: [...rack.pinHeights] }))),
        dynamometers: placed(kit.dynamometers),
      },
      [],
    );
  }

  addMany(
    manager: EntityManager,
    venues: readonly Venue[],
    stands: Stands,
    brushings: readonly BarBrushing[],
  ): Promise<void> {
    return this.kit.addMany(manager, venues, stands, brushings);
  }
}

function kitOf(venue: Venue, stands: Stands): WrittenKit {
  const here = <Row extends { venueId: string }>(rows: readonly Row[]): Row[] =>
    rows.filter((row) => row.venueId === venue.id);
  const { name, chalk, note, straps, has } = venue;
  return {
    ...{ name, chalk, note, straps, has },
    bars: here(stands.bars).map(({ id, name, mass, diameter, collars, knurl, brushEvery }) => ({
      ...{ id, name, mass, diameter, collars, knurl, brushEvery },
    })),
    plates: here(stands.plates).map(({ mass, unit, pairs }) => ({ mass, unit, pairs })),
    handles: here(stands.handles).map(({ id, name, diameter, mass }) => ({ id, name, diameter, mass })),
    grippers: here(stands.grippers).map(({ id, name, resistance }) => ({ id, name, resistance })),
    racks: here(stands.racks).map(({ id, name, pinHeights }) => ({ id, name, pinHeights })),
    dynamometers: here(stands.dynamometers).map(({ id, name, settings }) => ({ id, name, settings })),
  };
}

/** Plates have no order of their own. */
function sorted(kit: WrittenKit): WrittenKit {
  const key = ({ mass, unit }: WrittenKit['plates'][number]): string => `${unit} ${mass}`;
  return { ...kit, plates: [...kit.plates].sort((a, b) => key(a).localeCompare(key(b))) };
}
