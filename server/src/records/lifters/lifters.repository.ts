import { Injectable } from '@nestjs/common';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import type { PageKey } from '../../platform/http/paging.ts';
import { readBy, readMany } from '../../platform/database/read-many.ts';
import { together } from '../../platform/database/together.ts';
import { Lifter, LifterChange, LifterHistory } from './lifter.entity.ts';

@Injectable()
export class LiftersRepository {
  constructor(private readonly db: DataSource) {}

  async find(clubId: string, id: string): Promise<Lifter | null> {
    const [lifter] = await this.ofClub([id], clubId);
    return lifter ?? null;
  }
  private readonly ofClub = together(
    (ids, clubId) => readBy(this.db, Lifter, { id: ids, clubId }),
    (lifter) => lifter.id,
  );

  /** Those on the rack, by name; only those whose name contains `find`, which is in lower case. */
  onRack(clubId: string, find = ''): Promise<Lifter[]> {
    const found = `club_id = $1 AND archived_at IS NULL AND ($2 = '' OR strpos(lower(name), $2) > 0)`;
    return readMany(this.db, Lifter, `${found} ORDER BY name, id`, [clubId, find]);
  }

  /** Some of them, by name. */
  someOnRack(clubId: string, ids: readonly string[]): Promise<Lifter[]> {
    const found = 'club_id = $1 AND archived_at IS NULL AND id = ANY($2)';
    return readMany(this.db, Lifter, `${found} ORDER BY name, id`, [clubId, ids]);
  }

  /** The archived ones by name, those after the key. */
  archived(clubId: string, after: PageKey | null, limit: number): Promise<Lifter[]> {
    const query = this.db
      .getRepository(Lifter)
      .createQueryBuilder('lifter')
      .where('lifter.clubId = :clubId AND lifter.archivedAt IS NOT NULL', { clubId })
      .orderBy('lifter.name')
      .addOrderBy('lifter.id')
      .limit(limit);
    if (after) query.andWhere('(lifter.name, lifter.id) > (:name, :id)', { name: after.value, id: after.id });
    return query.getMany();
  }

  byIds(ids: readonly string[]): Promise<Lifter[]> {
    return readBy(this.db, Lifter, { id: ids }, { name: 'ASC', id: 'ASC' });
  }

  /** Is the lifter there, and not archived? */
  isActive(id: string): Promise<boolean> {
    return this.db.getRepository(Lifter).existsBy({ id, archivedAt: IsNull() });
  }

  readonly history = together(
    (lifterIds) => readBy(this.db, LifterHistory, { lifterId: lifterIds }, { kind: 'ASC', id: 'ASC' }),
    (row) => row.lifterId,
  );

  /** What was changed about a lifter, the latest first, those before the key. */
  changes(lifterId: string, before: PageKey | null, limit: number): Promise<LifterChange[]> {
    const query = this.db
      .getRepository(LifterChange)
      .createQueryBuilder('change')
      .where('change.lifterId = :lifterId', { lifterId })
      .orderBy('change.changedAt', 'DESC')
      .addOrderBy('change.id', 'DESC')
      .limit(limit);
    if (before)
      query.andWhere('(change.changedAt, change.id) < (:at, :id)', { at: before.value, id: before.id });
    return query.getMany();
  }

  /** When a field was last changed; null where it never was. */
  async lastChanges(lifterIds: readonly string[], field: string): Promise<Map<string, Date>> {
    const found: { lifter_id: string; at: Date }[] = await this.db.query(
      'SELECT lifter_id, max(changed_at) AS at FROM lifter_change WHERE lifter_id = ANY($1) AND field = $2 GROUP BY lifter_id',
      [lifterIds, field],
    );
    return new Map(found.map((row) => [row.lifter_id, row.at]));
  }

  async replaceHistory(
    manager: EntityManager,
    lifterId: string,
    history: readonly LifterHistory[],
  ): Promise<void> {
    await manager.delete(LifterHistory, { lifterId });
    if (history.length) await manager.insert(LifterHistory, [...history]);
  }

  async addChanges(manager: EntityManager, changes: readonly LifterChange[]): Promise<void> {
    for (const change of changes) await manager.getRepository(LifterChange).save(change);
  }

  /** Lifters on the rack that follow each of the club's own schools. */
  async followers(clubId: string): Promise<Map<string, number>> {
    const rows: { id: string; n: number }[] = await this.db.query(
      `SELECT club_school_id AS id, count(*)::int AS n FROM lifter
        WHERE club_id = $1 AND archived_at IS NULL AND club_school_id IS NOT NULL GROUP BY 1`,
      [clubId],
    );
    return new Map(rows.map((row) => [row.id, row.n]));
  }
}
