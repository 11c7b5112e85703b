import { isDeepStrictEqual } from 'node:util';
import {
  IsNull,
  type EntityManager,
  type EntityTarget,
  type FindOptionsWhere,
  type ObjectLiteral,
} from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';
import { changedMeanwhile, differsFromKept, notFound } from '../http/problem.ts';

/*
 * The one way in which rows are written. Every write names whose the row is; a row of somebody else is not there. Ids are
 * made by clients, so that a request whose answer was lost can be sent again: the same content changes nothing, other
 * content is refused, also where two requests race.
 */

/** A row with a client-made id. */
export interface Kept {
  readonly id: string;
}

/** A row that is edited: its version grows with every change, and an editor that saw an older one is told so. */
export interface Versioned extends Kept {
  readonly version: number;
}

/** A row that can be taken away and stays on record. */
interface MaybeRemoved {
  readonly removedAt?: Date | null;
}

/** What a save did: `same` where all of it was there already. */
export type Saved = 'created' | 'changed' | 'same';

/** Inserts a row under its client-made id; false where the id is taken, by whomever, and nothing is changed. */
export async function insertNew<Row extends Kept>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  row: Row,
): Promise<boolean> {
  const inserted = await manager
    .createQueryBuilder()
    .insert()
    .into(entity)
    .values(asInput(row))
    .orIgnore()
    .returning('id')
    .execute();
  return (inserted.raw as unknown[]).length > 0;
}

/** Adds rows that nobody can have sent before, as an import does; one statement a table. */
export async function insertMany<Row extends object>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  rows: readonly Row[],
): Promise<void> {
  if (rows.length === 0) return;
  const { tableName, columns } = manager.connection.getMetadata(entity);
  const names = columns.map((column) => column.databaseName).join(', ');
  const values = rows.map((row) =>
    Object.fromEntries(columns.map((column) => [column.databaseName, column.getEntityValue(row) ?? null])),
  );
  await manager.query(
    `INSERT INTO ${tableName} (${names}) SELECT ${names} FROM json_populate_recordset(NULL::${tableName}, $1)`,
    [JSON.stringify(values)],
  );
}

/** Writes rows under their ids, new or known; only for rows whose owner was asserted before. */
export async function upsertAll<Row extends Kept>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  rows: readonly Row[],
): Promise<void> {
  if (rows.length)
    await manager.upsert(
      entity,
      rows.map((row) => asInput<ObjectLiteral extends Row ? unknown : Row>(row)),
      ['id'],
    );
}

/**
 * Keeps a row that is never edited, once.
 * @param owner whose it is; a row of another owner under the id is answered with 404.
 * @param same the fields that make a second request the same; where they differ it is refused with 409.
 * @returns what is stored, and whether this request stored it.
 */
export async function keepOnce<Row extends Kept>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  row: Row,
  { owner, same, what }: { owner: Partial<Row>; same: readonly (keyof Row)[]; what: string },
): Promise<{ readonly stored: Row; readonly fresh: boolean }> {
  if (await insertNew(manager, entity, row)) return { stored: row, fresh: true };
  const stored = await manager.findOneBy(entity, where<Row>({ id: row.id }, owner));
  if (!stored) throw notFound(what);
  if (!alike(stored, row, same)) throw differsFromKept(what);
  return { stored, fresh: false };
}

/**
 * Writes what an editor sends: a new row where it saw none (`seen` 0), else the next version of the row it saw.
 * @throws Problem 404 for a row that is not the owner's, is not there, or was taken away; 409 for one changed meanwhile.
 */
export async function saveVersion<Row extends Versioned & MaybeRemoved>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  {
    id,
    owner,
    seen,
    content,
    fresh,
    what,
  }: {
    readonly id: string;
    readonly owner: Partial<Row>;
    readonly seen: number;
    /** What the editor says; fields that are left out stay. */
    readonly content: Partial<Row>;
    /** The rest of a new row. */
    readonly fresh: Partial<Row>;
    readonly what: string;
  },
): Promise<Saved> {
  const known = await manager.findOneBy(entity, where<Row>({ id }, owner));
  if (!known) {
    if (seen > 0) throw notFound(what);
    const row = { ...fresh, ...content, ...owner, id, version: 1 } as Row;
    if (await insertNew(manager, entity, row)) return 'created';
    // Taken meanwhile: by the same request sent twice, by another of this owner, or by somebody else.
    const faster = await manager.findOneBy(entity, where<Row>({ id }, owner));
    if (!faster) throw notFound(what);
    if (alike(faster, content)) return 'same';
    throw changedMeanwhile(what);
  }
  if (known.removedAt) throw notFound(what);
  if (alike(known, content)) return 'same';
  await changeVersion(manager, entity, { id, owner, seen, part: content, what });
  return 'changed';
}

/**
 * Changes part of a row that is still at the version its editor saw; a request that was answered before changes nothing.
 * @throws Problem 404 where it is not the owner's or not there; 409 where it was changed meanwhile.
 */
export async function changeVersion<Row extends Versioned & MaybeRemoved>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  {
    id,
    owner,
    seen,
    part,
    what,
  }: {
    readonly id: string;
    readonly owner: Partial<Row>;
    readonly seen: number;
    readonly part: Partial<Row>;
    readonly what: string;
  },
): Promise<void> {
  const removable = manager.connection.getMetadata(entity).findColumnWithPropertyName('removedAt');
  const standing = removable && !('removedAt' in part) ? { removedAt: IsNull() } : {};
  const criteria = { id, ...owner, version: seen, ...standing } as FindOptionsWhere<Row>;
  const done = await manager
    .createQueryBuilder()
    .update(entity)
    .set(asInput({ ...part, version: seen + 1 }))
    .where(criteria)
    .execute();
  if (done.affected === 1) return;
  const now = await manager.findOneBy(entity, where<Row>({ id }, owner));
  if (!now || (now.removedAt && !('removedAt' in part))) throw notFound(what);
  if (!alike(now, part)) throw changedMeanwhile(what);
}

/** Are the fields of `sent` (or those named) the same in both, instants by their moment and JSON by its content? */
export function alike<Row extends object>(
  stored: Row,
  sent: Partial<Row>,
  fields: readonly (keyof Row)[] = Object.keys(sent) as (keyof Row)[],
): boolean {
  return fields.every((field) => isDeepStrictEqual(plain(stored[field]), plain(sent[field])));
}

function plain(value: unknown): unknown {
  return value === undefined ? null : (JSON.parse(JSON.stringify(value)) as unknown);
}

function where<Row extends Kept>(id: Kept, owner: Partial<Row>): FindOptionsWhere<Row> {
  return { ...id, ...owner } as FindOptionsWhere<Row>;
}

/** TypeORM's input type knows no readonly lists; every row of ours is plain data, so this is the one place that says so. */
function asInput<Input>(row: object): QueryDeepPartialEntity<Input> {
  return row as QueryDeepPartialEntity<Input>;
}
