import { Injectable } from '@nestjs/common';
import { checkVenueKit, type VenueKit } from '@iron-clasp/core';
import type { BrushingRequest, KitView, VenueRequest, VenueView } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { notFound } from '../../platform/http/problem.ts';
import { takenAt } from '../../platform/http/taken-at.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { BarUseService } from '../../evidence/kit/bar-use.service.ts';

/** What stands at the club's venues, and which bars are due for brushing. */
@Injectable()
export class KitViewService {
  constructor(
    private readonly kit: KitService,
    private readonly use: BarUseService,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  async all(club: ClubRef): Promise<KitView> {
    const venues = await this.views(club);
    return {
      venues: venues.filter((each) => !each.archived),
      archived: venues.filter((each) => each.archived),
    };
  }

  /** Adds a venue, or changes one that is still at the version its editor saw. The same content again changes nothing. */
  async save(club: ClubRef, id: string, body: VenueRequest): Promise<VenueView> {
    checkVenueKit(body.kit);
    await this.kit.save(club.id, id, body.version, asStored(body.kit), this.clock.now());
    return this.one(club, id);
  }

  /** Archives a venue, or takes it back; one with sessions ahead stays. */
  async archive(club: ClubRef, id: string, archived: boolean, seen: number): Promise<VenueView> {
    const at = archived ? this.clock.now() : null;
    await this.kit.archive(club.id, id, seen, at, this.days.today(club));
    return this.one(club, id);
  }

  /** Keeps that a bar was brushed. */
  async brush(club: ClubRef, by: string, barId: string, id: string, body: BrushingRequest): Promise<KitView> {
    const brushedAt = takenAt(this.clock, body.brushedAt, 'brushedAt');
    await this.kit.brush(club.id, { id, barId, brushedAt, brushedBy: by });
    return this.all(club);
  }

  /** Takes a brushing back that was kept by mistake. */
  async unbrush(club: ClubRef, barId: string, id: string): Promise<KitView> {
    await this.kit.unbrush(club.id, barId, id);
    return this.all(club);
  }

  private async one(club: ClubRef, id: string): Promise<VenueView> {
    const found = (await this.views(club)).find((each) => each.id === id);
    if (!found) throw notFound('venue');
    return found;
  }

  private async views(club: ClubRef): Promise<VenueView[]> {
    const whole = await this.kit.whole(club.id);
    const use = await this.use.of(whole.flatMap(({ kit }) => kit.bars));
    return whole.map(({ venue, kit }) => ({
      id: venue.id,
      version: venue.version,
      archived: venue.archivedAt !== null,
      kit,
      bars: kit.bars.map((bar) => use.get(bar.id)!),
    }));
  }
}

/** Nothing is stored that the core does not know. */
function asStored(kit: VenueKit): VenueKit {
  return {
    name: kit.name.trim(),
    chalk: kit.chalk,
    note: kit.note.trim(),
    straps: kit.straps,
    has: kit.has,
    bars: kit.bars.map(({ id, name, mass, diameter, collars, knurl, brushEvery }) => ({
      ...{ id, name: name.trim(), mass, diameter, collars, knurl, brushEvery },
    })),
    plates: kit.plates.map(({ mass, unit, pairs }) => ({ mass, unit, pairs })),
    handles: kit.handles.map(({ id, name, diameter, mass }) => ({ id, name: name.trim(), diameter, mass })),
    grippers: kit.grippers.map(({ id, name, resistance }) => ({ id, name: name.trim(), resistance })),
    racks: kit.racks.map(({ id, name, pinHeights }) => ({ id, name: name.trim(), pinHeights })),
    dynamometers: kit.dynamometers.map(({ id, name, settings }) => ({
      id,
      name: name.trim(),
      settings: settings.map((setting) => ({ name: setting.name, span: setting.span })),
    })),
  };
}
