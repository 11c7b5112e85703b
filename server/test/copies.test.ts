import { randomUUID } from 'node:crypto';
import type {
  CopyRequest,
  CopyView,
  ErrorView,
  LibraryView,
  ProgramView,
  RackView,
  SessionPlanView,
  SheetView,
} from '@iron-clasp/contract';
import { addForeignCoach, addPerson, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
const ids: Record<string, string> = {};
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  for (const { id, name } of (await coach.get<RackView>('/lifters')).lifters) ids[name.split(' ')[0]!] = id;
});
afterAll(() => api.close());

const copy = <Answer = CopyView>(
  body: Partial<CopyRequest>,
  { id = randomUUID(), status = 200 }: { id?: string; status?: number } = {},
): Promise<Answer> => coach.send<Answer>('put', `/copies/${id}`, { loads: 'own', ...body }, status);
const plan = (id: string): Promise<SessionPlanView> => coach.get(`/sessions/${id}/plan`);
const nextOf = async (name: string): Promise<string> =>
  (await coach.get<SheetView>(`/lifters/${ids[name]}/sheet`)).nextSessionId!;

/** Writes a session for a lifter, and says its id. */
async function write(name: string, heldOn: string, lines: object[], more: object = {}): Promise<string> {
  const { venueId } = await plan(await nextOf('Odalys'));
  const id = randomUUID();
  const body = { title: 'Pulls', heldOn, venueId, holds: [], version: 0, lines, ...more };
  await coach.send('put', `/lifters/${ids[name]}/sessions/${id}`, body, 200);
  return id;
}

const DEADLIFT = 'deadlift.conventional';

describe('a session for several lifters', () => {
  it('is written for each at the same share of their own best, and repeated it writes nothing twice', async () => {
    const sessionId = await write(
      'Odalys',
      '2027-03-02',
      [
        { liftId: DEADLIFT, text: 'ramp top 2x1 @ 110' },
        { liftId: DEADLIFT, text: 'back-off 3x4 @ 70%' },
      ],
      { holds: ['deadHang'] },
    );
    const id = randomUUID();
    const body = { from: { sessionId }, lifters: [ids['Teodor']!, ids['Kofi']!], on: '2027-03-03' };
    const first = await copy(body, { id });
    expect(first.lifters.map(({ name, refused, kept }) => [name, refused, kept])).toEqual([
      ['Teodor Vance', null, []],
      ['Kofi Adeyemi-Lund', null, []],
    ]);
    const [teodor] = first.lifters;
    const there = await plan(teodor!.written[0]!.id);
    expect(there).toMatchObject({ title: 'Pulls', heldOn: '2027-03-03', holds: ['deadHang'] });
    expect(there.lines.map((line) => line.text)).toEqual(['ramp top 2x1 @ 80%', 'back-off 3x4 @ 70%']);
    expect(await copy(body, { id })).toEqual(first);
    const week = await coach.get<ProgramView>(`/lifters/${ids['Teodor']}/weeks/2027-03-01`);
    expect(week.sessions.filter(({ on }) => on === '2027-03-03')).toHaveLength(1);
  });

  it('keeps loads of lifts whose best is not known, and names them', async () => {
    const sessionId = await write('Odalys', '2027-03-09', [{ liftId: 'curl', text: '3x12 @ 25' }]);
    const { lifters } = await copy({ from: { sessionId }, lifters: [ids['Teodor']!], on: '2027-03-10' });
    expect(lifters[0]).toMatchObject({ refused: null, kept: ['Curl volume 3x12 @ 25kg'] });
  });

  it('as written keeps every load', async () => {
    const sessionId = await write('Odalys', '2027-03-16', [{ liftId: DEADLIFT, text: '2x1 @ 110' }]);
    const body = {
      from: { sessionId },
      lifters: [ids['Teodor']!],
      on: '2027-03-17',
      loads: 'written' as const,
    };
    const { lifters } = await copy(body);
    expect((await plan(lifters[0]!.written[0]!.id)).lines[0]!.text).toBe('volume 2x1 @ 110kg');
  });

  it('leaves a day that holds something, and a day that is past, as they are', async () => {
    const sessionId = await write('Odalys', '2027-03-23', [{ liftId: DEADLIFT, text: '2x1 @ 110' }]);
    await write('Kofi', '2027-03-24', [{ liftId: DEADLIFT, text: '1x1 @ 100' }]);
    const both = { from: { sessionId }, lifters: [ids['Kofi']!, ids['Teodor']!] };
    const { lifters } = await copy({ ...both, on: '2027-03-24' });
    expect(lifters[0]!.refused).toBe('Pulls is on Wednesday 24 March already.');
    expect(lifters[1]!.written).toHaveLength(1);
    const past = await copy({ ...both, on: '2026-11-01' });
    expect(past.lifters.map(({ refused }) => refused)).toEqual(Array(2).fill('Sunday 1 November is past.'));
  });

  it('taken back session by session, the program is as it was', async () => {
    const sessionId = await write('Odalys', '2027-04-06', [{ liftId: DEADLIFT, text: '2x1 @ 110' }]);
    const { lifters } = await copy({ from: { sessionId }, lifters: [ids['Teodor']!], on: '2027-04-07' });
    const { id, version } = lifters[0]!.written[0]!;
    await coach.send('delete', `/sessions/${id}?version=${version}`, undefined, 204);
    const week = await coach.get<ProgramView>(`/lifters/${ids['Teodor']}/weeks/2027-04-05`);
    expect(week.sessions.filter(({ on }) => on === '2027-04-07')).toEqual([]);
  });
});

