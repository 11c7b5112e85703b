import { randomUUID } from 'node:crypto';
import { writeFileSync, readFileSync, rmSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type {
  CallsView,
  ClubExportView,
  ErrorView,
  LogView,
  PeopleView,
  RackView,
  SheetView,
} from '@iron-clasp/contract';
import supertest from 'supertest';
import { SetUpService } from '../src/advice/set-up/set-up.service.ts';
import { KeptTables } from '../src/platform/database/kept-tables.ts';
import { ZipReader, ZipWriter } from '../src/platform/files/zip.ts';
import { readManifest, receiptOf, type Manifest } from '../src/records/exports/export-format.ts';
import { ExportsService } from '../src/records/exports/exports.service.ts';
import { DEMO_COACH } from '../src/demo/scenario.ts';
import { addForeignCoach, addPerson, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
const folder = mkdtempSync(join(tmpdir(), 'iron-clasp-exports-'));
beforeAll(async () => {
  api = await startApi();
  // A club like any other, with what the demo holds.
  await api.db.query('UPDATE club SET demo = false');
  // A few weeks hold every kind of row: the two years before them are more of the same, written and read a dozen times.
  await api.db.query(`DELETE FROM logged_set WHERE training_day < '2026-10-06'`);
  coach = await Coach.signIn(api);
});
afterAll(async () => {
  await api.close();
  rmSync(folder, { recursive: true });
});

interface Taken {
  readonly path: string;
  readonly receipt: string;
}
async function take(from: Coach, address: string): Promise<Taken> {
  const answer = await from.agent
    .get(`/api${address}`)
    .buffer(true)
    .parse((response, done) => {
      const pieces: Buffer[] = [];
      response.on('data', (piece: Buffer) => pieces.push(piece));
      response.on('end', () => done(null, Buffer.concat(pieces)));
    })
    .expect(200);
  const path = join(folder, `${randomUUID()}.zip`);
  writeFileSync(path, answer.body as Buffer);
  return { path, receipt: String(answer.headers['iron-clasp-receipt']) };
}
/** Every file of it, by path. */
async function unpack(path: string): Promise<{ manifest: Manifest; files: Record<string, string> }> {
  const zip = await ZipReader.open(path);
  const manifest = readManifest(await zip.text('manifest.json'))!;
  const files: Record<string, string> = {};
  for (const file of manifest.files) files[file.path] = await zip.text(file.path);
  zip.close();
  return { manifest, files };
}
const dataOf = (files: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(files).filter(([path]) => path.startsWith('data/')));
/** The same export with some of its rows written otherwise, and its checksums made anew. */
async function forge(
  path: string,
  change: (path: string, text: string) => string,
  more: object = {},
): Promise<string> {
  const { manifest, files } = await unpack(path);
  const forged = join(folder, `${randomUUID()}.zip`);
  const zip = new ZipWriter(forged);
  const written = [];
  for (const file of manifest.files)
    written.push({ ...(await zip.add(file.path, [change(file.path, files[file.path]!)])), rows: file.rows });
  await zip.add('manifest.json', [
    JSON.stringify({ ...manifest, files: written, receipt: receiptOf(written), ...more }),
  ]);
  await zip.close();
  return forged;
}
async function bring(to: Coach, path: string, status: number): Promise<{ lifterId: string } & ErrorView> {
  const answer = await to.agent
    .post('/api/lifters/export')
    .set('x-iron-clasp-token', to.token)
    .attach('export', path);
  expect([answer.status, answer.body]).toEqual([status, answer.body]);
  return answer.body;
}
const idOf = async (name: string, of = coach): Promise<string> =>
  (await of.get<RackView>('/lifters')).lifters.find((row) => row.name === name)!.id;

it('every table is somebody’s, or named as nobody’s', async () => {
  const tables: { name: string }[] = await api.db.query(
    `SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' ORDER BY tablename`,
  );
  const kept = api.app.get(KeptTables);
  // What belongs to the machine and to no club.
  const nobodys = ['backup', 'guess_limit', 'migrations', 'minute_limit', 'set_up_code'];
  expect(tables.map(({ name }) => name).filter((name) => !kept.has(name))).toEqual(nobodys);
});

describe('a club', () => {
  const empty = { api: undefined as unknown as Api, code: '' };
  beforeAll(async () => {
    empty.api = await startApi({ demo: null });
    await empty.api.app.get(ExportsService).deleteDemo();
    empty.code = (await empty.api.app.get(SetUpService).codeToShow())!;
  });
  afterAll(() => empty.api.close());
  const start = async (
    path: string,
    { code = empty.code, email = DEMO_COACH.email as string, password = 'kiln tether oval prow' } = {},
  ): Promise<supertest.Response> =>
    supertest(empty.api.app.getHttpServer())
      .post('/api/set-up/export')
      .set('x-iron-clasp-code', code)
      .field('email', email)
      .field('password', password)
      .attach('export', path);
  let whole: Promise<Taken> | undefined;
  /** The club as it stands at first. */
  const taken = (): Promise<Taken> => (whole ??= take(coach, '/club/export'));
  const clubs = async (): Promise<number> =>
    Number((await empty.api.db.query<{ n: string }[]>('SELECT count(*) AS n FROM club'))[0]!.n);

  it('leaves nothing behind where the demo was deleted', async () => {
    const rows: { n: string }[] = await empty.api.db.query(
      `SELECT (SELECT count(*) FROM club) + (SELECT count(*) FROM account) + (SELECT count(*) FROM logged_set)
            + (SELECT count(*) FROM venue) + (SELECT count(*) FROM lifter) AS n`,
    );
    expect(rows[0]!.n).toBe('0');
  });

  it('goes out in words and to the letter, without a secret', async () => {
    const { files, manifest } = await unpack((await taken()).path);
    expect(manifest).toMatchObject({
      kind: 'club',
      version: 1,
      club: { name: 'Tarn Quay Barbell' },
      lifter: null,
    });
    const [head, first] = files['lists/sets.csv']!.split('\r\n');
    expect(head).toContain('day,lifter,lift,load (kg),repetitions');
    expect(first).toMatch(/^\d{4}-\d\d-\d\d,[A-Z][^,]+,[A-Z][^,]+,[\d.]+,\d+/);
    expect(files['lists/hands.csv']).toMatch(/palm tender|callus torn/);
    expect(files['lists/grippers.csv']!.split('\r\n')[1]!.split(',')[2]).not.toBe('');
    for (const { path, rows } of manifest.files)
      expect([path, files[path]!.split('\n').filter((line) => line.startsWith('{')).length]).toEqual([
        path,
        path.startsWith('data/') ? rows : 0,
      ]);
    expect(Object.values(files).join('')).not.toMatch(/password_hash|secret_hash|argon2|second_factor/);
  });

  it.each([
    ['a file that is no zip', () => writeAs('not a zip'), /no zip|not a zip/],
    ['another zip', () => otherZip(), /no manifest/],
    [
      'a file cut short',
      async () => writeAs(readFileSync((await taken()).path).subarray(0, 5000)),
      /zip file|damaged/,
    ],
    [
      'rows changed by hand',
      async () => {
        const { path } = await taken();
        const { manifest } = await unpack(path);
        return forge(path, (_, text) => text.replace('Tarn Quay', 'Elsewhere'), { files: manifest.files });
      },
      /damaged: data\/club/,
    ],
    [
      'a version to come',
      async () => forge((await taken()).path, (_, text) => text, { version: 2 }),
      /newer version/,
    ],
    [
      'a column to come',
      async () =>
        forge((await taken()).path, (path, text) =>
          path === 'data/venue.json' ? text.replaceAll('"note":', '"smell": "rust", "note":') : text,
        ),
      /newer version/,
    ],
    [
      'a password of somebody’s making',
      async () =>
        forge((await taken()).path, (path, text) =>
          path === 'data/account.json'
            ? text.replaceAll('"email":', '"password_hash": "mine", "email":')
            : text,
        ),
      /it holds password_hash of account/,
    ],
    [
      'the export of a lifter',
      async () => (await take(coach, `/lifters/${await idOf('Noor Haddad')}/export`)).path,
      /one lifter/,
    ],
  ])('%s is refused, and nothing is begun', async (_, make, words) => {
    const answer = await start(await make());
    expect([answer.status, answer.body.error?.code]).toEqual([400, 'unusable-export']);
    expect(answer.body.error.message).toMatch(words);
    expect(await clubs()).toBe(0);
  });

  it('wants the code, an owner’s address and a password that holds', async () => {
    const { path } = await taken();
    expect((await start(writeAs('small'), { code: 'ABCD-EFGH-JKLM' })).body.error.fields[0].path).toBe(
      'code',
    );
    expect((await start(path, { email: 'nobody@else.example' })).body.error.fields[0].path).toBe('email');
    expect((await start(path, { password: 'password123' })).body.error.fields[0].path).toBe('password');
    expect(await clubs()).toBe(0);
  });

  it('comes back equal to the letter, with the same calls, and nobody signs in with an old password', async () => {
    await addPerson(api, 'assistant', 'sam@tarnquay.example');
    const { path, receipt } = await take(coach, '/club/export');
    const answer = await start(path);
    expect([answer.status, answer.body.error]).toEqual([200, undefined]);
    const owner = await Coach.signIn(empty.api, {
      email: DEMO_COACH.email,
      password: 'kiln tether oval prow',
    });
    const before = await unpack(path);
    // The sign-ins at the new place are deeds of its own.
    const brought = [...before.files['data/deed.json']!.matchAll(/"id": ?"([^"]+)"/g)].map(([, id]) => id);
    expect(brought.length).toBeGreaterThan(0);
    await empty.api.db.query('DELETE FROM deed WHERE NOT id = ANY($1)', [brought]);
    const again = await take(owner, '/club/export');
    const after = await unpack(again.path);
    expect(dataOf(after.files)).toEqual(dataOf(before.files));
    expect(again.receipt).toBe(receipt);
    const lifter = await idOf('Noor Haddad');
    const { nextSessionId } = await coach.get<SheetView>(`/lifters/${lifter}/sheet`);
    const [theirs, ours] = await Promise.all(
      [owner, coach].map((each) => each.get<CallsView>(`/sessions/${nextSessionId}/calls`)),
    );
    // Rows of one moment are added up in another order.
    expect(withNumbersOf(theirs, ours)).toEqual(ours);
    const people = await owner.get<PeopleView>('/people');
    expect(people.people.map(({ email }) => email)).toContain('sam@tarnquay.example');
    await supertest(empty.api.app.getHttpServer()).post('/api/session').send(DEMO_COACH).expect(401);
    // The code is spent, and a second club has no place here.
    expect((await start(writeAs('small'))).body.error.code).toBe('set-up-done');
  });

  it('is deleted whole once it is taken out as it stands', async () => {
    const owner = await Coach.signIn(empty.api, {
      email: DEMO_COACH.email,
      password: 'kiln tether oval prow',
    });
    const { receipt } = await take(owner, '/club/export');
    const remove = (asked: string, status: number): Promise<ErrorView> =>
      owner.send<ErrorView>('delete', `/club?receipt=${asked}`, undefined, status);
    expect((await remove('', 409)).error.code).toBe('export-first');
    await remove(receipt, 204);
    expect(await clubs()).toBe(0);
    await owner.get('/today', 401);
  });
});

describe('a lifter', () => {
  let bram: string;
  it('comes back equal to the letter after they were deleted', async () => {
    bram = await idOf('Bram Oosterhuis');
    const log = await coach.get<LogView>(`/lifters/${bram}/log`);
    const first = await take(coach, `/lifters/${bram}/export`);
    const remove = (receipt: string, status: number): Promise<ErrorView> =>
      coach.send<ErrorView>('delete', `/lifters/${bram}?receipt=${receipt}`, undefined, status);
    expect((await remove(first.receipt, 409)).error.code).toBe('not-archived');
    const { version } = await coach.get<{ version: number }>(`/lifters/${bram}/profile`);
    await coach.send('patch', `/lifters/${bram}/archive`, { archived: true, version }, 200);
    // Something changed since: that export is not all there is.
    expect((await remove(first.receipt, 409)).error.code).toBe('export-first');
    const all = await take(coach, `/lifters/${bram}/export`);
    await remove(all.receipt, 204);
    await coach.get(`/lifters/${bram}/profile`, 404);
    const [row] = await api.db.query<{ left: number }[]>(
      'SELECT count(*)::int AS left FROM logged_set WHERE lifter_id = $1',
      [bram],
    );
    expect(row!.left).toBe(0);
    for (let i = 0; i < 2; i++) expect((await bring(coach, all.path, 200)).lifterId).toBe(bram);
    expect(await coach.get<LogView>(`/lifters/${bram}/log`)).toEqual(log);
    expect((await take(coach, `/lifters/${bram}/export`)).receipt).toBe(all.receipt);
  });

  it('comes back from an export that older tables made', async () => {
    const log = await coach.get<LogView>(`/lifters/${bram}/log`);
    const all = await take(coach, `/lifters/${bram}/export`);
    await coach.send('delete', `/lifters/${bram}?receipt=${all.receipt}`, undefined, 204);
    // Before sweat was told, and before anybody asked of a clench.
    const older = await forge(all.path, (path, text) =>
      /data\/(logged_set|lifter)\.json/.test(path)
        ? text.replaceAll(/, ?"(sweat|signs|undone_by|clenches)": ?(\[[^\]]*\]|[^,}]*)/g, '')
        : text,
    );
    expect((await unpack(older)).files['data/logged_set.json']).not.toContain('sweat');
    expect((await bring(coach, older, 200)).lifterId).toBe(bram);
    const { entries } = await coach.get<LogView>(`/lifters/${bram}/log`);
    expect(entries.map(({ id }) => id)).toEqual(log.entries.map(({ id }) => id));
    const rows: { sweat: boolean }[] = await api.db.query(
      'SELECT DISTINCT sweat FROM logged_set WHERE lifter_id = $1',
      [bram],
    );
    expect(rows).toEqual([{ sweat: false }]);
  });

  it('moves to another club with what their log names, and with nobody’s address', async () => {
    const other = await startApi({ demo: null });
    try {
      await other.app.get(ExportsService).deleteDemo();
      const somebody = await addForeignCoach(other);
      await other.db.query(`UPDATE account SET role = 'owner'`);
      const host = await Coach.signIn(other, somebody);
      const id = await idOf('Noor Haddad');
      const { path } = await take(coach, `/lifters/${id}/export`);
      const { files } = await unpack(path);
      expect(Object.values(files).join('')).not.toContain(DEMO_COACH.email);
      await bring(host, path, 200);
      expect(await idOf('Noor Haddad', host)).toBe(id);
      const [theirs, ours] = await Promise.all(
        [host, coach].map((each) => each.get<LogView>(`/lifters/${id}/log`)),
      );
      expect(theirs!.entries).toEqual(ours!.entries);
      // Who signed something there is no account here.
      expect((await host.get<PeopleView>('/people')).people.map(({ name }) => name)).not.toContain(
        'Maren Holt',
      );
      const back = dataOf((await unpack((await take(host, `/lifters/${id}/export`)).path)).files);
      const club = /"club_id": "[^"]+"/g;
      expect(back['data/logged_set.json']!.replaceAll(club, '')).toBe(
        files['data/logged_set.json']!.replaceAll(club, ''),
      );
    } finally {
      await other.close();
    }
  });

  it('brings nothing that points into another club, and no row of somebody else', async () => {
    const elsewhere = await Coach.signIn(api, await addForeignCoach(api, 'far@elsewhere.example'));
    const id = await idOf('Odalys Brandt');
    const { path } = await take(coach, `/lifters/${id}/export`);
    // The lifter is here already, in the other club: no copy is made.
    expect((await bring(elsewhere, path, 409)).error.code).toBe('here-already');
    const fresh = randomUUID();
    const renamed = await forge(
      path,
      (_, text) =>
        text
          .replaceAll(id, fresh)
          .replaceAll(/"id": "([0-9a-f])/g, (_all, c: string) => `"id": "${c === 'f' ? '0' : 'f'}`),
      { lifter: { id: fresh, name: 'Somebody' } },
    );
    // Its sessions name rooms that are not in it.
    expect((await bring(elsewhere, renamed, 400)).error.code).toBe('unusable-export');
    expect((await elsewhere.get<RackView>('/lifters')).lifters).toEqual([]);
    await bring(coach, await forge(path, (_, text) => text, { kind: 'club' }), 400);
    const nothing = await coach.agent.post('/api/lifters/export').set('x-iron-clasp-token', coach.token);
    expect([nothing.status, nothing.body.error.fields[0].path]).toEqual([400, 'export']);
  });
});

describe('the demo’s club', () => {
  it('is deleted by the owner of a club of its own, and by nobody else', async () => {
    const both = await startApi();
    try {
      const demo = await Coach.signIn(both);
      await demo.send('delete', '/club', undefined, 403);
      await demo.send('delete', '/club/demo', undefined, 403);
      const owner = await Coach.signIn(both, await addForeignCoach(both));
      await both.db.query(`UPDATE account SET role = 'owner' WHERE email = 'else@elsewhere.example'`);
      expect(await owner.get<ClubExportView>('/club/export/about')).toEqual({
        own: true,
        demo: 'Tarn Quay Barbell',
      });
      for (let i = 0; i < 2; i++) await owner.send('delete', '/club/demo', undefined, 204);
      expect((await owner.get<ClubExportView>('/club/export/about')).demo).toBeNull();
      await demo.get('/today', 401);
    } finally {
      await both.close();
    }
  });
});

/** The same with each number that is as good as equal to the one in the other's place written as that one. */
function withNumbersOf(value: unknown, other: unknown): unknown {
  if (typeof value === 'number' && typeof other === 'number')
    return Math.abs(value - other) <= 1e-6 * Math.max(1, Math.abs(other)) ? other : value;
  if (Array.isArray(value))
    return value.map((each, i) => withNumbersOf(each, (other as unknown[] | null)?.[i]));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [
      key,
      withNumbersOf(each, (other as Record<string, unknown> | null)?.[key]),
    ]),
  );
}

function writeAs(content: string | Buffer): string {
  const path = join(folder, `${randomUUID()}.zip`);
  writeFileSync(path, content);
  return path;
}

async function otherZip(): Promise<string> {
  const path = join(folder, `${randomUUID()}.zip`);
  const zip = new ZipWriter(path);
  await zip.add('letter.txt', ['Dear reader']);
  await zip.close();
  return path;
}
