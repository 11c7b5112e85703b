import { Injectable, type OnModuleInit } from '@nestjs/common';
import { rollup } from 'd3-array';
import type { CorrectionView } from '@iron-clasp/contract';
import type { HoldKindId } from '@iron-clasp/core';
import { Subject, type Observable } from 'rxjs';
import { DataSource, type EntityManager } from 'typeorm';
import { Owners } from '../../platform/access/owners.ts';
import { alike, insertMany, insertNew, keepOnce } from '../../platform/database/saves.ts';
import type { PageKey } from '../../platform/http/paging.ts';
import { differsFromKept, notFound, Problem } from '../../platform/http/problem.ts';
import { WhileItStands } from '../../platform/memory/while-it-stands.ts';
import { AccountsService, type Names } from '../accounts/accounts.service.ts';
import { BroughtRows } from '../../platform/database/brought-rows.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { TrainingService } from '../training/training.service.ts';
import type { TrainingSession } from '../training/training.entity.ts';
import { LogCorrection, LoggedHold, LoggedSet } from './log.entity.ts';
import { LogFigures } from './log-figures.repository.ts';
import { LogRepository, type LogFilter, type LogRow } from './log.repository.ts';

export type EntryKind = 'set' | 'hold';

/** What makes a second request for the same entry the same. */
const SAID = ['pain', 'confidence', 'cause', 'note'] as const;
const SAME_SET = [
  ...(['sessionId', 'plannedSetId', 'load', 'reps', 'grip', 'sideUnder', 'strapped', 'chalk'] as const),
  ...(['slippedAtRep', ...SAID] as const),
] as const;
const SAME_HOLD = [
  ...(['sessionId', 'kind', 'load', 'seconds', 'target', 'ended', 'grip', 'sideUnder', 'chalk'] as const),
  'pin',
  ...SAID,
] as const;

/** Readings of logs that this process keeps in its memory: three a lifter, 100 to 250 kB each. */
const READINGS_REMEMBERED = 600;

/** Whose log has changed. */
export type LogChange = Pick<LoggedSet, 'clubId' | 'lifterId'>;

/** What was done: sets and holds as they were logged, corrections that keep the first value, entries taken back. */
@Injectable()
export class LogService implements OnModuleInit {
  readonly #changes = new Subject<LogChange>();
  /** Whose log has changed, once the change is kept. */
  readonly changes: Observable<LogChange> = this.#changes;

  readonly #read = new WhileItStands({ max: READINGS_REMEMBERED });

  /** Sets that come from files. */
  readonly brought = new BroughtRows(LoggedSet, 'undoneAt');

  constructor(
    private readonly db: DataSource,
    private readonly log: LogRepository,
    private readonly figures: LogFigures,
    private readonly training: TrainingService,
    private readonly accounts: AccountsService,
    private readonly kept: KeptTables,
    private readonly owners: Owners,
  ) {}

  onModuleInit(): void {
    this.owners.register('set', (id) => this.log.ownerOf('set', id));
    this.owners.register('hold', (id) => this.log.ownerOf('hold', id));
    this.kept.register(
      { name: 'log_correction', ...OWN },
      { name: 'logged_set', ...OWN },
      { name: 'logged_hold', ...OWN },
      // The database counts it anew.
      { name: 'log_version', partOf: 'lifter_id', exported: 'never' },
    );
  }

  /** Those of the sessions of which anything still stands. */
  async sessionsWithEntries(manager: EntityManager, ids: readonly string[]): Promise<ReadonlySet<string>> {
    const rows: { id: string }[] = await manager.query(
      `SELECT session_id AS id FROM logged_set WHERE session_id = ANY($1) AND undone_at IS NULL
       UNION SELECT session_id FROM logged_hold WHERE session_id = ANY($1) AND undone_at IS NULL`,
      [ids],
    );
    return new Set(rows.map((row) => row.id));
  }

  /**
   * What rests on a lifter's log, worked out once until the log changes; nobody may alter it.
   * @param what names the work; the same name is always the same work.
   * @param on what else the answer rests on: the day, for one.
   * @param work reads what is committed, outside any transaction.
   */
  async untilLogged<Answer>(
    what: string,
    lifterId: string,
    on: readonly unknown[],
    work: () => Promise<Answer>,
  ): Promise<Answer> {
    // The number is read before the rows: they are at least as new as it says.
    const stand = JSON.stringify([await this.log.versionOf(lifterId), ...on]);
    return this.#read.of(`${lifterId} ${what}`, stand, work);
  }

