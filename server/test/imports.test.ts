import { randomUUID } from 'node:crypto';
import type {
  CurveView,
  ErrorView,
  GrippersView,
  ImportDone,
  ImportPreview,
  ImportProgressView,
  ImportsView,
  KitView,
  LogView,
  ProfileView,
  RackView,
  SqueezeView,
  FileImportRequest,
} from '@iron-clasp/contract';
import type { AddressInfo } from 'node:net';
import { ImportsUnderWay } from '../src/views/imports/import-progress.ts';
import { addForeignCoach, addPerson, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let venueId: string;
const lifter = randomUUID();
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  venueId = (await coach.get<KitView>('/kit')).venues[0]!.id;
  const person = { name: 'Ana Lind', sport: 'powerlifting', deadliftMax: 180, version: 0 };
  await coach.send('put', `/lifters/${lifter}`, person, 200);
});
afterAll(() => api.close());

const FILE = `Date,Athlete,Exercise,Weight (kg),Reps,Sets,Grip,Slipped
3.2.2026,Ana,Deadlift,100,5,1,doh,
3.2.2026,Ana,Deadlift,140,3,1,doh,
3.2.2026,Ana,Deadlift,165,1,1,hook,
3.2.2026,Ana,Deadlift,140,5,3,straps,
3.2.2026,Ana,Squat,120,5,3,,
10.2.2026,Ana,Deadlift,170,1,1,mixed,yes
10.2.2026,Ana,Deadlift,150,3,1,,
10.2.2026,Somebody,Deadlift,150,3,1,hook,
31.2.2026,Ana,Deadlift,150,3,1,hook,
10.2.2026,Ana,Trampoline,150,3,1,hook,
`;
const request = (more: Partial<FileImportRequest> = {}): object => ({
  ...{
    kind: 'training',
    text: FILE,
    name: 'spring.csv',
    unit: 'kg',
    order: 'dayFirst',
    noGrip: 'leaveOut',
    venueId,
  },
  columns: { day: 0, lifter: 1, lift: 2, load: 3, reps: 4, sets: 5, grip: 6, slipped: 7 },
  lifters: [
    { name: 'Ana', lifterId: lifter },
    { name: 'Somebody', lifterId: null },
  ],
  ...more,
});
const preview = (more?: Partial<FileImportRequest>): Promise<ImportPreview> =>
  coach.send('post', '/imports/preview', request(more), 200);
const log = async (): Promise<LogView['entries']> =>
  (await coach.get<LogView>(`/lifters/${lifter}/log`)).entries;
/** Rows that the kept curve of the hands rests on. */
async function keptRows(): Promise<number> {
  const [row] = await api.db.query<{ rows: number }[]>(
    `SELECT rows FROM kept_curve WHERE lifter_id = $1 AND family = 'support'`,
    [lifter],
  );
  return row?.rows ?? 0;
}
const id = randomUUID();

it('is tried first: what it would bring, and every row that is left out with why', async () => {
  const found = await preview();
  expect(found).toMatchObject({
    ...{ rows: 10, things: 10, known: 0, days: 2, lifters: 1, from: '2026-02-03', to: '2026-02-10' },
    leftOut: 4,
  });
  expect(found.faults.map(({ line, fault }) => [line, fault])).toEqual([
    [8, 'The file does not say how it was held.'],
    [9, 'Nobody of the club is “Somebody”.'],
    [10, '“31.2.2026” is no day. Write it as 2026-11-24.'],
    [11, '“Trampoline” is no lift of the catalogue. Name it as the practice book does.'],
  ]);
  expect(await log()).toEqual([]);
});

