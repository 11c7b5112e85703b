import { randomUUID } from 'node:crypto';
import { get } from 'node:http';
import type { AddressInfo } from 'node:net';
import type {
  CallsView,
  ErrorView,
  FloorView,
  LiveEvent,
  LogView,
  RackView,
  SessionEndView,
  SheetView,
} from '@iron-clasp/contract';
import { callAgain, sameCall } from '@iron-clasp/core';
import { filter, firstValueFrom } from 'rxjs';
import { DEMO_LIFTER } from '../src/demo/scenario.ts';
import { Live } from '../src/views/floor/live.ts';
import { addForeignCoach, Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let lifter: string;
let session: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  lifter = (await coach.get<RackView>('/lifters')).lifters.find((row) => row.name === 'Teodor Vance')!.id;
  const { season } = await coach.get<SheetView>(`/lifters/${lifter}/sheet`);
  session = season.sessions.find((each) => !each.done && each.title === 'Deadlift, heavy')!.id;
});
afterAll(() => api.close());

const doneAt = `${TODAY}T11:30:00Z`;
const calls = (): Promise<CallsView> => coach.get<CallsView>(`/sessions/${session}/calls`);
const log = <Answer = CallsView>(
  set: CallsView['sets'][number],
  more: object = {},
  id = randomUUID(),
  status = 200,
): Promise<Answer> =>
  coach.send<Answer>(
    'put',
    `/sessions/${session}/sets/${id}`,
    {
      plannedSetId: set.id,
      load: set.loading.total,
      reps: set.reps,
      grip: set.call.grip ?? 'doubleOverhand',
      strapped: set.call.choice === 'straps',
      chalk: 'block',
      doneAt,
      ...more,
    },
    status,
  );

describe('a session on the floor', () => {
  it('comes with all that a device needs to call it again, and calls itself as the server does', async () => {
    const floor = await coach.get<FloorView>(`/sessions/${session}/floor`);
    const { calls: again, curve } = callAgain({ ...floor.underWay, done: [], holds: [] });
    expect(again).toHaveLength(floor.calls.sets.length);
    expect(again.every((call, i) => sameCall(call, floor.calls.sets[i]!.call))).toBe(true);
    expect(curve.evidence.observations).toBe(floor.calls.evidence.observations);
    expect(floor).toMatchObject({ finished: false });
  });

  it('a slip in the second single changes the third, here and on a device without a network alike', async () => {
    const floor = await coach.get<FloorView>(`/sessions/${session}/floor`);
    const tops = floor.calls.sets.filter((set) => set.role === 'top');
    const [first, second] = tops;
    await log(first!);
    const grip = second!.call.grip!;
    const after = await log(second!, {
      slippedAtRep: 1,
      confidence: 2,
      pain: 3,
      cause: 'slip.doubt',
      note: 'rushed',
    });
    const done = [first!, second!].map((set, i) => ({
      liftId: set.liftId,
      load: set.loading.total,
      reps: set.reps,
      style: set.style,
      seconds: set.seconds,
      grip: set.call.grip!,
      strapped: false,
      chalk: 'block' as const,
      diameter: floor.calls.session.bar.diameter,
      slippedAtRep: i === 1 ? 1 : null,
    }));
    const local = callAgain({ ...floor.underWay, done, holds: [] }).calls;
    after.sets.forEach((set, i) => expect(sameCall(set.call, local[i]!)).toBe(true));
    const again = after.sets.find((set) => set.id === second!.id)!;
    expect(again.call.choice).not.toBe(grip);
    expect(again.call.reasons.map((reason) => reason.ruleId)).toContain('adaptation.slipped-today');
    expect(again.done).toMatchObject({
      slippedAtRep: 1,
      confidence: 2,
      pain: 3,
      cause: 'slip.doubt',
      note: 'rushed',
    });
  });

  it('a set that another device logged is shown beside ours; taken back, ours goes in', async () => {
    const set = (await calls()).sets.find((each) => each.done === null)!;
    const theirs = randomUUID();
    await log(set, { load: 60 }, theirs);
    const ours = randomUUID();
    const { error } = await log<ErrorView>(set, { load: 65 }, ours, 409);
    expect(error).toMatchObject({ code: 'set-logged-already', other: { id: theirs, load: 60 } });
    await coach.send('delete', `/sets/${theirs}`, undefined, 204);
    await log(set, { load: 65 }, ours);
    expect((await calls()).sets.find((each) => each.id === set.id)!.done).toMatchObject({
      id: ours,
      load: 65,
    });
  });

  it.each([
    [{ pain: 11 }, 'pain'],
    [{ confidence: 0 }, 'confidence'],
    [{ cause: 'the moon' }, 'cause'],
  ])('%j is refused at its field', async (wrong, path) => {
    const set = (await calls()).sets.find((each) => each.done === null)!;
    expect((await log<ErrorView>(set, wrong, randomUUID(), 400)).error.fields![0]!.path).toBe(path);
  });

  it('ends with what was held against plan, slips with likely causes, the next hold and a note; and opens again', async () => {
    const hold = {
      load: 180,
      seconds: 8,
      target: 10,
      ended: 'slipped',
      grip: 'hook',
      chalk: 'block',
      doneAt,
    };
    await coach.send('put', `/sessions/${session}/holds/${randomUUID()}`, hold, 200);
    const body = { finishedAt: doneAt, note: 'Good patience. Hook next time.' };
    for (let i = 0; i < 2; i++) {
      const end = await coach.send<SessionEndView>('put', `/sessions/${session}/end`, body, 200);
      expect(end).toMatchObject({ done: 3, note: body.note, holds: [{ seconds: 8 }] });
      expect(end.planned).toBeGreaterThan(3);
      expect(end.slips).toMatchObject([{ slippedAtRep: 1, role: 'top' }]);
      expect(end.causes[0]!.remedies.length).toBeGreaterThan(0);
      expect(end.nextHolds[0]!.load).toBeGreaterThan(0);
      expect(end.otherwise.some((line) => line.endsWith('left out.'))).toBe(true);
    }
    expect((await coach.get<SheetView>(`/lifters/${lifter}/sheet`)).nextSessionId).not.toBe(session);
    await coach.send('delete', `/sessions/${session}/end`, undefined, 204);
    expect((await coach.get<FloorView>(`/sessions/${session}/floor`)).finished).toBe(false);
  });
});

