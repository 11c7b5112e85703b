import { Injectable } from '@nestjs/common';
import { insertNew } from '../database/insert-new.ts';
import { DataSource } from 'typeorm';
import { PlannedSet, TrainingSession } from './training.entity.ts';

@Injectable()
export class TrainingRepository {
  constructor(private readonly db: DataSource) {}

  /** The session, where its lifter belongs to the club. */
  async session(clubId: string, id: string): Promise<TrainingSession | null> {
    return this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .innerJoin('lifter', 'lifter', 'lifter.id = session.lifterId AND lifter.club_id = :clubId', { clubId })
      .where('session.id = :id', { id })
      .getOne();
  }

  async nextSession(lifterId: string, today: string): Promise<TrainingSession | null> {
    return this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .where('session.lifterId = :lifterId AND session.heldOn >= :today AND NOT session.finished', {
        lifterId,
        today,
      })
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

  /**
   * Writes a session with its sets, new or at the version its editor saw; false where somebody was faster. A set that
   * stays as it was keeps its id, and with it the coach's decision on it; a decision on a set that changed stays on record
   * but is no longer tied to it.
   */
  async save(session: TrainingSession, sets: readonly PlannedSet[]): Promise<boolean> {
    return this.db.transaction(async (manager) => {
      if (session.version === 1) {
        if (!(await insertNew(manager, TrainingSession, session))) return false;
      } else {
        const { id, version } = session;
        const updated = await manager.update(TrainingSession, { id, version: version - 1 }, session);
        if (updated.affected !== 1) return false;
      }
      const before = await manager.find(PlannedSet, { where: { sessionId: session.id } });
      const kept = new Map(before.map((set) => [set.place, set]));
      const alike = (a: PlannedSet, b: PlannedSet | undefined): boolean =>
        b !== undefined &&
        a.liftId === b.liftId &&
        a.role === b.role &&
        a.load === b.load &&
        a.reps === b.reps &&
        a.style === b.style &&
        a.seconds === b.seconds;
      const gone = before
        .filter((set) => !sets[set.place] || !alike(sets[set.place]!, set))
        .map((set) => set.id);
      if (gone.length) {
        await manager.query('DELETE FROM call_override_set WHERE planned_set_id = ANY($1)', [gone]);
        await manager.delete(PlannedSet, gone);
      }
      const added = sets.filter((set) => !alike(set, kept.get(set.place)));
      if (added.length) await manager.insert(PlannedSet, added);
      return true;
    });
  }

  /** Changes the venue if the session is still at `version`; false where somebody was faster. */
  async move(sessionId: string, venueId: string, version: number): Promise<boolean> {
    const done = await this.db
      .getRepository(TrainingSession)
      .createQueryBuilder()
      .update()
      .set({ venueId, version: version + 1 })
      .where('id = :sessionId AND version = :version', { sessionId, version })
      .execute();
    return done.affected === 1;
  }
}
