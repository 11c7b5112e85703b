import { Injectable } from '@nestjs/common';
import type {
  ChalkKind,
  DoneSet,
  Ending,
  Grip,
  HoldObservation,
  HoldSession,
  MixedSet,
  Side,
} from '@iron-clasp/core';
import { findLift, HOLD_KINDS, observeSet, setDemand, type HoldKindId, holdLift } from '@iron-clasp/core';
import { DataSource, IsNull, Not } from 'typeorm';
import type { CorrectionView } from '@iron-clasp/contract';
import { NOT_GRIPPED } from './bare-fortnights.ts';
import { insertNew } from '../database/insert-new.ts';
import type { PageKey } from '../http/paging.ts';
import { LogCorrection, LoggedHold, LoggedSet } from './log.entity.ts';

/** An observation with where it came from. */
export type LoggedObservation = HoldObservation & {
  readonly source: 'hold' | 'set';
  readonly sessionId: string;
  readonly ageDays: number;
};

interface HoldRow {
  readonly session_id: string;
  readonly load: number;
  readonly seconds: number;
  readonly ended: Ending;
  readonly grip: Grip;
  readonly chalk: ChalkKind;
  readonly diameter: number;
  readonly place: number;
  readonly age: number;
  readonly kind: HoldKindId;
  /** kg; null where nobody has said. */
  readonly body_mass: number | null;
}

interface SetRow {
  readonly session_id: string;
  readonly lift_id: string;
  readonly load: number;
  readonly reps: number;
  readonly style: DoneSet['style'];
  readonly seconds: number | null;
  readonly grip: Grip;
  readonly chalk: ChalkKind;
  readonly diameter: number;
  readonly slipped_at_rep: number | null;
  readonly age: number;
  /** Sets of one session that are alike in all of this come as one row. */
  readonly times: number;
}

/** Logs further back than this weigh under a twentieth and are left out of the fit, days. */
const MEMORY_DAYS = 200;

/** Holds of which the thumb is half: they are no part of the support curve. */
const PINCHED: readonly HoldKindId[] = HOLD_KINDS.filter((kind) => holdLift(kind).curve === 'pinch');

/** What of the log is wanted. */
export interface LogFilter {
  readonly kind?: 'set' | 'hold';
  readonly liftId?: string;
  readonly grip?: Grip | 'straps';
  readonly slipped?: boolean;
}

/** One entry as the log lists it. */
export interface LogRow {
  readonly id: string;
  readonly kind: 'set' | 'hold';
  readonly session_id: string;
  readonly done_at: Date;
  readonly day: string;
  readonly title: string;
  readonly note_to_lifter: string | null;
  readonly lift_id: string | null;
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
  readonly ended: Ending | null;
  readonly pain: number | null;
  readonly confidence: number | null;
  readonly cause: string | null;
  readonly note: string | null;
  readonly corrections: readonly CorrectionView[];
}

@Injectable()
export class LogRepository {
  constructor(private readonly db: DataSource) {}

  /** Every bare-handed hold and set of the lifter's recent log, as the clasp curve takes them. */
  async observations(lifterId: string, today: string, memory = MEMORY_DAYS): Promise<LoggedObservation[]> {
    const age = `greatest(0, $2::date - done_at::date)::int AS age`;
    const recent = `lifter_id = $1 AND undone_at IS NULL AND done_at > $2::date - ${Math.round(memory)}`;
    const [holds, sets]: [HoldRow[], SetRow[]] = await Promise.all([
      this.db.query(
        `SELECT session_id, load, seconds, ended, grip, chalk, diameter, place, kind, ${age},
                (SELECT body_mass FROM lifter WHERE id = $1) AS body_mass
           FROM logged_hold WHERE ${recent} AND kind <> ALL ($3)`,
        [lifterId, today, PINCHED],
      ),
      this.db.query(
        `SELECT session_id, lift_id, load, reps, style, seconds, grip, chalk, diameter, slipped_at_rep, ${age}, count(*)::int AS times
           FROM logged_set WHERE ${recent} AND NOT strapped AND lift_id <> ALL ($3)
          GROUP BY session_id, lift_id, load, reps, style, seconds, grip, chalk, diameter, slipped_at_rep, age`,
        [lifterId, today, NOT_GRIPPED],
      ),
    ]);
    return [...holds.flatMap(fromHold), ...sets.flatMap(fromSet)];
  }

  /** Every plate pinch and hex hold of the recent log: they have a curve of their own. */
  async pinchObservations(lifterId: string, today: string): Promise<LoggedObservation[]> {
    const rows: HoldRow[] = await this.db.query(
      `SELECT session_id, load, seconds, ended, grip, chalk, diameter, place, kind,
              greatest(0, $2::date - done_at::date)::int AS age, NULL::float AS body_mass
         FROM logged_hold WHERE lifter_id = $1 AND undone_at IS NULL AND done_at > $2::date - ${MEMORY_DAYS} AND kind = ANY ($3)`,
      [lifterId, today, PINCHED],
    );
    return rows.flatMap(fromHold);
  }

