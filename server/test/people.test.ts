import { randomUUID } from 'node:crypto';
import type {
  DeedsView,
  ErrorView,
  InvitationView,
  MadeLinkView,
  NewSecondFactorView,
  OwnAccountView,
  PeopleView,
  ProfileView,
  RackView,
  SessionView,
  SheetView,
} from '@iron-clasp/contract';
import { generate } from 'otplib';
import supertest from 'supertest';
import { DEMO_LIFTER } from '../src/demo/scenario.ts';
import { addForeignCoach, addPerson, Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let owner: Coach;
beforeAll(async () => {
  api = await startApi();
  owner = await Coach.signIn(api);
});
afterAll(() => api.close());

const stranger = (): ReturnType<typeof supertest> => supertest(api.app.getHttpServer());
const PASSWORD = 'kiln tether oval prow';
const people = (): Promise<PeopleView> => owner.get<PeopleView>('/people');
const person = async (email: string): Promise<PeopleView['people'][number]> =>
  (await people()).people.find((each) => each.email === email)!;
const signIn = (email: string, password: string, code?: string): supertest.Test =>
  stranger()
    .post('/api/session')
    .send({ email, password, ...(code !== undefined && { code }) });

describe('staff', () => {
  const email = 'ivo@tarnquay.example';
  const ask = { name: 'Ivo Brandt', email, role: 'assistant', endsOn: '2026-12-31' };
  const invite = (body: object, status: number, id = randomUUID()): Promise<MadeLinkView & ErrorView> =>
    owner.send('put', `/staff-invitations/${id}`, body, status);

  it('come by invitation, with a role and an end', async () => {
    const id = randomUUID();
    const first = await invite(ask, 200, id);
    expect((await invite(ask, 409, id)).error.code).toBe('shown-once');
    const { path } = await invite(ask, 200);
    expect((await people()).invited).toMatchObject([{ ...ask, expired: false }]);
    // The new one takes the one before it back.
    await stranger()
      .get(`/api${first.path.replace('/join/', '/invitations/')}`)
      .expect(404);
    const address = `/api${path.replace('/join/', '/invitations/')}`;
    const view = (await stranger().get(address).expect(200)).body as InvitationView;
    expect(view).toEqual({ club: 'Tarn Quay Barbell', name: 'Ivo Brandt', email, role: 'assistant' });
    const weak = (await stranger().post(address).send({ password: 'ivobrandt1' }).expect(400))
      .body as ErrorView;
    expect(weak.error.fields![0]!.path).toBe('password');
    await stranger().post(address).send({ password: PASSWORD }).expect(200);
    await stranger().post(address).send({ password: PASSWORD }).expect(404);
    expect((await people()).invited).toEqual([]);
    const ivo = await Coach.signIn(api, { email, password: PASSWORD });
    expect((await ivo.get<SessionView>('/session')).account).toMatchObject({
      role: 'assistant',
      lifterId: null,
    });
  });

  it.each([
    [{ ...ask, endsOn: '2026-11-23' }, 'endsOn'],
    [{ ...ask, role: 'lifter' }, 'role'],
    [{ ...ask, name: ' ' }, 'name'],
    [{ ...ask, email: 'nobody' }, 'email'],
  ])('%j is refused where it is wrong', async (body, path) =>
    expect((await invite(body, 400)).error.fields![0]!.path).toBe(path),
  );

  it('an invitation is taken back; a signed-in address is not invited', async () => {
    const { id, path } = await invite({ ...ask, email: 'late@tarnquay.example' }, 200);
    await owner.send('delete', `/staff-invitations/${id}`, undefined, 200);
    await owner.send('delete', `/staff-invitations/${randomUUID()}`, undefined, 404);
    await stranger()
      .get(`/api${path.replace('/join/', '/invitations/')}`)
      .expect(404);
    expect((await invite(ask, 409)).error.code).toBe('email-taken');
  });

  it('an assistant logs and looks at hands, and changes no program; a follower changes nothing', async () => {
    const [row] = (await owner.get<RackView>('/lifters')).lifters;
    const { nextSessionId } = await owner.get<SheetView>(`/lifters/${row!.id}/sheet`);
    const hold = { load: 100, seconds: 10, target: 10, ended: 'stopped', grip: 'hook', chalk: 'block' };
    const body = { ...hold, kind: 'frontRackHold', doneAt: `${TODAY}T11:00:00Z` };
    const log = (who: Coach, status: number): Promise<unknown> =>
      who.send('put', `/sessions/${nextSessionId}/holds/${randomUUID()}`, body, status);
    const rename = (who: Coach): Promise<unknown> =>
      who.send('patch', `/lifters/${row!.id}/archive`, { archived: true, version: 1 }, 403);
    const ivo = await Coach.signIn(api, { email, password: PASSWORD });
    await log(ivo, 200);
    await rename(ivo);
    const follower = await Coach.signIn(api, await addPerson(api, 'follower'));
    await follower.get(`/lifters/${row!.id}/curve`);
    await log(follower, 403);
    await rename(follower);
  });

  it('a role is changed at the version seen, and counts at once', async () => {
    const ivo = await Coach.signIn(api, { email, password: PASSWORD });
    const { id, version } = await person(email);
    const body = { role: 'follower', endsOn: null, version };
    await owner.send('put', `/people/${id}`, body, 200);
    await owner.send('put', `/people/${id}`, body, 200);
    await owner.send('put', `/people/${id}`, { ...body, role: 'coach' }, 409);
    expect((await ivo.get<SessionView>('/session')).account.role).toBe('follower');
    await owner.send('put', `/people/${id}`, { ...body, version: version + 1, endsOn: '2026-11-23' }, 400);
  });

  it('an account that has ended lets nobody in', async () => {
    const ended = await addPerson(api, 'coach');
    const there = await Coach.signIn(api, ended);
    await api.db.query(`UPDATE account SET ends_on = '2026-11-24' WHERE id = $1`, [ended.id]);
    await there.get('/session');
    await api.db.query(`UPDATE account SET ends_on = '2026-11-23' WHERE id = $1`, [ended.id]);
    await there.get('/session', 401);
    await signIn(ended.email, ended.password).expect(401);
  });

  it('who leaves is signed out and keeps their name; the last owner stays', async () => {
    const leaving = await addPerson(api, 'coach');
    const there = await Coach.signIn(api, leaving);
    await there.send(
      'put',
      `/bars/${randomUUID()}/brushings/${randomUUID()}`,
      { brushedAt: `${TODAY}T10:00:00Z` },
      404,
    );
    await owner.send('delete', `/people/${leaving.id}`, undefined, 200);
    await owner.send('delete', `/people/${leaving.id}`, undefined, 200);
    await there.get('/session', 401);
    const { account } = await owner.get<SessionView>('/session');
    const self = (await people()).people.find((each) => each.id === account.id)!;
    for (const [method, body] of [
      ['delete', undefined],
      ['put', { role: 'coach', endsOn: null, version: self.version }],
      ['put', { role: 'owner', endsOn: '2026-12-31', version: self.version }],
    ] as const) {
      const { error } = await owner.send<ErrorView>(method, `/people/${account.id}`, body, 409);
      expect(error.code).toBe('last-owner');
    }
  });

  it('is nobody’s of another club, and a lifter’s account goes with the lifter', async () => {
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    await foreign.get('/people', 403);
    await api.db.query(`UPDATE account SET role = 'owner' WHERE email = 'else@elsewhere.example'`);
    const { id } = await person(email);
    await foreign.send('put', `/people/${id}`, { role: 'owner', version: 2 }, 404);
    await foreign.send('delete', `/people/${id}`, undefined, 404);
    await foreign.send('put', `/people/${id}/password-links/${randomUUID()}`, {}, 404);
    const lifter = await person(DEMO_LIFTER.email);
    await owner.send('put', `/people/${lifter.id}`, { role: 'coach', version: 1 }, 409);
    await owner.send('delete', `/people/${lifter.id}`, undefined, 409);
  });
});

describe('one’s own account', () => {
  it('a password is changed with the old one, and every other device is out', async () => {
    const who = await addPerson(api, 'coach');
    const [here, there] = [await Coach.signIn(api, who), await Coach.signIn(api, who)];
    const change = (current: string, password: string, status: number): Promise<ErrorView> =>
      here.send('put', '/account/password', { current, password }, status);
    expect((await change('wrong', PASSWORD, 400)).error.fields![0]!.path).toBe('current');
    expect((await change(who.password, 'aaaaaaaaaaaa', 400)).error.fields![0]!.path).toBe('password');
    await change(who.password, PASSWORD, 204);
    await here.get('/session');
    await there.get('/session', 401);
    await signIn(who.email, who.password).expect(401);
    await signIn(who.email, PASSWORD).expect(200);
  });

  it('lists its devices and signs each, or all others, out', async () => {
    const who = await addPerson(api, 'coach');
    const here = await Coach.signIn(api, who);
    await stranger()
      .post('/api/session')
      .set('user-agent', 'Mozilla/5.0 (Android 15; Mobile; rv:140.0) Gecko/140.0 Firefox/140.0')
      .send({ email: who.email, password: who.password })
      .expect(200);
    const third = await Coach.signIn(api, who);
    const { devices } = await here.get<OwnAccountView>('/account');
    expect(devices).toHaveLength(3);
    expect(devices.filter((each) => each.here)).toHaveLength(1);
    const phone = devices.find((each) => each.name === 'Firefox on Android')!;
    await here.send('delete', `/account/devices/${phone.id}`, undefined, 204);
    expect((await here.get<OwnAccountView>('/account')).devices).toHaveLength(2);
    // Another's device is not ended.
    await owner.send('delete', `/account/devices/${devices.find((each) => each.here)!.id}`, undefined, 204);
    await here.get('/session');
    await here.send('delete', '/account/devices', undefined, 204);
    await third.get('/session', 401);
    await here.get('/session');
  });

  it('asks for an authenticator once one was shown to work; no code is taken twice', async () => {
    const who = await addPerson(api, 'coach');
    const here = await Coach.signIn(api, who);
    const { secret, address } = await here.send<NewSecondFactorView>(
      'post',
      '/account/second-factor/new',
      {},
      200,
    );
    expect(address).toMatch(/^otpauth:\/\/totp\//);
    const epoch = Date.parse(`${TODAY}T12:00:00Z`) / 1000;
    const codeAt = (shift: number): Promise<string> => generate({ secret, epoch: epoch + shift });
    await here.send('put', '/account/second-factor', { secret, code: '000000' }, 400);
    await here.send('put', '/account/second-factor', { secret, code: await codeAt(-30) }, 204);
    expect((await here.get<OwnAccountView>('/account')).secondFactor).toBe(true);
    expect((await signIn(who.email, who.password).expect(401)).body.error.code).toBe('second-factor');
    expect((await signIn(who.email, who.password, '123456').expect(401)).body.error.code).toBe('wrong-code');
    const code = await codeAt(0);
    await signIn(who.email, who.password, `${code.slice(0, 3)} ${code.slice(3)}`).expect(200);
    await signIn(who.email, who.password, code).expect(401);
    // The code alone opens nothing.
    await signIn(who.email, 'wrong', await codeAt(30)).expect(401);
    await here.send('put', '/account/second-factor/off', { password: 'wrong' }, 400);
    await here.send('put', '/account/second-factor/off', { password: who.password }, 204);
    await signIn(who.email, who.password).expect(200);
  });

  it('a lost password is set anew by a link that an owner hands over, once', async () => {
    const who = await addPerson(api, 'coach');
    const there = await Coach.signIn(api, who);
    await api.db.query(`UPDATE account SET second_factor = 'JBSWY3DPEHPK3PXP' WHERE id = $1`, [who.id]);
    const { path } = await owner.send<MadeLinkView>(
      'put',
      `/people/${who.id}/password-links/${randomUUID()}`,
      {},
      200,
    );
    const address = `/api${path.replace('/new-password/', '/password-links/')}`;
    expect((await stranger().get(address).expect(200)).body).toMatchObject({ email: who.email });
    await stranger().post(address).send({ password: 'somecoach1' }).expect(400);
    await stranger().post(address).send({ password: PASSWORD }).expect(200);
    await stranger().post(address).send({ password: PASSWORD }).expect(404);
    await there.get('/session', 401);
    await signIn(who.email, PASSWORD).expect(200);
  });
});

describe('who did what', () => {
  it('stands on record for owners, about whom, and names nobody who is gone', async () => {
    const [row] = (await owner.get<RackView>('/lifters')).lifters;
    const hands = { left: {}, right: {} };
    await owner.send(
      'put',
      `/lifters/${row!.id}/hands-checks/${randomUUID()}`,
      { hands, checkedAt: 'never' },
      400,
    );
    const before = await owner.get<DeedsView>('/deeds');
    expect(before.deeds.some((deed) => deed.what.startsWith('Keep a hands check'))).toBe(false);
    const coach = await addPerson(api, 'coach');
    const them = await Coach.signIn(api, coach);
    const { nextSessionId } = await owner.get<SheetView>(`/lifters/${row!.id}/sheet`);
    const hold = {
      kind: 'frontRackHold',
      load: 90,
      seconds: 10,
      target: 10,
      ended: 'stopped',
      grip: 'hook',
      chalk: 'block',
    };
    await them.send(
      'put',
      `/sessions/${nextSessionId}/holds/${randomUUID()}`,
      { ...hold, doneAt: `${TODAY}T11:00:00Z` },
      200,
    );
    const { deeds } = await owner.get<DeedsView>(`/deeds?by=${coach.id}`);
    expect(deeds).toHaveLength(2);
    expect(deeds).toContainEqual(
      expect.objectContaining({
        ...{ by: 'Some coach', what: 'Log a hold', lifter: { id: row!.id, name: row!.name } },
      }),
    );
    await them.get('/deeds', 403);
    await api.db.query('UPDATE deed SET lifter_id = NULL WHERE account_id = $1', [coach.id]);
    const after = await owner.get<DeedsView>(`/deeds?by=${coach.id}`);
    expect(after.deeds.map(({ lifter }) => lifter)).toEqual([null, null]);
  });

  it('sign-ins stand there too, and those that were refused', async () => {
    const coach = await addPerson(api, 'coach');
    const whats = async (): Promise<string[]> =>
      (await owner.get<DeedsView>(`/deeds?by=${coach.id}`)).deeds.map(({ what }) => what).sort();
    const guess = (email: string, password: string): Promise<unknown> =>
      supertest(api.app.getHttpServer())
        .post('/api/session')
        .set('user-agent', 'Firefox/140 (Android 15)')
        .send({ email, password });
    await guess(coach.email, coach.password);
    expect(await whats()).toEqual(['Signed in on Firefox on Android']);
    await guess(coach.email, 'of somebody else');
    await guess('nobody@tarnquay.example', 'of somebody else');
    // Kept beside the answer, which must not come later for an account that there is.
    while ((await whats()).length < 2) await new Promise((resolve) => setTimeout(resolve, 5));
    expect(await whats()).toEqual(['A sign-in was refused', 'Signed in on Firefox on Android']);
  });

  it('says of a lifter who is archived that they were refused, and never that they signed in', async () => {
    const { lifters } = await owner.get<RackView>('/lifters');
    const { id } = lifters.find(({ name }) => name === 'Odalys Brandt')!;
    const { version } = await owner.get<ProfileView>(`/lifters/${id}/profile`);
    const account = await person(DEMO_LIFTER.email);
    const whats = async (): Promise<string[]> =>
      (await owner.get<DeedsView>(`/deeds?by=${account.id}`)).deeds.map(({ what }) => what);
    const before = await whats();
    await owner.send('patch', `/lifters/${id}/archive`, { archived: true, version }, 200);
    await signIn(DEMO_LIFTER.email, DEMO_LIFTER.password).expect(401);
    expect(await whats()).toEqual(['A sign-in was refused', ...before]);
    await owner.send('patch', `/lifters/${id}/archive`, { archived: false, version: version + 1 }, 200);
  });

  it('comes a page at a time', async () => {
    const { account, club } = await owner.get<SessionView>('/session');
    await api.db.query(
      `INSERT INTO deed (id, club_id, account_id, at, what)
       SELECT gen_random_uuid(), $1, $2, timestamptz '2026-11-01' + n * interval '1 minute', 'deed ' || n
         FROM generate_series(1, 120) n`,
      [club.id, account.id],
    );
    const seen = new Set<string>();
    let next: string | null = '';
    while (next !== null) {
      const page: DeedsView = await owner.get<DeedsView>(`/deeds${next && `?before=${next}`}`);
      page.deeds.forEach((deed) => seen.add(deed.what));
      next = page.next;
    }
    expect([...seen].filter((what) => what.startsWith('deed '))).toHaveLength(120);
  });
});
