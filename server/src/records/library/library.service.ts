import { Injectable, type OnModuleInit } from '@nestjs/common';
import { DataSource, IsNull, Not, type EntityManager } from 'typeorm';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { changeVersion, insertMany, saveVersion } from '../../platform/database/saves.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { LibraryPlanRow } from './library.entity.ts';

/** Plans a club keeps at most: the list is read whole. */
const MOST_PLANS = 200;

/** What a plan holds. */
export type LibraryContent = Pick<LibraryPlanRow, 'kind' | 'sessions' | 'bests'>;

/** The club's library of sessions and weeks. */
@Injectable()
export class LibraryService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register({ name: 'library_plan', ofClub: OWN.ofClub });
  }

  /** By title. */
  async all(clubId: string): Promise<LibraryPlanRow[]> {
    const plans = await this.db.getRepository(LibraryPlanRow).findBy({ clubId, removedAt: IsNull() });
    return plans.sort((a, b) => a.title.localeCompare(b.title) || a.id.localeCompare(b.id));
  }

  async known(clubId: string, id: string): Promise<LibraryPlanRow> {
    const plan = await this.db.getRepository(LibraryPlanRow).findOneBy({ clubId, id, removedAt: IsNull() });
    if (!plan) throw notFound('plan');
    return plan;
  }

  /** Keeps a plan, or another title of one; what it holds is left out where it stays. */
  async save(
    clubId: string,
    id: string,
    seen: number,
    title: string,
    content: LibraryContent | undefined,
  ): Promise<void> {
    await this.db.transaction(async (manager) => {
      if (
        seen === 0 &&
        (await manager.countBy(LibraryPlanRow, { clubId, removedAt: IsNull(), id: Not(id) })) >= MOST_PLANS
      )
        throw new Problem(409, 'too-many', `A library holds at most ${MOST_PLANS} plans. Remove one first.`);
      await saveVersion(manager, LibraryPlanRow, {
        ...{ id, seen, owner: { clubId }, content: { title, ...content }, fresh: { removedAt: null } },
        what: 'plan',
      });
    });
  }

  /** Takes a plan out, or back in, if it is still at the version seen. */
  remove(clubId: string, id: string, seen: number, removedAt: Date | null): Promise<void> {
    return changeVersion(this.db.manager, LibraryPlanRow, {
      ...{ id, seen, owner: { clubId }, part: { removedAt }, what: 'plan' },
    });
  }

  async removed(clubId: string, id: string): Promise<LibraryPlanRow | null> {
    return this.db.getRepository(LibraryPlanRow).findOneBy({ clubId, id, removedAt: Not(IsNull()) });
  }

  addMany(manager: EntityManager, plans: readonly LibraryPlanRow[]): Promise<void> {
    return insertMany(manager, LibraryPlanRow, plans);
  }
}
