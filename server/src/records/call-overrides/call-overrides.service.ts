import { Injectable, type OnModuleInit } from '@nestjs/common';
import type { GripChoice, Side } from '@iron-clasp/core';
import { DataSource, In, IsNull, type EntityManager } from 'typeorm';
import { keepOnce } from '../../platform/database/saves.ts';
import { differsFromKept, notFound } from '../../platform/http/problem.ts';
import { AccountsService } from '../accounts/accounts.service.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { together } from '../../platform/database/together.ts';
import { CallOverrideRow, CallOverrideSet } from './call-override.entity.ts';

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
  readonly repeats: boolean;
}

/** What coaches decided against a call, with who and when; undone ones stay. */
@Injectable()
export class CallOverridesService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly accounts: AccountsService,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register(
      { name: 'call_override', ...OWN },
      { name: 'call_override_set', partOf: 'override_id' },
    );
  }

  /** Every override of a session, undone ones too, the latest first. */
  async ofSession(sessionId: string): Promise<KnownOverride[]> {
    const rows = await this.rowsOf([sessionId]);
    const names = await this.accounts.names(rows.flatMap((row) => [row.madeBy, row.undoneBy]));
    return rows.map(
      ({ id, choice, sideUnder, reason, repeats, madeBy, madeAt, undoneBy, undoneAt, set_ids }) => ({
        ...{ id, choice, sideUnder, reason, repeats, setIds: set_ids },
        by: names.get(madeBy) ?? '',
        at: madeAt.toISOString(),
        undoneBy: undoneBy && (names.get(undoneBy) ?? ''),
        undoneAt: undoneAt?.toISOString() ?? null,
      }),
    );
  }
  private readonly rowsOf = together(
    (sessionIds) =>
      this.db.query<(CallOverrideRow & { set_ids: string[] })[]>(
        `SELECT o.id, o.session_id AS "sessionId", o.choice, o.side_under AS "sideUnder", o.reason, o.made_by AS "madeBy", o.made_at AS "madeAt", o.repeats,
              o.undone_by AS "undoneBy", o.undone_at AS "undoneAt",
              array(SELECT s.planned_set_id FROM call_override_set s WHERE s.override_id = o.id ORDER BY s.planned_set_id) AS set_ids
         FROM call_override o WHERE o.session_id = ANY($1) ORDER BY o.place DESC`,
        [sessionIds],
      ),
    (row) => row.sessionId,
  );

  /** Decisions of a session that repeat and stand, with the sets they are for. */
  async repeating(
    sessionId: string,
    manager: EntityManager,
  ): Promise<(CallOverrideRow & { setIds: string[] })[]> {
    const rows = await manager.findBy(CallOverrideRow, { sessionId, repeats: true, undoneAt: IsNull() });
    const sets = await manager.findBy(CallOverrideSet, { overrideId: In(rows.map((row) => row.id)) });
    return rows.map((row) => ({
      ...row,
      setIds: sets.filter((set) => set.overrideId === row.id).map((set) => set.plannedSetId),
    }));
  }

  /** Keeps an override with its sets, once. */
  async keep(
    row: CallOverrideRow,
    setIds: readonly string[],
    within: EntityManager = this.db.manager,
  ): Promise<{ readonly fresh: boolean }> {
    return within.transaction(async (manager) => {
      const { clubId, lifterId } = row;
      const { fresh } = await keepOnce(manager, CallOverrideRow, row, {
        owner: { clubId, lifterId },
        same: ['sessionId', 'choice', 'sideUnder', 'reason', 'repeats'],
        what: 'decision',
      });
      if (fresh)
        await manager.insert(
          CallOverrideSet,
          setIds.map((plannedSetId) => ({ overrideId: row.id, plannedSetId })),
        );
      const sets = await manager.findBy(CallOverrideSet, { overrideId: row.id });
      const stored = sets.map((set) => set.plannedSetId).sort();
      if (stored.join() !== [...setIds].sort().join()) throw differsFromKept('decision');
      return { fresh };
    });
  }

  /** Marks an override of the session as undone; repeated it changes nothing. */
  async undo(clubId: string, sessionId: string, id: string, by: string, at: Date): Promise<void> {
    const rows = this.db.getRepository(CallOverrideRow);
    await rows.update({ id, clubId, sessionId, undoneAt: IsNull() }, { undoneBy: by, undoneAt: at });
    if (!(await rows.existsBy({ id, clubId, sessionId }))) throw notFound('decision');
  }
}