  /**
   * Keeps a set of a session. The session is held still meanwhile, so that its plan cannot change under the entry.
   * @param make the row, from the session as it stands.
   * @throws Problem 409 with the other entry, where another device logged the planned set.
   */
  async keepSet(
    clubId: string,
    sessionId: string,
    make: (session: TrainingSession, manager: EntityManager) => Promise<LoggedSet>,
  ): Promise<LoggedSet> {
    const kept = await this.db.transaction(async (manager) => {
      const row = await make(await this.training.lock(manager, clubId, sessionId), manager);
      const other = row.plannedSetId && (await this.log.ofPlannedSet(manager, row.plannedSetId));
      if (other && other.id !== row.id) throw new LoggedAlready(other);
      const owner = { clubId, lifterId: row.lifterId };
      return (await keepOnce(manager, LoggedSet, row, { owner, same: SAME_SET, what: 'log entry' })).stored;
    });
    this.#changes.next(kept);
    return kept;
  }

  /** Keeps a hold of a session, behind those that are logged already. */
  async keepHold(
    clubId: string,
    sessionId: string,
    make: (session: TrainingSession, manager: EntityManager) => Promise<Omit<LoggedHold, 'place'>>,
  ): Promise<LoggedHold> {
    const kept = await this.db.transaction(async (manager) => {
      const made = await make(await this.training.lock(manager, clubId, sessionId), manager);
      const row = { ...made, place: await this.log.nextPlace(manager, sessionId) };
      const owner = { clubId, lifterId: row.lifterId };
      return (await keepOnce(manager, LoggedHold, row, { owner, same: SAME_HOLD, what: 'log entry' })).stored;
    });
    this.#changes.next(kept);
    return kept;
  }

  /** Takes an entry of the club back; repeated it changes nothing. Returns its session. */
  async undo(kind: EntryKind, clubId: string, id: string, by: string, at: Date): Promise<string> {
    const entry = await this.log.undo(kind, clubId, id, by, at);
    if (!entry) throw notFound('log entry');
    this.#changes.next(entry);
    return entry.sessionId;
  }

  /**
   * Corrects an entry and keeps what it was beside it. Sent again under its id it changes nothing.
   * @param change says what becomes of the entry as it stands, or refuses.
   */
  async correct(
    kind: EntryKind,
    clubId: string,
    entryId: string,
    correction: Pick<LogCorrection, 'id' | 'correctedBy' | 'correctedAt'>,
    sent: Readonly<Record<string, unknown>>,
    change: (entry: LoggedSet | LoggedHold) => Partial<LoggedSet & LoggedHold>,
  ): Promise<LoggedSet | LoggedHold> {
    const corrected = await this.db.transaction(async (manager) => {
      const entry = await this.log[kind](clubId, entryId, manager);
      if (!entry) throw notFound('log entry');
      const earlier = await manager.findOneBy(LogCorrection, { id: correction.id });
      if (earlier) {
        if (earlier.entryId !== entryId || earlier.clubId !== clubId) throw notFound('correction');
        if (!alike<Record<string, unknown>>(earlier.sent ?? earlier.after, sent))
          throw differsFromKept('correction');
        return entry;
      }
      const wanted = change(entry);
      const fields = (Object.keys(wanted) as (keyof typeof wanted)[]).filter(
        (field) => !alike<Partial<LoggedSet & LoggedHold>>({ ...entry } as typeof wanted, wanted, [field]),
      );
      const pick = (from: object): Record<string, unknown> =>
        Object.fromEntries(fields.map((field) => [field, (from as Record<string, unknown>)[field]]));
      const row: LogCorrection = {
        ...correction,
        ...{ entryId, clubId, lifterId: entry.lifterId, before: pick(entry), after: pick(wanted), sent },
      };
      if (!(await insertNew(manager, LogCorrection, row))) throw notFound('correction');
      if (fields.length === 0) return entry;
      return manager.save(Object.assign(entry, pick(wanted)));
    });
    this.#changes.next(corrected);
    return corrected;
  }

