import { Injectable } from '@nestjs/common';
import type { ChalkKind, Grip, HoldEnding, HoldKindId, Side, SlipSign } from '@iron-clasp/core';
import { DataSource, type EntityManager, In, IsNull, MoreThan } from 'typeorm';
import { readMany } from '../../platform/database/read-many.ts';
import type { PageKey } from '../../platform/http/paging.ts';
import { together, togetherOrWithin } from '../../platform/database/together.ts';
import { LogCorrection, LoggedHold, LoggedSet } from './log.entity.ts';
import { NOT_GRIPPED } from './not-gripped.ts';

/** A logged set as the clasp curve reads it; sets of one session that are alike in all of it come as one row. */
export type CountedSet = Pick<
  LoggedSet,
  | 'sessionId'
  | 'liftId'
  | 'load'
  | 'reps'
  | 'style'
  | 'seconds'
  | 'grip'
  | 'chalk'
  | 'diameter'
  | 'slippedAtRep'
  | 'trainingDay'
> & { readonly times: number };

/** What of the log is wanted. */
export interface LogFilter {
  readonly kind?: 'set' | 'hold';
  readonly liftId?: string;
  readonly grip?: Grip | 'straps';
  readonly slipped?: boolean;
  /** Those that were undone, in place of those that stand. */
  readonly undone?: boolean;
}

/** One entry as the log lists it. */
export interface LogRow {
  readonly id: string;
  readonly kind: 'set' | 'hold';
  readonly session_id: string;
  readonly done_at: Date;
  readonly undone_at: Date | null;
  readonly undone_by: string | null;
  readonly lift_id: string;
  readonly hold_kind: HoldKindId | null;
  readonly role: LoggedSet['role'] | null;
  readonly load: number;
  readonly reps: number | null;
  readonly seconds: number | null;
  readonly target: number | null;
  readonly grip: Grip;
  readonly side_under: Side | null;
  readonly strapped: boolean;
  readonly chalk: ChalkKind;
  readonly slipped_at_rep: number | null;
  readonly ended: HoldEnding | null;
  readonly pain: number | null;
  readonly confidence: number | null;
  readonly cause: string | null;
  readonly signs: SlipSign[];
  readonly note: string | null;
}

const ownerOf = (row: { readonly lifterId: string }): string => row.lifterId;

/** Bare mixed grip whose side is known. */
const MIXED = `lifter_id = ANY($1) AND training_day >= $2 AND grip = 'mixed' AND side_under IS NOT NULL AND undone_at IS NULL`;

@Injectable()
export class LogRepository {
  constructor(private readonly db: DataSource) {}

  private readonly versions = together(
    (lifterIds) =>
      this.db.query<{ id: string; version: string }[]>(
        'SELECT lifter_id AS id, version FROM log_version WHERE lifter_id = ANY($1)',
        [lifterIds],
      ),
    (row) => row.id,
  );

  async versionOf(lifterId: string): Promise<string> {
    const [row] = await this.versions([lifterId]);
    return row?.version ?? '0';
  }

  /**
   * Bare-handed sets since a day, alike ones counted. In one order whatever the database reads first: a curve is known again by
   * its rows in their order, and would be fitted anew.
   */
  async countedSets(lifterId: string, since: string): Promise<CountedSet[]> {
    return this.db.query(
      `SELECT session_id AS "sessionId", lift_id AS "liftId", load, reps, style, seconds, grip, chalk, diameter, sweat,
              slipped_at_rep AS "slippedAtRep", training_day::text AS "trainingDay", count(*)::int AS times
         FROM logged_set
        WHERE lifter_id = $1 AND training_day > $2 AND undone_at IS NULL AND NOT strapped AND lift_id <> ALL ($3)
        GROUP BY session_id, lift_id, load, reps, style, seconds, grip, chalk, diameter, sweat, slipped_at_rep, training_day
        ORDER BY training_day, session_id, lift_id, load, reps, style, seconds, grip, chalk, diameter, sweat, slipped_at_rep`,
      [lifterId, since, NOT_GRIPPED],
    );
  }

  /** The lifter's bare mixed-grip sets and holds since a day whose side is known. */
  async mixedSince(lifterId: string, from: string): Promise<{ sets: LoggedSet[]; holds: LoggedHold[] }> {
    const [sets, holds] = await Promise.all([
      this.mixedSets([lifterId], from),
      this.mixedHolds([lifterId], from),
    ]);
    return { sets, holds };
  }
  private readonly mixedSets = together(
    (lifterIds, from) =>
      readMany(this.db, LoggedSet, `${MIXED} AND NOT strapped ORDER BY done_at, id`, [lifterIds, from]),
    ownerOf,
  );
  private readonly mixedHolds = together(
    (lifterIds, from) => readMany(this.db, LoggedHold, `${MIXED} ORDER BY done_at, id`, [lifterIds, from]),
    ownerOf,
  );

