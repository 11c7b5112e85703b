import { randomUUID } from 'node:crypto';
import type { ArchivedView, ErrorView, ProfileView, RackView, SheetView } from '@iron-clasp/contract';
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
const NEW = { name: 'Asta Lindqvist', sport: 'weightlifting', deadliftMax: 120, version: 0 };
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
      // Usual in the sport.
      hookStage: 'settled',
      unanswered: [
        'dominantHand',
        'stance',
        'trainingSince',
        'schoolId',
        'hookStage',
        'bestPulled',
        'practisedUnder',
      ],
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
      hookStage: 'carry',
      history: [{ kind: 'shoulder', side: 'left', cleared: true }],
    });
    expect(changed.unanswered).not.toContain('hookStage');
    expect(changed.version).toBe(2);
    const changes = changed.changes.changes.map(({ field, before, after, by }) => ({
      ...{ field, before, after, by },
    }));
    expect(changes.sort((a, b) => a.field.localeCompare(b.field))).toEqual([
      {
        field: 'history',
        before: [],
        after: [{ kind: 'shoulder', side: 'left', cleared: true }],
        by: 'Maren Solvik',
      },
      { field: 'hookStage', before: 'settled', after: 'carry', by: 'Maren Solvik' },
    ]);
  });

  it('the stage of the hook is as the best was pulled, until somebody says it', async () => {
    const hooked = randomUUID();
    const body = { ...NEW, name: 'Ilse Varga', sport: 'powerlifting' as const };
    expect((await put(hooked, body)).hookStage).toBe('none');
    const told = await put(hooked, { ...body, version: 1, bestPulled: 'hook' });
    expect(told).toMatchObject({ hookStage: 'carry', unanswered: expect.arrayContaining(['hookStage']) });
    const said = await put(hooked, { ...body, version: 2, hookStage: 'none' });
    expect(said.hookStage).toBe('none');
    expect((await put(hooked, { ...body, version: 3, bestPulled: 'hook' })).hookStage).toBe('none');
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
    const [aside] = (await coach.get<ArchivedView>('/lifters/archived')).lifters;
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
    [{ history: [{ kind: 'mood', cleared: true }] }, 'history[0].kind'],
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
    expect((await foreign.get<ArchivedView>('/lifters/archived')).lifters).toEqual([]);
  });
});

describe('meets', () => {
  it('are written with the rules of their day, changed at the version seen, and taken off', async () => {
    const noor = (await coach.get<RackView>('/lifters')).lifters.find(
      (row) => row.name === 'Noor Haddad',
    )!.id;
    const id = randomUUID();
    const meet = {
      name: 'Lantern Cup',
      heldOn: '2026-12-05',
      straps: false,
      thumbTape: true,
      liquidChalk: false,
    };
    const write = <Answer = ProfileView>(more: object, status = 200): Promise<Answer> =>
      coach.send<Answer>(
        'put',
        `/lifters/${noor}/meets/${id}`,
        { ...meet, attempts: [110, 117.5, 122.5], version: 0, ...more },
        status,
      );
    const made = await write({});
    expect(made.meets).toMatchObject([{ id, version: 1, ...meet, attempts: [110, 117.5, 122.5] }]);
    // The same again is the same meet; the rack and the flag know of it.
    expect((await write({})).meets[0]!.version).toBe(1);
    expect(
      (await coach.get<RackView>('/lifters')).lifters.find((row) => row.id === noor)!.meet,
    ).toMatchObject({ days: 11 });
    expect((await write({ version: 1, straps: true })).meets[0]).toMatchObject({ version: 2, straps: true });
    expect((await write<ErrorView>({ version: 1, name: 'Mine' }, 409)).error.code).toBe('changed-meanwhile');
    expect((await write<ErrorView>({ version: 2, attempts: [120, 110] }, 400)).error.fields![0]!.path).toBe(
      'attempts',
    );
    expect((await write<ErrorView>({ version: 2, attempts: [9000] }, 400)).error.fields![0]!.message).toMatch(
      /unit/,
    );
    for (let i = 0; i < 2; i++)
      expect(
        (await coach.send<ProfileView>('delete', `/lifters/${noor}/meets/${id}`, undefined, 200)).meets,
      ).toEqual([]);
    const foreign = await Coach.signIn(api, await addForeignCoach(api, 'meets@elsewhere.example'));
    await foreign.send('put', `/lifters/${noor}/meets/${id}`, { ...meet, attempts: [], version: 3 }, 404);
  });
});

describe('pages', () => {
  it('the rack comes a page at a time, in order, each lifter once; a name finds its lifter', async () => {
    await api.db.query(
      `INSERT INTO lifter (id, club_id, name, sport, unit, dominant_hand, stance, deadlift_max, training_since, school_id, hook_stage, thresholds)
       SELECT gen_random_uuid(), club_id, 'Guest ' || n, sport, unit, dominant_hand, stance, deadlift_max, training_since, school_id, hook_stage, thresholds
         FROM lifter, generate_series(1, 130) n WHERE name = 'Odalys Brandt'`,
    );
    const seen: string[] = [];
    let page = await coach.get<RackView>('/lifters');
    for (;;) {
      seen.push(...page.lifters.map((row) => row.id));
      if (!page.next) break;
      page = await coach.get<RackView>(`/lifters?after=${page.next}`);
    }
    expect(seen).toHaveLength(page.total);
    expect(new Set(seen).size).toBe(page.total);
    const found = await coach.get<RackView>('/lifters?find=GUEST%2012');
    expect(found.lifters.map((row) => row.name).sort()).toEqual(
      ['12', ...Array.from({ length: 10 }, (_, i) => `12${i}`)].map((n) => `Guest ${n}`).sort(),
    );
  });

  it('archived lifters and changes come by key; a key that is none is refused', async () => {
    await api.db.query(`UPDATE lifter SET archived_at = now() WHERE name LIKE 'Guest %'`);
    const names: string[] = [];
    let after = '';
    for (;;) {
      const page = await coach.get<ArchivedView>(`/lifters/archived${after}`);
      names.push(...page.lifters.map((row) => row.name));
      if (!page.next) break;
      after = `?after=${page.next}`;
    }
    expect(names).toHaveLength(new Set(names).size);
    expect(names.filter((name) => name.startsWith('Guest'))).toHaveLength(130);
    await coach.get('/lifters/archived?after=nonsense', 400);
  });
});