describe('the log', () => {
  it('comes by key, each entry once, the latest first', async () => {
    const seen: string[] = [];
    let page = await coach.get<LogView>(`/lifters/${lifter}/log`);
    const times: string[] = [];
    for (let i = 0; i < 5 && page.next; i++) {
      seen.push(...page.entries.map((entry) => entry.id));
      times.push(...page.entries.map((entry) => entry.doneAt));
      page = await coach.get<LogView>(`/lifters/${lifter}/log?before=${page.next}`);
    }
    expect(seen.length).toBe(300);
    expect(new Set(seen).size).toBe(300);
    expect(times).toEqual([...times].sort().reverse());
    await coach.get(`/lifters/${lifter}/log?before=nonsense`, 400);
  });

  it('is filtered by lift, grip, kind and slips', async () => {
    const only = async (query: string): Promise<LogView['entries']> =>
      (await coach.get<LogView>(`/lifters/${lifter}/log?${query}`)).entries;
    expect(
      (await only('slipped=yes')).every((entry) => entry.slippedAtRep ?? entry.ended === 'slipped'),
    ).toBe(true);
    expect((await only('kind=hold')).every((entry) => entry.kind === 'hold' && entry.seconds! > 0)).toBe(
      true,
    );
    expect(new Set((await only('lift=bench')).map((entry) => entry.liftName))).toEqual(
      new Set(['Bench press']),
    );
    expect((await only('grip=hook')).every((entry) => entry.grip === 'hook' && !entry.strapped)).toBe(true);
  });

  it('a correction keeps the first value, counts from then on, and is the same one sent again', async () => {
    const [entry] = (await coach.get<LogView>(`/lifters/${lifter}/log?slipped=yes&kind=set`)).entries;
    const id = randomUUID();
    for (let i = 0; i < 2; i++)
      await coach.send(
        'put',
        `/sets/${entry!.id}/corrections/${id}`,
        { load: entry!.load + 5, slippedAtRep: null },
        204,
      );
    const after = (await coach.get<LogView>(`/lifters/${lifter}/log`)).entries.find(
      (each) => each.id === entry!.id,
    )!;
    expect(after).toMatchObject({ load: entry!.load + 5, slippedAtRep: null });
    expect(after.corrections).toMatchObject([
      { by: 'Maren Solvik', before: { load: entry!.load, slippedAtRep: entry!.slippedAtRep } },
    ]);
    const wrong = await coach.send<ErrorView>(
      'put',
      `/sets/${entry!.id}/corrections/${randomUUID()}`,
      { slippedAtRep: 90 },
      400,
    );
    expect(wrong.error.fields![0]!.path).toBe('slippedAtRep');
    await coach.send('put', `/sets/${entry!.id}/corrections/${randomUUID()}`, { seconds: 12 }, 400);
  });

  it('is a lifter’s own, and nobody else’s', async () => {
    const own = await Coach.signIn(api, DEMO_LIFTER);
    await own.get(`/lifters/${lifter}/log`, 404);
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    await foreign.get(`/lifters/${lifter}/log`, 404);
    await foreign.get(`/sessions/${session}/floor`, 404);
    await foreign.get(`/live/${session}`, 404);
    await own.get(`/live/${session}`, 403);
  });
});