  /** Earlier sessions of a hold, the latest first, without the one named. */
  async holdHistory(lifterId: string, kind: HoldKindId, without: string | null): Promise<HoldSession[]> {
    const rows: {
      session_id: string;
      load: number;
      grip: Grip;
      target: number;
      seconds: number;
      ended: Ending;
    }[] = await this.db.query(
      `SELECT h.session_id, h.load, h.grip, h.target, h.seconds, h.ended FROM logged_hold h JOIN training_session t ON t.id = h.session_id
        WHERE h.lifter_id = $1 AND h.kind = $3 AND h.undone_at IS NULL AND h.session_id IS DISTINCT FROM $2
        ORDER BY t.held_on DESC, h.session_id, h.place, h.done_at LIMIT 24`,
      [lifterId, without, kind],
    );
    const sessions = new Map<
      string,
      { load: number; grip: Grip; target: number; sets: { seconds: number; ended: Ending }[] }
    >();
    for (const { session_id, load, grip, target, seconds, ended } of rows) {
      const session = sessions.get(session_id) ?? { load, grip, target, sets: [] };
      session.sets.push({ seconds, ended });
      sessions.set(session_id, { ...session, load: Math.max(session.load, load) });
    }
    return [...sessions.values()];
  }

  /** Mixed-grip sets of the recent log, for the ledger. */
  async mixedSets(lifterId: string, today: string): Promise<MixedSet[]> {
    const rows: {
      lift_id: string;
      side_under: Side;
      reps: number;
      load: number;
      style: DoneSet['style'];
      seconds: number | null;
    }[] = await this.db.query(
      `SELECT lift_id, side_under, reps, load, style, seconds FROM logged_set
        WHERE lifter_id = $1 AND grip = 'mixed' AND NOT strapped AND side_under IS NOT NULL AND undone_at IS NULL AND done_at > $2::date - ${MEMORY_DAYS}`,
      [lifterId, today],
    );
    return rows.map(({ lift_id, side_under, style, seconds, reps, load }) => ({
      sideUnder: side_under,
      reps,
      load,
      seconds: setDemand({ lift: lift_id, reps, load, ...(style && { style }), ...(seconds && { seconds }) })
        .seconds,
    }));
  }

  /** Bare grips that slipped in the session, with what lay on the hands, kg. */
  async slipsOf(sessionId: string): Promise<{ grip: Grip; load: number }[]> {
    const sets = await this.db.getRepository(LoggedSet).find({
      where: { sessionId, strapped: false, undoneAt: IsNull(), slippedAtRep: Not(IsNull()) },
    });
    return sets.map(({ liftId, reps, load, grip, seconds, style }) => ({
      grip,
      load: setDemand({ lift: liftId, reps, load, style, ...(seconds && { seconds }) }).load,
    }));
  }

  async holdsOf(sessionId: string): Promise<LoggedHold[]> {
    return this.db
      .getRepository(LoggedHold)
      .find({ where: { sessionId, undoneAt: IsNull() }, order: { place: 'ASC', doneAt: 'ASC' } });
  }

  async setsOf(sessionId: string): Promise<LoggedSet[]> {
    return this.db
      .getRepository(LoggedSet)
      .find({ where: { sessionId, undoneAt: IsNull() }, order: { doneAt: 'ASC' } });
  }

  /** Writes the row unless its id is there already; returns what is stored under the id. */
  async keepHold(row: LoggedHold): Promise<LoggedHold> {
    await this.db.getRepository(LoggedHold).createQueryBuilder().insert().values(row).orIgnore().execute();
    return this.db.getRepository(LoggedHold).findOneByOrFail({ id: row.id });
  }

  /**
   * Writes the row unless its id is there already; returns what is stored under the id, else the entry that another device
   * logged for the same planned set.
   */
  async keepSet(row: LoggedSet): Promise<LoggedSet> {
    const rows = this.db.getRepository(LoggedSet);
    await rows.createQueryBuilder().insert().values(row).orIgnore().execute();
    const stored = await rows.findOneBy({ id: row.id });
    return stored ?? rows.findOneByOrFail({ plannedSetId: row.plannedSetId!, undoneAt: IsNull() });
  }

  /** A live entry of the club, of either kind. */
  async entry(
    table: 'logged_hold' | 'logged_set',
    clubId: string,
    id: string,
  ): Promise<LoggedHold | LoggedSet | null> {
    const own = `lifter_id IN (SELECT id FROM lifter WHERE club_id = :clubId)`;
    const entity = table === 'logged_hold' ? LoggedHold : LoggedSet;
    return this.db
      .getRepository<LoggedHold | LoggedSet>(entity)
      .createQueryBuilder('entry')
      .where(`entry.id = :id AND entry.undoneAt IS NULL AND ${own}`, { id, clubId })
      .getOne();
  }

