import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';

export type Row = Record<string, unknown>;

/** A table as the module that keeps it registers it: whose its rows are, and what of them an export holds. */
export type KeptTable = TableKept & (Owned | Part);

interface Owned {
  /** Which rows are a club's; `$1` is the club. */
  readonly ofClub: string;
  /** Which rows are a lifter's; `$1` is the lifter. Left out where no row is one lifter's. */
  readonly ofLifter?: string;
}

interface Part {
  /** Column that points to the row that each row is a part of: whose that one is, and what becomes of it, goes for its parts. */
  readonly partOf: string;
  readonly ofLifter?: string;
}

/** A table with whose its rows are worked out. */
export type KnownTable = TableKept & Owned & Partial<Part>;

interface TableKept {
  readonly name: string;
  /** Stands in the export of a club only, or in none: secrets, and what is worked out from the rest. */
  readonly exported?: 'withClub' | 'never';
  /** Column that is emptied instead of the row being deleted with its lifter: what stays names nobody. */
  readonly forget?: string;
  /** Columns that no export holds. */
  readonly secret?: readonly string[];
  /** Goes along with a lifter whose rows point to it: the whole row, or these columns of it. */
  readonly goesAlong?: 'whole' | readonly string[];
  /** Gives a row that comes back what did not go out. */
  readonly comesBack?: (row: Row) => Row;
}

/** Whose most rows are. */
export const OWN = { ofClub: 'club_id = $1', ofLifter: 'lifter_id = $1' } as const;

/** A column that points to another table's row. */
export interface Pointer {
  readonly table: string;
  readonly column: string;
  readonly to: string;
}

/** How the tables stand to one another. */
interface Shape {
  /** What others point to first. */
  readonly tables: readonly KnownTable[];
  readonly pointers: readonly Pointer[];
}

/** Rows that are read at once. */
const PAGE = 1_000;

/** Everything that is kept of clubs and lifters, whichever module keeps it. */
@Injectable()
export class KeptTables {
  readonly #tables = new Map<string, KeptTable>();
  #shape: Promise<Shape> | undefined;

  register(...tables: readonly KeptTable[]): void {
    for (const table of tables) this.#tables.set(table.name, table);
  }

  has(name: string): boolean {
    return this.#tables.has(name);
  }

  /** Tables in the order that their rows can be added in: what others point to first. */
  async inOrder(manager: EntityManager): Promise<KnownTable[]> {
    return [...(await this.shape(manager)).tables];
  }

  /** What points to what, among these tables. */
  async pointers(manager: EntityManager): Promise<readonly Pointer[]> {
    return (await this.shape(manager)).pointers;
  }

  /** Columns of a table, as they are stored. */
  async columns(manager: EntityManager, table: string): Promise<readonly string[]> {
    const rows: { name: string }[] = await manager.query(
      `SELECT attname AS name FROM pg_attribute
       WHERE attrelid = $1::regclass AND attnum > 0 AND NOT attisdropped ORDER BY attnum`,
      [table],
    );
    return rows.map(({ name }) => name);
  }

  /**
   * Rows as JSON, a page at a time, in the order of their keys; the same rows give the same text.
   * @param where a condition over the row `x`, with parameters from `$1` on.
   */
  async *read(
    manager: EntityManager,
    { name, secret = [], only }: Pick<KeptTable, 'name' | 'secret'> & { readonly only?: readonly string[] },
    where: string,
    parameters: readonly unknown[],
  ): AsyncGenerator<readonly string[]> {
    const list = (columns: readonly string[]): string => `'{${columns.join(',')}}'::text[]`;
    const row = only
      ? `(SELECT jsonb_object_agg(key, value) FROM jsonb_each(to_jsonb(x)) WHERE key = ANY (${list(only)}))`
      : `to_jsonb(x) - ${list(secret)}`;
    const key: { columns: string }[] = await manager.query(
      `SELECT string_agg(format('x.%I', attname), ', ' ORDER BY attnum) AS columns FROM pg_attribute
       JOIN pg_index ON indrelid = attrelid AND indisprimary AND attnum = ANY (indkey::int2[])
       WHERE attrelid = $1::regclass`,
      [name],
    );
    // Moments would be written in whatever zone the connection happens to stand.
    await manager.query(`SET LOCAL TIME ZONE 'UTC'`);
    await manager.query(
      `DECLARE kept NO SCROLL CURSOR FOR
       SELECT (${row})::text AS row FROM ${name} x WHERE ${where} ORDER BY ${key[0]!.columns}`,
      [...parameters],
    );
    try {
      for (;;) {
        const rows: { row: string }[] = await manager.query(`FETCH ${PAGE} FROM kept`);
        if (rows.length > 0) yield rows.map(({ row }) => row);
        if (rows.length < PAGE) return;
      }
    } finally {
      await manager.query('CLOSE kept');
    }
  }

