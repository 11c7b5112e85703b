import { Injectable } from '@nestjs/common';
import { insertNew } from '../database/insert-new.ts';
import { DataSource, In, IsNull, type EntityManager } from 'typeorm';
import { PlannedSet, TrainingSession } from './training.entity.ts';

@Injectable()
export class TrainingRepository {
  constructor(private readonly db: DataSource) {}

  /** The session, where its lifter belongs to the club and it was not removed. */
  async session(clubId: string, id: string): Promise<TrainingSession | null> {
    return this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .innerJoin('lifter', 'lifter', 'lifter.id = session.lifterId AND lifter.club_id = :clubId', { clubId })
      .where('session.id = :id AND session.removedAt IS NULL', { id })
      .getOne();
  }

  async nextSession(lifterId: string, today: string): Promise<TrainingSession | null> {
    return this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .where(
        'session.lifterId = :lifterId AND session.heldOn >= :today AND NOT session.finished AND session.removedAt IS NULL',
        {
          lifterId,
          today,
        },
      )
      .orderBy('session.heldOn')
      .getOne();
  }

  async plannedSets(sessionId: string): Promise<PlannedSet[]> {
    return this.db.getRepository(PlannedSet).find({ where: { sessionId }, order: { place: 'ASC' } });
  }

  /** Is anything of the session logged, undone entries too? */
  async started(sessionId: string): Promise<boolean> {
    const [{ started }]: [{ started: boolean }] = await this.db.query(
      `SELECT EXISTS (SELECT 1 FROM logged_set WHERE session_id = $1)
           OR EXISTS (SELECT 1 FROM logged_hold WHERE session_id = $1) AS started`,
      [sessionId],
    );
    return started;
  }

  /** Ends a session, or opens it again where `at` is null. The plan stays as it is, so its version does too. */
  async finish(id: string, at: Date | null, note: string | null): Promise<void> {
    await this.db
      .getRepository(TrainingSession)
      .update({ id }, { finished: at !== null, finishedAt: at, noteToLifter: note });
  }

  /** A removed session of the club, to take back. */
  async removed(clubId: string, id: string): Promise<TrainingSession | null> {
    return this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .innerJoin('lifter', 'lifter', 'lifter.id = session.lifterId AND lifter.club_id = :clubId', { clubId })
      .where('session.id = :id AND session.removedAt IS NOT NULL', { id })
      .getOne();
  }

  /** Ids of the lifter's sessions of the coming days, in order. */
  async coming(lifterId: string, today: string, days: number): Promise<string[]> {
    const rows: { id: string }[] = await this.db.query(
      `SELECT id FROM training_session WHERE lifter_id = $1 AND held_on >= $2::date AND held_on < $2::date + $3::int
          AND NOT finished AND removed_at IS NULL ORDER BY held_on, id LIMIT 14`,
      [lifterId, today, days],
    );
    return rows.map((row) => row.id);
  }

  /** The lifter's sessions between two days, both included, with whether anything of them is logged. */
  async between(lifterId: string, from: string, to: string): Promise<WeekSession[]> {
    const sessions = await this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .where('session.lifterId = :lifterId AND session.heldOn BETWEEN :from AND :to', { lifterId, from, to })
      .andWhere('session.removedAt IS NULL')
      .orderBy('session.heldOn')
      .addOrderBy('session.id')
      .getMany();
    return this.withStarted(sessions);
  }

  /** Later sessions of the series, by day, with whether anything of them is logged. */
  async laterInSeries(session: TrainingSession): Promise<WeekSession[]> {
    if (!session.seriesId) return [];
    const { lifterId, seriesId, heldOn } = session;
    const later = await this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .where('session.lifterId = :lifterId AND session.seriesId = :seriesId AND session.heldOn > :heldOn', {
        ...{ lifterId, seriesId, heldOn },
      })
      .andWhere('session.removedAt IS NULL')
      .orderBy('session.heldOn')
      .getMany();
    return this.withStarted(later);
  }

