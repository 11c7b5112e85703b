import { Injectable } from '@nestjs/common';
import type { HoldKindId } from '@iron-clasp/core';
import type { HoldDecisionView } from '@iron-clasp/contract';
import { DataSource, In, IsNull } from 'typeorm';
import { insertNew } from '../database/insert-new.ts';
import { SeasonMarkRow } from '../lifters/lifter.entity.ts';
import { LoggedHold, LoggedSet } from '../log/log.entity.ts';
import { PlannedSet, TrainingSession } from '../training/training.entity.ts';
import { HoldDecisionRow } from './hold-decision.entity.ts';

/** A decision with the session and hold it is about. */
export type KnownDecision = HoldDecisionView & { readonly sessionId: string; readonly kind: HoldKindId };

@Injectable()
export class HoldsRepository {
  constructor(private readonly db: DataSource) {}

  /** Decisions on the holds of sessions, the latest first, undone ones too. */
  async decisions(sessionIds: readonly string[]): Promise<KnownDecision[]> {
    return this.db.query(
      `SELECT d.id, d.session_id AS "sessionId", d.kind, d.what, d.sets, d.seconds, d.load, d.reason, a.name AS by, d.made_at AS at,
              CASE WHEN d.undone_at IS NULL THEN NULL ELSE json_build_object('by', u.name, 'at', d.undone_at) END AS undone
         FROM hold_decision d JOIN account a ON a.id = d.made_by LEFT JOIN account u ON u.id = d.undone_by
        WHERE d.session_id = ANY ($1) ORDER BY d.made_at DESC, d.id DESC`,
      [sessionIds],
    );
  }

  /** Keeps a decision; where the id is known already, gives what is stored under it. */
  async keep(row: HoldDecisionRow): Promise<HoldDecisionRow> {
    return this.db.transaction(async (manager) => {
      await insertNew(manager, HoldDecisionRow, row);
      return manager.findOneByOrFail(HoldDecisionRow, { id: row.id });
    });
  }

  /** Takes a decision back; false where the session has none of this id. */
  async undo(sessionId: string, id: string, accountId: string, now: Date): Promise<boolean> {
    const rows = this.db.getRepository(HoldDecisionRow);
    const found = await rows.findOneBy({ id, sessionId });
    if (found && !found.undoneAt) await rows.update({ id }, { undoneAt: now, undoneBy: accountId });
    return found !== null;
  }

  /** The lifter's logged holds from a day on, in order. */
  async done(lifterId: string, from: string): Promise<(LoggedHold & { on: string })[]> {
    const rows = await this.db
      .getRepository(LoggedHold)
      .createQueryBuilder('hold')
      .where('hold.lifterId = :lifterId AND hold.undoneAt IS NULL AND hold.doneAt >= :from', {
        lifterId,
        from,
      })
      .orderBy('hold.doneAt')
      .addOrderBy('hold.place')
      .getMany();
    return rows.map((row) => ({ ...row, on: row.doneAt.toISOString().slice(0, 10) }));
  }

  /** The lifter's logged sets from a day on. */
  async setsSince(lifterId: string, from: string): Promise<LoggedSet[]> {
    return this.db
      .getRepository(LoggedSet)
      .createQueryBuilder('set')
      .where('set.lifterId = :lifterId AND set.undoneAt IS NULL AND set.doneAt >= :from', { lifterId, from })
      .orderBy('set.doneAt')
      .getMany();
  }

  /** Sessions of a stretch of days that are not removed, in order. */
  async sessions(lifterId: string, from: string, to: string): Promise<TrainingSession[]> {
    return this.db
      .getRepository(TrainingSession)
      .createQueryBuilder('session')
      .where('session.lifterId = :lifterId AND session.heldOn BETWEEN :from AND :to', { lifterId, from, to })
      .andWhere('session.removedAt IS NULL')
      .orderBy('session.heldOn')
      .addOrderBy('session.id')
      .getMany();
  }

  async plannedSets(sessionIds: readonly string[]): Promise<PlannedSet[]> {
    return this.db
      .getRepository(PlannedSet)
      .find({ where: { sessionId: In([...sessionIds]) }, order: { place: 'ASC' } });
  }

  /** Hold blocks that are not removed, by day. */
  async blocks(lifterId: string): Promise<SeasonMarkRow[]> {
    return this.db
      .getRepository(SeasonMarkRow)
      .find({ where: { lifterId, kind: 'holdBlock', removedAt: IsNull() }, order: { startsOn: 'ASC' } });
  }

  async block(lifterId: string, id: string): Promise<SeasonMarkRow | null> {
    return this.db.getRepository(SeasonMarkRow).findOneBy({ lifterId, id, kind: 'holdBlock' });
  }

  /** The lifter of a block of the club. */
  async blockOwner(clubId: string, id: string): Promise<string | null> {
    const rows: { lifter_id: string }[] = await this.db.query(
      `SELECT m.lifter_id FROM season_mark m JOIN lifter l ON l.id = m.lifter_id
        WHERE m.id = $1 AND m.kind = 'holdBlock' AND l.club_id = $2`,
      [id, clubId],
    );
    return rows[0]?.lifter_id ?? null;
  }

  /** Writes a block and the holds it asks of sessions, all or none; false where somebody was faster. */
  async saveBlock(block: SeasonMarkRow, sessionIds: readonly string[]): Promise<boolean> {
    return this.db.transaction(async (manager) => {
      if (block.version === 1) {
        if (!(await insertNew(manager, SeasonMarkRow, block))) return false;
      } else {
        const { id, lifterId, version } = block;
        const done = await manager.update(SeasonMarkRow, { id, lifterId, version: version - 1 }, block);
        if (done.affected !== 1) return false;
      }
      // What the block put into sessions before goes, unless something of it is logged; then it asks anew.
      await manager.query(
        `UPDATE training_session t SET has_hold = false, hold_block_id = NULL, hold_kind = 'frontRackHold', version = version + 1
          WHERE hold_block_id = $1 AND NOT finished AND id <> ALL ($2)
            AND NOT EXISTS (SELECT 1 FROM logged_hold h WHERE h.session_id = t.id)`,
        [block.id, sessionIds],
      );
      await manager.query(
        `UPDATE training_session SET has_hold = true, hold_block_id = $1, hold_kind = $3, version = version + 1
          WHERE id = ANY ($2) AND NOT finished`,
        [block.id, sessionIds, block.holdKind],
      );
      return true;
    });
  }
}