it('is brought in whole, once, and tells the curve of the hands', async () => {
  const before = await coach.get<CurveView>(`/lifters/${lifter}/curve`);
  const keptBefore = await keptRows();
  const { done, imports } = await coach.send<ImportDone>('put', `/imports/${id}`, request(), 200);
  expect(done.things).toBe(10);
  expect(imports).toMatchObject([
    { id, kind: 'training', name: 'spring.csv', by: 'Maren Solvik', things: 10, days: 2, undone: null },
  ]);
  const entries = await log();
  expect(entries).toHaveLength(10);
  // Its curve is fitted before any page asks for it.
  while ((await keptRows()) <= keptBefore) await new Promise((resolve) => setTimeout(resolve, 20));
  expect(Math.max(...entries.map((each) => each.load))).toBe(170);
  // The same again, under its id and under another: nothing is there twice.
  const again = await coach.send<ImportDone>('put', `/imports/${id}`, request(), 200);
  expect(again.done).toMatchObject({ things: 0, known: 10 });
  await coach.send('put', `/imports/${randomUUID()}`, request({ name: 'the same.csv' }), 200);
  expect(await log()).toHaveLength(10);
  const after = await coach.get<CurveView>(`/lifters/${lifter}/curve`);
  expect(JSON.stringify(after)).not.toBe(JSON.stringify(before));
});

it('two at once that tell of the same bring it once', async () => {
  const other = `${FILE.split('\n')[0]}\n1.6.2025,Ana,Deadlift,150,2,2,hook,\n`;
  const ids: string[] = [randomUUID(), randomUUID()];
  await Promise.all(
    ids.map((each) => coach.send<ImportDone>('put', `/imports/${each}`, request({ text: other }), 200)),
  );
  expect((await log()).filter((each) => each.load === 150)).toHaveLength(2);
  const { imports } = await coach.get<ImportsView>('/imports');
  expect(imports.filter((each) => ids.includes(each.id)).map((each) => each.things)).toEqual(
    expect.arrayContaining([0, 2]),
  );
  for (const each of ids) await coach.send('delete', `/imports/${each}`, undefined, 200);
  expect(await log()).toHaveLength(10);
});

it('a longer file of the same adds what is new', async () => {
  const longer = `${FILE}17.2.2026,Ana,Deadlift,172.5,1,1,hook,\n`;
  expect(await preview({ text: longer })).toMatchObject({ things: 1, known: 10, days: 1 });
});

it('is undone in one request, and can be brought back', async () => {
  const { imports } = await coach.send<ImportsView>('delete', `/imports/${id}`, undefined, 200);
  expect(imports.find((each) => each.id === id)!.undone).toMatchObject({ by: 'Maren Solvik' });
  await coach.send('delete', `/imports/${id}`, undefined, 200);
  expect(await log()).toEqual([]);
  const [sessions] = await api.db.query<{ n: number }[]>(
    'SELECT count(*)::int AS n FROM training_session WHERE lifter_id = $1 AND removed_at IS NULL',
    [lifter],
  );
  expect(sessions!.n).toBe(0);
  await coach.send('put', `/imports/${randomUUID()}`, request(), 200);
  expect(await log()).toHaveLength(10);
});

