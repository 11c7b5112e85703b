import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import { isUUID } from 'class-validator';
import { brushing, checkVenueKit, type VenueKit as WrittenKit } from '@iron-clasp/core';
import type { BrushingRequest, KitView, VenueRequest, VenueView } from '@iron-clasp/contract';
import { Clock } from '../clock.ts';
import { notFound, Problem } from '../http/problem.ts';
import { takenAt } from '../http/taken-at.ts';
import { KitRepository, type WholeVenue } from './kit.repository.ts';

const CHANGED_MEANWHILE =
  'Somebody changed this venue since the page was opened. Nothing of yours was saved or lost: look at theirs, then save again.';

@Injectable()
export class KitService {
  constructor(
    private readonly kit: KitRepository,
    private readonly clock: Clock,
  ) {}

  async all(clubId: string): Promise<KitView> {
    const venues = (await this.kit.whole(clubId)).map(view);
    return { venues: venues.filter((each) => !each.archived), aside: venues.filter((each) => each.archived) };
  }

  /** Adds a venue, or changes one that is still at the version its editor saw. The same content again changes nothing. */
  async save(clubId: string, id: string, body: VenueRequest): Promise<VenueView> {
    checkVenueKit(body.kit);
    const kit = onlyKnown(body.kit);
    const known = (await this.kit.whole(clubId)).find((each) => each.venue.id === id);
    if (known && isDeepStrictEqual(sorted(known.kit), sorted(kit))) return view(known);
    const written = {
      ...{ id, clubId, name: kit.name, chalk: kit.chalk, note: kit.note },
      straps: kit.straps && [...kit.straps],
      has: kit.has && [...kit.has],
      version: body.version + 1,
      archivedAt: known?.venue.archivedAt ?? null,
    };
    const stale = known ? known.venue.version !== body.version : body.version !== 0;
    if (stale || !(await this.kit.save(written, kit, this.clock.now())))
      throw known || body.version > 0
        ? new Problem(409, 'changed-meanwhile', CHANGED_MEANWHILE)
        : notFound('venue');
    return this.one(clubId, id);
  }

  /** Puts a venue aside, or takes it back; one with sessions ahead stays. */
  async archive(clubId: string, id: string, archived: boolean, version: number): Promise<VenueView> {
    const known = await this.kit.venue(clubId, id);
    if (!known) throw notFound('venue');
    if ((known.archivedAt !== null) === archived) return this.one(clubId, id);
    const ahead = archived ? await this.kit.sessionsAhead(id, this.clock.today()) : 0;
    if (ahead > 0)
      throw new Problem(
        409,
        'venue-in-use',
        `${ahead} coming ${ahead === 1 ? 'session is' : 'sessions are'} held at ${known.name}. Move them to another venue first.`,
      );
    if (!(await this.kit.archive(clubId, id, archived ? this.clock.now() : null, version)))
      throw new Problem(409, 'changed-meanwhile', CHANGED_MEANWHILE);
    return this.one(clubId, id);
  }

  /** Keeps that a bar was brushed. */
  async brush(
    clubId: string,
    accountId: string,
    barId: string,
    id: string,
    body: BrushingRequest,
  ): Promise<KitView> {
    const brushedAt = takenAt(this.clock, body.brushedAt, 'brushedAt');
    if (!(await this.kit.brush(clubId, { id, barId, brushedAt, brushedBy: accountId })))
      throw notFound('bar');
    return this.all(clubId);
  }

  private async one(clubId: string, id: string): Promise<VenueView> {
    const found = (await this.kit.whole(clubId)).find((each) => each.venue.id === id);
    if (!found) throw notFound('venue');
    return view(found);
  }
}

function view({ venue, kit, bars }: WholeVenue): VenueView {
  return {
    id: venue.id,
    version: venue.version,
    archived: venue.archivedAt !== null,
    kit,
    bars: bars.map((use, i) => ({ ...use, ...brushing(use.chalkedSets, kit.bars[i]!.brushEvery) })),
  };
}

/** Nothing is stored that the core does not know, and ids must be ones the tables can hold. */
function onlyKnown(kit: WrittenKit): WrittenKit {
  const items = [kit.bars, kit.handles, kit.grippers, kit.racks, kit.dynamometers].flat();
  if (items.some(({ id }) => !isUUID(id)))
    throw new Problem(400, 'invalid-input', 'An item’s id must be a UUID made by the client.');
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

/** Plates have no order of their own. */
function sorted(kit: WrittenKit): WrittenKit {
  const key = ({ mass, unit }: WrittenKit['plates'][number]): string => `${unit} ${mass}`;
  return { ...kit, plates: [...kit.plates].sort((a, b) => key(a).localeCompare(key(b))) };
}
