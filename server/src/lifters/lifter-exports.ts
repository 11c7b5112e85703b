import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { notFound, Problem } from '../http/problem.ts';

/** Everything that is kept about a lifter. */
export interface LifterExport {
  readonly format: 'iron-clasp lifter';
  readonly version: 1;
  /** Proves on deleting that this very content was exported. */
  readonly receipt: string;
  /** Rows by table, columns as they are stored: loads kg, times s, lengths mm. */
  readonly tables: Readonly<Record<string, readonly Record<string, unknown>[]>>;
}

/** Tables of a lifter, children before parents, each with the rows that are theirs. `$1` is the lifter. */
const OWN: readonly (readonly [table: string, where: string])[] = [
  ['squeeze_trace', 'test_id IN (SELECT id FROM squeeze_test WHERE lifter_id = $1)'],
  ['squeeze_test', 'lifter_id = $1'],
  ['gripper_attempt', 'lifter_id = $1'],
  ['hold_decision', 'session_id IN (SELECT id FROM training_session WHERE lifter_id = $1)'],
  [
    'call_override_set',
    'override_id IN (SELECT o.id FROM call_override o JOIN training_session t ON t.id = o.session_id WHERE t.lifter_id = $1)',
  ],
  ['call_override', 'session_id IN (SELECT id FROM training_session WHERE lifter_id = $1)'],
  ['log_correction', 'lifter_id = $1'],
  ['logged_set', 'lifter_id = $1'],
  ['logged_hold', 'lifter_id = $1'],
  ['planned_set', 'session_id IN (SELECT id FROM training_session WHERE lifter_id = $1)'],
  ['training_session', 'lifter_id = $1'],
  ['season_mark', 'lifter_id = $1'],
  ['meet', 'lifter_id = $1'],
  ['hands_check', 'lifter_id = $1'],
  ['lifter_history', 'lifter_id = $1'],
  ['lifter_change', 'lifter_id = $1'],
  ['lifter', 'id = $1'],
];

/** Secrets and sign-ins go with the lifter, but are nobody's to export. */
const SECRET: readonly (readonly [table: string, where: string])[] = [
  ['share_link', 'lifter_id = $1'],
  ['invitation', 'lifter_id = $1'],
];

@Injectable()
export class LifterExports {
  constructor(private readonly db: DataSource) {}

  async of(clubId: string, lifterId: string): Promise<LifterExport> {
    return this.read(this.db.manager, clubId, lifterId);
  }

  /** Deletes a lifter who is put aside, once an export of exactly what there is has been taken. */
  async remove(clubId: string, lifterId: string, receipt: string | undefined): Promise<void> {
    await this.db.transaction('REPEATABLE READ', async (manager) => {
      const now = await this.read(manager, clubId, lifterId);
      if (now.tables['lifter']![0]!['archived_at'] === null)
        throw new Problem(409, 'not-put-aside', 'Put the lifter aside first; deleting cannot be undone.');
      if (receipt !== now.receipt)
        throw new Problem(
          409,
          'export-first',
          'Export the lifter first: nothing is deleted that is not exported as it stands now.',
        );
      // Whoever signed in as this lifter keeps nothing; what they checked or logged went with the lifter.
      for (const [table, where] of SECRET)
        await manager.query(`DELETE FROM ${table} WHERE ${where}`, [lifterId]);
      for (const [table, where] of OWN.slice(0, -1))
        await manager.query(`DELETE FROM ${table} WHERE ${where}`, [lifterId]);
      await manager.query('DELETE FROM account WHERE lifter_id = $1', [lifterId]);
      await manager.query('DELETE FROM lifter WHERE id = $1', [lifterId]);
    });
  }

  private async read(manager: EntityManager, clubId: string, lifterId: string): Promise<LifterExport> {
    const found: unknown[] = await manager.query('SELECT 1 FROM lifter WHERE id = $1 AND club_id = $2', [
      lifterId,
      clubId,
    ]);
    if (found.length === 0) throw notFound('lifter');
    const tables: Record<string, Record<string, unknown>[]> = {};
    for (const [table, where] of OWN) {
      const rows: { row: Record<string, unknown> }[] = await manager.query(
        `SELECT to_jsonb(x) AS row FROM ${table} x WHERE ${where} ORDER BY to_jsonb(x)::text`,
        [lifterId],
      );
      tables[table] = rows.map((each) => each.row);
    }
    const receipt = createHash('sha256').update(JSON.stringify(tables)).digest('base64url');
    return { format: 'iron-clasp lifter', version: 1, receipt, tables };
  }
}