describe('other files', () => {
  const HANDS = {
    order: 'dayFirst',
    unit: 'kg',
    noGrip: 'leaveOut',
    lifters: [{ name: 'Ana', lifterId: lifter }],
  };
  const ask = <Answer>(verb: 'post' | 'put', path: string, body: object, status = 200): Promise<Answer> =>
    coach.send<Answer>(verb, `/imports/${path}`, { ...HANDS, ...body }, status);

  it('lifters come with their first answers, once, and are archived again by one undo', async () => {
    const file = {
      ...{ kind: 'lifters', name: 'club.csv', columns: { lifter: 0, best: 1, bodyMass: 2, sport: 3 } },
      text: 'Name,Max (lb),Body mass,Sport\nCy Thorne,400,82.5,strongman\nAna Lind,300,,\nDee Moss,95,,',
    };
    const found = await ask<ImportPreview>('post', 'preview', file);
    expect(found).toMatchObject({ things: 2, known: 0, lifters: 2, days: 0, from: null });
    expect(found.faults).toEqual([{ line: 3, fault: 'Ana Lind is in the club already.' }]);
    const mine = randomUUID();
    await ask('put', mine, file);
    const row = async (): Promise<RackView['lifters'][number] | undefined> =>
      (await coach.get<RackView>('/lifters')).lifters.find(({ name }) => name === 'Cy Thorne');
    const { id: cy } = (await row())!;
    const profile = await coach.get<ProfileView>(`/lifters/${cy}/profile`);
    expect(profile).toMatchObject({
      sport: 'strongman',
      bodyMass: 82.5,
      deadliftMax: expect.closeTo(181.4, 1),
    });
    expect(await ask<ImportPreview>('post', 'preview', file)).toMatchObject({ things: 0, known: 2 });
    await coach.send('delete', `/imports/${mine}`, undefined, 200);
    expect(await row()).toBeUndefined();
    await ask('put', mine, file);
    expect((await row())!.id).toBe(cy);
  });

  it('gripper attempts go to the grippers of the kit by name', async () => {
    const { ladder } = await coach.get<GrippersView>(`/lifters/${lifter}/grippers`);
    const [first] = ladder;
    const file = {
      ...{
        kind: 'grippers',
        name: 'grippers.csv',
        columns: { day: 0, lifter: 1, gripper: 2, hand: 3, closed: 4, gap: 5 },
      },
      text: `Date,Who,Gripper,Hand,Closed,Gap\n3.2.2026,Ana,${first!.name},left,yes,\n3.2.2026,Ana,${first!.name},left,yes,\n4.2.2026,Ana,${first!.name},right,,4\n4.2.2026,Ana,The Unknown,right,,4`,
    };
    const found = await ask<ImportPreview>('post', 'preview', file);
    expect(found).toMatchObject({ things: 3, days: 2, lifters: 1, from: '2026-02-03', to: '2026-02-04' });
    expect(found.faults).toEqual([
      { line: 5, fault: 'No gripper of the club is “The Unknown”. Add it under Kit first.' },
    ]);
    const mine = randomUUID();
    expect((await ask<ImportDone>('put', mine, file)).imports.find((each) => each.id === mine)).toMatchObject(
      {
        kind: 'grippers',
        things: 3,
        days: 2,
      },
    );
    const kept = async (): Promise<number> => {
      const [row] = await api.db.query<{ n: number }[]>(
        'SELECT count(*)::int AS n FROM gripper_attempt WHERE lifter_id = $1 AND undone_at IS NULL',
        [lifter],
      );
      return row!.n;
    };
    expect(await kept()).toBe(3);
    await coach.send('delete', `/imports/${mine}`, undefined, 200);
    expect(await kept()).toBe(0);
  });

  it('the squeezes of a day are one test, as the protocol says that was chosen', async () => {
    const { protocols } = await coach.get<SqueezeView>(`/lifters/${lifter}/squeeze`);
    const file = {
      ...{ kind: 'squeeze', name: 'squeeze.csv', protocolId: protocols[0]!.id },
      columns: { day: 0, lifter: 1, hand: 2, force: 3 },
      text: 'Date,Who,Hand,Force (lb)\n3.2.2026,Ana,left,100\n3.2.2026,Ana,right,110\n10.2.2026,Ana,left,105\n10.2.2026,Ana,left,900',
    };
    const found = await ask<ImportPreview>('post', 'preview', file);
    expect(found).toMatchObject({ things: 2, days: 2, leftOut: 1 });
    await ask('put', randomUUID(), file);
    const { tests } = await coach.get<SqueezeView>(`/lifters/${lifter}/squeeze`);
    expect(tests.map(({ on, source }) => [on, source])).toEqual([
      ['2026-02-10', 'file'],
      ['2026-02-03', 'file'],
    ]);
    const { error } = await ask<ErrorView>('post', 'preview', { ...file, protocolId: randomUUID() }, 400);
    expect(error.fields![0]!.path).toBe('protocolId');
  });
});

it.each([
  [{ text: '' }, 'text'],
  [{ kind: 'poems' as 'training' }, 'kind'],
  [{ text: 'a\u0000b' }, 'text'],
  [{ columns: { day: 0, lift: 2, load: 3, reps: 40 } }, 'columns.reps'],
  [{ venueId: randomUUID() }, 'venueId'],
  [{ noGrip: 'feet' as 'hook' }, 'noGrip'],
] as [Partial<FileImportRequest>, string][])('%j is refused at its field', async (more, path) => {
  const { error } = await coach.send<ErrorView>('post', '/imports/preview', request(more), 400);
  expect(error.fields![0]!.path).toBe(path);
});

