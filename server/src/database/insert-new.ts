import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';

/** Inserts a row under its client-made id; false where the id is taken already, and nothing is changed. */
export async function insertNew<Row extends ObjectLiteral>(
  manager: EntityManager,
  entity: EntityTarget<Row>,
  row: Row,
): Promise<boolean> {
  const inserted = await manager
    .createQueryBuilder()
    .insert()
    .into(entity)
    .values(row as QueryDeepPartialEntity<Row>)
    .orIgnore()
    .returning('id')
    .execute();
  return (inserted.raw as unknown[]).length > 0;
}
