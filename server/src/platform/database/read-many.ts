import type { DataSource, EntityManager, EntityTarget, ObjectLiteral } from 'typeorm';

/** What reads: the pool, or the connection of a transaction. */
type Reads = DataSource | EntityManager;

/** How an entity is read: its columns as they are selected, and what its properties are called in the table. */
interface Read {
  readonly table: string;
  readonly list: string;
  readonly columns: ReadonlyMap<string, string>;
}

const known = new WeakMap<object, Read>();

function readOf(reads: Reads, entity: EntityTarget<ObjectLiteral>): Read {
  const metadata = 'getMetadata' in reads ? reads.getMetadata(entity) : reads.connection.getMetadata(entity);
  const found = known.get(metadata);
  if (found) return found;
  // Days as they are written, everything else as the driver reads it; what is only read where it is asked for stays where it is.
  const list = metadata.columns
    .filter((column) => column.isSelect)
    .map(
      ({ databaseName, propertyName, type }) =>
        `${metadata.tableName}.${databaseName}${type === 'date' ? '::text' : ''} AS "${propertyName}"`,
    );
  const made = {
    table: metadata.tableName,
    list: list.join(', '),
    columns: new Map(
      metadata.columns.map(({ databaseName, propertyName }) => [propertyName, databaseName] as const),
    ),
  };
  known.set(metadata, made);
  return made;
}

/**
 * Reads many rows of an entity whole. The query builder looks at every cell of every row three times, which is most of what a
 * page of a long log costs; here the driver's rows are the entities.
 * @param where conditions and order in SQL, its values as `$1` and on.
 */
export function readMany<Row extends ObjectLiteral>(
  reads: Reads,
  entity: EntityTarget<Row>,
  where: string,
  values: readonly unknown[],
): Promise<Row[]> {
  const { table, list } = readOf(reads, entity);
  return reads.query<Row[]>(`SELECT ${list} FROM ${table} WHERE ${where}`, [...values]);
}

/** The columns of an entity as they are selected, for a question that joins its table with another. */
export const columnsOf = (reads: Reads, entity: EntityTarget<ObjectLiteral>): string =>
  readOf(reads, entity).list;

/** Values that properties must have: one of a list where it is a list, none where it is null. */
type Having<Row> = { readonly [Property in keyof Row]?: Row[Property] | readonly Row[Property][] };

type Order<Row> = { readonly [Property in keyof Row]?: 'ASC' | 'DESC' };

/**
 * Reads rows by the values of their properties, in an order where one is given: what a page asks a dozen times should not be put
 * together anew by the query builder each time, which takes longer than the database.
 */
export function readBy<Row extends ObjectLiteral>(
  reads: Reads,
  entity: EntityTarget<Row>,
  having: Having<Row>,
  order: Order<Row> = {},
): Promise<Row[]> {
  const { columns } = readOf(reads, entity);
  const values: unknown[] = [];
  const conditions = Object.entries(having).map(([property, value]) => {
    const column = columns.get(property)!;
    if (value === null) return `${column} IS NULL`;
    values.push(value);
    return Array.isArray(value) ? `${column} = ANY($${values.length})` : `${column} = $${values.length}`;
  });
  const by = Object.entries(order).map(([property, way]) => `${columns.get(property)!} ${way}`);
  const where = conditions.join(' AND ') + (by.length ? ` ORDER BY ${by.join(', ')}` : '');
  return readMany(reads, entity, where, values);
}

/** The one row of these values, or the first in an order; null where there is none. */
export async function readOne<Row extends ObjectLiteral>(
  reads: Reads,
  entity: EntityTarget<Row>,
  having: Having<Row>,
  order: Order<Row> = {},
): Promise<Row | null> {
  const [row] = await readBy(reads, entity, having, order);
  return row ?? null;
}