it('is a coach’s, of their own club', async () => {
  const foreign = await Coach.signIn(api, await addForeignCoach(api));
  // The lifter whom it names is not theirs, and the venue neither.
  await foreign.send('post', '/imports/preview', request(), 404);
  await foreign.send('post', '/imports/preview', request({ lifters: [] }), 400);
  await foreign.send('delete', `/imports/${id}`, undefined, 404);
  expect((await foreign.get<ImportsView>('/imports')).imports).toEqual([]);
  const assistant = await Coach.signIn(api, await addPerson(api, 'assistant'));
  await assistant.send('post', '/imports/preview', request(), 403);
  await assistant.get('/imports', 403);
});

it('tells how far it has come, and brings nothing where whoever asked lets go', async () => {
  const rows = Array.from({ length: 6_000 }, (_, i) => {
    const day = new Date(Date.UTC(2012, 0, 1 + Math.floor(i / 15)));
    return `${day.toISOString().slice(0, 10)},Ana,Deadlift,${61 + (i % 15) * 5},${1 + (i % 5)},1,hook,`;
  });
  const text = `${FILE.split('\n')[0]}\n${rows.join('\n')}`;
  const service = api.app.get(ImportsUnderWay);
  const mine = randomUUID();
  const [account] = await api.db.query<{ club_id: string }[]>(`SELECT club_id FROM lifter WHERE id = $1`, [
    lifter,
  ]);
  // Let go as soon as the first lot is in.
  const over = new AbortController();
  const tell = service.tell.bind(service);
  service.tell = (club, import_, done, of) => {
    tell(club, import_, done, of);
    over.abort();
  };
  await api.app.listen(0, '127.0.0.1');
  const { port } = api.app.getHttpServer().address() as AddressInfo;
  const cookie = coach.agent.jar
    .getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false } as never)
    .toValueString();
  const sent = fetch(`http://127.0.0.1:${port}/api/imports/${mine}`, {
    method: 'PUT',
    signal: over.signal,
    headers: { cookie, 'x-iron-clasp-token': coach.token, 'content-type': 'application/json' },
    body: JSON.stringify(request({ text })),
  });
  await expect(sent).rejects.toThrow(/abort/i);
  service.tell = tell;
  const { progress } = await coach.get<ImportProgressView>(`/imports/${mine}/progress`);
  expect(progress!.of).toBeGreaterThan(6_000);
  expect(progress!.done).toBeLessThan(progress!.of);
  const foreign = await Coach.signIn(api, await addForeignCoach(api, 'progress@elsewhere.example'));
  expect(await foreign.get<ImportProgressView>(`/imports/${mine}/progress`)).toEqual({ progress: null });
  // Once the club's lock is free the transaction is over: nothing of it stands.
  await api.db.transaction((manager) =>
    manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [`import ${account!.club_id}`]),
  );
  expect((await coach.get<ImportsView>('/imports')).imports.some((each) => each.id === mine)).toBe(false);
  expect(await preview({ text })).toMatchObject({ things: 6_000, known: 0 });
}, 60_000);

it('takes a long log in one go', async () => {
  const rows = Array.from({ length: 5_000 }, (_, i) => {
    const day = new Date(Date.UTC(2015, 0, 1 + Math.floor(i / 15)));
    return `${day.toISOString().slice(0, 10)},Ana,Deadlift,${60 + (i % 15) * 5},${1 + (i % 5)},1,hook,`;
  });
  const text = `${FILE.split('\n')[0]}\n${rows.join('\n')}`;
  const { done } = await coach.send<ImportDone>('put', `/imports/${randomUUID()}`, request({ text }), 200);
  expect(done).toMatchObject({ rows: 5_000, things: 5_000, leftOut: 0 });
  expect((await coach.get<RackView>('/lifters')).lifters.some((row) => row.id === lifter)).toBe(true);
}, 60_000);
