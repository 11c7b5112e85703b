import { ROLE_NAMES, ROLES } from '@iron-clasp/contract';
import { RequestMethod } from '@nestjs/common';
import { ModulesContainer, Reflector } from '@nestjs/core';
import { ruleOf, type Rule } from '../src/platform/access/guard.ts';
import type { CallsView, ErrorView, RackView, SessionView, SheetView } from '@iron-clasp/contract';
import { GUESSES_HERE } from '../src/platform/access/guess-limit.ts';
import { randomUUID } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import supertest from 'supertest';
import { DEMO_COACH, DEMO_LIFTER } from '../src/demo/scenario.ts';
import { addForeignCoach, addPerson, Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

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
      'get /api/password-links/{secret}',
      'get /api/shared/{secret}',
      'get /api/shared/{secret}/calendar.ics',
      'get /api/welcome',
      'post /api/invitations/{secret}',
      'post /api/password-links/{secret}',
      'post /api/session',
      // With the code that the terminal shows.
      'post /api/set-up',
      'post /api/set-up/export',
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

  it('who may what: every route with every role, as docs/access.md says', async () => {
    const rules = routesOf(api);
    const may = new Map(
      rules.map(({ key, rule }) => [key, ROLES.filter((role) => rule.public || rule.roles.includes(role))]),
    );
    for (const role of ROLES) {
      const person = await Coach.signIn(api, role === 'lifter' ? DEMO_LIFTER : await addPerson(api, role));
      for (const { key, method, path } of rules) {
        const allowed = may.get(key)!.includes(role);
        // What is allowed and names nothing would be done: whole pages, signing out. Its rule is the guard's own.
        if (allowed && !path.includes('{')) continue;
        if (/\{secret\}/.test(path)) continue;
        const { status, body } = await person.agent[method](path.replace(/\{\w+\}/g, randomUUID()))
          .set('x-iron-clasp-token', person.token)
          .send({});
        const refused = status === 403 && (body as ErrorView).error.code === 'not-allowed';
        expect({ key, role, refused }).toEqual({ key, role, refused: !allowed });
        // A made-up thing is nobody's: a lifter is told so before any body is read.
        if (role === 'lifter' && allowed && !path.startsWith('/api/account'))
          expect({ key, status }).toEqual({ key, status: 404 });
      }
    }
    const table = [...may]
      .sort(([a], [b]) =>
        a.split(' ')[1]! < b.split(' ')[1]! ? -1 : a.split(' ')[1] === b.split(' ')[1] && a < b ? -1 : 1,
      )
      .map(
        ([route, roles]) =>
          `| ${route} | ${ROLES.map((role) => (roles.includes(role) ? 'yes' : '')).join(' | ')} |`,
      );
    const file = join(import.meta.dirname, '..', '..', 'docs', 'access.md');
    const whole = [
      ...['# Who may what', ''],
      'Every route with every role, by the rule that the guard goes by. `server/test/access.test.ts` writes it (`IRON_CLASP_WRITE=on npm',
      'test`) and fails where it differs, or where the running server lets somebody in whom the rule refuses, or refuses somebody whom it',
      'lets in; a route that names nothing is asked by those it refuses only.',
      ...[
        '',
        'A lifter’s “yes” reaches what is their own; of anybody else’s it is told that there is nothing.',
        '',
      ],
      ...[
        `| Route | ${ROLES.map((role) => ROLE_NAMES[role]).join(' | ')} |`,
        `| --- |${' --- |'.repeat(ROLES.length)}`,
      ],
      ...table,
    ].join('\n');
    if (process.env['IRON_CLASP_WRITE'] === 'on') writeFileSync(file, `${whole}\n`);
    expect(
      readFileSync(file, 'utf8')
        .split('\n')
        .filter((line) => line.startsWith('| '))
        .map(cells),
    ).toEqual(
      whole
        .split('\n')
        .filter((line) => line.startsWith('| '))
        .map(cells),
    );
  });
});

/** Every route of the running server, as its reference names it, with what the guard goes by. */
function routesOf({ app }: Api): { key: string; method: Method; path: string; rule: Rule }[] {
  const reflector = app.get(Reflector);
  const found = [...app.get(ModulesContainer).values()].flatMap((module) =>
    [...module.controllers.values()].flatMap(({ metatype }) => {
      const type = metatype as new () => object;
      const proto = type.prototype as Record<string, object>;
      return Object.getOwnPropertyNames(proto).flatMap((name) => {
        const handler = proto[name]!;
        const verb = Reflect.getMetadata('method', handler) as RequestMethod | undefined;
        if (verb === undefined) return [];
        const parts = [
          'api',
          Reflect.getMetadata('path', type) as string,
          Reflect.getMetadata('path', handler) as string,
        ];
        const path = `/${parts
          .flatMap((each) => each.split('/'))
          .filter((each) => each !== '')
          .join('/')}`;
        const method = RequestMethod[verb]!.toLowerCase() as Method;
        const rule = ruleOf(reflector, [handler as never, type], method.toUpperCase());
        const named = path.replaceAll(/:(\w+)/g, '{$1}');
        return [{ key: `${method.toUpperCase()} ${named}`, method, path: named, rule }];
      });
    }),
  );
  return [...new Map(found.map((each) => [each.key, each])).values()];
}

/** Cells of a line of a table, however it is padded. */
const cells = (line: string): string[] => line.split('|').map((each) => each.trim().replaceAll(/^-+$/g, '-'));

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
        setUp: true,
      });
      // Its accounts do not sign in, and who was signed in is out.
      for (const who of [DEMO_COACH, DEMO_LIFTER])
        await supertest(real.app.getHttpServer())
          .post('/api/session')
          .send({ email: who.email, password: who.password })
          .expect(401);
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

  it('slows down guessing at one account, also many guesses at once, and nobody else', async () => {
    const guess = (email: string, password = 'guess'): supertest.Test =>
      stranger().post('/api/session').send({ email, password });
    const tries = await Promise.all(
      Array.from({ length: GUESSES_HERE + 5 }, () => guess('guess@tarnquay.example')),
    );
    const slowed = tries.filter((answer) => answer.status === 429);
    expect(slowed).toHaveLength(5);
    expect(slowed[0]!.body.error.message).toMatch(/^Too many tries\. Wait 15 minutes/);
    // Another account from the same address, as behind the gym's one line, is let in.
    await guess(DEMO_COACH.email, DEMO_COACH.password).expect(200);
    // A right guess gives the wrong ones before it back.
    for (let i = 0; i < 3; i += 1) {
      for (let wrong = 1; wrong < GUESSES_HERE; wrong += 1) await guess(DEMO_LIFTER.email).expect(401);
      await guess(DEMO_LIFTER.email, DEMO_LIFTER.password).expect(200);
    }
  });
});
