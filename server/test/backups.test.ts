import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BackupsView, ErrorView } from '@iron-clasp/contract';
import type { QueryRunner } from 'typeorm';
import { Clock } from '../src/platform/clock/clock.ts';
import type { Config } from '../src/platform/config/config.ts';
import { CONFIG } from '../src/platform/config/token.ts';
import { BackupsService } from '../src/records/backups/backups.service.ts';
import { ClubsService } from '../src/records/clubs/clubs.service.ts';
import { addPerson, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let owner: Coach;
let folder: string;
beforeAll(async () => {
  folder = join(mkdtempSync(join(tmpdir(), 'iron-clasp-backups-')), 'kept');
  api = await startApi({ backups: { folder, keepDays: 30 } });
  owner = await Coach.signIn(api);
});
afterAll(async () => {
  await api.close();
  rmSync(join(folder, '..'), { recursive: true, force: true });
});

const service = (): BackupsService => api.app.get(BackupsService);
const databases = (): Promise<{ datname: string }[]> =>
  api.db.query(`SELECT datname FROM pg_database WHERE datname LIKE 'iron_clasp_proof_%'`);

it('the demo’s owner, whose password all know, gets none of it', async () => {
  const { error } = await owner.get<ErrorView>('/backups', 403);
  expect(error.code).toBe('demo-club');
  await owner.send('post', '/backups', {}, 403);
  // From here on it is a club like any other.
  await api.db.query('UPDATE club SET demo = false');
});

it('is due on the first night, made by whoever comes first, and proved by restoring it', async () => {
  expect(await service().isDue()).toBe(true);
  const both = await Promise.allSettled([service().make(null), service().make(null)]);
  expect(both.map((each) => each.status).sort()).toEqual(['fulfilled', 'rejected']);
  expect(await service().isDue()).toBe(false);
  const { backups, keepDays } = await owner.get<BackupsView>('/backups');
  expect(keepDays).toBe(30);
  expect(backups).toHaveLength(1);
  expect(backups[0]).toMatchObject({ state: 'proved', why: null, askedBy: null });
  const [{ n }] = await api.db.query<[{ n: string }]>('SELECT count(*) AS n FROM logged_set');
  expect(backups[0]!.rows).toBeGreaterThan(Number(n));
  expect(backups[0]!.tables).toBeGreaterThan(30);
  expect(readdirSync(folder)).toEqual([backups[0]!.file]);
  expect(await databases()).toEqual([]);
});

it('is made when an owner asks, and its file is theirs to take', async () => {
  const begun = await owner.send<BackupsView>('post', '/backups', {}, 200);
  expect(begun.backups.some((each) => each.state === 'running')).toBe(true);
  expect((await owner.send<ErrorView>('post', '/backups', {}, 409)).error.code).toBe('backup-running');
  let backups = begun.backups;
  while (backups.some((each) => each.state === 'running'))
    ({ backups } = await owner.get<BackupsView>('/backups'));
  const made = backups.find((each) => each.askedBy !== null)!;
  expect(made).toMatchObject({ state: 'proved', askedBy: 'Maren Solvik' });
  const { body, headers } = await owner.agent
    .get(`/api/backups/${made.id}/file`)
    .buffer()
    .parse((answer, done) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(200);
  expect((body as Buffer).subarray(0, 5).toString()).toBe('PGDMP');
  expect((body as Buffer).length).toBe(made.bytes);
  expect(headers['content-disposition']).toContain(made.file!);
  await owner.get(`/backups/${randomUUID()}/file`, 404);
  const coach = await Coach.signIn(api, await addPersonHere());
  await coach.get('/backups', 403);
  await coach.get(`/backups/${made.id}/file`, 403);
});

/** Somebody of the club, now that it is not the demo's any more. */
async function addPersonHere(): Promise<{ email: string; password: string }> {
  await api.db.query('UPDATE club SET demo = true');
  const person = await addPerson(api, 'coach');
  await api.db.query('UPDATE club SET demo = false');
  return person;
}

it('old ones go, the last ones stay, and what a crash left is cleared', async () => {
  await api.db.query(`UPDATE backup SET started_at = '2026-01-01'`);
  await api.db.query(
    `INSERT INTO backup (id, started_at, state) VALUES ($1, '2026-11-24T11:00:00Z', 'running')`,
    [randomUUID()],
  );
  writeFileSync(join(folder, 'left by a crash.dump.half'), 'half');
  const made = await service().make(null);
  expect(made.state).toBe('proved');
  const { backups } = await owner.get<BackupsView>('/backups');
  // Two old ones are among the last three that were proved; the one that never ended is said to have failed.
  expect(backups.map((each) => each.state)).toEqual(['proved', 'failed', 'proved', 'proved']);
  expect(backups.find((each) => each.state === 'failed')!.why).toBe('The server stopped meanwhile.');
  expect(readdirSync(folder).filter((name) => name.endsWith('.half'))).toEqual([]);
  await service().make(null);
  await service().make(null);
  expect(readdirSync(folder)).toHaveLength(3);
});

it('what goes wrong is said, and leaves nothing half-made', async () => {
  const inTheWay = join(folder, '..', 'a file');
  writeFileSync(inTheWay, 'no folder');
  const broken = await startApi({ backups: { folder: inTheWay, keepDays: 30 } });
  try {
    const made = await broken.app.get(BackupsService).make(null);
    expect(made).toMatchObject({ state: 'failed', file: null });
    expect(made.why).toMatch(/EEXIST|ENOTDIR/);
  } finally {
    await broken.close();
  }
  const without = await startApi();
  try {
    expect(await without.app.get(BackupsService).isDue()).toBe(false);
    await expect(without.app.get(BackupsService).make(null)).rejects.toThrow(/IRON_CLASP_BACKUPS/);
  } finally {
    await without.close();
  }
});

/** The file that pg_dump is to write is a device that is always full. */
class OnAFullDisk extends BackupsService {
  protected override dump(runner: QueryRunner, file: string): Promise<ReadonlyMap<string, number>> {
    symlinkSync('/dev/full', file);
    return super.dump(runner, file);
  }
}

it('a disk that is full is said, and leaves nothing half-made', async () => {
  const before = readdirSync(folder);
  const full = new OnAFullDisk(
    api.db,
    api.app.get(ClubsService),
    api.app.get(Clock),
    api.app.get<Config>(CONFIG),
  );
  const made = await full.make(null);
  expect(made).toMatchObject({ state: 'failed', file: null });
  expect(made.why).toBe('The disk is full. Make room, then back up again.');
  expect(readdirSync(folder)).toEqual(before);
  expect(await databases()).toEqual([]);
});

it('a backup of which rows are missing is none', async () => {
  // A table whose rows cannot be put back: what checks them looks for what is not there yet.
  await api.db.query(
    `CREATE FUNCTION known() RETURNS boolean LANGUAGE sql AS 'SELECT EXISTS (SELECT 1 FROM club)';
     CREATE TABLE refused (n int CHECK (known())); INSERT INTO refused VALUES (1), (2)`,
  );
  const before = readdirSync(folder);
  try {
    const made = await service().make(null);
    expect(made).toMatchObject({ state: 'failed', file: null });
    expect(made.why).toMatch(/refused/);
    expect(await databases()).toEqual([]);
    expect(readdirSync(folder)).toEqual(before);
  } finally {
    await api.db.query('DROP TABLE refused; DROP FUNCTION known()');
  }
});
