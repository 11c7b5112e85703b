import { randomUUID } from 'node:crypto';
import type {
  CallsView,
  ErrorView,
  InvitationView,
  MadeLinkView,
  ProfileView,
  RackView,
  SessionView,
  SharedView,
  ShareLinkView,
  SheetView,
} from '@iron-clasp/contract';
import supertest from 'supertest';
import { addForeignCoach, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let lifter: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  lifter = (await coach.get<RackView>('/lifters')).lifters.find((row) => row.name === 'Bram Oosterhuis')!.id;
});
afterAll(() => api.close());

const open = async <Answer>(path: string, status = 200): Promise<Answer> =>
  (await supertest(api.app.getHttpServer()).get(`/api${path}`).expect(status)).body;

describe('a read-only link', () => {
  const id = randomUUID();
  let made: MadeLinkView;

  it('shows the coming sessions to whoever holds it, and only a hash is kept', async () => {
    made = await coach.send<MadeLinkView>('put', `/lifters/${lifter}/links/${id}`, { days: 7 }, 200);
    const shared = await open<SharedView>(made.path);
    expect(shared).toMatchObject({ lifterName: 'Bram Oosterhuis', club: 'Tarn Quay Barbell', unit: 'lb' });
    expect(shared.sessions.length).toBeGreaterThan(1);
    expect(shared.sessions[0]!.sets.every((set) => set.line !== '')).toBe(true);
    const rows: { secret_hash: string }[] = await api.db.query('SELECT secret_hash FROM share_link');
    expect(rows.map((row) => row.secret_hash)).not.toContain(made.path.split('/').at(-1));
    // Sent again its address cannot be told again: the coach makes another.
    const again = await coach.send<ErrorView>('put', `/lifters/${lifter}/links/${id}`, { days: 7 }, 409);
    expect(again.error.code).toBe('shown-once');
  });

  it('is taken back, runs out, and tells nothing of why', async () => {
    await coach.send('delete', `/lifters/${lifter}/links/${id}`, undefined, 204);
    const gone = await open<ErrorView>(made.path, 404);
    const profile = await coach.get<ProfileView>(`/lifters/${lifter}/profile`);
    expect(profile.links[0]).toMatchObject({ id, madeBy: 'Maren Solvik', revoked: { by: 'Maren Solvik' } });
    const other = await coach.send<MadeLinkView>(
      'put',
      `/lifters/${lifter}/links/${randomUUID()}`,
      { days: 1 },
      200,
    );
    await api.db.query(`UPDATE share_link SET expires_at = '2026-11-24T11:59:59Z' WHERE id = $1`, [other.id]);
    expect(await open<ErrorView>(other.path, 404)).toEqual({
      error: { ...gone.error, requestId: expect.anything() },
    });
    await open('/shared/no-such-secret', 404);
  });

  it('tells nothing of health unless the lifter agreed, and reaches as far as was said', async () => {
    const ruth = (await coach.get<RackView>('/lifters')).lifters.find(
      (row) => row.name === 'Ruth Calloway',
    )!.id;
    const make = async (body: object): Promise<SharedView> => {
      const address = `/lifters/${ruth}/links/${randomUUID()}`;
      return open<SharedView>((await coach.send<MadeLinkView>('put', address, body, 200)).path);
    };
    // A note may say anything: it goes with what the lifter agreed to.
    const next = (await coach.get<SheetView>(`/lifters/${ruth}/sheet`)).nextSessionId!;
    const { session } = await coach.get<CallsView>(`/sessions/${next}/calls`);
    const note = { note: 'Pressure first, then the bar.', version: session.version };
    const noted = await coach.send<CallsView>('patch', `/sessions/${next}`, note, 200);
    expect(noted.session.note).toBe('Pressure first, then the bar.');
    const agreed = await make({ days: 7, ahead: 15, health: true });
    expect(agreed.sessions.some((each) => each.session.note === note.note)).toBe(true);
    const vague = await make({ days: 7, ahead: 15 });
    const week = await make({ days: 7 });
    expect(JSON.stringify(agreed)).toMatch(/blood pressure/i);
    expect(vague.sessions.every((each) => each.session.note === '')).toBe(true);
    // Nothing that she has, in any word of it; that there is something to take care of is said.
    expect(JSON.stringify(vague)).not.toMatch(
      /blood|pressure|arthritis|joint|pain|clear|physician|callus|skin|tear|torn/i,
    );
    expect(JSON.stringify(vague)).toMatch(/Take care: the coach knows why/);
    expect(vague.sessions.map((each) => each.sets.map((set) => set.line))).toEqual(
      agreed.sessions.map((each) => each.sets.map((set) => set.line)),
    );
    expect(vague.sessions.length).toBeGreaterThan(week.sessions.length);
    const last = (view: SharedView): string =>
      view.sessions
        .map((each) => each.session.on)
        .sort()
        .at(-1)!;
    expect(last(week) <= '2026-12-01').toBe(true);
    expect(last(vague) > '2026-12-01').toBe(true);
    const { links } = await coach.get<ProfileView>(`/lifters/${ruth}/profile`);
    expect(links.filter((each) => each.health)).toHaveLength(1);
  });

  it('is a calendar feed too, with nothing but days, titles and places', async () => {
    const ruth = (await coach.get<RackView>('/lifters')).lifters.find(
      (row) => row.name === 'Teodor Vance',
    )!.id;
    const made = await coach.send<MadeLinkView>(
      'put',
      `/lifters/${ruth}/links/${randomUUID()}`,
      { days: 30, ahead: 90 },
      200,
    );
    const feed = await supertest(api.app.getHttpServer()).get(`/api${made.path}/calendar.ics`).expect(200);
    expect(feed.headers['content-type']).toMatch(/^text\/calendar/);
    const lines = feed.text.split('\r\n');
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines.every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    const events = lines.filter((line) => line === 'BEGIN:VEVENT').length;
    expect(events).toBeGreaterThan(5);
    expect(new Set(lines.filter((line) => line.startsWith('UID:'))).size).toBe(events);
    expect(
      lines.filter((line) => /^DTSTART;VALUE=DATE:2026\d{4}$|^DTSTART;VALUE=DATE:2027\d{4}$/.test(line)),
    ).toHaveLength(events);
    // His meet is on it.
    expect(feed.text).toMatch(/SUMMARY:.*(Open|Cup|Meet)/);
    await coach.send('delete', `/lifters/${ruth}/links/${made.id}`, undefined, 204);
    await supertest(api.app.getHttpServer()).get(`/api${made.path}/calendar.ics`).expect(404);
  });

  it('of the whole club is a calendar of every lifter’s sessions, meets and tests, and opens nothing else', async () => {
    const id = randomUUID();
    await api.db.query(
      `INSERT INTO season_mark (id, club_id, lifter_id, kind, label, starts_on, ends_on)
       SELECT gen_random_uuid(), club_id, id, 'test', 'Grip test of the block', '2026-12-01', '2026-12-01'
         FROM lifter WHERE name = 'Noor Haddad'`,
    );
    const made = await coach.send<MadeLinkView>(
      'put',
      `/club/calendar-links/${id}`,
      { days: 366, ahead: 90 },
      200,
    );
    expect(made.path).toMatch(/^\/api\/shared\/[\w-]+\/calendar\.ics$/);
    const stranger = supertest(api.app.getHttpServer());
    const text = (await stranger.get(made.path).expect(200)).text.replaceAll('\r\n ', '');
    for (const line of [
      /SUMMARY:Teodor Vance: .*(Open|Cup|Meet)/,
      /SUMMARY:Noor Haddad: Bench/,
      /LOCATION:Rope works/,
    ])
      expect(text).toMatch(line);
    expect(text).toContain('SUMMARY:Noor Haddad: Grip test of the block');
    expect(text).not.toMatch(/torn|callus|pain|blood/i);
    await stranger.get(made.path.replace('/calendar.ics', '')).expect(404);
    const [link] = await coach.get<ShareLinkView[]>('/club/calendar-links');
    expect(link).toMatchObject({ id, ahead: 90, health: false, revoked: null });
    const other = await addForeignCoach(api, 'calendar@elsewhere.example');
    await api.db.query(`UPDATE account SET role = 'owner' WHERE email = $1`, [other.email]);
    const foreign = await Coach.signIn(api, other);
    expect(await foreign.get<ShareLinkView[]>('/club/calendar-links')).toEqual([]);
    await foreign.send('delete', `/club/calendar-links/${id}`, undefined, 404);
    await coach.send('delete', `/club/calendar-links/${id}`, undefined, 200);
    await stranger.get(made.path).expect(404);
    await coach.send('put', `/club/calendar-links/${randomUUID()}`, { days: 400 }, 400);
  });

  it('is a coach’s to make for their own lifters only', async () => {
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    await foreign.send('put', `/lifters/${lifter}/links/${randomUUID()}`, { days: 7 }, 404);
    await foreign.send('delete', `/lifters/${lifter}/links/${id}`, undefined, 404);
    await coach.send('put', `/lifters/${lifter}/links/${randomUUID()}`, { days: 400 }, 400);
  });
});

