import { Injectable } from '@nestjs/common';
import type { GripperAttemptView } from '@iron-clasp/contract';
import { DataSource } from 'typeorm';
import { insertNew } from '../database/insert-new.ts';
import { GripperAttemptRow } from './gripper-attempt.entity.ts';

export interface KnownGripper {
  readonly id: string;
  readonly name: string;
  readonly venue: string;
  readonly resistance: number | null;
}

/** An attempt as it is listed, with how long ago it was. */
export type KnownAttempt = GripperAttemptView & { readonly age: number };

/** Attempts further back than this weigh under a twentieth, days. */
const MEMORY_DAYS = 400;

@Injectable()
export class GrippersRepository {
  constructor(private readonly db: DataSource) {}

  /** The club's grippers in use, the lightest first, those without a rating last. */
  async ladder(clubId: string): Promise<KnownGripper[]> {
    return this.db.query(
      `SELECT g.id, g.name, v.name AS venue, g.resistance FROM gripper g JOIN venue v ON v.id = g.venue_id
        WHERE v.club_id = $1 AND v.archived_at IS NULL AND g.retired_at IS NULL
        ORDER BY g.resistance NULLS LAST, g.name, g.id`,
      [clubId],
    );
  }

  /** The lifter's attempts, the latest first, each at the resistance that its gripper is known to have now. */
  async attempts(lifterId: string, today: string): Promise<KnownAttempt[]> {
    return this.db.query(
      `SELECT a.id, a.done_at::date::text AS "on", a.gripper_id AS "gripperId", g.name AS "gripperName", g.resistance,
              a.hand, a.depth, a.closed, a.gap_mm AS "gapMm", a.seconds, a.note, greatest(0, $2::date - a.done_at::date)::int AS age
         FROM gripper_attempt a JOIN gripper g ON g.id = a.gripper_id
        WHERE a.lifter_id = $1 AND a.undone_at IS NULL AND a.done_at > $2::date - ${MEMORY_DAYS}
        ORDER BY a.done_at DESC, a.id DESC LIMIT 4000`,
      [lifterId, today],
    );
  }

  /** The club's gripper, in use or retired. */
  async gripper(clubId: string, id: string): Promise<KnownGripper | null> {
    const rows: KnownGripper[] = await this.db.query(
      `SELECT g.id, g.name, v.name AS venue, g.resistance FROM gripper g JOIN venue v ON v.id = g.venue_id
        WHERE v.club_id = $1 AND g.id = $2`,
      [clubId, id],
    );
    return rows[0] ?? null;
  }

  /** Keeps an attempt; where the id is known already, gives what is stored under it. */
  async keep(row: GripperAttemptRow): Promise<GripperAttemptRow> {
    await insertNew(this.db.manager, GripperAttemptRow, row);
    return this.db.getRepository(GripperAttemptRow).findOneByOrFail({ id: row.id });
  }

  /** Hides an attempt of the club; false where it is not there. */
  async undo(clubId: string, id: string, now: Date): Promise<boolean> {
    const [, hidden]: [unknown, number] = await this.db.query(
      `UPDATE gripper_attempt SET undone_at = coalesce(undone_at, $3)
        WHERE id = $2 AND lifter_id IN (SELECT id FROM lifter WHERE club_id = $1)`,
      [clubId, id, now],
    );
    return hidden > 0;
  }
}