  /** A page of the lifter's log, the latest first, with the sessions and corrections of its entries. */
  async page(
    lifterId: string,
    filter: LogFilter,
    before: PageKey | null,
    limit: number,
  ): Promise<{
    rows: LogRow[];
    sessions: Map<string, TrainingSession>;
    corrections: Map<string, CorrectionView[]>;
    /** Of those who undid an entry. */
    names: Names;
  }> {
    const rows = await this.log.page(lifterId, filter, before, limit);
    const [sessions, corrected] = await Promise.all([
      this.training.byIds(rows.map((row) => row.session_id)),
      this.log.corrections(rows.map((row) => row.id)),
    ]);
    const told = corrected.filter((each) => Object.keys(each.before).length > 0);
    const names = await this.accounts.names([
      ...told.map((each) => each.correctedBy),
      ...rows.map((row) => row.undone_by),
    ]);
    const view = ({ correctedBy, correctedAt, before }: LogCorrection): CorrectionView => ({
      by: correctedBy && (names.get(correctedBy) ?? null),
      ...{ at: correctedAt.toISOString(), before },
    });
    const corrections = rollup(
      told,
      (own) => own.map(view),
      (each) => each.entryId,
    );
    return { rows, sessions, corrections, names };
  }

  countedSets(lifterId: string, since: string): ReturnType<LogRepository['countedSets']> {
    return this.log.countedSets(lifterId, since);
  }

  mixedSince(lifterId: string, from: string): Promise<{ sets: LoggedSet[]; holds: LoggedHold[] }> {
    return this.log.mixedSince(lifterId, from);
  }

  setsSince(lifterIds: readonly string[], from: string): Promise<LoggedSet[]> {
    return this.log.setsSince(lifterIds, from);
  }

  /** The sets of these that were hooked in the bare hands, of a lift that is known. */
  hookedSince(lifterIds: readonly string[], from: string): Promise<LoggedSet[]> {
    return this.log.hookedSince(lifterIds, from);
  }

  holdsSince(lifterIds: readonly string[], from: string): Promise<LoggedHold[]> {
    return this.log.holdsSince(lifterIds, from);
  }

  latestHolds(lifterId: string, kind: HoldKindId, without: string | null, most = 24): Promise<LoggedHold[]> {
    return this.log.latestHolds(lifterId, kind, without, most);
  }

  holdsOf(sessionIds: readonly string[]): Promise<LoggedHold[]> {
    return this.log.holdsOf(sessionIds);
  }

  setsOf(sessionIds: readonly string[]): Promise<LoggedSet[]> {
    return this.log.setsOf(sessionIds);
  }

  started(sessionIds: readonly string[], manager?: EntityManager): Promise<Set<string>> {
    return this.log.started(sessionIds, manager);
  }

  held(sessionIds: readonly string[], manager: EntityManager): Promise<Set<string>> {
    return this.log.held(sessionIds, manager);
  }

  holdCounts(sessionIds: readonly string[]): Promise<Map<string, number>> {
    return this.log.holdCounts(sessionIds);
  }

  bareFortnights(lifterIds: readonly string[], today: string): ReturnType<LogFigures['bareFortnights']> {
    return this.figures.bareFortnights(lifterIds, today);
  }

  chalkedSince(bars: Parameters<LogFigures['chalkedSince']>[0]): Promise<Map<string, number>> {
    return this.figures.chalkedSince(bars);
  }

  heavierPull(...asked: Parameters<LogRepository['heavierPull']>): ReturnType<LogRepository['heavierPull']> {
    return this.log.heavierPull(...asked);
  }

  mixedArms(clubId: string, since: string): ReturnType<LogFigures['mixedArms']> {
    return this.figures.mixedArms(clubId, since);
  }

  strappedMonths(clubId: string, since: string): ReturnType<LogFigures['strappedMonths']> {
    return this.figures.strappedMonths(clubId, since);
  }

  strappedShares(spells: Parameters<LogFigures['strappedShares']>[0]): Promise<(number | null)[]> {
    return this.figures.strappedShares(spells);
  }

  busiest(clubId: string, since: string): Promise<string[]> {
    return this.figures.busiest(clubId, since);
  }

  /** Tells that logs were changed otherwise than entry by entry, as an import does. */
  changedOf(clubId: string, lifterIds: Iterable<string>): void {
    for (const lifterId of new Set(lifterIds)) this.#changes.next({ clubId, lifterId });
  }

  async addMany(
    manager: EntityManager,
    sets: readonly LoggedSet[],
    holds: readonly LoggedHold[],
  ): Promise<void> {
    await insertMany(manager, LoggedSet, sets);
    await insertMany(manager, LoggedHold, holds);
  }
}

/** Another device was faster with the same set: both are shown, a person chooses. */
export class LoggedAlready extends Problem {
  readonly entry: LoggedSet;

  constructor(entry: LoggedSet) {
    super(
      409,
      'set-logged-already',
      'This set is already logged from another device. Look at both and keep one.',
    );
    this.entry = entry;
  }
}
