import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { HoldEquipment, VenueKit as WrittenKit } from '@iron-clasp/core';
import {
  DataSource,
  In,
  IsNull,
  Not,
  type EntityManager,
  type EntityTarget,
  type FindOptionsWhere,
  type ObjectLiteral,
} from 'typeorm';
import { insertNew } from '../database/insert-new.ts';
import { Bar, BarBrushing, Dynamometer, Gripper, Handle, PinRack, Plate, Venue } from './kit.entity.ts';

/** A venue with the bar that is used there and what loads it. */
export interface VenueKit {
  readonly venue: Venue;
  readonly bar: Bar;
  readonly bars: readonly Bar[];
  readonly equipment: HoldEquipment;
  readonly handles: readonly Handle[];
}

/** Everything of a venue, with the state of its bars. */
export interface WholeVenue {
  readonly venue: Venue;
  readonly kit: WrittenKit;
  readonly bars: readonly BarUse[];
}

/** When a bar was brushed, and what was done on it with chalk since. */
export interface BarUse {
  readonly id: string;
  readonly brushedAt: string | null;
  readonly brushedBy: string | null;
  readonly chalkedSets: number;
}

interface Item extends ObjectLiteral {
  readonly id: string;
  readonly venueId: string;
  readonly retiredAt: Date | null;
}

const IN_ORDER = { place: 'ASC', name: 'ASC' } as const;

@Injectable()
export class KitRepository {
  constructor(private readonly db: DataSource) {}

  /** The club's venues that are in use, by name. */
  async venues(clubId: string): Promise<Venue[]> {
    return this.db
      .getRepository(Venue)
      .find({ where: { clubId, archivedAt: IsNull() }, order: { name: 'ASC' } });
  }

  /**
   * The venue's kit with the named bar, else its first; null where the venue is not the club's, has no bar, or the bar is
   * another venue's. A bar retired since is still the one a session named.
   */
  async kit(clubId: string, venueId: string, barId?: string | null): Promise<VenueKit | null> {
    const [venue, all, plates, handles] = await Promise.all([
      this.db.getRepository(Venue).findOneBy({ clubId, id: venueId }),
      this.db.getRepository(Bar).find({ where: { venueId }, order: IN_ORDER }),
      this.db.getRepository(Plate).find({ where: { venueId }, order: { mass: 'DESC' } }),
      this.db.getRepository(Handle).find({ where: { venueId, retiredAt: IsNull() }, order: IN_ORDER }),
    ]);
    const bars = all.filter((each) => !each.retiredAt);
    const bar = barId ? all.find((each) => each.id === barId) : bars[0];
    if (!venue || !bar) return null;
    return {
      venue,
      bar,
      bars,
      handles,
      equipment: {
        bar: bar.mass,
        collars: bar.collars,
        plates: plates.map(({ mass, unit, pairs }) => ({ mass, unit, pairs })),
      },
    };
  }

  async venue(clubId: string, id: string): Promise<Venue | null> {
    return this.db.getRepository(Venue).findOneBy({ clubId, id });
  }

  /** Every venue of the club with all that stands there, those put aside too; the busiest first. */
  async whole(clubId: string): Promise<WholeVenue[]> {
    const venues = await this.db.getRepository(Venue).find({ where: { clubId }, order: { name: 'ASC' } });
    const sessions: { venue_id: string; n: number }[] = await this.db.query(
      `SELECT t.venue_id, count(*)::int AS n FROM training_session t JOIN venue v ON v.id = t.venue_id
        WHERE v.club_id = $1 AND t.held_on > (SELECT max(held_on) FROM training_session x WHERE x.venue_id = v.id) - 90
        GROUP BY t.venue_id`,
      [clubId],
    );
    const busy = new Map(sessions.map((row) => [row.venue_id, row.n]));
    venues.sort((a, b) => (busy.get(b.id) ?? 0) - (busy.get(a.id) ?? 0));
    const venueId = In(venues.map((venue) => venue.id));
    const items = <Row extends Item>(entity: EntityTarget<Row>): Promise<Row[]> =>
      this.db.getRepository(entity).find({
        where: { venueId, retiredAt: IsNull() } as unknown as FindOptionsWhere<Row>,
        order: IN_ORDER as never,
      });
    const [bars, plates, handles, grippers, racks, dynamometers, use] = await Promise.all([
      items(Bar),
      this.db.getRepository(Plate).find({ where: { venueId }, order: { unit: 'ASC', mass: 'DESC' } }),
      items(Handle),
      items(Gripper),
      items(PinRack),
      items(Dynamometer),
      this.use(clubId),
    ]);
    return venues.map((venue) => {
      const here = <Row extends { venueId: string }>(rows: readonly Row[]): Row[] =>
        rows.filter((row) => row.venueId === venue.id);
      const own = here(bars);
      return {
        venue,
        bars: own.map((bar) => use.get(bar.id)!),
        kit: {
          name: venue.name,
          chalk: venue.chalk,
          note: venue.note,
          straps: venue.straps,
          has: venue.has,
          bars: own.map(({ id, name, mass, diameter, collars, knurl, brushEvery }) => ({
            ...{ id, name, mass, diameter, collars, knurl, brushEvery },
          })),
          plates: here(plates).map(({ mass, unit, pairs }) => ({ mass, unit, pairs })),
          handles: here(handles).map(({ id, name, diameter, mass }) => ({ id, name, diameter, mass })),
          grippers: here(grippers).map(({ id, name, resistance }) => ({ id, name, resistance })),
          racks: here(racks).map(({ id, name, pinHeights }) => ({ id, name, pinHeights })),
          dynamometers: here(dynamometers).map(({ id, name, settings }) => ({ id, name, settings })),
        },
      };
    });
  }

