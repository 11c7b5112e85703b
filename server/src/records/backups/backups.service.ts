import { randomUUID } from 'node:crypto';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { Inject, Injectable, Logger } from '@nestjs/common';
import { Interval } from '@nestjs/schedule';
import { addDays } from 'date-fns';
import { DataSource, LessThan, type QueryRunner } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import type { Config } from '../../platform/config/config.ts';
import { CONFIG } from '../../platform/config/token.ts';
import { inOneMoment } from '../../platform/database/one-moment.ts';
import { Problem } from '../../platform/http/problem.ts';
import { ClubsService } from '../clubs/clubs.service.ts';
import { Backup } from './backup.entity.ts';
import { connectionEnv, databaseBeside, runProgram } from './pg-programs.ts';

/** How often it is looked whether the night's backup is due, ms. */
const LOOK_EVERY = 10 * 60_000;
/** The hour of the machine's night at which it is made, when nobody lifts. */
const HOUR = 3;
/** Backups listed. */
const LISTED = 60;
/** Kept whatever their age: a machine that stood still for a year still has its last ones. */
const KEPT_ALWAYS = 3;
/** Of PostgreSQL's advisory locks: one backup at a time over all processes. */
const LOCK = 4810_0045;

/**
 * Backups of the whole database by PostgreSQL's own programs. None counts before it was proved: it is restored into a scratch
 * database, and every table there has as many rows as there were in the moment it was taken.
 */
@Injectable()
export class BackupsService {
  readonly #log = new Logger('Backups');

