import { randomUUID } from 'node:crypto';
import { KeptTables, type KnownTable } from '../src/platform/database/kept-tables.ts';
import type { ClubRef } from '../src/platform/days/club-day.ts';
import { ChangesService } from '../src/records/changes/changes.service.ts';
import { addForeignCoach, startApi, type Api } from './api.test-helper.ts';

/** Tables that nothing is worked out of: sign-ins, links, what is done with answers, and what is worked out itself. */
const SAY_NOTHING = new Set([
  ...['api_token', 'sign_in', 'password_link', 'share_link', 'invitation', 'deed', 'lane_stand'],
  ...['library_plan', 'training_import', 'training_import_row', 'lifter_change', 'squeeze_trace'],
  ...['kept_curve', 'kept_back_test', 'log_version', 'changes_of_lifter', 'changes_of_club'],
]);

let api: Api;
let changes: ChangesService;
let club: ClubRef;
let lifterId: string;
beforeAll(async () => {
  api = await startApi();
  changes = api.app.get(ChangesService);
  const [row] = await api.db.query<{ id: string; club_id: string; time_zone: string }[]>(
    `SELECT lifter.id, club_id, time_zone FROM lifter JOIN club ON club.id = club_id WHERE lifter.name = 'Odalys Brandt'`,
  );
  lifterId = row!.id;
  club = { id: row!.club_id, timeZone: row!.time_zone };
});
afterAll(() => api.close());

/** What stands for the lifter: the same object for as long as nothing changed. */
const stand = (): Promise<object> => changes.untilChanged('test', { club, lifterId }, async () => ({}));

it('every table that says something of a lifter or of what lifters share is counted, and no other', async () => {
  const tables = await api.app.get(KeptTables).inOrder(api.db.manager);
  const counted = await api.db.query<{ name: string }[]>(
    `SELECT event_object_table AS name FROM information_schema.triggers WHERE trigger_name LIKE '%\\_counts'
      GROUP BY 1 HAVING count(*) = 3`,
  );
  expect(counted.map(({ name }) => name).sort()).toEqual(
    tables
      .map(({ name }) => name)
      .filter((name) => !SAY_NOTHING.has(name))
      .sort(),
  );
});

it('a changed row of any of them raises the number of whose it is, and of nobody else', async () => {
  const tables = (await api.app.get(KeptTables).inOrder(api.db.manager)).filter(
    ({ name }) => !SAY_NOTHING.has(name),
  );
  const numbers = async (): Promise<Map<string, string>> =>
    new Map(
      (
        await api.db.query<{ id: string; changes: string }[]>(
          `SELECT lifter_id::text AS id, sum(times)::text AS changes FROM changes_of_lifter GROUP BY 1
           UNION ALL SELECT club_id::text, sum(times)::text FROM changes_of_club GROUP BY 1`,
        )
      ).map(({ id, changes }) => [id, changes]),
    );
  const ofLifters = new Set(
    (
      await api.db.query<{ name: string }[]>(
        `SELECT event_object_table AS name FROM information_schema.triggers WHERE action_statement ~ 'count_changes_of_lifter'`,
      )
    ).map(({ name }) => name),
  );
  /** The table's rows of the one whose number they raise. */
  const rows = ({ name, ofLifter, ofClub }: KnownTable): [string, string] =>
    ofLifters.has(name)
      ? [`SELECT ctid FROM ${name} WHERE ${ofLifter}`, lifterId]
      : [`SELECT ctid FROM ${name} WHERE ${ofClub}`, club.id];
  const touched: string[] = [];
  for (const table of tables) {
    const [of, owner] = rows(table);
    const [{ column }] = await api.db.query<[{ column: string }]>(
      `SELECT attname AS column FROM pg_attribute WHERE attrelid = $1::regclass AND attnum > 0 AND NOT attisdropped
          AND attgenerated = '' ORDER BY attnum LIMIT 1`,
      [table.name],
    );
    const before = await numbers();
    const [, touching] = (await api.db.query(
      `UPDATE ${table.name} SET ${column} = ${column} WHERE ctid = (${of} LIMIT 1)`,
      [owner],
    )) as [unknown, number];
    const after = await numbers();
    const raised = [...after].filter(([id, changes]) => before.get(id) !== changes).map(([id]) => id);
    expect([table.name, raised]).toEqual([table.name, touching ? [owner] : []]);
    if (touching) touched.push(table.name);
  }
  // The demo has something of most kinds.
  expect(touched.length).toBeGreaterThan(18);
});