  /** The state of every bar of the club. */
  private async use(clubId: string): Promise<Map<string, BarUse>> {
    const rows: { id: string; brushed_at: Date | null; brushed_by: string | null; sets: number }[] =
      await this.db.query(
        `SELECT b.id, r.brushed_at, a.name AS brushed_by,
                ((SELECT count(*) FROM logged_set s WHERE s.bar_id = b.id AND s.chalk <> 'none' AND s.undone_at IS NULL
                     AND s.done_at > coalesce(r.brushed_at, '-infinity'))
                 + (SELECT count(*) FROM logged_hold h WHERE h.bar_id = b.id AND h.chalk <> 'none' AND h.undone_at IS NULL
                     AND h.done_at > coalesce(r.brushed_at, '-infinity')))::int AS sets
           FROM bar b JOIN venue v ON v.id = b.venue_id
           LEFT JOIN LATERAL (SELECT brushed_at, brushed_by FROM bar_brushing x
                               WHERE x.bar_id = b.id ORDER BY brushed_at DESC LIMIT 1) r ON true
           LEFT JOIN account a ON a.id = r.brushed_by
          WHERE v.club_id = $1 AND b.retired_at IS NULL`,
        [clubId],
      );
    return new Map(
      rows.map(({ id, brushed_at, brushed_by, sets }) => [
        id,
        { id, brushedAt: brushed_at?.toISOString() ?? null, brushedBy: brushed_by, chalkedSets: sets },
      ]),
    );
  }

  /**
   * Writes a venue with all that stands there, new or at the version its editor saw; false where somebody was faster or an
   * item's id belongs to another venue. What is left out is retired, not deleted.
   */
  async save(venue: Venue, kit: WrittenKit, now: Date): Promise<boolean> {
    return this.db
      .transaction(async (manager) => {
        if (venue.version === 1) {
          if (!(await insertNew(manager, Venue, venue))) throw new Stale();
        } else {
          const { id, clubId, version } = venue;
          const updated = await manager.update(Venue, { id, clubId, version: version - 1 }, venue);
          if (updated.affected !== 1) throw new Stale();
        }
        const venueId = venue.id;
        const placed = <Row extends { readonly id: string }>(
          rows: readonly Row[],
        ): (Row & Omit<Item, 'id'>)[] =>
          rows.map((row, place) => ({ ...row, venueId, place, retiredAt: null }));
        await keep(manager, Bar, venueId, placed(kit.bars), now);
        await keep(manager, Handle, venueId, placed(kit.handles), now);
        await keep(manager, Gripper, venueId, placed(kit.grippers), now);
        await keep(manager, PinRack, venueId, placed(kit.racks), now);
        await keep(manager, Dynamometer, venueId, placed(kit.dynamometers), now);
        await manager.delete(Plate, { venueId });
        await manager.insert(
          Plate,
          kit.plates.map(({ mass, unit, pairs }) => ({ id: randomUUID(), venueId, mass, unit, pairs })),
        );
        return true;
      })
      .catch((error: unknown) => {
        if (error instanceof Stale) return false;
        throw error;
      });
  }

  /** Puts a venue aside or takes it back if it is still at `version`. */
  async archive(clubId: string, id: string, archivedAt: Date | null, version: number): Promise<boolean> {
    const done = await this.db
      .getRepository(Venue)
      .update({ clubId, id, version }, { archivedAt, version: version + 1 });
    return done.affected === 1;
  }

  /** Sessions of the club that are still to come at the venue. */
  async sessionsAhead(venueId: string, today: string): Promise<number> {
    const [{ ahead }]: [{ ahead: number }] = await this.db.query(
      `SELECT count(*)::int AS ahead FROM training_session WHERE venue_id = $1 AND held_on >= $2 AND NOT finished`,
      [venueId, today],
    );
    return ahead;
  }

  /** Keeps a brushing of one of the club's bars; false where the bar is not the club's. Repeated it changes nothing. */
  async brush(clubId: string, brushing: BarBrushing): Promise<boolean> {
    const found: unknown[] = await this.db.query(
      `SELECT 1 FROM bar b JOIN venue v ON v.id = b.venue_id WHERE b.id = $1 AND v.club_id = $2`,
      [brushing.barId, clubId],
    );
    if (found.length === 0) return false;
    await insertNew(this.db.manager, BarBrushing, brushing);
    return true;
  }
}

/** The venue is at another version than the editor saw. */
class Stale extends Error {}

/** Writes the items of one kind: new ones in, known ones changed, those left out retired. */
async function keep<Row extends Item>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  venueId: string,
  rows: readonly ObjectLiteral[],
  now: Date,
): Promise<void> {
  const ids = rows.map((row) => row['id'] as string);
  const foreign = ids.length
    ? await manager.count(entity, { where: { id: In(ids), venueId: Not(venueId) } as never })
    : 0;
  if (foreign > 0) throw new Stale();
  if (rows.length) await manager.upsert(entity, rows as never, ['id']);
  await manager.update(
    entity,
    { venueId, retiredAt: IsNull(), ...(ids.length && { id: Not(In(ids)) }) } as never,
    { retiredAt: now } as never,
  );
}
