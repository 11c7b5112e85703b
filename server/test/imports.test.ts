import { randomUUID } from 'node:crypto';
import type {
  CurveView,
  ErrorView,
  ImportDone,
  ImportPreview,
  ImportsView,
  KitView,
  LogView,
  RackView,
  TrainingImportRequest,
} from '@iron-clasp/contract';
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
const request = (more: Partial<TrainingImportRequest> = {}): object => ({
  ...{ text: FILE, name: 'spring.csv', unit: 'kg', order: 'dayFirst', noGrip: 'leaveOut', venueId },
  columns: { day: 0, lifter: 1, lift: 2, load: 3, reps: 4, sets: 5, grip: 6, slipped: 7 },
  lifters: [
    { name: 'Ana', lifterId: lifter },
    { name: 'Somebody', lifterId: null },
  ],
  ...more,
});
const preview = (more?: Partial<TrainingImportRequest>): Promise<ImportPreview> =>
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
    ...{ rows: 10, sets: 10, known: 0, sessions: 2, lifters: 1, from: '2026-02-03', to: '2026-02-10' },
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
  expect(done.sets).toBe(10);
  expect(imports).toMatchObject([
    { id, name: 'spring.csv', by: 'Maren Solvik', sets: 10, sessions: 2, undone: null },
  ]);
  const entries = await log();
  expect(entries).toHaveLength(10);
  // Its curve is fitted before any page asks for it.
  while ((await keptRows()) <= keptBefore) await new Promise((resolve) => setTimeout(resolve, 20));
  expect(Math.max(...entries.map((each) => each.load))).toBe(170);
  // The same again, under its id and under another: nothing is there twice.
  const again = await coach.send<ImportDone>('put', `/imports/${id}`, request(), 200);
  expect(again.done).toMatchObject({ sets: 0, known: 10 });
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
  expect(imports.filter((each) => ids.includes(each.id)).map((each) => each.sets)).toEqual(
    expect.arrayContaining([0, 2]),
  );
  for (const each of ids) await coach.send('delete', `/imports/${each}`, undefined, 200);
  expect(await log()).toHaveLength(10);
});

it('a longer file of the same adds what is new', async () => {
  const longer = `${FILE}17.2.2026,Ana,Deadlift,172.5,1,1,hook,\n`;
  expect(await preview({ text: longer })).toMatchObject({ sets: 1, known: 10, sessions: 1 });
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

it.each([
  [{ text: '' }, 'text'],
  [{ text: 'a\u0000b' }, 'text'],
  [{ columns: { day: 0, lift: 2, load: 3, reps: 40 } }, 'columns.reps'],
  [{ venueId: randomUUID() }, 'venueId'],
  [{ noGrip: 'feet' as 'hook' }, 'noGrip'],
] as [Partial<TrainingImportRequest>, string][])('%j is refused at its field', async (more, path) => {
  const { error } = await coach.send<ErrorView>('post', '/imports/preview', request(more), 400);
  expect(error.fields![0]!.path).toBe(path);
});

it('is a coach’s, of their own club', async () => {
  const foreign = await Coach.signIn(api, await addForeignCoach(api));
  await foreign.send('post', '/imports/preview', request(), 400);
  await foreign.send('delete', `/imports/${id}`, undefined, 404);
  expect((await foreign.get<ImportsView>('/imports')).imports).toEqual([]);
  const assistant = await Coach.signIn(api, await addPerson(api, 'assistant'));
  await assistant.send('post', '/imports/preview', request(), 403);
  await assistant.get('/imports', 403);
});

it('takes a long log in one go', async () => {
  const rows = Array.from({ length: 5_000 }, (_, i) => {
    const day = new Date(Date.UTC(2015, 0, 1 + Math.floor(i / 15)));
    return `${day.toISOString().slice(0, 10)},Ana,Deadlift,${60 + (i % 15) * 5},${1 + (i % 5)},1,hook,`;
  });
  const text = `${FILE.split('\n')[0]}\n${rows.join('\n')}`;
  const { done } = await coach.send<ImportDone>('put', `/imports/${randomUUID()}`, request({ text }), 200);
  expect(done).toMatchObject({ rows: 5_000, sets: 5_000, leftOut: 0 });
  expect((await coach.get<RackView>('/lifters')).lifters.some((row) => row.id === lifter)).toBe(true);
}, 60_000);
