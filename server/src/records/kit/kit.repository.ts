import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { VenueKit as WrittenKit } from '@iron-clasp/core';
import {
  DataSource,
  In,
  IsNull,
  Not,
  type EntityManager,
  type EntityTarget,
  type FindOptionsWhere,
} from 'typeorm';
import {
  changeVersion,
  insertMany,
  keepOnce,
  saveVersion,
  upsertAll,
} from '../../platform/database/saves.ts';
import { changedMeanwhile, notFound } from '../../platform/http/problem.ts';
import { together, togetherOrWithin } from '../../platform/database/together.ts';
import { readBy, readMany, readOne } from '../../platform/database/read-many.ts';
import { Bar, BarBrushing, Dynamometer, Gripper, Handle, PinRack, Plate, Venue } from './kit.entity.ts';

/** What stands at venues, those items that are in use. */
export interface Stands {
  readonly bars: readonly Bar[];
  readonly plates: readonly Plate[];
  readonly handles: readonly Handle[];
  readonly grippers: readonly Gripper[];
  readonly racks: readonly PinRack[];
  readonly dynamometers: readonly Dynamometer[];
}

interface Item {
  readonly id: string;
  readonly venueId: string;
  readonly place: number;
  readonly name: string;
  readonly retiredAt: Date | null;
}

const IN_ORDER = { place: 'ASC', name: 'ASC' } as const;

@Injectable()
export class KitRepository {
  constructor(private readonly db: DataSource) {}

  async venue(clubId: string, id: string, manager?: EntityManager): Promise<Venue | null> {
    if (manager) return readOne(manager, Venue, { clubId, id });
    const [venue] = await this.ofClub([id], clubId);
    return venue ?? null;
  }
  private readonly ofClub = together(
    (ids, clubId) => readBy(this.db, Venue, { clubId, id: ids }),
    (venue) => venue.id,
  );

  /** The club's venues by name, archived ones too. */
  venues(clubId: string, manager = this.db.manager): Promise<Venue[]> {
    return readBy(manager, Venue, { clubId }, { name: 'ASC', id: 'ASC' });
  }

  /** Bars of a venue, retired ones too: a session may have named one. */
  readonly bars = this.at((ids, manager) => readBy(manager, Bar, { venueId: ids }, IN_ORDER));
  readonly plates = this.at((ids, manager) =>
    readBy(manager, Plate, { venueId: ids }, { unit: 'ASC', mass: 'DESC' }),
  );
  readonly handles = this.at((ids, manager) => this.inUse(Handle, ids, manager));
  readonly racks = this.at((ids, manager) => this.inUse(PinRack, ids, manager));

  /** What stands at venues. */
  private at<Row extends { readonly venueId: string }>(
    read: (venueIds: readonly string[], manager: EntityManager) => Promise<Row[]>,
  ): (venueIds: readonly string[], within?: EntityManager) => Promise<Row[]> {
    return togetherOrWithin(
      () => this.db,
      read,
      (row) => row.venueId,
    );
  }

  async stands(venueIds: readonly string[]): Promise<Stands> {
    const [bars, plates, handles, grippers, racks, dynamometers] = await Promise.all([
      this.inUse(Bar, venueIds),
      this.plates(venueIds),
      this.handles(venueIds),
      this.inUse(Gripper, venueIds),
      this.inUse(PinRack, venueIds),
      this.inUse(Dynamometer, venueIds),
    ]);
    return { bars, plates, handles, grippers, racks, dynamometers };
  }

  /** Grippers of the venues, retired ones too: an attempt may name one. */
  grippers(venueIds: readonly string[]): Promise<Gripper[]> {
    return readBy(this.db, Gripper, { venueId: venueIds });
  }

  /** The latest brushing of each bar that was ever brushed. */
  async brushings(barIds: readonly string[]): Promise<Map<string, BarBrushing>> {
    const found = await readBy(this.db, BarBrushing, { barId: barIds }, { brushedAt: 'ASC', id: 'ASC' });
    return new Map(found.map((each) => [each.barId, each]));
  }

  /** Keeps a brushing of a bar. */
  async brush(brushing: BarBrushing): Promise<void> {
    const { barId } = brushing;
    await keepOnce(this.db.manager, BarBrushing, brushing, {
      owner: { barId },
      same: ['brushedAt'],
      what: 'brushing',
    });
  }

