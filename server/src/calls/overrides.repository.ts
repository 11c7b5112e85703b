import { Injectable } from '@nestjs/common';
import type { GripChoice, Side } from '@iron-clasp/core';
import { insertNew } from '../database/insert-new.ts';
import { DataSource, In, IsNull } from 'typeorm';
import { CallOverrideRow, CallOverrideSet } from './override.entity.ts';

/** An override with the names of who made and undid it, and the sets it is for. */
export interface KnownOverride {
  readonly id: string;
  readonly choice: GripChoice;
  readonly sideUnder: Side | null;
  readonly reason: string;
  readonly by: string;
  readonly at: string;
  readonly undoneBy: string | null;
  readonly undoneAt: string | null;
  readonly setIds: readonly string[];
}

@Injectable()
export class OverridesRepository {
  constructor(private readonly db: DataSource) {}

  /** Every override of a session, undone ones too, the latest first. */
  async ofSession(sessionId: string): Promise<KnownOverride[]> {
    return this.db.query(
      `SELECT o.id, o.choice, o.side_under AS "sideUnder", o.reason, m.name AS by, o.made_at AS at,
              u.name AS "undoneBy", o.undone_at AS "undoneAt",
              array(SELECT s.planned_set_id FROM call_override_set s WHERE s.override_id = o.id ORDER BY s.planned_set_id) AS "setIds"
         FROM call_override o JOIN account m ON m.id = o.made_by LEFT JOIN account u ON u.id = o.undone_by
        WHERE o.session_id = $1 ORDER BY o.place DESC`,
      [sessionId],
    );
  }

  /** Keeps an override and its sets; where the id is known already, gives what is stored under it. */
  async keep(
    row: CallOverrideRow,
    setIds: readonly string[],
  ): Promise<{ row: CallOverrideRow; setIds: string[] }> {
    return this.db.transaction(async (manager) => {
      if (await insertNew(manager, CallOverrideRow, row))
        await manager.insert(
          CallOverrideSet,
          setIds.map((plannedSetId) => ({ overrideId: row.id, plannedSetId })),
        );
      const [stored, sets] = await Promise.all([
        manager.findOneByOrFail(CallOverrideRow, { id: row.id }),
        manager.findBy(CallOverrideSet, { overrideId: In([row.id]) }),
      ]);
      return { row: stored, setIds: sets.map((set) => set.plannedSetId) };
    });
  }

  /** Marks an override of the session as undone; true where it is undone now, by this call or an earlier one. */
  async undo(sessionId: string, id: string, by: string, at: Date): Promise<boolean> {
    const rows = this.db.getRepository(CallOverrideRow);
    await rows.update({ id, sessionId, undoneAt: IsNull() }, { undoneBy: by, undoneAt: at });
    return rows.existsBy({ id, sessionId });
  }
}