it('gives the same answer until something changes, whoever writes', async () => {
  const first = await stand();
  expect(await stand()).toBe(first);
  await api.db.query('UPDATE lifter SET name = name WHERE id = $1', [lifterId]);
  const second = await stand();
  expect(second).not.toBe(first);
  expect(await stand()).toBe(second);
  await api.db.query('UPDATE venue SET name = name WHERE club_id = $1', [club.id]);
  expect(await stand()).not.toBe(second);
});

it('another lifter’s change leaves it standing', async () => {
  const first = await stand();
  await api.db.query('UPDATE lifter SET name = name WHERE club_id = $1 AND id <> $2', [club.id, lifterId]);
  expect(await stand()).toBe(first);
});

it('asks once for all who ask at the same time, and again after a fault', async () => {
  let asked = 0;
  const work = async (): Promise<object> => {
    asked += 1;
    if (asked === 1) throw new Error('once');
    return {};
  };
  const ask = (): Promise<object> => changes.untilChanged('fault', { club, lifterId }, work);
  await expect(ask()).rejects.toThrow('once');
  const all = await Promise.all([ask(), ask(), ask()]);
  expect(new Set(all).size).toBe(1);
  expect(asked).toBe(2);
});

it('never gives one club’s answer to another', async () => {
  await addForeignCoach(api);
  const [foreign] = await api.db.query<[{ id: string }]>('SELECT id FROM club WHERE id <> $1', [club.id]);
  await stand();
  const other = { ...club, id: foreign.id };
  const answer = changes.untilChanged('test', { club: other, lifterId }, async () => {
    throw new Error('not yours');
  });
  await expect(answer).rejects.toThrow('not yours');
});

it('what is given to all can be changed by none', async () => {
  const given = await changes.untilChanged('frozen', { club, lifterId }, async () => ({
    sets: [{ load: 100 }],
  }));
  expect(() => (given.sets[0]!.load = 1)).toThrow(TypeError);
});

it('of many lifters works out again only those that changed', async () => {
  const ids = (
    await api.db.query<{ id: string }[]>('SELECT id FROM lifter WHERE club_id = $1', [club.id])
  ).map(({ id }) => id);
  const worked: string[][] = [];
  const all = (): Promise<Map<string, string>> =>
    changes.allUntilChanged('many', club, ids, async (missing) => {
      worked.push([...missing]);
      return new Map(missing.map((id) => [id, `of ${id}`]));
    });
  await all();
  await api.db.query('UPDATE lifter SET name = name WHERE id = $1', [lifterId]);
  expect(await all()).toEqual(new Map(ids.map((id) => [id, `of ${id}`])));
  await all();
  expect(worked).toEqual([ids, [lifterId]]);
});

it('of more lifters than it keeps, each is given, and none as they were before a change', async () => {
  const many = Array.from({ length: 2_100 }, () => randomUUID());
  await api.db.query(
    `INSERT INTO lifter (id, club_id, name, sport, unit, dominant_hand, stance, deadlift_max, training_since, school_id, hook_stage, thresholds)
     SELECT fresh, club_id, 'Guest ' || fresh, sport, unit, dominant_hand, stance, deadlift_max, training_since, school_id, hook_stage, thresholds
       FROM lifter, unnest($2::uuid[]) AS fresh WHERE id = $1`,
    [lifterId, many],
  );
  const all = (ids: readonly string[], work = ids): Promise<Map<string, string>> =>
    changes.allUntilChanged(
      'crowd',
      club,
      ids,
      async (missing) => new Map(missing.filter((id) => work.includes(id)).map((id) => [id, id])),
    );
  // Most of them stand when those before them in order are added.
  await all(many.slice(0, 1_500));
  expect((await all(many.toReversed())).size).toBe(many.length);
  await all([lifterId]);
  await api.db.query('UPDATE lifter SET name = name WHERE id = $1', [lifterId]);
  expect(await all([lifterId], [])).toEqual(new Map());
});

it('sums up many changes of a lifter without a new number', async () => {
  const number = async (): Promise<{ rows: number; changes: string }> => {
    const [row] = await api.db.query<[{ rows: number; changes: string }]>(
      'SELECT count(*)::int AS rows, sum(times)::text AS changes FROM changes_of_lifter WHERE lifter_id = $1',
      [lifterId],
    );
    return row;
  };
  await api.db.query(
    'INSERT INTO changes_of_lifter (lifter_id, club_id, times) SELECT $1, $2, 1 FROM generate_series(1, 300)',
    [lifterId, club.id],
  );
  const { changes: before } = await number();
  const first = await stand();
  expect(await number()).toEqual({ rows: 1, changes: before });
  expect(await stand()).toBe(first);
});
