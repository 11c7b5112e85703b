import { Injectable, type OnModuleInit } from '@nestjs/common';
import type { HoldKindId } from '@iron-clasp/core';
import type { HoldDecisionView } from '@iron-clasp/contract';
import { DataSource, IsNull } from 'typeorm';
import { keepOnce } from '../../platform/database/saves.ts';
import { notFound } from '../../platform/http/problem.ts';
import { AccountsService } from '../accounts/accounts.service.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { together } from '../../platform/database/together.ts';
import { readBy } from '../../platform/database/read-many.ts';
import { HoldDecisionRow } from './hold-decision.entity.ts';

/** A decision with the session and hold it is about. */
export type KnownDecision = HoldDecisionView & { readonly sessionId: string; readonly kind: HoldKindId };

/** The decision that is in force for a kind of hold of a session, from decisions with the latest first. */
export function inForce(
  decisions: readonly KnownDecision[],
  sessionId: string,
  kind: HoldKindId,
): KnownDecision | null {
  return decisions.find((each) => !each.undone && each.sessionId === sessionId && each.kind === kind) ?? null;
}

/** What coaches decided on prescribed holds; decisions taken back stay on record. */
@Injectable()
export class HoldDecisionsService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly accounts: AccountsService,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register({ name: 'hold_decision', ...OWN });
  }

  /** Decisions on the holds of sessions, the latest first, undone ones too. */
  async ofSessions(sessionIds: readonly string[]): Promise<KnownDecision[]> {
    const rows = await this.rowsOf(sessionIds);
    const names = await this.accounts.names(rows.flatMap((row) => [row.madeBy, row.undoneBy]));
    return rows.map(({ id, sessionId, kind, what, sets, seconds, load, reason, ...row }) => ({
      ...{ id, sessionId, kind, what, sets, seconds, load, reason },
      by: names.get(row.madeBy) ?? '',
      at: row.madeAt.toISOString(),
      undone:
        row.undoneAt && row.undoneBy
          ? { by: names.get(row.undoneBy) ?? '', at: row.undoneAt.toISOString() }
          : null,
    }));
  }

  private readonly rowsOf = together(
    (sessionIds) =>
      readBy(this.db, HoldDecisionRow, { sessionId: sessionIds }, { madeAt: 'DESC', id: 'DESC' }),
    (row) => row.sessionId,
  );

  /** Keeps a decision, once. */
  async keep(row: HoldDecisionRow, same: readonly (keyof HoldDecisionRow)[]): Promise<void> {
    const { clubId, lifterId } = row;
    await keepOnce(this.db.manager, HoldDecisionRow, row, {
      owner: { clubId, lifterId },
      same: ['sessionId', 'what', 'reason', ...same],
      what: 'decision',
    });
  }

  /** Takes a decision back; repeated it changes nothing. */
  async undo(clubId: string, sessionId: string, id: string, by: string, at: Date): Promise<void> {
    const rows = this.db.getRepository(HoldDecisionRow);
    await rows.update({ id, clubId, sessionId, undoneAt: IsNull() }, { undoneAt: at, undoneBy: by });
    if (!(await rows.existsBy({ id, clubId, sessionId }))) throw notFound('decision');
  }
}