  /** Corrects an entry and keeps what it was; the same correction again changes nothing. */
  async correct(
    table: 'logged_hold' | 'logged_set',
    correction: LogCorrection,
    change: Partial<LoggedHold & LoggedSet>,
  ): Promise<void> {
    const entity = table === 'logged_hold' ? LoggedHold : LoggedSet;
    await this.db.transaction(async (manager) => {
      if (!(await insertNew(manager, LogCorrection, correction))) return;
      await manager.update<LoggedHold | LoggedSet>(entity, { id: correction.entryId }, change);
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
    const common = `e.id, e.session_id, e.done_at, e.load, e.grip, e.side_under, e.chalk, e.pain, e.confidence, e.cause, e.note`;
    const where = `e.lifter_id = $1 AND e.undone_at IS NULL AND ($2::timestamptz IS NULL OR (e.done_at, e.id) < ($2, $3::uuid))`;
    const sets = `SELECT 'set' AS kind, ${common}, e.lift_id, NULL::text AS hold_kind, e.role, e.reps, e.seconds, NULL::float AS target, e.strapped, e.slipped_at_rep, NULL AS ended
        FROM logged_set e WHERE ${where} AND ($4::text IS NULL OR e.lift_id = $4)
         AND ($5::text IS NULL OR (e.grip = $5 AND NOT e.strapped AND e.lift_id <> ALL($8)) OR ($5 = 'straps' AND e.strapped)) AND (NOT $6 OR e.slipped_at_rep IS NOT NULL)
       ORDER BY e.done_at DESC, e.id DESC LIMIT $7`;
    const holds = `SELECT 'hold' AS kind, ${common}, NULL AS lift_id, e.kind AS hold_kind, NULL AS role, NULL::int AS reps, e.seconds, e.target, false AS strapped, NULL::int AS slipped_at_rep, e.ended
        FROM logged_hold e WHERE ${where} AND $4::text IS NULL AND ($5::text IS NULL OR e.grip = $5) AND (NOT $6 OR e.ended = 'slipped')
       ORDER BY e.done_at DESC, e.id DESC LIMIT $7`;
    const parts = filter.kind === 'hold' ? [holds] : filter.kind === 'set' ? [sets] : [sets, holds];
    // Holds alone ask nothing of lifts.
    if (filter.kind === 'hold') args.pop();
    return this.db.query(
      `SELECT x.*, t.held_on::text AS day, t.title, t.note_to_lifter,
              coalesce((SELECT json_agg(json_build_object('by', a.name, 'at', c.corrected_at, 'before', c.before) ORDER BY c.corrected_at)
                          FROM log_correction c LEFT JOIN account a ON a.id = c.corrected_by WHERE c.entry_id = x.id), '[]') AS corrections
         FROM (${parts.map((part) => `(${part})`).join(' UNION ALL ')}) x JOIN training_session t ON t.id = x.session_id
        ORDER BY x.done_at DESC, x.id DESC LIMIT $7`,
      args,
    );
  }

  /** Hides a log row of the club; its session where it is there (hidden now or before). */
  async undo(
    table: 'logged_hold' | 'logged_set',
    clubId: string,
    id: string,
    now: Date,
  ): Promise<string | null> {
    const [rows]: [{ session_id: string }[], number] = await this.db.query(
      `UPDATE ${table} SET undone_at = coalesce(undone_at, $3)
        WHERE id = $2 AND lifter_id IN (SELECT id FROM lifter WHERE club_id = $1) RETURNING session_id`,
      [clubId, id, now],
    );
    return rows[0]?.session_id ?? null;
  }
}

function fromHold(row: HoldRow): LoggedObservation[] {
  const { seconds, ended, grip, chalk, diameter, place, age } = row;
  const lift = holdLift(row.kind);
  // A hang says something only where it is known what hangs.
  if (lift.loadMeans === 'addedToBody' && row.body_mass === null) return [];
  const { load } = setDemand({
    lift,
    reps: 1,
    seconds,
    load: row.load,
    ...(row.body_mass !== null && { bodyMass: row.body_mass }),
  });
  return [
    {
      load,
      seconds,
      ended,
      grip,
      chalk,
      diameter: lift.diameter ?? diameter,
      position: lift.position,
      earlierHolds: place,
      ageDays: age,
      source: 'hold',
      sessionId: row.session_id,
    },
  ];
}

function fromSet(row: SetRow): LoggedObservation[] {
  const done: { -readonly [Key in keyof DoneSet]: DoneSet[Key] } = {
    lift: row.lift_id,
    load: row.load,
    reps: row.reps,
    grip: row.grip,
    strapped: false,
    chalk: row.chalk,
    // The row holds the venue's bar; a handle or axle is as thick as the lift says.
    diameter: findLift(row.lift_id)?.diameter ?? row.diameter,
    ageDays: row.age,
  };
  if (row.style) done.style = row.style;
  if (row.seconds !== null) done.seconds = row.seconds;
  if (row.slipped_at_rep !== null) done.slippedAtRep = row.slipped_at_rep;
  const observed = observeSet(done);
  return observed
    ? [
        Object.assign(observed, {
          times: row.times,
          ageDays: row.age,
          source: 'set' as const,
          sessionId: row.session_id,
        }),
      ]
    : [];
}
