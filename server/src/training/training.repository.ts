import { Injectable } from '@nestjs/common';
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