  /** The lifter's sets since a day, that day included, in order. */
  readonly setsSince = together(
    (lifterIds, from) =>
      readMany(
        this.db,
        LoggedSet,
        'lifter_id = ANY($1) AND training_day >= $2 AND undone_at IS NULL ORDER BY done_at, id',
        [lifterIds, from],
      ),
    ownerOf,
  );

  hookedSince(lifterIds: readonly string[], from: string): Promise<LoggedSet[]> {
    return readMany(
      this.db,
      LoggedSet,
      `lifter_id = ANY($1) AND training_day >= $2 AND undone_at IS NULL
       AND grip = 'hook' AND NOT strapped AND lift_id <> '' ORDER BY done_at, id`,
      [lifterIds, from],
    );
  }

  /** The lifter's holds since a day, that day included, in order. */
  readonly holdsSince = together(
    (lifterIds, from) =>
      readMany(
        this.db,
        LoggedHold,
        'lifter_id = ANY($1) AND training_day >= $2 AND undone_at IS NULL ORDER BY done_at, place, id',
        [lifterIds, from],
      ),
    ownerOf,
  );

  /** The latest holds of a kind, without those of the session named. */
  async latestHolds(
    lifterId: string,
    kind: HoldKindId,
    without: string | null,
    most: number,
  ): Promise<LoggedHold[]> {
    const query = this.db
      .getRepository(LoggedHold)
      .createQueryBuilder('entry')
      .where('entry.lifterId = :lifterId AND entry.kind = :kind', { lifterId, kind })
      .andWhere('entry.undoneAt IS NULL')
      .orderBy('entry.trainingDay', 'DESC')
      .addOrderBy('entry.sessionId')
      .addOrderBy('entry.place')
      .addOrderBy('entry.doneAt')
      .limit(most);
    if (without) query.andWhere('entry.sessionId <> :without', { without });
    return query.getMany();
  }

  readonly holdsOf = togetherOrWithin(
    () => this.db,
    (sessionIds, manager) =>
      manager.find(LoggedHold, {
        where: { sessionId: In([...sessionIds]), undoneAt: IsNull() },
        order: { place: 'ASC', doneAt: 'ASC' },
      }),
    (hold) => hold.sessionId,
  );

  readonly setsOf = together(
    (sessionIds) =>
      this.db.getRepository(LoggedSet).find({
        where: { sessionId: In([...sessionIds]), undoneAt: IsNull() },
        order: { doneAt: 'ASC', id: 'ASC' },
      }),
    (set: LoggedSet) => set.sessionId,
  );

  /** Place of the next hold of a session: behind all that were ever logged in it. */
  async nextPlace(manager: EntityManager, sessionId: string): Promise<number> {
    const last = await manager.maximum(LoggedHold, 'place', { sessionId, undoneAt: IsNull() });
    return last === null ? 0 : last + 1;
  }

  /** Those of the sessions of which anything is logged, undone entries too. */
  async started(
    sessionIds: readonly string[],
    manager: EntityManager = this.db.manager,
  ): Promise<Set<string>> {
    const rows: { id: string }[] = await manager.query(
      `SELECT session_id AS id FROM logged_set WHERE session_id = ANY($1)
        UNION SELECT session_id FROM logged_hold WHERE session_id = ANY($1)`,
      [sessionIds],
    );
    return new Set(rows.map((row) => row.id));
  }

  /** Those of the sessions in which a hold is logged, undone ones too. */
  async held(sessionIds: readonly string[], manager: EntityManager): Promise<Set<string>> {
    const rows: { id: string }[] = await manager.query(
      'SELECT DISTINCT session_id AS id FROM logged_hold WHERE session_id = ANY($1)',
      [sessionIds],
    );
    return new Set(rows.map((row) => row.id));
  }

  /** Holds logged in each of the sessions. */
  async holdCounts(sessionIds: readonly string[]): Promise<Map<string, number>> {
    const rows: { id: string; n: number }[] = await this.db.query(
      `SELECT session_id AS id, count(*)::int AS n FROM logged_hold
        WHERE session_id = ANY($1) AND undone_at IS NULL GROUP BY 1`,
      [sessionIds],
    );
    return new Map(rows.map((row) => [row.id, row.n]));
  }

  /** The live entry for a planned set, whoever logged it. */
  ofPlannedSet(manager: EntityManager, plannedSetId: string): Promise<LoggedSet | null> {
    return manager.findOneBy(LoggedSet, { plannedSetId, undoneAt: IsNull() });
  }

  /** An entry of the club that is not taken back, held still until the transaction ends. */
  set(clubId: string, id: string, manager: EntityManager): Promise<LoggedSet | null> {
    return manager.findOne(LoggedSet, {
      where: { id, clubId, undoneAt: IsNull() },
      lock: { mode: 'pessimistic_write' },
    });
  }

