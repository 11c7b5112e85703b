import type { CallsView, ErrorView, RackView, SessionView, SheetView } from '@iron-clasp/contract';
import { SIGN_INS_PER_MINUTE } from '../src/platform/http/sign-in-limit.ts';
import { randomUUID } from 'node:crypto';
import supertest from 'supertest';
import { DEMO_COACH, DEMO_LIFTER } from '../src/demo/scenario.ts';
import { addForeignCoach, Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let rack: RackView;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  rack = await coach.get<RackView>('/lifters');
});
afterAll(() => api.close());

const stranger = (): ReturnType<typeof supertest> => supertest(api.app.getHttpServer());

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';
function send(method: Method, address: string): supertest.Test {
  const server = stranger();
  return server[method](address).send({});
}

describe('denied by default', () => {
  it.each([
    '/session',
    '/lifters',
    `/lifters/${randomUUID()}/sheet`,
    `/lifters/${randomUUID()}/curve`,
    `/sessions/${randomUUID()}/calls`,
  ])('GET %s wants a sign-in', async (path) => {
    const answer = await stranger().get(`/api${path}`).expect(401);
    expect((answer.body as ErrorView).error).toMatchObject({
      code: 'signed-out',
      message: expect.stringMatching(/sign in/),
    });
  });

  it('every route of the product is covered: only health, welcome and signing in are open', async () => {
    const { paths } = (await coach.agent.get('/api/docs/openapi.json').expect(200)).body as {
      paths: Record<string, Record<string, unknown>>;
    };
    const open: string[] = [];
    for (const [path, methods] of Object.entries(paths)) {
      for (const method of Object.keys(methods) as ('get' | 'post' | 'put' | 'patch' | 'delete')[]) {
        const answer = await send(method, path.replace(/\{\w+\}/g, randomUUID()));
        if (answer.status !== 401) open.push(`${method} ${path}`);
      }
    }
    // Signing in answers 400 to an empty body: it is open, but not for nothing.
    expect(open.sort()).toEqual([
      'get /api/health',
      // Behind a secret in the address, of which only the hash is kept.
      'get /api/invitations/{secret}',
      'get /api/shared/{secret}',
      'get /api/welcome',
      'post /api/invitations/{secret}',
      'post /api/session',
    ]);
  });

  it('a lifter’s account reaches its own lifter, and nothing else of the club', async () => {
    const lifter = await Coach.signIn(api, DEMO_LIFTER);
    const { account } = await lifter.get<SessionView>('/session');
    expect(account.role).toBe('lifter');
    const sheet = await lifter.get<SheetView>(`/lifters/${account.lifterId}/sheet`);
    expect(sheet.lifter.name).toBe(DEMO_LIFTER.name);
    await lifter.get(`/sessions/${sheet.nextSessionId}/calls`);
    await lifter.get(`/lifters/${account.lifterId}/hands`);
    // Somebody else's are not there, and what is a coach's is refused.
    const other = rack.lifters.find((row) => row.id !== account.lifterId)!;
    const theirs = (await coach.get<SheetView>(`/lifters/${other.id}/sheet`)).nextSessionId!;
    for (const path of [
      `/lifters/${other.id}/sheet`,
      `/lifters/${other.id}/curve`,
      `/sessions/${theirs}/calls`,
    ])
      await lifter.get(path, 404);
    for (const path of ['/lifters', '/kit', '/schools', `/lifters/${account.lifterId}/profile`])
      await lifter.get(path, 403);
    const hold = { load: 100, seconds: 10, target: 10, ended: 'stopped', grip: 'hook', chalk: 'block' };
    const body = { ...hold, doneAt: `${TODAY}T11:00:00Z` };
    await lifter.send('put', `/sessions/${theirs}/holds/${randomUUID()}`, body, 404);
    const own = randomUUID();
    await lifter.send('put', `/sessions/${sheet.nextSessionId}/holds/${own}`, body, 200);
    const foreign = randomUUID();
    await coach.send('put', `/sessions/${theirs}/holds/${foreign}`, body, 200);
    await lifter.send('delete', `/holds/${foreign}`, undefined, 404);
    await lifter.send('delete', `/holds/${own}`, undefined, 204);
    await coach.send('delete', `/holds/${foreign}`, undefined, 204);
  });

  it('every route open to a lifter names what must be theirs', async () => {
    const lifter = await Coach.signIn(api, DEMO_LIFTER);
    const { paths } = (await coach.agent.get('/api/docs/openapi.json').expect(200)).body as {
      paths: Record<string, Record<string, unknown>>;
    };
    const reached: string[] = [];
    for (const [path, methods] of Object.entries(paths).filter(([each]) => each.includes('{'))) {
      for (const method of Object.keys(methods) as Method[]) {
        const answer = await lifter.agent[method](path.replace(/\{\w+\}/g, randomUUID()))
          .set('x-iron-clasp-token', lifter.token)
          .send({});
        // Refused by role, or not there because a made-up thing is nobody's: before any body is read.
        if (![403, 404].includes(answer.status)) reached.push(`${method} ${path} ${answer.status}`);
      }
    }
    expect(reached).toEqual(['post /api/invitations/{secret} 400']);
  });
});

