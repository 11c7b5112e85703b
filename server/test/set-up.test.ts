import { randomUUID } from 'node:crypto';
import type {
  CallsView,
  ErrorView,
  KitView,
  RackView,
  SessionView,
  SetUpRequest,
} from '@iron-clasp/contract';
import supertest from 'supertest';
import { SetUpService } from '../src/advice/set-up/set-up.service.ts';
import { DEMO_COACH } from '../src/demo/scenario.ts';
import { Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let code: string;
beforeAll(async () => {
  // The demo's club is there, as where the product was tried before; nobody of it signs in.
  api = await startApi({ demo: null });
  code = (await api.app.get(SetUpService).codeToShow())!;
});
afterAll(() => api.close());

const stranger = (): ReturnType<typeof supertest> => supertest(api.app.getHttpServer());
const lifter = randomUUID();
const request = (): SetUpRequest => ({
  code,
  club: {
    ...{ id: randomUUID(), name: 'Slag Lane Barbell', timeZone: 'America/New_York' },
    ...{ unit: 'lb', weekStart: 'sunday', dateOrder: 'monthFirst' },
  },
  owner: {
    id: randomUUID(),
    name: 'Ada Quill',
    email: 'ada@slag.example',
    password: 'kiln tether oval prow',
  },
  venue: { id: randomUUID(), name: 'The yard', preset: 'strongman' },
  lifters: [
    { id: lifter, name: 'Bo Lind', deadliftMax: 204.1 },
    { id: randomUUID(), name: 'Cy Marsh', deadliftMax: 150 },
  ],
});
const body = request();
const start = async (sent: object, status: number): Promise<{ error: ErrorView['error'] } & SessionView> =>
  (await stranger().post('/api/set-up').send(sent).expect(status)).body;

describe('what is not right is said, and nothing is begun', () => {
  it.each([
    ['a code that nobody showed', { code: 'ABCD-EFGH-JKLM' }, 'code', /terminal/],
    [
      'a zone that is none',
      { club: { ...body.club, timeZone: 'Mars/Olympus' } },
      'club.timeZone',
      /time zone/,
    ],
    [
      'a password that is soon guessed',
      { owner: { ...body.owner, password: 'password123' } },
      'owner.password',
      /soon guessed/,
    ],
    [
      'a password made of the name',
      { owner: { ...body.owner, password: 'adaquill99' } },
      'owner.password',
      /soon guessed/,
    ],
    ['a room that is none', { venue: { ...body.venue, preset: 'castle' } }, 'venue.preset', /room/],
    [
      'a best that nobody lifts',
      { lifters: [{ ...body.lifters[0]!, deadliftMax: 2000 }] },
      'lifters[0].deadliftMax',
      /20 to 600/,
    ],
    [
      'an address that signs in',
      { owner: { ...body.owner, email: DEMO_COACH.email } },
      'owner.email',
      /already/,
    ],
  ])('%s', async (_what, change, path, words) => {
    const { error } = await start({ ...body, code, ...change }, 400);
    expect(error.fields![0]!.path).toBe(path);
    expect(error.fields![0]!.message).toMatch(words);
    expect(await api.db.query('SELECT 1 FROM club WHERE NOT demo')).toEqual([]);
    expect(await api.db.query('SELECT 1 FROM lifter WHERE id = $1', [lifter])).toEqual([]);
  });
});

describe('a club of its own', () => {
  it('is started with the code as it was read off, and its owner is in', async () => {
    const welcome = async (): Promise<unknown> => (await stranger().get('/api/welcome')).body;
    expect(await welcome()).toEqual({ demo: null, setUp: true });
    const { account, club } = await start(
      { ...body, code: ` ${code.toLowerCase().replaceAll('-', ' ')} ` },
      200,
    );
    expect(account).toMatchObject({ role: 'owner', name: 'Ada Quill', unit: 'lb', lifterId: null });
    expect(club).toEqual({ ...body.club, demo: false });
    expect(await welcome()).toEqual({ demo: null, setUp: false });
  });

  it('has its venue, its lifters and real calls for them, and nothing of the demo', async () => {
    const owner = await Coach.signIn(api, body.owner);
    const { lifters } = await owner.get<RackView>('/lifters');
    expect(lifters.map((row) => row.name).sort()).toEqual(['Bo Lind', 'Cy Marsh']);
    const { venues } = await owner.get<KitView>('/kit');
    expect(venues.map(({ kit }) => [kit.name, kit.bars.map((bar) => bar.name)])).toEqual([
      ['The yard', ['Stiff bar', 'Axle']],
    ]);
    const session = randomUUID();
    await owner.send(
      'put',
      `/lifters/${lifter}/sessions/${session}`,
      {
        ...{ title: 'Pulls', heldOn: '2026-11-24', venueId: body.venue.id, holds: [], version: 0 },
        lines: [{ liftId: 'deadlift.conventional', text: 'ramp top 1x1 @ 90%' }],
      },
      200,
    );
    const { sets } = await owner.get<CallsView>(`/sessions/${session}/calls`);
    // 90 % of 450 lb, to plates that stand there.
    expect(sets.at(-1)!.loading.total / 0.45359237).toBeCloseTo(405, 0);
    expect(sets.at(-1)!.line).toMatch(/mixed/);
    expect(sets.every((set) => set.line !== '')).toBe(true);
  });

  it('sent again it signs in and makes nothing; another is refused, and the code is spent', async () => {
    expect((await start({ ...body, code }, 200)).account.id).toBe(body.owner.id);
    expect(await api.db.query('SELECT 1 FROM lifter WHERE name = $1', ['Bo Lind'])).toHaveLength(1);
    expect(
      (await start({ ...body, code, owner: { ...body.owner, password: 'quite another one' } }, 401)).error
        .code,
    ).toBe('wrong-sign-in');
    const second = { ...request(), owner: { ...body.owner, id: randomUUID(), email: 'eve@slag.example' } };
    expect((await start(second, 409)).error.code).toBe('set-up-done');
    expect(await api.app.get(SetUpService).codeToShow()).toBeUndefined();
  });

  it('two started at once make one', async () => {
    const fresh = await startApi({ demo: null });
    try {
      const shown = (await fresh.app.get(SetUpService).codeToShow())!;
      const answers = await Promise.all(
        ['a', 'b', 'c'].map((name) => {
          const each = request();
          const owner = { ...each.owner, email: `${name}@slag.example` };
          const lifters = [{ ...each.lifters[0]!, id: randomUUID() }];
          return supertest(fresh.app.getHttpServer())
            .post('/api/set-up')
            .send({ ...each, owner, lifters, code: shown });
        }),
      );
      expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409, 409]);
      expect(await fresh.db.query('SELECT 1 FROM club WHERE NOT demo')).toHaveLength(1);
    } finally {
      await fresh.close();
    }
  });
});
