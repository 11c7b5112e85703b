import { Injectable } from '@nestjs/common';
import type { HandsToday, HistoryKind } from '@iron-clasp/core';
import { DataSource, In, IsNull, MoreThanOrEqual } from 'typeorm';
import { joinBareFortnights, NOT_GRIPPED, type BareFortnights } from '../log/bare-fortnights.ts';
import { Lifter, Meet } from '../lifters/lifter.entity.ts';
import { LoggedHold, LoggedSet } from '../log/log.entity.ts';

/** What one query knows of a lifter. */
export interface ClubFacts extends BareFortnights {
  readonly id: string;
  readonly name: string;
  readonly deadlift_max: number;
  readonly body_mass: number | null;
  readonly hands: HandsToday | null;
  readonly uncleared: readonly HistoryKind[];
}

@Injectable()
export class ClubRepository {
  constructor(private readonly db: DataSource) {}

  /** Every lifter on the rack, by name. */
  async facts(clubId: string, today: string): Promise<ClubFacts[]> {
    return this.db.query(
      `SELECT l.id, l.name, l.deadlift_max, l.body_mass, bare.*,
              (SELECT h.hands FROM hands_check h WHERE h.lifter_id = l.id ORDER BY h.checked_at DESC LIMIT 1) AS hands,
              coalesce((SELECT json_agg(y.kind ORDER BY y.kind) FROM lifter_history y WHERE y.lifter_id = l.id AND NOT y.cleared), '[]') AS uncleared
         FROM lifter l ${joinBareFortnights('$3')}
        WHERE l.club_id = $1 AND l.archived_at IS NULL ORDER BY l.name, l.id`,
      [clubId, today, NOT_GRIPPED],
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
