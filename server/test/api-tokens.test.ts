import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { ApiTokensView, ErrorView, MadeTokenView, TokenScope } from '@iron-clasp/contract';
import supertest from 'supertest';
import { CLIENT_REQUESTS_A_MINUTE } from '../src/platform/access/who-asks.ts';
import { addForeignCoach, addPerson, Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let owner: Coach;
beforeAll(async () => {
  api = await startApi();
  owner = await Coach.signIn(api);
});
afterAll(() => api.close());

const make = async (
  scope: TokenScope,
  more: Partial<{ name: string; endsOn: string; by: Coach; id: string }> = {},
  status = 200,
): Promise<MadeTokenView & ErrorView> =>
  (more.by ?? owner).send(
    'put',
    `/api-tokens/${more.id ?? randomUUID()}`,
    { name: more.name ?? `for ${scope}`, scope, endsOn: more.endsOn ?? '2027-03-31' },
    status,
  );
type Verb = 'get' | 'put' | 'patch' | 'delete' | 'post';
/** Asks as the client that shows the token. */
function as(token: string): { ask: (verb: Verb, path: string, body?: object) => supertest.Test } {
  const agent = supertest(api.app.getHttpServer());
  return {
    ask: (verb, path, body) => agent[verb](`/api${path}`).set('authorization', `Bearer ${token}`).send(body),
  };
}

it('each scope does what it says and no more; nobody’s own account, and nothing of owners', async () => {
  const [lifter] = (await owner.get<{ lifters: { id: string; version: number }[] }>('/lifters')).lifters;
  const settled = async (token: string): Promise<number[]> =>
    Promise.all(
      (
        [
          ['get', '/lifters'],
          ['get', `/lifters/${lifter!.id}/log`],
          // Refused for what was sent, not for who sent it: an assistant may.
          ['put', `/lifters/${lifter!.id}/hands-checks/${randomUUID()}`, {}],
          ['put', `/lifters/${lifter!.id}`, {}],
          ['get', '/people'],
          ['get', '/session'],
          ['get', '/account'],
          ['put', `/api-tokens/${randomUUID()}`, { name: 'another', scope: 'plan', endsOn: '2027-03-31' }],
          ['get', '/club/export'],
        ] as const
      ).map(async ([method, path, body]) => (await as(token).ask(method, path, body)).status),
    );
  const [read, log, plan] = await Promise.all((['read', 'log', 'plan'] as const).map((scope) => make(scope)));
  expect(await settled(read!.token)).toEqual([200, 200, 403, 403, 403, 403, 403, 403, 403]);
  expect(await settled(log!.token)).toEqual([200, 200, 400, 403, 403, 403, 403, 403, 403]);
  expect(await settled(plan!.token)).toEqual([200, 200, 400, 400, 403, 403, 403, 403, 403]);
});

it('is told once, listed without its secret, and kept as a hash', async () => {
  const id = randomUUID();
  const { token } = await make('read', { id, name: 'Wall screen' });
  expect(token).toMatch(/^ironclasp_[\w-]{43}$/);
  expect((await make('read', { id, name: 'Wall screen' }, 409)).error.code).toBe('shown-once');
  await as(token).ask('get', '/lifters').expect(200);
  const { tokens } = await owner.get<ApiTokensView>('/api-tokens');
  expect(tokens.find((each) => each.id === id)).toMatchObject({
    ...{ name: 'Wall screen', scope: 'read', endsOn: '2027-03-31', ended: false },
    lastUsedAt: `${TODAY}T12:00:00.000Z`,
  });
  expect(JSON.stringify(tokens)).not.toContain(token);
  const rows = await api.db.query('SELECT * FROM api_token WHERE id = $1', [id]);
  expect(JSON.stringify(rows)).not.toContain(token.slice('ironclasp_'.length));
});

it('opens nothing once it is revoked, its day has passed, or whoever made it has left', async () => {
  const { id, token } = await make('read');
  const ends = await make('read', { endsOn: TODAY });
  const person = await addPerson(api, 'owner');
  const other = await make('plan', { by: await Coach.signIn(api, person) });
  const seen = async (of: string): Promise<number> => (await as(of).ask('get', '/lifters')).status;
  expect([await seen(token), await seen(ends.token), await seen(other.token)]).toEqual([200, 200, 200]);
  for (let i = 0; i < 2; i++) await owner.send('delete', `/api-tokens/${id}`, undefined, 200);
  await api.db.query('UPDATE api_token SET ends_on = ends_on - 1 WHERE id = $1', [ends.id]);
  // Less right for the owner is less for what they made.
  await api.db.query(`UPDATE account SET role = 'follower' WHERE id = $1`, [person.id]);
  expect((await as(other.token).ask('put', `/lifters/${randomUUID()}`, {})).status).toBe(403);
  await owner.send('delete', `/people/${person.id}`, undefined, 200);
  expect([await seen(token), await seen(ends.token), await seen(other.token)]).toEqual([401, 401, 401]);
  expect(await seen('ironclasp_guessed')).toBe(401);
  const refused = await as('nonsense').ask('get', '/lifters');
  expect(refused.body.error.message).toMatch(/owner of the club makes another/);
});

it('is refused for a day that is past or too far, and beyond what a club may have', async () => {
  expect((await make('read', { endsOn: '2026-11-23' }, 400)).error.fields![0]!.path).toBe('endsOn');
  expect((await make('read', { endsOn: '2028-01-01' }, 400)).error.fields![0]!.path).toBe('endsOn');
  const stranger = await addForeignCoach(api, 'far@elsewhere.example');
  await api.db.query(`UPDATE account SET role = 'owner' WHERE email = $1`, [stranger.email]);
  const elsewhere = await Coach.signIn(api, stranger);
  const { id } = await make('read');
  await elsewhere.send('delete', `/api-tokens/${id}`, undefined, 404);
  const foreign = await make('plan', { by: elsewhere });
  const [lifter] = (await owner.get<{ lifters: { id: string }[] }>('/lifters')).lifters;
  await as(foreign.token).ask('get', `/lifters/${lifter!.id}/sheet`).expect(404);
  for (let i = 0; i < 19; i++) await make('read', { by: elsewhere });
  expect((await make('read', { by: elsewhere }, 409)).error.code).toBe('too-many-tokens');
});

it('may ask so often in a minute, and is told to wait', async () => {
  const { token } = await make('read');
  const answers: number[] = [];
  for (let i = 0; i <= CLIENT_REQUESTS_A_MINUTE; i++)
    answers.push((await as(token).ask('get', '/api-tokens')).status);
  expect(new Set(answers.slice(0, -1))).toEqual(new Set([403]));
  expect(answers.at(-1)).toBe(429);
});

describe('the client in docs/api-client', () => {
  const run = promisify(execFile);
  const client = join(import.meta.dirname, '..', '..', 'docs', 'api-client', 'client.mjs');
  let url: string;
  beforeAll(async () => {
    await api.app.listen(0, '127.0.0.1');
    url = `http://127.0.0.1:${(api.app.getHttpServer().address() as AddressInfo).port}`;
  });
  const call = (token: string, ...args: string[]): Promise<{ stdout: string }> =>
    run(process.execPath, [client, ...args], {
      env: { ...process.env, IRON_CLASP_URL: url, IRON_CLASP_TOKEN: token },
    });

  it('prints the calls of today and logs a set, which the owner reads as the client’s', async () => {
    const { token } = await make('log', { name: 'Tablet at the platform' });
    const { stdout } = await call(token);
    expect(stdout).toMatch(/^\S.+, Deadlift, heavy$/m);
    expect(stdout).toMatch(/^ {2}.+ kg × \d+: (doubleOverhand|hook|mixed|straps)$/m);
    const name = /^(\S.+), Bench$/m.exec(stdout)![1]!;
    expect((await call(token, 'log', name)).stdout).toMatch(/^Logged: .+ kg × \d+/);
    const { deeds } = await owner.get<{ deeds: { what: string }[] }>('/deeds');
    expect(deeds.map(({ what }) => what)).toContain('Log a set (by the client “Tablet at the platform”)');
  }, 180_000);

  it('says what is wrong and ends with a fault', async () => {
    await expect(call('ironclasp_nobodys')).rejects.toMatchObject({
      code: 1,
      stderr: expect.stringContaining('This token is not good'),
    });
    const { token } = await make('read');
    await expect(call(token, 'log', 'Nobody Atall')).rejects.toMatchObject({
      stderr: 'Nobody Atall has no set left today.\n',
    });
  });
});
