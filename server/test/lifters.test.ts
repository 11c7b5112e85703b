import { randomUUID } from 'node:crypto';
import type { ArchivedLifter, ErrorView, ProfileView, RackView, SheetView } from '@iron-clasp/contract';
import { addForeignCoach, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
});
afterAll(() => api.close());

const put = <Answer = ProfileView>(id: string, body: object, status = 200): Promise<Answer> =>
  coach.send<Answer>('put', `/lifters/${id}`, body, status);
const NEW = { name: 'Asta Lindqvist', sport: 'Weightlifting', deadliftMax: 120, version: 0 };
const names = async (): Promise<string[]> =>
  (await coach.get<RackView>('/lifters')).lifters.map((row) => row.name);

describe('adding a lifter', () => {
  const id = randomUUID();

  it('wants a name, a sport and a best deadlift; the rest has its usual value and is asked later', async () => {
    const made = await put(id, NEW);
    expect(made).toMatchObject({
      version: 1,
      schoolId: 'weightlifting',
      dominantHand: 'right',
      hookStage: 'none',
      unanswered: ['dominantHand', 'stance', 'trainingSince', 'schoolId', 'hookStage'],
    });
    expect(await names()).toContain('Asta Lindqvist');
    expect((await coach.get<SheetView>(`/lifters/${id}/sheet`)).lifter.trainingMonths).toBe(24);
  });

  it('sent again it is the same lifter', async () => {
    await Promise.all([put(id, NEW), put(id, NEW)]);
    expect((await names()).filter((name) => name === 'Asta Lindqvist')).toHaveLength(1);
    expect((await coach.get<ProfileView>(`/lifters/${id}/profile`)).version).toBe(1);
  });

  it('an answer takes a question away, and every change is kept with who made it', async () => {
    const changed = await put(id, {
      ...NEW,
      version: 1,
      hookStage: 'settled',
      history: [{ kind: 'shoulder', side: 'left', cleared: true }],
    });
    expect(changed.unanswered).not.toContain('hookStage');
    expect(changed.version).toBe(2);
    expect(changed.changes.map(({ field, before, after, by }) => ({ field, before, after, by }))).toEqual([
      {
        field: 'history',
        before: [],
        after: [{ kind: 'shoulder', side: 'left', cleared: true }],
        by: 'Maren Solvik',
      },
      { field: 'hookStage', before: 'none', after: 'settled', by: 'Maren Solvik' },
    ]);
  });

  it('an editor who saw an older version is told so, and nothing is overwritten', async () => {
    const stale = await put<ErrorView>(id, { ...NEW, version: 1, deadliftMax: 200 }, 409);
    expect(stale.error.code).toBe('changed-meanwhile');
    expect((await coach.get<ProfileView>(`/lifters/${id}/profile`)).deadliftMax).toBe(120);
  });

  it('of two who save at once one is kept and the other told', async () => {
    const asked = [130, 140].map((deadliftMax) =>
      coach.agent
        .put(`/api/lifters/${id}`)
        .set('x-iron-clasp-token', coach.token)
        .send({ ...NEW, version: 2, deadliftMax }),
    );
    const statuses = (await Promise.all(asked)).map((answer) => answer.status).sort();
    expect(statuses).toEqual([200, 409]);
  });
});

describe('putting a lifter aside', () => {
  it('takes them off the rack and brings them back with everything', async () => {
    const row = (await coach.get<RackView>('/lifters')).lifters.find(
      (each) => each.name === 'Priya Ramsland',
    )!;
    const archive = (archived: boolean, version: number, status = 200): Promise<ProfileView> =>
      coach.send('patch', `/lifters/${row.id}/archive`, { archived, version }, status);
    await api.db.query(
      `INSERT INTO lifter_history (id, lifter_id, kind, side, since, cleared) VALUES ($1, $2, 'shoulder', 'left', '2025-03-01', true)`,
      [randomUUID(), row.id],
    );
    expect(await archive(true, 1)).toMatchObject({ archived: true, version: 2 });
    expect(await names()).not.toContain('Priya Ramsland');
    const [aside] = await coach.get<ArchivedLifter[]>('/lifters/archived');
    expect(aside).toMatchObject({ id: row.id, version: 2 });
    await archive(false, 1, 409);
    expect(await archive(false, 2)).toMatchObject({ archived: false, version: 3 });
    expect(await names()).toContain('Priya Ramsland');
    expect((await coach.get<SheetView>(`/lifters/${row.id}/sheet`)).nextSessionId).not.toBeNull();
    const [shoulder] = await api.db.query(
      `SELECT since::text FROM lifter_history WHERE lifter_id = $1 AND kind = 'shoulder'`,
      [row.id],
    );
    expect(shoulder).toEqual({ since: '2025-03-01' });
  });
});

describe('what is refused', () => {
  it.each([
    [{ name: '' }, 'name'],
    [{ name: 'x'.repeat(121) }, 'name'],
    [{ deadliftMax: 900 }, 'deadliftMax'],
    [{ deadliftMax: '120' }, 'deadliftMax'],
    [{ schoolId: 'dojo' }, 'schoolId'],
    [{ thresholds: { top: 0.9 } }, 'thresholds.warmup'],
    [{ history: [{ kind: 'mood', cleared: true }] }, 'history[0]'],
    [{ trainingSince: 'yore' }, 'trainingSince'],
    [{ clubId: randomUUID() }, 'clubId'],
  ])('%j is named', async (wrong, path) => {
    const { error } = await put<ErrorView>(randomUUID(), { ...NEW, ...wrong }, 400);
    expect(error.fields!.map((field) => field.path)).toContain(path);
  });

  it('a lifter of another club is neither seen, changed nor put aside', async () => {
    const { id } = (await coach.get<RackView>('/lifters')).lifters[0]!;
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    await foreign.get(`/lifters/${id}/profile`, 404);
    await foreign.send('put', `/lifters/${id}`, NEW, 404);
    await foreign.send('patch', `/lifters/${id}/archive`, { archived: true, version: 1 }, 404);
    expect(await foreign.get<ArchivedLifter[]>('/lifters/archived')).toEqual([]);
  });
});