describe('a lifter’s own account', () => {
  const email = 'bram@tarnquay.example';
  const join = (path: string, password: string, status: number): Promise<supertest.Response> =>
    supertest(api.app.getHttpServer())
      .post(`/api${path.replace('/join/', '/invitations/')}`)
      .send({ password })
      .expect(status)
      .then((answer) => answer);
  let path: string;

  it('comes by invitation, with a password that only the lifter knows', async () => {
    const first = await coach.send<MadeLinkView>(
      'put',
      `/lifters/${lifter}/invitations/${randomUUID()}`,
      { email },
      200,
    );
    path = (
      await coach.send<MadeLinkView>('put', `/lifters/${lifter}/invitations/${randomUUID()}`, { email }, 200)
    ).path;
    // A new invitation takes the one before it back.
    await join(first.path, 'quay-and-rope', 404);
    const view = await open<InvitationView>(path.replace('/join/', '/invitations/'));
    expect(view).toEqual({ club: 'Tarn Quay Barbell', name: 'Bram Oosterhuis', email, role: 'lifter' });
    await join(path, 'short', 400);
    await join(path, 'quay-and-rope', 200);
    await join(path, 'quay-and-rope', 404);
    const bram = await Coach.signIn(api, { email, password: 'quay-and-rope' });
    expect((await bram.get<SessionView>('/session')).account).toMatchObject({
      role: 'lifter',
      lifterId: lifter,
      unit: 'lb',
    });
    expect((await coach.get<ProfileView>(`/lifters/${lifter}/profile`)).account).toMatchObject({
      email,
      state: 'joined',
    });
  });

  it('an address that signs in already is refused', async () => {
    const other = (await coach.get<RackView>('/lifters')).lifters.find(
      (row) => row.name === 'Noor Haddad',
    )!.id;
    const { error } = await coach.send<ErrorView>(
      'put',
      `/lifters/${other}/invitations/${randomUUID()}`,
      { email },
      409,
    );
    expect(error).toMatchObject({ code: 'email-taken', fields: [{ path: 'email' }] });
  });

  it('archived, the lifter is signed out; the account taken back, nothing opens', async () => {
    const bram = await Coach.signIn(api, { email, password: 'quay-and-rope' });
    const { version } = await coach.get<ProfileView>(`/lifters/${lifter}/profile`);
    await coach.send('patch', `/lifters/${lifter}/archive`, { archived: true, version }, 200);
    await bram.get('/session', 401);
    await coach.send('patch', `/lifters/${lifter}/archive`, { archived: false, version: version + 1 }, 200);
    await bram.get('/session');
    await coach.send('delete', `/lifters/${lifter}/account`, undefined, 204);
    await bram.get('/session', 401);
    await supertest(api.app.getHttpServer())
      .post('/api/session')
      .send({ email, password: 'quay-and-rope' })
      .expect(401);
  });
});
