import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm';
import { insertMany } from './saves.ts';

/** What is a club's. */
interface Owned {
  readonly id: string;
  readonly clubId: string;
}

/** The column that hides a row without losing it. */
type Hidden = 'undoneAt' | 'removedAt' | 'archivedAt';

/** Rows of a club that come from a file under ids that follow from what they say: added, hidden and shown again many at once. */
export class BroughtRows<Row extends Owned & ObjectLiteral> {
  constructor(
    private readonly entity: EntityTarget<Row>,
    private readonly hidden: Hidden & keyof Row & string,
  ) {}

  /** Of the rows with these ids, those that are there and not hidden. */
  async shown(manager: EntityManager, clubId: string, ids: readonly string[]): Promise<ReadonlySet<string>> {
    const { table, column } = this.names(manager);
    const rows: { id: string }[] = await manager.query(
      `SELECT id FROM ${table} WHERE id = ANY($1) AND club_id = $2 AND ${column} IS NULL`,
      [ids, clubId],
    );
    return new Set(rows.map((row) => row.id));
  }

  /** Adds rows that are not there, and shows again those that are hidden; the ids of both. */
  async show(manager: EntityManager, clubId: string, rows: readonly Row[]): Promise<ReadonlySet<string>> {
    const { table, column, touched } = this.names(manager);
    const known: { id: string; hidden: boolean }[] = await manager.query(
      `SELECT id, ${column} IS NOT NULL AS hidden FROM ${table} WHERE id = ANY($1) AND club_id = $2`,
      [rows.map((row) => row.id), clubId],
    );
    const back = known.filter((row) => row.hidden).map((row) => row.id);
    await manager.query(
      `UPDATE ${table} SET ${column} = NULL${touched} WHERE id = ANY($1) AND club_id = $2`,
      [back, clubId],
    );
    const there = new Set(known.map((row) => row.id));
    const fresh = rows.filter((row) => !there.has(row.id));
    await insertMany(manager, this.entity, fresh);
    return new Set([...back, ...fresh.map((row) => row.id)]);
  }

  async hide(manager: EntityManager, clubId: string, ids: readonly string[], at: Date): Promise<void> {
    const { table, column, touched } = this.names(manager);
    await manager.query(
      `UPDATE ${table} SET ${column} = $3${touched} WHERE id = ANY($1) AND club_id = $2 AND ${column} IS NULL`,
      [ids, clubId, at],
    );
  }

  private names({ connection }: EntityManager): {
    readonly table: string;
    readonly column: string;
    /** A row that is edited at the version seen must be another for whoever still sees it. */
    readonly touched: string;
  } {
    const kept = connection.getMetadata(this.entity);
    const column = kept.findColumnWithPropertyName(this.hidden)!.databaseName;
    const versioned = kept.findColumnWithPropertyName('version') !== undefined;
    return { table: kept.tableName, column, touched: versioned ? ', version = version + 1' : '' };
  }
}
