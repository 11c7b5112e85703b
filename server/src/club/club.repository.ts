import { Injectable } from '@nestjs/common';
import type { HandsToday, HistoryKind } from '@iron-clasp/core';
import { DataSource, In, IsNull, MoreThanOrEqual } from 'typeorm';
import { Lifter, Meet } from '../lifters/lifter.entity.ts';
import { LoggedHold, LoggedSet } from '../log/log.entity.ts';

/** What one query knows of a lifter. */
export interface ClubFacts {
  readonly id: string;
  readonly name: string;
  readonly deadlift_max: number;
  readonly body_mass: number | null;
  readonly hands: HandsToday | null;
  readonly uncleared: readonly HistoryKind[];
  readonly recent: number;
  readonly recent_sets: number;
  readonly before: number;
  readonly before_sets: number;
}

@Injectable()
export class ClubRepository {
  constructor(private readonly db: DataSource) {}

  /** Every lifter on the rack, by name. */
  async facts(clubId: string, today: string): Promise<ClubFacts[]> {
    return this.db.query(
      `WITH bare AS (
         SELECT lifter_id, done_at::date > $2::date - 14 AS recent, count(*)::int AS sets,
                count(*) FILTER (WHERE slipped)::int AS slips
           FROM (SELECT lifter_id, done_at, slipped_at_rep IS NOT NULL AS slipped FROM logged_set
                  WHERE done_at > $2::date - 28 AND undone_at IS NULL AND NOT strapped AND role <> 'warmup'
                 UNION ALL
                 SELECT lifter_id, done_at, ended = 'slipped' FROM logged_hold
                  WHERE done_at > $2::date - 28 AND undone_at IS NULL) x
          WHERE lifter_id IN (SELECT id FROM lifter WHERE club_id = $1) GROUP BY 1, 2)
       SELECT l.id, l.name, l.deadlift_max, l.body_mass,
              (SELECT h.hands FROM hands_check h WHERE h.lifter_id = l.id ORDER BY h.checked_at DESC LIMIT 1) AS hands,
              coalesce((SELECT json_agg(y.kind ORDER BY y.kind) FROM lifter_history y WHERE y.lifter_id = l.id AND NOT y.cleared), '[]') AS uncleared,
              coalesce(r.slips, 0) AS recent, coalesce(r.sets, 0) AS recent_sets,
              coalesce(b.slips, 0) AS before, coalesce(b.sets, 0) AS before_sets
         FROM lifter l LEFT JOIN bare r ON r.lifter_id = l.id AND r.recent LEFT JOIN bare b ON b.lifter_id = l.id AND NOT b.recent
        WHERE l.club_id = $1 AND l.archived_at IS NULL ORDER BY l.name, l.id`,
      [clubId, today],
    );
  }

  /** Meets to come, the nearest first. */
  async meets(lifterIds: readonly string[], today: string): Promise<Meet[]> {
    return this.db.getRepository(Meet).find({
      where: { lifterId: In([...lifterIds]), removedAt: IsNull(), heldOn: MoreThanOrEqual(today) },
      order: { heldOn: 'ASC' },
    });
  }

  async sets(lifterIds: readonly string[], from: Date): Promise<LoggedSet[]> {
    return this.db.getRepository(LoggedSet).find({
      where: { lifterId: In([...lifterIds]), undoneAt: IsNull(), doneAt: MoreThanOrEqual(from) },
    });
  }

  async holds(lifterIds: readonly string[], from: Date): Promise<LoggedHold[]> {
    return this.db.getRepository(LoggedHold).find({
      where: { lifterId: In([...lifterIds]), undoneAt: IsNull(), doneAt: MoreThanOrEqual(from) },
    });
  }

  async lifters(clubId: string): Promise<Lifter[]> {
    return this.db
      .getRepository(Lifter)
      .find({ where: { clubId, archivedAt: IsNull() }, order: { name: 'ASC' } });
  }
}
