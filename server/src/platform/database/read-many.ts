import type { DataSource, EntityTarget, ObjectLiteral } from 'typeorm';

/** A column as it is selected: days as they are written, everything else as the driver reads it. */
interface Selected {
  readonly select: string;
  readonly property: string;
}

const known = new WeakMap<object, readonly Selected[]>();

function columnsOf(db: DataSource, entity: EntityTarget<ObjectLiteral>): readonly Selected[] {
  const metadata = db.getMetadata(entity);
  const found =
    known.get(metadata) ??
    metadata.columns.map(({ databaseName, propertyName, type }) => ({
      property: propertyName,
      select: `${databaseName}${type === 'date' ? '::text' : ''} AS "${propertyName}"`,
    }));
  known.set(metadata, found);
  return found;
}

/**
 * Reads many rows of an entity whole. The query builder looks at every cell of every row three times, which is most of what a
 * page of a long log costs; here the driver's rows are the entities.
 * @param where conditions and order in SQL, its values as `$1` and on.
 */
export function readMany<Row extends ObjectLiteral>(
  db: DataSource,
  entity: EntityTarget<Row>,
  where: string,
  values: readonly unknown[],
): Promise<Row[]> {
  const list = columnsOf(db, entity).map((column) => column.select);
  const { tableName } = db.getMetadata(entity);
  return db.query<Row[]>(`SELECT ${list.join(', ')} FROM ${tableName} WHERE ${where}`, [...values]);
}
