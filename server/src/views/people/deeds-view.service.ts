import { Injectable } from '@nestjs/common';
import type { DeedsView } from '@iron-clasp/contract';
import { isUUID } from 'class-validator';
import { pageOf, readKey } from '../../platform/http/paging.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { DeedsService } from '../../records/deeds/deeds.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';

/** Deeds on one page. */
const PAGE = 50;

@Injectable()
export class DeedsViewService {
  constructor(
    private readonly deeds: DeedsService,
    private readonly accounts: AccountsService,
    private readonly lifters: LiftersService,
  ) {}

  /** A page of what was done in the club, of one person where it is asked for. */
  async page(clubId: string, by: string | undefined, before: string | undefined): Promise<DeedsView> {
    const person = by && isUUID(by) ? by : null;
    const rows = await this.deeds.page(clubId, person, readKey(before, 'moment'), PAGE + 1);
    const { items, next } = pageOf(rows, PAGE, (row) => ({ value: row.at.toISOString(), id: row.id }));
    const [names, lifters] = await Promise.all([
      this.accounts.names(items.map((row) => row.accountId)),
      this.lifters.namesOf(
        clubId,
        items.flatMap((row) => row.lifterId ?? []),
      ),
    ]);
    return {
      next,
      deeds: items.map(({ id, at, accountId, what, lifterId }) => {
        const name = lifterId === null ? undefined : lifters.get(lifterId);
        return {
          ...{ id, what, at: at.toISOString(), by: (accountId && names.get(accountId)) ?? '' },
          lifter: lifterId !== null && name !== undefined ? { id: lifterId, name } : null,
        };
      }),
    };
  }
}