  constructor(
    private readonly db: DataSource,
    private readonly clubs: ClubsService,
    private readonly clock: Clock,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** The latest backups, the newest first. */
  list(): Promise<Backup[]> {
    return this.db.getRepository(Backup).find({ order: { startedAt: 'DESC' }, take: LISTED });
  }

  /** The file of a backup that was proved; null where there is none. */
  async fileOf(id: string): Promise<string | null> {
    const row = await this.db.getRepository(Backup).findOneBy({ id, state: 'proved' });
    return row?.file && this.config.backups ? join(this.config.backups.folder, basename(row.file)) : null;
  }

  @Interval(LOOK_EVERY)
  async nightly(): Promise<void> {
    try {
      if (await this.isDue()) await this.make(null);
    } catch (error) {
      // Another process makes it, or the database is gone for the moment: it is looked again.
      this.#log.warn(error instanceof Error ? error.message : String(error));
    }
  }

  /** Is the night's backup still to be made? */
  async isDue(): Promise<boolean> {
    // The demo is made anew where it is lost.
    if (!this.config.backups || !(await this.clubs.anyOwn())) return false;
    const now = this.clock.now();
    const night = new Date(now);
    night.setHours(HOUR, 0, 0, 0);
    if (night > now) night.setDate(night.getDate() - 1);
    const [last] = await this.db
      .getRepository(Backup)
      .find({ where: { state: 'proved' }, order: { startedAt: 'DESC' }, take: 1 });
    // A machine that is switched off at night makes it when it is on again.
    return !last || last.startedAt < night;
  }

  /** Makes one backup and proves it; what goes wrong with it is kept with it. */
  async make(askedBy: string | null): Promise<Backup> {
    return (await this.begin(askedBy)).done;
  }

  /**
   * Begins a backup; a long log takes minutes.
   * @param askedBy null where the night asks.
   * @throws Problem 409 while another is made, or where there is no folder for it.
   */
  async begin(askedBy: string | null): Promise<{ readonly done: Promise<Backup> }> {
    const { backups } = this.config;
    if (!backups)
      throw new Problem(
        409,
        'no-backups',
        'This server was started without a folder for backups (IRON_CLASP_BACKUPS).',
      );
    const runner = this.db.createQueryRunner();
    await runner.connect();
    const [{ free }] = (await runner.query('SELECT pg_try_advisory_lock($1) AS free', [LOCK])) as [
      { free: boolean },
    ];
    if (!free) {
      await runner.release();
      throw new Problem(409, 'backup-running', 'A backup is being made. Look again in a moment.');
    }
    const letGo = async (): Promise<void> => {
      await runner.query('SELECT pg_advisory_unlock($1)', [LOCK]);
      await runner.release();
    };
    const id = await this.begun(askedBy).catch(async (error: unknown) => {
      await letGo();
      throw error;
    });
    return { done: this.finish(runner, backups, id).finally(letGo) };
  }

  /** Keeps that a backup is being made. */
  private async begun(askedBy: string | null): Promise<string> {
    const rows = this.db.getRepository(Backup);
    const [id, startedAt] = [randomUUID(), this.clock.now()];
    // Left by a process that died: whoever holds the lock is the only one.
    await rows.update(
      { state: 'running' },
      { state: 'failed', why: 'The server stopped meanwhile.', endedAt: startedAt },
    );
    await rows.insert({ id, startedAt, state: 'running', askedBy });
    return id;
  }

  private async finish(
    runner: QueryRunner,
    { folder, keepDays }: NonNullable<Config['backups']>,
    id: string,
  ): Promise<Backup> {
    const rows = this.db.getRepository(Backup);
    const { startedAt } = await rows.findOneByOrFail({ id });
    const name = `iron-clasp ${startedAt.toISOString().slice(0, 16).replace(':', '-')} ${id.slice(0, 8)}.dump`;
    const file = join(folder, name);
    try {
      await mkdir(folder, { recursive: true, mode: 0o700 });
      const counts = await this.dump(runner, `${file}.half`);
      await this.prove(`${file}.half`, id, counts);
      await rename(`${file}.half`, file);
      const { size } = await stat(file);
      const total = [...counts.values()].reduce((sum, n) => sum + n, 0);
      await rows.update(
        { id },
        {
          ...{ state: 'proved', file: name, bytes: String(size), rows: total, tables: counts.size },
          endedAt: this.clock.now(),
        },
      );
      await this.forgetOld(folder, keepDays);
    } catch (error) {
      // Where the folder itself is what is wrong, there is nothing to remove.
      await rm(`${file}.half`, { force: true }).catch(() => undefined);
      await rows.update({ id }, { state: 'failed', why: said(error), endedAt: this.clock.now() });
    }
    return rows.findOneByOrFail({ id });
  }

  /** Writes the dump; rows by table as they were in the very moment it shows. */
  protected dump(runner: QueryRunner, file: string): Promise<ReadonlyMap<string, number>> {
    return inOneMoment(runner.manager, async (manager) => {
      const [{ snapshot }]: [{ snapshot: string }] = await manager.query(
        'SELECT pg_export_snapshot() AS snapshot',
      );
      const counts = await countsOf((sql) => manager.query(sql));
      const args = [
        '--format=custom',
        '--no-owner',
        '--no-privileges',
        `--snapshot=${snapshot}`,
        `--file=${file}`,
      ];
      await runProgram('pg_dump', args, connectionEnv(this.config.databaseUrl));
      return counts;
    });
  }

  /** Restores it beside the real database and counts; throws where anything is missing. */
  private async prove(file: string, id: string, counts: ReadonlyMap<string, number>): Promise<void> {
    const scratch = `iron_clasp_proof_${id.replaceAll('-', '')}`;
    await this.db.query(`CREATE DATABASE ${scratch} TEMPLATE template0`);
    try {
      const env = connectionEnv(this.config.databaseUrl, scratch);
      await runProgram(
        'pg_restore',
        ['--exit-on-error', '--no-owner', '--no-privileges', `--dbname=${scratch}`, file],
        env,
      );
      const url = databaseBeside(this.config.databaseUrl, scratch);
      const there = new DataSource({ type: 'postgres', url, poolSize: 1 });
      await there.initialize();
      try {
        const found = await countsOf((sql) => there.query(sql));
        for (const [table, n] of counts)
          if (found.get(table) !== n)
            throw new Error(
              `Of ${n} rows of ${table}, ${found.get(table) ?? 'none'} came back from the backup.`,
            );
      } finally {
        await there.destroy();
      }
    } finally {
      await this.db.query(`DROP DATABASE IF EXISTS ${scratch} WITH (FORCE)`);
    }
  }

  /** Removes backups that are older than they are kept, and what a crash left half-made. */
  private async forgetOld(folder: string, keepDays: number): Promise<void> {
    const rows = this.db.getRepository(Backup);
    const before = addDays(this.clock.now(), -keepDays);
    const old = await rows.find({ where: { startedAt: LessThan(before) } });
    const latest = await rows.find({
      where: { state: 'proved' },
      order: { startedAt: 'DESC' },
      take: KEPT_ALWAYS,
    });
    for (const row of old.filter((each) => !latest.some(({ id }) => id === each.id))) {
      if (row.file) await rm(join(folder, basename(row.file)), { force: true });
      await rows.delete({ id: row.id });
    }
    for (const name of await readdir(folder))
      if (name.endsWith('.half')) await rm(join(folder, name), { force: true });
  }
}

/** Rows of every table. */
async function countsOf(
  query: (sql: string) => Promise<readonly { readonly name: string; readonly n: string }[]>,
): Promise<ReadonlyMap<string, number>> {
  const tables = await query(
    `SELECT tablename AS name, '' AS n FROM pg_tables WHERE schemaname = 'public' ORDER BY tablename`,
  );
  const counts = new Map<string, number>();
  for (const { name } of tables) {
    const [row] = await query(`SELECT '' AS name, count(*) AS n FROM "${name.replaceAll('"', '""')}"`);
    counts.set(name, Number(row!.n));
  }
  return counts;
}

/** What went wrong, for whoever looks at the page; the disk first of all. */
function said(error: unknown): string {
  const words = error instanceof Error ? error.message : String(error);
  return /ENOSPC|no space left/i.test(words)
    ? 'The disk is full. Make room, then back up again.'
    : words.slice(0, 500);
}