it('a week goes day by day into the week of the day named, all of it or nothing', async () => {
  await write('Odalys', '2027-05-04', [{ liftId: DEADLIFT, text: '2x1 @ 80%' }], { title: 'Tuesday' });
  await write('Odalys', '2027-05-08', [{ liftId: DEADLIFT, text: '4x5 @ 60%' }], { title: 'Saturday' });
  const from = { lifterId: ids['Odalys']!, week: '2027-05-06' };
  const { lifters } = await copy({ from, lifters: [ids['Teodor']!, ids['Odalys']!], on: '2027-05-12' });
  for (const { written, refused } of lifters) {
    expect(refused).toBeNull();
    expect(written.map(({ on }) => on)).toEqual(['2027-05-11', '2027-05-15']);
  }
  const again = await copy({ from, lifters: [ids['Teodor']!], on: '2027-05-12' });
  expect(again.lifters[0]).toMatchObject({ written: [], refused: expect.stringMatching(/^Tuesday is on/) });
});

describe('the library', () => {
  /** What these tests keep there, beside the demo's own. */
  const all = async (): Promise<LibraryView['plans']> =>
    (await coach.get<LibraryView>('/library')).plans.filter(
      ({ title }) => title === 'Heavy singles' || title === 'Singles',
    );

  it('holds plans of the demo that can be written for everybody', async () => {
    const { plans } = await coach.get<LibraryView>('/library');
    expect(plans.length).toBeGreaterThan(1);
    for (const [i, { id }] of plans.entries()) {
      const on = `2028-02-${String(7 * (i + 1)).padStart(2, '0')}`;
      const { lifters } = await copy({ from: { planId: id }, lifters: Object.values(ids), on });
      expect(lifters.map(({ name, refused }) => [name, refused])).toEqual(
        lifters.map(({ name }) => [name, null]),
      );
    }
  });

  it('keeps a session as shares, to be written for anybody at their own loads', async () => {
    const sessionId = await write('Odalys', '2027-06-01', [
      { liftId: DEADLIFT, text: 'top 2x1 @ 110' },
      { liftId: 'curl', text: '3x12 @ 25' },
    ]);
    const planId = randomUUID();
    const body = { title: 'Heavy singles', from: { sessionId }, version: 0 };
    await coach.send('put', `/library/${planId}`, body, 200);
    const [kept] = await all();
    expect(kept).toEqual({
      ...{ id: planId, version: 1, title: 'Heavy singles', kind: 'session' },
      sessions: [
        {
          ...{ day: 1, title: 'Pulls', holds: [] },
          lines: [
            { liftId: DEADLIFT, text: 'top 2x1 @ 80%' },
            { liftId: 'curl', text: 'volume 3x12 @ 25kg' },
          ],
        },
      ],
    });
    const { lifters } = await copy({ from: { planId }, lifters: [ids['Teodor']!], on: '2027-06-02' });
    expect(lifters[0]!.kept).toEqual(['Curl volume 3x12 @ 25kg']);
    expect((await plan(lifters[0]!.written[0]!.id)).lines[0]!.text).toBe('top 2x1 @ 80%');
  });

  it('is a start for a lifter who has no session yet', async () => {
    const id = randomUUID();
    const body = { name: 'Newly Come', sport: 'powerlifting', deadliftMax: 140, version: 0 };
    await coach.send('put', `/lifters/${id}`, body, 200);
    const { plans } = await coach.get<LibraryView>('/library');
    const week = plans.find(({ kind }) => kind === 'week')!;
    const { lifters } = await copy({ from: { planId: week.id }, lifters: [id], on: '2026-11-30' });
    expect(lifters[0]).toMatchObject({ refused: null });
    expect(lifters[0]!.written).toHaveLength(week.sessions.length);
  });

  it('gives a plan another title, takes it out and back in', async () => {
    const [{ id, version }] = (await all()) as [LibraryView['plans'][number]];
    await coach.send('put', `/library/${id}`, { title: 'Singles', version }, 200);
    expect((await all())[0]).toMatchObject({ title: 'Singles', version: version + 1 });
    const stale = await coach.send<ErrorView>('put', `/library/${id}`, { title: 'Doubles', version }, 409);
    expect(stale.error.message).toMatch(/changed/);
    await coach.send('delete', `/library/${id}?version=${version + 1}`, undefined, 204);
    expect(await all()).toEqual([]);
    await coach.send('delete', `/library/${id}?version=${version + 1}`, undefined, 204);
    await coach.send('put', `/library/${id}/restored`, undefined, 204);
    expect(await all()).toHaveLength(1);
  });

  it('is changed in place, in shares of anybody’s best', async () => {
    const [{ id, version, sessions }] = (await all()) as [LibraryView['plans'][number]];
    const lines = [
      { liftId: DEADLIFT, text: '3x1 @ 85%' },
      { liftId: 'clean', text: '3x5 @ 75%' },
      { liftId: 'curl', text: '3x10 @ 27.5kg' },
    ];
    const change = (parts: object, status: number, seen = version): Promise<LibraryView & ErrorView> =>
      coach.send('put', `/library/${id}`, { title: 'Singles', version: seen, ...parts }, status);
    const session = { day: 2, title: 'Singles', lines, holds: ['deadHang'] };
    const changed = await change({ sessions: [session] }, 200);
    expect(changed.plans.find((each) => each.id === id)).toMatchObject({
      version: version + 1,
      sessions: [
        {
          ...session,
          lines: [
            { liftId: DEADLIFT, text: 'volume 3x1 @ 85%' },
            { liftId: 'clean', text: 'volume 3x5 @ 75%' },
            { liftId: 'curl', text: 'volume 3x10 @ 27.5kg' },
          ],
        },
      ],
    });
    // Sent again it is the same change; said of an older version it is none.
    await change({ sessions: [session] }, 200);
    await change({ sessions }, 409);
    const refused = await change(
      { sessions: [{ ...session, lines: [lines[0], { liftId: DEADLIFT, text: '3x1 @ 180' }] }] },
      ...([400, version + 1] as const),
    );
    expect(refused.error.fields).toEqual([
      { path: 'sessions[0].lines[1].text', message: expect.stringMatching(/share of it, as 80%/) },
    ]);
    const unread = await change(
      { sessions: [{ ...session, lines: [{ liftId: DEADLIFT, text: '3x' }] }] },
      400,
    );
    expect(unread.error.fields?.[0]?.path).toBe('sessions[0].lines[0].text');
    await change({ sessions: [session, session] }, 400);
    await change({ sessions: [] }, 400);
    await change({ sessions: [session], from: { planId: id } }, 400);
    // Whose best clean nobody knows is written nothing, and is told why.
    const lifters = [ids['Teodor']!, ids['Odalys']!];
    const { lifters: outcomes } = await copy({ from: { planId: id }, lifters, on: '2027-06-23' });
    const refusals = outcomes.map(({ refused: why }) => why).filter((why) => why !== null);
    expect(refusals).toEqual(refusals.map(() => expect.stringMatching(/best clean.*Add it to the profile/)));
    expect(refusals.length).toBeGreaterThan(0);
    await change({ title: 'Singles', sessions }, 200, version + 1);
  });

  it('is another club’s business only where it is theirs', async () => {
    const [{ id }] = (await all()) as [LibraryView['plans'][number]];
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    expect(await foreign.get<LibraryView>('/library')).toEqual({ plans: [] });
    await foreign.send('put', `/library/${id}`, { title: 'Ours', version: 1 }, 404);
    await foreign.send('delete', `/library/${id}?version=1`, undefined, 404);
    const body = { from: { planId: id }, lifters: [ids['Teodor']!], on: '2027-06-09', loads: 'own' };
    await foreign.send('put', `/copies/${randomUUID()}`, body, 404);
  });

  it('is for those who program', async () => {
    const assistant = await Coach.signIn(api, await addPerson(api, 'assistant'));
    await assistant.get('/library', 403);
  });
});

it.each([
  ['no source', {}],
  ['two sources', { sessionId: randomUUID(), planId: randomUUID() }],
  ['a lifter without a week', { lifterId: randomUUID() }],
])('%s is refused in words', async (_, from) => {
  const body = { from, lifters: [randomUUID()], on: '2027-01-01' };
  expect((await copy<ErrorView>(body, { status: 400 })).error.message).toMatch(/one source/);
});

it('an empty week is nothing to copy', async () => {
  const body = {
    from: { lifterId: ids['Odalys']!, week: '2029-01-01' },
    lifters: [ids['Kofi']!],
    on: '2029-01-08',
  };
  expect((await copy<ErrorView>(body, { status: 409 })).error.message).toMatch(/nothing to copy/);
});