  /** Takes a brushing back that was kept by mistake; one that is not there is no fault. */
  async unbrush(barId: string, id: string): Promise<void> {
    await this.db.getRepository(BarBrushing).delete({ barId, id });
  }

  /** Writes a venue with all that stands there; what is left out is retired, not deleted. */
  async save(
    venue: Omit<Venue, 'version' | 'archivedAt'>,
    seen: number,
    kit: WrittenKit,
    kitChanged: boolean,
    now: Date,
  ): Promise<void> {
    const { id: venueId, clubId, ...content } = venue;
    await this.db.transaction(async (manager) => {
      const owner = { clubId };
      const saved = await saveVersion(manager, Venue, {
        ...{ id: venueId, owner, seen, content, what: 'venue' },
        fresh: { archivedAt: null },
      });
      if (saved === 'same' && !kitChanged) return;
      // Only what stands there is another: it counts as a change of the venue all the same.
      if (saved === 'same')
        await changeVersion(manager, Venue, { ...{ id: venueId, owner, seen, part: {}, what: 'venue' } });
      const placed = <Row extends object>(rows: readonly Row[]): (Row & Omit<Item, 'id' | 'name'>)[] =>
        rows.map((row, place) => ({ ...row, venueId, place, retiredAt: null }));
      await keep(manager, Bar, venueId, placed(kit.bars), now);
      await keep(manager, Handle, venueId, placed(kit.handles), now);
      await keep(manager, Gripper, venueId, placed(kit.grippers), now);
      await keep(
        manager,
        PinRack,
        venueId,
        placed(kit.racks.map((rack) => ({ ...rack, pinHeights: [...rack.pinHeights] }))),
        now,
      );
      await keep(manager, Dynamometer, venueId, placed(kit.dynamometers), now);
      await manager.delete(Plate, { venueId });
      await insertMany(
        manager,
        Plate,
        kit.plates.map(({ mass, unit, pairs }) => ({ id: randomUUID(), venueId, mass, unit, pairs })),
      );
    });
  }

  archive(clubId: string, id: string, seen: number, archivedAt: Date | null): Promise<void> {
    return changeVersion(this.db.manager, Venue, {
      ...{ id, seen, owner: { clubId }, part: { archivedAt }, what: 'venue' },
    });
  }

  async addMany(
    manager: EntityManager,
    venues: readonly Venue[],
    stands: Stands,
    brushings: readonly BarBrushing[],
  ): Promise<void> {
    await insertMany(manager, Venue, venues);
    await insertMany(manager, Bar, stands.bars);
    await insertMany(manager, Plate, stands.plates);
    await insertMany(manager, Handle, stands.handles);
    await insertMany(manager, Gripper, stands.grippers);
    await insertMany(manager, PinRack, stands.racks);
    await insertMany(manager, Dynamometer, stands.dynamometers);
    await insertMany(manager, BarBrushing, brushings);
  }

  private inUse<Row extends Item>(
    entity: EntityTarget<Row>,
    venueIds: readonly string[],
    manager = this.db.manager,
  ): Promise<Row[]> {
    const inUse = 'venue_id = ANY($1) AND retired_at IS NULL ORDER BY place, name';
    return readMany(manager, entity, inUse, [venueIds]);
  }
}

/** Writes the items of one kind: new ones in, known ones changed, those left out retired. */
async function keep<Row extends Item>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  venueId: string,
  rows: readonly Row[],
  now: Date,
): Promise<void> {
  const ids = rows.map((row) => row.id);
  const here = { venueId, retiredAt: IsNull() };
  const elsewhere = { id: In(ids), venueId: Not(venueId) } as FindOptionsWhere<Item> as FindOptionsWhere<Row>;
  if (ids.length && (await manager.countBy(entity, elsewhere)) > 0) throw notFound('item');
  if (new Set(ids).size < ids.length) throw changedMeanwhile('venue');
  await upsertAll(manager, entity, rows);
  await manager
    .createQueryBuilder()
    .update(entity)
    .set({ retiredAt: now } as object)
    .where({ ...here, ...(ids.length && { id: Not(In(ids)) }) })
    .execute();
}
