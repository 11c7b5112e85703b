import { Injectable } from '@nestjs/common';
import type { HandsToday } from '@iron-clasp/core';
import { DataSource } from 'typeorm';
import { HandsCheck } from '../lifters/lifter.entity.ts';

export interface KnownCheck {
  readonly id: string;
  readonly on: string;
  readonly by: string | null;
  readonly hands: HandsToday;
}

/** Checks shown on the hands page. */
const SHOWN = 60;

@Injectable()
export class HandsRepository {
  constructor(private readonly db: DataSource) {}

  /** The lifter's latest checks, the latest first. */
  async checks(lifterId: string): Promise<KnownCheck[]> {
    return this.db.query(
      `SELECT h.id, h.checked_on::text AS "on", a.name AS by, h.hands
         FROM hands_check h LEFT JOIN account a ON a.id = h.checked_by
        WHERE h.lifter_id = $1 ORDER BY h.checked_at DESC, h.id LIMIT ${SHOWN}`,
      [lifterId],
    );
  }

  /** Day on which the hook entered its present stage; null where nobody has moved it. */
  async stageSince(lifterId: string): Promise<string | null> {
    const rows: { on: string }[] = await this.db.query(
      `SELECT changed_at::date::text AS "on" FROM lifter_change WHERE lifter_id = $1 AND field = 'hookStage'
        ORDER BY changed_at DESC LIMIT 1`,
      [lifterId],
    );
    return rows[0]?.on ?? null;
  }

  /** Keeps a check; where the id is known already, gives what is stored under it. */
  async keep(check: HandsCheck): Promise<HandsCheck> {
    const checks = this.db.getRepository(HandsCheck);
    await checks.createQueryBuilder().insert().values(check).orIgnore().execute();
    return checks.findOneByOrFail({ id: check.id });
  }
}
