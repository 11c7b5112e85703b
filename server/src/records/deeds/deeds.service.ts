import { randomUUID } from 'node:crypto';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { Deeds, type Deed } from '../../platform/access/deeds.ts';
import type { PageKey } from '../../platform/http/paging.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { DeedRow } from './deed.entity.ts';

@Injectable()
export class DeedsService extends Deeds implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {
    super();
  }

  onModuleInit(): void {
    // What was done stays on record; whom it was about does not.
    this.kept.register({ name: 'deed', ...OWN, exported: 'withClub', forget: 'lifter_id' });
  }

  override async keep(deed: Deed): Promise<void> {
    await this.db.getRepository(DeedRow).insert({ id: randomUUID(), ...deed });
  }

  /** A page of what was done in the club, the latest first; of one person where it is asked for. */
  page(clubId: string, by: string | null, before: PageKey | null, limit: number): Promise<DeedRow[]> {
    const rows = this.db
      .getRepository(DeedRow)
      .createQueryBuilder('deed')
      .where('deed.clubId = :clubId', { clubId })
      .orderBy('deed.at', 'DESC')
      .addOrderBy('deed.id', 'DESC')
      .limit(limit);
    if (by) rows.andWhere('deed.accountId = :by', { by });
    if (before) rows.andWhere('(deed.at, deed.id) < (:at, :id)', { at: before.value, id: before.id });
    return rows.getMany();
  }
}
