import { Injectable, type OnModuleInit } from '@nestjs/common';
import { Between, DataSource, In, IsNull, type EntityManager } from 'typeorm';
import { changeVersion, insertMany, saveVersion } from '../../platform/database/saves.ts';
import { notFound } from '../../platform/http/problem.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { together } from '../../platform/database/together.ts';
import { readMany, readOne } from '../../platform/database/read-many.ts';
import { Meet } from './meet.entity.ts';

/** Meets ahead of a lifter that are listed. */
const MOST = 20;

/** What an editor says of a meet. */
export type MeetContent = Omit<Meet, 'id' | 'clubId' | 'lifterId' | 'version' | 'removedAt'>;

@Injectable()
export class MeetsService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register({ name: 'meet', ...OWN });
  }

  /** The lifter's meets from the day on, the nearest first. */
  ahead(lifterId: string, today: string): Promise<Meet[]> {
    return readMany(
      this.db,
      Meet,
      'lifter_id = $1 AND removed_at IS NULL AND held_on >= $2 ORDER BY held_on, id LIMIT $3',
      [lifterId, today, MOST],
    );
  }

  /** The meets of several lifters between two days, both included, in order. */
  between(lifterIds: readonly string[], from: string, to: string): Promise<Meet[]> {
    return this.db.getRepository(Meet).find({
      where: { lifterId: In([...lifterIds]), removedAt: IsNull(), heldOn: Between(from, to) },
      order: { heldOn: 'ASC', id: 'ASC' },
    });
  }

  /** The lifter's meet of a day; null where none is held. */
  onDay(lifterId: string, heldOn: string, manager = this.db.manager): Promise<Meet | null> {
    return readOne(manager, Meet, { lifterId, removedAt: null, heldOn }, { id: 'ASC' });
  }

  /** The next meet of each lifter who has one ahead. */
  async nextOf(lifterIds: readonly string[], today: string): Promise<Map<string, Meet>> {
    const found = await this.comingOf(lifterIds, today);
    return new Map(found.map((meet) => [meet.lifterId, meet]));
  }
  private readonly comingOf = together(
    (lifterIds, today) =>
      readMany(
        this.db,
        Meet,
        'lifter_id = ANY($1) AND removed_at IS NULL AND held_on >= $2 ORDER BY held_on DESC, id DESC',
        [lifterIds, today],
      ),
    (meet) => meet.lifterId,
  );

  async save(
    clubId: string,
    lifterId: string,
    id: string,
    seen: number,
    content: MeetContent,
  ): Promise<void> {
    await saveVersion(this.db.manager, Meet, {
      ...{ id, seen, content, what: 'meet' },
      owner: { clubId, lifterId },
      fresh: { removedAt: null },
    });
  }

  /** Removes a meet; repeated it changes nothing. */
  async remove(clubId: string, lifterId: string, id: string, removedAt: Date): Promise<void> {
    const owner = { clubId, lifterId };
    const known = await this.db.getRepository(Meet).findOneBy({ id, ...owner });
    if (!known) throw notFound('meet');
    if (known.removedAt) return;
    await changeVersion(this.db.manager, Meet, {
      ...{ id, owner, seen: known.version, what: 'meet' },
      part: { removedAt },
    });
  }

  addMany(manager: EntityManager, meets: readonly Meet[]): Promise<void> {
    return insertMany(manager, Meet, meets);
  }
}