describe('signing in', () => {
  it('sets an HTTP-only, same-site cookie and keeps only hashes', async () => {
    const answer = await stranger()
      .post('/api/session')
      .send({ email: DEMO_COACH.email.toUpperCase(), password: DEMO_COACH.password })
      .expect(200);
    const cookie = answer.headers['set-cookie']![0]!;
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    const token = cookie.match(/iron_clasp=([^;]+)/)![1]!;
    const stored: { token_hash: string }[] = await api.db.query('SELECT token_hash FROM sign_in');
    expect(stored.map((row) => row.token_hash)).not.toContain(token);
    const [account]: { password_hash: string }[] = await api.db.query(
      'SELECT password_hash FROM account WHERE email = $1',
      [DEMO_COACH.email],
    );
    expect(account!.password_hash).toMatch(/^\$argon2id\$/);
  });

  it.each([
    [{ email: DEMO_COACH.email, password: 'wrong' }, 401, 'wrong-sign-in'],
    [{ email: 'nobody@tarnquay.example', password: 'wrong' }, 401, 'wrong-sign-in'],
    [{ email: 'no address', password: 'x' }, 400, 'invalid-input'],
    [{ email: DEMO_COACH.email, password: ['a'] }, 400, 'invalid-input'],
    [{ email: DEMO_COACH.email, password: 'x', role: 'admin' }, 400, 'invalid-input'],
  ])('refuses %j', async (body, status, code) => {
    const answer = await stranger().post('/api/session').send(body).expect(status);
    expect(answer.body.error.code).toBe(code);
    expect(answer.headers['set-cookie']).toBeUndefined();
  });

  it('shows the demo’s sign-in only in demo mode', async () => {
    expect((await stranger().get('/api/welcome').expect(200)).body.demo.email).toBe(DEMO_COACH.email);
    const real = await startApi({ demo: null });
    try {
      expect((await supertest(real.app.getHttpServer()).get('/api/welcome').expect(200)).body).toEqual({
        demo: null,
      });
    } finally {
      await real.close();
    }
  });

  it('signing out ends the session on the server', async () => {
    const other = await Coach.signIn(api);
    await other.send('delete', '/session', undefined, 204);
    await other.agent.get('/api/session').expect(401);
  });

  it('an expired sign-in is none', async () => {
    const other = await Coach.signIn(api);
    await api.db.query(`UPDATE sign_in SET expires_at = '2026-11-24T11:59:00Z' WHERE change_token = $1`, [
      other.token,
    ]);
    await other.agent.get('/api/session').expect(401);
  });
});

describe('changes come from our own pages only', () => {
  it('a change without the sign-in’s token is refused as a stale page', async () => {
    const answer = await coach.agent.patch('/api/session').send({ unit: 'lb' }).expect(403);
    expect(answer.body.error.code).toBe('stale-page');
  });

  it('a change from another site is refused even with the token', async () => {
    const answer = await coach.agent
      .patch('/api/session')
      .set('origin', 'http://evil.example')
      .set('x-iron-clasp-token', coach.token)
      .send({ unit: 'lb' })
      .expect(403);
    expect(answer.body.error.code).toBe('foreign-page');
  });

  it('with the token it is taken', async () => {
    expect(await coach.send('patch', '/session', { unit: 'lb' }, 200)).toMatchObject({
      account: { unit: 'lb' },
    });
    expect(await coach.get('/session')).toMatchObject({ account: { unit: 'lb' } });
  });
});

describe('a coach sees their own club only', () => {
  it('finds nothing of another club, by any address', async () => {
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    expect((await foreign.get<RackView>('/lifters')).lifters).toEqual([]);
    const lifter = rack.lifters[0]!;
    const sheet = await coach.get<SheetView>(`/lifters/${lifter.id}/sheet`);
    const session = sheet.nextSessionId!;
    const calls = await coach.get<CallsView>(`/sessions/${session}/calls`);
    const hold = {
      load: 100,
      seconds: 9,
      target: 10,
      ended: 'stopped',
      grip: 'hook',
      chalk: 'block',
      doneAt: '2026-11-24T11:00:00Z',
    };
    const id = randomUUID();
    await coach.send('put', `/sessions/${session}/holds/${id}`, hold, 200);

    const refused = await foreign.get<ErrorView>(`/lifters/${lifter.id}/sheet`, 404);
    expect(JSON.stringify(refused)).not.toContain(lifter.name);
    await foreign.get(`/lifters/${lifter.id}/curve`, 404);
    await foreign.get(`/sessions/${session}/calls`, 404);
    await foreign.send('put', `/sessions/${session}/holds/${randomUUID()}`, hold, 404);
    await foreign.send('patch', `/sessions/${session}`, { venueId: calls.session.venue.id, version: 1 }, 404);
    await foreign.send('delete', `/holds/${id}`, undefined, 404);
    expect((await coach.get<CallsView>(`/sessions/${session}/calls`)).holdsDone).toHaveLength(1);
  });
});

describe('around the routes', () => {
  it('sends a strict content-security policy and no server name', async () => {
    const { headers } = await stranger().get('/api/health').expect(200);
    expect(headers['content-security-policy']).toMatch(/default-src 'none'.*script-src 'self'/);
    expect(headers['content-security-policy']).not.toMatch(/unsafe/);
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['x-content-type-options']).toBe('nosniff');
  });

  it('says in the one error shape that an address is not there, and that a body cannot be read', async () => {
    expect((await coach.agent.get('/api/nowhere').expect(404)).body.error).toMatchObject({
      code: 'not-found',
      requestId: expect.any(String),
    });
    const broken = await stranger()
      .patch('/api/session')
      .set('content-type', 'application/json')
      .send('{"unit":')
      .expect(400);
    expect(broken.body.error.code).toBe('invalid-input');
  });

  it('slows down guessing', async () => {
    const tries = await Promise.all(
      Array.from({ length: SIGN_INS_PER_MINUTE + 5 }, () =>
        stranger().post('/api/session').send({ email: 'guess@tarnquay.example', password: 'guess' }),
      ),
    );
    const slowed = tries.filter((answer) => answer.status === 429);
    expect(slowed.length).toBeGreaterThanOrEqual(5);
    expect(slowed[0]!.body.error.message).toMatch(/Wait a minute/);
  });
});