  hold(clubId: string, id: string, manager: EntityManager): Promise<LoggedHold | null> {
    return manager.findOne(LoggedHold, {
      where: { id, clubId, undoneAt: IsNull() },
      lock: { mode: 'pessimistic_write' },
    });
  }

  /** Whose an entry is. */
  async ownerOf(kind: 'set' | 'hold', id: string): Promise<string | null> {
    const found =
      kind === 'set'
        ? await this.db.getRepository(LoggedSet).findOneBy({ id })
        : await this.db.getRepository(LoggedHold).findOneBy({ id });
    return found?.lifterId ?? null;
  }

  /** Takes an entry of the club back; null where there is none. Repeated it changes nothing. */
  async undo(
    kind: 'set' | 'hold',
    clubId: string,
    id: string,
    by: string,
    at: Date,
  ): Promise<LoggedSet | LoggedHold | null> {
    const { manager } = this.db;
    const entity = kind === 'set' ? LoggedSet : LoggedHold;
    await manager.update<LoggedSet | LoggedHold>(
      entity,
      { id, clubId, undoneAt: IsNull() },
      { undoneAt: at, undoneBy: by },
    );
    return manager.findOneBy<LoggedSet | LoggedHold>(entity, { id, clubId });
  }

  corrections(entryIds: readonly string[]): Promise<LogCorrection[]> {
    return this.db
      .getRepository(LogCorrection)
      .find({ where: { entryId: In([...entryIds]) }, order: { correctedAt: 'ASC', id: 'ASC' } });
  }

  /** The heaviest pull of these lifts that held, above a load; null where there is none. */
  async heavierPull(
    lifterId: string,
    liftIds: readonly string[],
    above: number,
  ): Promise<Pick<LoggedSet, 'load' | 'trainingDay' | 'grip' | 'strapped'> | null> {
    return this.db.getRepository(LoggedSet).findOne({
      where: {
        ...{ lifterId, undoneAt: IsNull(), slippedAtRep: IsNull() },
        ...{ liftId: In([...liftIds]), load: MoreThan(above) },
      },
      order: { load: 'DESC', trainingDay: 'DESC' },
    });
  }

  /** A page of the lifter's log, the latest first. */
  async page(lifterId: string, filter: LogFilter, before: PageKey | null, limit: number): Promise<LogRow[]> {
    const args = [
      lifterId,
      before?.value ?? null,
      before?.id ?? null,
      filter.liftId ?? null,
      filter.grip ?? null,
      filter.slipped ?? false,
      limit,
      NOT_GRIPPED,
    ];
    const common = `e.undone_at, e.undone_by, e.id, e.session_id, e.done_at, e.lift_id, e.load, e.grip, e.side_under, e.chalk, e.pain, e.confidence, e.cause, e.signs, e.note`;
    const where = `e.lifter_id = $1 AND e.undone_at IS ${filter.undone ? 'NOT ' : ''}NULL AND ($2::timestamptz IS NULL OR (e.done_at, e.id) < ($2, $3::uuid))`;
    const sets = `SELECT 'set' AS kind, ${common}, NULL::text AS hold_kind, e.role, e.reps, e.seconds, NULL::float AS target, e.strapped, e.slipped_at_rep, NULL AS ended
        FROM logged_set e WHERE ${where} AND ($4::text IS NULL OR e.lift_id = $4)
         AND ($5::text IS NULL OR (e.grip = $5 AND NOT e.strapped AND e.lift_id <> ALL($8)) OR ($5 = 'straps' AND e.strapped)) AND (NOT $6 OR e.slipped_at_rep IS NOT NULL)
       ORDER BY e.done_at DESC, e.id DESC LIMIT $7`;
    const holds = `SELECT 'hold' AS kind, ${common}, e.kind AS hold_kind, NULL AS role, NULL::int AS reps, e.seconds, e.target, false AS strapped, NULL::int AS slipped_at_rep, e.ended
        FROM logged_hold e WHERE ${where} AND $4::text IS NULL AND ($5::text IS NULL OR e.grip = $5) AND (NOT $6 OR e.ended = 'slipped')
       ORDER BY e.done_at DESC, e.id DESC LIMIT $7`;
    const parts = filter.kind === 'hold' ? [holds] : filter.kind === 'set' ? [sets] : [sets, holds];
    // Holds alone ask nothing of lifts.
    if (filter.kind === 'hold') args.pop();
    return this.db.query(
      `SELECT x.* FROM (${parts.map((part) => `(${part})`).join(' UNION ALL ')}) x ORDER BY x.done_at DESC, x.id DESC LIMIT $7`,
      args,
    );
  }
}