describe('following a session', () => {
  it('tells within a moment of what is logged, and of the clock that runs', async () => {
    const server = await api.app.listen(0, '127.0.0.1');
    const { port } = (server as { address(): AddressInfo }).address();
    const jar = coach.agent.jar.getCookies({
      domain: '127.0.0.1',
      path: '/',
      secure: false,
      script: false,
    } as never);
    const cookie = jar.toValueString();
    const events: LiveEvent[] = [];
    const wanted = (kind: LiveEvent['kind']): Promise<LiveEvent> =>
      new Promise((resolve) => {
        const look = (): void => {
          const found = events.find((event) => event.kind === kind);
          if (found) resolve(found);
          else setTimeout(look, 10);
        };
        look();
      });
    const request = get({ port, path: `/api/live/${session}`, headers: { cookie } }, (answer) => {
      expect(answer.headers['content-type']).toMatch(/event-stream/);
      answer.setEncoding('utf8').on('data', (text: string) => {
        for (const line of text.split('\n').filter((each) => each.startsWith('data: {')))
          events.push(JSON.parse(line.slice(6)) as LiveEvent);
      });
    });
    await new Promise((resolve) => request.once('response', resolve));
    await coach.send(
      'put',
      `/sessions/${session}/clock`,
      { state: 'running', seconds: 2.5, target: 10 },
      204,
    );
    expect(await wanted('clock')).toEqual({
      sessionId: session,
      kind: 'clock',
      clock: { state: 'running', seconds: 2.5, target: 10 },
    });
    const stands = {
      plannedSetId: (await calls()).sets.at(-1)!.id,
      load: 120,
      line: 'mixed, right under',
      choice: 'mixed',
      sideUnder: 'right',
    };
    await coach.send('put', `/sessions/${session}/stands`, stands, 204);
    expect(await wanted('stands')).toEqual({ sessionId: session, kind: 'stands', stands });
    // Whoever begins to follow now is told where the lane stands.
    expect(await firstValueFrom(api.app.get(Live).of([session]))).toMatchObject({ kind: 'stands' });
    await log((await calls()).sets.find((each) => each.done === null)!);
    expect(await wanted('changed')).toMatchObject({ sessionId: session });
    request.destroy();
  });

  it('is the same at every process of the server', async () => {
    const other = await api.another();
    try {
      const live = other.get(Live);
      // Where the lane stood before the other process was there.
      expect(await firstValueFrom(live.of([session]))).toMatchObject({ kind: 'stands', sessionId: session });
      const heard = firstValueFrom(live.of([session]).pipe(filter((event) => event.kind === 'clock')));
      const clock = { state: 'running', seconds: 4, target: 10 };
      await coach.send('put', `/sessions/${session}/clock`, clock, 204);
      expect(await heard).toEqual({ sessionId: session, kind: 'clock', clock });
      // A word that is told twice would start a clock twice.
      const seen: LiveEvent[] = [];
      const following = api.app
        .get(Live)
        .of([session])
        .subscribe((event) => seen.push(event));
      const there = firstValueFrom(live.of([session]).pipe(filter((event) => event.kind === 'finished')));
      await api.app.get(Live).tell({ sessionId: session, kind: 'finished' });
      await there;
      following.unsubscribe();
      expect(seen.filter((event) => event.kind === 'finished')).toHaveLength(1);
    } finally {
      await other.close();
    }
  });
});
