import { type DataSource, In, IsNull, type EntityTarget, type ObjectLiteral } from 'typeorm';
import { readBy, readMany, readOne } from '../src/platform/database/read-many.ts';
import { Account } from '../src/records/accounts/account.entity.ts';
import { HandsCheck } from '../src/records/hands-checks/hands-check.entity.ts';
import { Lifter, LifterHistory } from '../src/records/lifters/lifter.entity.ts';
import { PlannedSet, TrainingSession } from '../src/records/training/training.entity.ts';
import { startApi, type Api } from './api.test-helper.ts';

let api: Api;
let db: DataSource;
beforeAll(async () => {
  api = await startApi();
  db = api.db;
});
afterAll(() => api.close());

/** As plain values: what the query builder makes are objects of a class. */
const plain = (rows: readonly ObjectLiteral[]): unknown => rows.map((row) => ({ ...row }));

it.each<[string, EntityTarget<ObjectLiteral>]>([
  ['lifters', Lifter],
  ['their history', LifterHistory],
  ['sessions', TrainingSession],
  ['planned sets', PlannedSet],
  ['checks of hands', HandsCheck],
  ['accounts, without their secrets', Account],
])('reads %s as the query builder does', async (_, entity) => {
  const found = await db.getRepository(entity).find({ order: { id: 'ASC' }, take: 300 });
  expect(found.length).toBeGreaterThan(0);
  const ids = found.map((row) => row['id'] as string);
  expect(plain(await readBy(db, entity, { id: ids }, { id: 'ASC' }))).toEqual(plain(found));
});

it('takes values, lists of values and what is not there, in the order asked for', async () => {
  const [one, other] = await db.getRepository(Lifter).find({ take: 2 });
  const lifterId = [one!.id, other!.id];
  const wanted = { lifterId: In(lifterId), finished: false, removedAt: IsNull() };
  const found = await db.getRepository(TrainingSession).find({
    ...{ where: wanted, order: { heldOn: 'DESC', id: 'ASC' } },
  });
  const read = await readBy(
    db,
    TrainingSession,
    { lifterId, finished: false, removedAt: null },
    { heldOn: 'DESC', id: 'ASC' },
  );
  expect(read.length).toBeGreaterThan(1);
  expect(plain(read)).toEqual(plain(found));
  expect(await readBy(db, TrainingSession, { lifterId: [] })).toEqual([]);
});

it('gives one row or none', async () => {
  const [lifter] = await db.getRepository(Lifter).find({ take: 1 });
  const { id, clubId } = lifter!;
  expect((await readOne(db, Lifter, { id, clubId }))?.name).toBe(lifter!.name);
  expect(await readOne(db, Lifter, { id, clubId: id })).toBeNull();
});

it('reads within a transaction what was written there', async () => {
  const [lifter] = await db.getRepository(Lifter).find({ take: 1 });
  const { id } = lifter!;
  const taken = db.transaction(async (manager) => {
    await manager.update(Lifter, { id }, { name: 'Somebody else' });
    expect((await readOne(manager, Lifter, { id }))?.name).toBe('Somebody else');
    throw new Error('taken back');
  });
  await expect(taken).rejects.toThrow('taken back');
  expect((await readOne(db, Lifter, { id }))?.name).toBe(lifter!.name);
});

it('puts nothing that is asked for into the question', async () => {
  const name = "'; DROP TABLE lifter; --";
  expect(await readBy(db, Lifter, { name })).toEqual([]);
  expect(await readMany(db, Lifter, 'name = $1', [name])).toEqual([]);
});
