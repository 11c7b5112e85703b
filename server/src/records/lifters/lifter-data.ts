import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';

/** A table with rows of lifters, and which of them are a lifter's own; `$1` is the lifter. */
export interface LifterTable {
  readonly name: string;
  readonly where: string;
  /** Goes with the lifter, but is not exported: secrets and sign-ins, and what is worked out from the rest. */
  readonly unexported?: true;
  /** Column that is emptied instead of the row being deleted: what stays names nobody. */
  readonly forget?: string;
}

/** Everything that is kept about a lifter, whichever module keeps it: each one registers its tables, children before parents. */
@Injectable()
export class LifterData {
  readonly #tables: { readonly rank: number; readonly tables: readonly LifterTable[] }[] = [];

  /** @param rank modules whose rows others point to have a higher one: their rows go last. */
  register(rank: number, tables: readonly LifterTable[]): void {
    this.#tables.push({ rank, tables });
    this.#tables.sort((a, b) => a.rank - b.rank);
  }

  /** Rows by table, columns as they are stored. */
  async read(manager: EntityManager, lifterId: string): Promise<Record<string, Record<string, unknown>[]>> {
    const found: Record<string, Record<string, unknown>[]> = {};
    for (const { name, where, unexported } of this.#ordered()) {
      if (unexported) continue;
      const rows: { row: Record<string, unknown> }[] = await manager.query(
        `SELECT to_jsonb(x) AS row FROM ${name} x WHERE ${where} ORDER BY to_jsonb(x)::text`,
        [lifterId],
      );
      found[name] = rows.map((each) => each.row);
    }
    return found;
  }

  /** Deletes every row of the lifter. */
  async delete(manager: EntityManager, lifterId: string): Promise<void> {
    for (const { name, where, forget } of this.#ordered())
      await manager.query(
        forget ? `UPDATE ${name} SET ${forget} = NULL WHERE ${where}` : `DELETE FROM ${name} WHERE ${where}`,
        [lifterId],
      );
  }

  #ordered(): LifterTable[] {
    return this.#tables.flatMap((each) => each.tables);
  }
}
