import { Injectable } from '@nestjs/common';
import type { LifterChangesView, ProfileView } from '@iron-clasp/contract';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { pageOf, readKey } from '../../platform/http/paging.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import { SharingService } from '../../records/sharing/sharing.service.ts';
import { conflictsOf } from '../../evidence/lifter-today/for-calls.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';

/** Changes on one page. */
const PAGE = 50;

@Injectable()
export class ProfileViewService {
  constructor(
    private readonly today: LifterTodayService,
    private readonly lifters: LiftersService,
    private readonly meets: MeetsService,
    private readonly sharing: SharingService,
    private readonly accounts: AccountsService,
  ) {}

  /** One lifter with everything a coach may change, and what was changed. */
  async view(club: ClubRef, id: string): Promise<ProfileView> {
    const known = await this.today.profile(club, id);
    const { lifter, history, today } = known;
    const { clubId: _club, archivedAt, clubSchoolId, ...rest } = lifter;
    const [changes, links, account, meets] = await Promise.all([
      this.page(id),
      this.sharing.links(club.id, id),
      this.sharing.accountOf(id),
      this.meets.ahead(id, today),
    ]);
    return {
      ...rest,
      schoolId: clubSchoolId ?? lifter.schoolId,
      archived: archivedAt !== null,
      ...{ history, changes, links, account },
      conflicts: conflictsOf(known),
      meets: meets.map(({ id: meet, version, name, heldOn, ...each }) => ({
        ...{ id: meet, version, name, heldOn, straps: each.straps, thumbTape: each.thumbTape },
        ...{ liquidChalk: each.liquidChalk, place: each.place, barDiameter: each.barDiameter },
        events: each.events.map(({ liftId, straps, barDiameter = null }) => ({
          liftId,
          straps,
          barDiameter,
        })),
        attempts: each.attempts,
      })),
    };
  }

  /** A page of what was changed about a lifter, the latest first. */
  async changes(club: ClubRef, id: string, before: string | undefined): Promise<LifterChangesView> {
    await this.lifters.known(club.id, id);
    return this.page(id, before);
  }

  private async page(id: string, before?: string): Promise<LifterChangesView> {
    const rows = await this.lifters.changes(id, readKey(before, 'moment'), PAGE + 1);
    const { items, next } = pageOf(rows, PAGE, (row) => ({ value: row.changedAt.toISOString(), id: row.id }));
    const names = await this.accounts.names(items.map((row) => row.changedBy));
    return {
      changes: items.map((row) => ({
        ...{ id: row.id, field: row.field, before: row.before, after: row.after },
        by: names.get(row.changedBy) ?? '',
        at: row.changedAt.toISOString(),
      })),
      next,
    };
  }
}