  private async withStarted(sessions: readonly TrainingSession[]): Promise<WeekSession[]> {
    const ids = sessions.map((session) => session.id);
    const rows: { id: string }[] = await this.db.query(
      `SELECT session_id AS id FROM logged_set WHERE session_id = ANY($1)
        UNION SELECT session_id FROM logged_hold WHERE session_id = ANY($1)`,
      [ids],
    );
    const started = new Set(rows.map((row) => row.id));
    return sessions.map((session) => ({ session, started: started.has(session.id) }));
  }

  /** The planned sets of several sessions, in order. */
  async plannedSetsOf(sessionIds: readonly string[]): Promise<PlannedSet[]> {
    return this.db
      .getRepository(PlannedSet)
      .find({ where: { sessionId: In([...sessionIds]) }, order: { place: 'ASC' } });
  }

  /**
   * Writes sessions with their sets, each new or at the version its editor saw, all or none; false where somebody was
   * faster. A set that stays as it was keeps its id, and with it the coach's decision on it; a decision on a set that
   * changed stays on record but is no longer tied to it.
   */
  async save(
    written: readonly { readonly session: TrainingSession; readonly sets: readonly PlannedSet[] }[],
  ): Promise<boolean> {
    return this.db
      .transaction(async (manager) => {
        for (const { session, sets } of written) await saveOne(manager, session, sets);
        return true;
      })
      .catch((error: unknown) => {
        if (error instanceof Stale) return false;
        throw error;
      });
  }

  /** Changes sessions that are still at their versions, all or none; false where somebody was faster. */
  async change(
    sessions: readonly TrainingSession[],
    part: (session: TrainingSession) => Partial<TrainingSession>,
  ): Promise<boolean> {
    return this.db
      .transaction(async (manager) => {
        for (const session of sessions) {
          const { id, version } = session;
          const done = await manager.update(TrainingSession, { id, version }, {
            ...part(session),
            version: version + 1,
          } as never);
          if (done.affected !== 1) throw new Stale();
        }
        return true;
      })
      .catch((error: unknown) => {
        if (error instanceof Stale) return false;
        throw error;
      });
  }
}

/** A session and whether anything of it is logged. */
export interface WeekSession {
  readonly session: TrainingSession;
  readonly started: boolean;
}

/** A session is at another version than its editor saw. */
class Stale extends Error {}

async function saveOne(
  manager: EntityManager,
  session: TrainingSession,
  sets: readonly PlannedSet[],
): Promise<void> {
  if (session.version === 1) {
    if (!(await insertNew(manager, TrainingSession, session))) throw new Stale();
  } else {
    // With its lifter in the condition: an id of another club's session is taken over by nobody.
    const { id, lifterId, version } = session;
    const seen = { id, lifterId, version: version - 1, removedAt: IsNull() };
    const updated = await manager.update(TrainingSession, seen, session as never);
    if (updated.affected !== 1) throw new Stale();
  }
  const before = await manager.find(PlannedSet, { where: { sessionId: session.id } });
  const kept = new Map(before.map((set) => [set.place, set]));
  const gone = before.filter((set) => !sets[set.place] || !alike(sets[set.place]!, set)).map((set) => set.id);
  if (gone.length) {
    await manager.query('DELETE FROM call_override_set WHERE planned_set_id = ANY($1)', [gone]);
    await manager.delete(PlannedSet, gone);
  }
  const added = sets.filter((set) => !alike(set, kept.get(set.place)));
  if (added.length) await manager.insert(PlannedSet, added);
}

function alike(a: PlannedSet, b: PlannedSet | undefined): boolean {
  return (
    b !== undefined &&
    a.liftId === b.liftId &&
    a.role === b.role &&
    a.load === b.load &&
    a.reps === b.reps &&
    a.style === b.style &&
    a.seconds === b.seconds
  );
}
