import { Injectable } from '@nestjs/common';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import { PlannedSet, TrainingSession } from './training.entity.ts';
import { readBy, readMany, readOne } from '../../platform/database/read-many.ts';
import { togetherOrWithin } from '../../platform/database/together.ts';

@Injectable()
export class TrainingRepository {
  constructor(private readonly db: DataSource) {}

  /** The club's session, removed ones only where asked. */
  session(
    clubId: string,
    id: string,
    manager: EntityManager = this.db.manager,
  ): Promise<TrainingSession | null> {
    return readOne(manager, TrainingSession, { id, clubId });
  }

  /** Holds a session still until the transaction ends: nothing is logged into it, and nothing of it changes. */
  lock(manager: EntityManager, clubId: string, id: string): Promise<TrainingSession | null> {
    return manager.findOne(TrainingSession, {
      where: { id, clubId, removedAt: IsNull() },
      lock: { mode: 'pessimistic_write' },
    });
  }

  byIds(ids: readonly string[]): Promise<TrainingSession[]> {
    return readBy(this.db, TrainingSession, { id: ids });
  }

  /** The next session of each lifter who has one ahead. */
  async nextOf(lifterIds: readonly string[], today: string): Promise<TrainingSession[]> {
    return readMany(
      this.db,
      TrainingSession,
      `id = ANY (SELECT DISTINCT ON (lifter_id) id FROM training_session
                  WHERE lifter_id = ANY($1) AND held_on >= $2 AND NOT finished AND removed_at IS NULL
                  ORDER BY lifter_id, held_on, id)
       ORDER BY lifter_id`,
      [lifterIds, today],
    );
  }

  /** The club's sessions of a day. */
  onDay(clubId: string, day: string, most: number): Promise<TrainingSession[]> {
    return this.db
      .getRepository(TrainingSession)
      .find({ where: { clubId, heldOn: day, removedAt: IsNull() }, order: { id: 'ASC' }, take: most });
  }

  /** The club's sessions between two days, both included, in order. */
  ofClubBetween(clubId: string, from: string, to: string, most: number): Promise<TrainingSession[]> {
    return readMany(
      this.db,
      TrainingSession,
      'club_id = $1 AND held_on BETWEEN $2 AND $3 AND removed_at IS NULL ORDER BY held_on, id LIMIT $4',
      [clubId, from, to, most],
    );
  }

  /** The lifter's sessions between two days, both included, in order. */
  between(
    lifterId: string,
    from: string,
    to: string,
    manager: EntityManager = this.db.manager,
  ): Promise<TrainingSession[]> {
    return readMany(
      manager,
      TrainingSession,
      'lifter_id = $1 AND held_on BETWEEN $2 AND $3 AND removed_at IS NULL ORDER BY held_on, id',
      [lifterId, from, to],
    );
  }

  /** Later sessions of the series, by day. */
  laterInSeries(
    { lifterId, seriesId, heldOn }: TrainingSession,
    manager = this.db.manager,
  ): Promise<TrainingSession[]> {
    return manager
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .where('session.lifterId = :lifterId AND session.seriesId = :seriesId', { lifterId, seriesId })
      .andWhere('session.heldOn > :heldOn AND session.removedAt IS NULL', { heldOn })
      .orderBy('session.heldOn')
      .getMany();
  }

  readonly plannedSets = togetherOrWithin(
    () => this.db,
    (sessionIds, manager) => readBy(manager, PlannedSet, { sessionId: sessionIds }, { place: 'ASC' }),
    (set) => set.sessionId,
  );

  /** Venues of the lifter's sessions since a day, the commonest first. */
  async venuesSince(lifterId: string, since: string): Promise<string[]> {
    const rows: { venue_id: string }[] = await this.db.query(
      `SELECT venue_id FROM training_session WHERE lifter_id = $1 AND held_on > $2::date AND removed_at IS NULL
        GROUP BY venue_id ORDER BY count(*) DESC, venue_id`,
      [lifterId, since],
    );
    return rows.map((row) => row.venue_id);
  }

  /** Sessions of each venue in the three months up to its last one; read along its index, whatever the years before. */
  async sessionsByVenue(clubId: string, venueIds: readonly string[]): Promise<Map<string, number>> {
    const rows: { venue_id: string; n: number }[] = await this.db.query(
      `SELECT v.venue AS venue_id, (SELECT count(*)::int FROM training_session t
                                     WHERE t.venue_id = v.venue AND t.club_id = $1 AND t.held_on > v.last - 90) AS n
         FROM (SELECT asked.venue, (SELECT max(t.held_on) FROM training_session t WHERE t.venue_id = asked.venue) AS last
                 FROM unnest($2::uuid[]) AS asked (venue)) v`,
      [clubId, venueIds],
    );
    return new Map(rows.map((row) => [row.venue_id, row.n]));
  }

  aheadAt(clubId: string, venueId: string, today: string): Promise<number> {
    return this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .where('session.clubId = :clubId AND session.venueId = :venueId', { clubId, venueId })
      .andWhere('session.heldOn >= :today AND NOT session.finished AND session.removedAt IS NULL', { today })
      .getCount();
  }

  /**
   * Writes the planned sets of a session. A set that stays as it was keeps its id, and with it the coach's decision on it; a
   * decision on a set that changed stays on record but is no longer tied to it.
   */
  async replaceSets(manager: EntityManager, sessionId: string, sets: readonly PlannedSet[]): Promise<void> {
    const before = await this.plannedSets([sessionId], manager);
    const kept = new Map(before.map((set) => [set.place, set]));
    const gone = before.filter((set) => !sets[set.place] || !sameSet(sets[set.place]!, set));
    if (gone.length)
      await manager.delete(
        PlannedSet,
        gone.map((set) => set.id),
      );
    const added = sets.filter((set) => !kept.has(set.place) || !sameSet(set, kept.get(set.place)!));
    if (added.length) await manager.insert(PlannedSet, added);
  }
}

/** Are two sets planned alike, whatever their ids? */
export function sameSet(a: PlannedSet, b: PlannedSet): boolean {
  const fields = [
    ...(['liftId', 'role', 'load', 'reps', 'style', 'seconds'] as const),
    ...(['purpose', 'fixed', 'under', 'handle', 'hand', 'rest'] as const),
  ];
  return fields.every((field) => a[field] === b[field]);
}