  /** Deletes every row of a lifter. */
  async deleteLifter(manager: EntityManager, lifterId: string): Promise<void> {
    for (const { name, ofLifter, forget } of (await this.inOrder(manager)).reverse())
      if (ofLifter)
        await manager.query(
          forget
            ? `UPDATE ${name} SET ${forget} = NULL WHERE ${ofLifter}`
            : `DELETE FROM ${name} WHERE ${ofLifter}`,
          [lifterId],
        );
  }

  /** Deletes every row of a club. */
  async deleteClub(manager: EntityManager, clubId: string): Promise<void> {
    for (const { name, ofClub } of (await this.inOrder(manager)).reverse())
      await manager.query(`DELETE FROM ${name} WHERE ${ofClub}`, [clubId]);
  }

  private shape(manager: EntityManager): Promise<Shape> {
    // It changes with a migration only, and those are run before anybody asks.
    this.#shape ??= this.readShape(manager).catch((error: unknown) => {
      this.#shape = undefined;
      throw error;
    });
    return this.#shape;
  }

  private async readShape(manager: EntityManager): Promise<Shape> {
    const all: Pointer[] = await manager.query(
      `SELECT DISTINCT conrelid::regclass::text AS table, own.attname AS column, confrelid::regclass::text AS to
       FROM pg_constraint CROSS JOIN unnest(conkey, confkey) AS pair (own, other)
       JOIN pg_attribute own ON own.attrelid = conrelid AND own.attnum = pair.own
       JOIN pg_attribute other ON other.attrelid = confrelid AND other.attnum = pair.other
       WHERE contype = 'f' AND other.attname = 'id' ORDER BY 1, 2, 3`,
    );
    const pointers = all.filter(({ table, to }) => this.#tables.has(table) && this.#tables.has(to));
    const left = new Set([...this.#tables.keys()].sort());
    const tables = new Map<string, KnownTable>();
    while (left.size > 0) {
      const free = [...left].filter((name) =>
        pointers.every(({ table, to }) => table !== name || to === name || !left.has(to)),
      );
      if (free.length === 0) throw new Error(`Tables point to one another: ${[...left].join(', ')}`);
      for (const name of free) {
        tables.set(name, known(this.#tables.get(name)!, pointers, tables));
        left.delete(name);
      }
    }
    return { tables: [...tables.values()], pointers };
  }
}

/** Whose the rows of a table are, where that is told by what they are part of. */
function known(
  table: KeptTable,
  pointers: readonly Pointer[],
  before: ReadonlyMap<string, KnownTable>,
): KnownTable {
  if ('ofClub' in table) return table;
  const { name, partOf } = table;
  const whole = before.get(pointers.find((each) => each.table === name && each.column === partOf)?.to ?? '');
  if (!whole) throw new Error(`${name}.${partOf} points to no table that is kept.`);
  const among = (where: string): string => `${partOf} IN (SELECT id FROM ${whole.name} WHERE ${where})`;
  const ofLifter = table.ofLifter ?? (whole.ofLifter === undefined ? undefined : among(whole.ofLifter));
  return { ...table, ofClub: among(whole.ofClub), ...(ofLifter !== undefined && { ofLifter }) };
}
