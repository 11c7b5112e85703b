import { Injectable } from '@nestjs/common';
import type { ArchivedView, RackView, TodayView } from '@iron-clasp/contract';
import { daysBetween, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { pageOf, readKey } from '../../platform/http/paging.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { UNCHECKED_HANDS } from '../../evidence/lifter-today/lifter-today.service.ts';
import { byAttention, flagOf } from './attention.ts';

/** Lifters on one page of the rack. */
export const RACK_PAGE = 60;
/** Entries on one page of the archive. */
const ARCHIVE_PAGE = 50;

const NOTHING_BARE = { recent: 0, recentSets: 0, before: 0, beforeSets: 0 };

@Injectable()
export class RackService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly checks: HandsChecksService,
    private readonly meets: MeetsService,
    private readonly training: TrainingService,
    private readonly log: LogService,
    private readonly kit: KitService,
    private readonly days: Days,
    private readonly changes: ChangesService,
  ) {}

  /** A page of the rack in order of attention, of those whose name contains `find`; `after` is the last lifter of the page before. */
  async rack(club: ClubRef, find = '', after: string | null = null): Promise<RackView> {
    const today = this.days.today(club);
    const all = await this.lifters.onRack(club.id, find);
    const rows = await this.changes.allUntilChanged(
      'rack row',
      club,
      all.map(({ id }) => id),
      async (missing) => {
        const read = await this.rows(await this.lifters.someOnRack(club.id, missing), today);
        return new Map(read.map((row) => [row.id, row]));
      },
    );
    const inOrder = all.flatMap(({ id }) => rows.get(id) ?? []).sort(byAttention);
    // Attention moves while one reads: a lifter who is no longer there starts the rack afresh rather than ending it.
    const from = after === null ? 0 : inOrder.findIndex((row) => row.id === after) + 1;
    const lifters = inOrder.slice(from, from + RACK_PAGE);
    const next = from + RACK_PAGE < inOrder.length ? lifters.at(-1)!.id : null;
    return { today, lifters, total: inOrder.length, next };
  }

  /** What the rack says of some of those on it. */
  private async rows(some: readonly Lifter[], today: string): Promise<RackView['lifters']> {
    const ids = some.map(({ id }) => id);
    const [histories, checks, sessions, meets, bare] = await Promise.all([
      this.lifters.histories(ids),
      this.checks.latestOf(ids),
      this.training.nextOf(ids, today),
      this.meets.nextOf(ids, today),
      this.log.bareFortnights(ids, today),
    ]);
    return some.map(({ id, name, sport }) => {
      const [check, session, next] = [checks.get(id), sessions.get(id), meets.get(id)];
      const meet = next ? { name: next.name, on: next.heldOn, days: daysBetween(today, next.heldOn) } : null;
      const uncleared = (histories.get(id) ?? []).filter((flag) => !flag.cleared).map((flag) => flag.kind);
      return {
        ...{ id, name, sport, meet },
        hands: check?.hands ?? UNCHECKED_HANDS,
        handsOn: check?.checkedOn ?? null,
        nextSession: session ? { id: session.id, on: session.heldOn, title: session.title } : null,
        flag: flagOf({ hands: check?.hands ?? null, uncleared, ...(bare.get(id) ?? NOTHING_BARE) }, meet),
      };
    });
  }

  /** Everybody on the rack who trains today, by name. */
  async today(club: ClubRef): Promise<TodayView> {
    const today = this.days.today(club);
    const [sessions, lifters, venues] = await Promise.all([
      this.training.onDay(club.id, today),
      this.lifters.onRack(club.id),
      this.kit.whole(club.id),
    ]);
    return {
      today,
      sessions: lifters.flatMap((lifter) =>
        sessions
          .filter((session) => session.lifterId === lifter.id)
          .map(({ id, title, venueId }) => ({
            ...{ id, title, lifterId: lifter.id, lifterName: lifter.name },
            venue: venues.find(({ venue }) => venue.id === venueId)?.venue.name ?? '',
          })),
      ),
    };
  }

  /** A page of the archived lifters, by name. */
  async archived(club: ClubRef, after: string | undefined): Promise<ArchivedView> {
    const rows = await this.lifters.archived(club.id, readKey(after, 'text'), ARCHIVE_PAGE + 1);
    const { items, next } = pageOf(rows, ARCHIVE_PAGE, (row) => ({ value: row.name, id: row.id }));
    return {
      lifters: items.map(({ id, name, sport, sportWords, version, archivedAt }) => ({
        ...{ id, name, sport, sportWords, version },
        archivedAt: archivedAt!.toISOString(),
      })),
      next,
    };
  }
}
