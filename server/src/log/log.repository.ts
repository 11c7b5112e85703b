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
import { findLift, LIFTS, observeSet, setDemand } from '@iron-clasp/core';
import { DataSource, IsNull } from 'typeorm';
import { LoggedHold, LoggedSet } from './log.entity.ts';

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

/** Lifts that do not hang from the hands say nothing about them. */
const NOT_GRIPPED = LIFTS.filter((lift) => !lift.grips).map((lift) => lift.id);

@Injectable()
export class LogRepository {
  constructor(private readonly db: DataSource) {}

  /** Every bare-handed hold and set of the lifter's recent log, as the clasp curve takes them. */
  async observations(lifterId: string, today: string): Promise<LoggedObservation[]> {
    const age = `greatest(0, $2::date - done_at::date)::int AS age`;
    const recent = `lifter_id = $1 AND undone_at IS NULL AND done_at > $2::date - ${MEMORY_DAYS}`;
    const [holds, sets]: [HoldRow[], SetRow[]] = await Promise.all([
      this.db.query(
        `SELECT session_id, load, seconds, ended, grip, chalk, diameter, place, ${age} FROM logged_hold WHERE ${recent}`,
        [lifterId, today],
      ),
      this.db.query(
        `SELECT session_id, lift_id, load, reps, style, seconds, grip, chalk, diameter, slipped_at_rep, ${age}, count(*)::int AS times
           FROM logged_set WHERE ${recent} AND NOT strapped AND lift_id <> ALL ($3)
          GROUP BY session_id, lift_id, load, reps, style, seconds, grip, chalk, diameter, slipped_at_rep, age`,
        [lifterId, today, NOT_GRIPPED],
      ),
    ]);
    return [...holds.map(fromHold), ...sets.flatMap(fromSet)];
  }

  /** Earlier sessions of the front rack hold, the latest first, without the one named. */
  async holdHistory(lifterId: string, without: string | null): Promise<HoldSession[]> {
    const rows: {
      session_id: string;
      load: number;
      grip: Grip;
      target: number;
      seconds: number;
      ended: Ending;
    }[] = await this.db.query(
      `SELECT h.session_id, h.load, h.grip, h.target, h.seconds, h.ended FROM logged_hold h JOIN training_session t ON t.id = h.session_id
        WHERE h.lifter_id = $1 AND h.kind = 'frontRackHold' AND h.undone_at IS NULL AND h.session_id IS DISTINCT FROM $2
        ORDER BY t.held_on DESC, h.session_id, h.place, h.done_at LIMIT 24`,
      [lifterId, without],
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

  async keepSet(row: LoggedSet): Promise<LoggedSet> {
    await this.db.getRepository(LoggedSet).createQueryBuilder().insert().values(row).orIgnore().execute();
    return this.db.getRepository(LoggedSet).findOneByOrFail({ id: row.id });
  }

  /** Hides a log row of the club; true where it is there (hidden now or before). */
  async undo(table: 'logged_hold' | 'logged_set', clubId: string, id: string, now: Date): Promise<boolean> {
    const [, count]: [unknown, number] = await this.db.query(
      `UPDATE ${table} SET undone_at = coalesce(undone_at, $3)
        WHERE id = $2 AND lifter_id IN (SELECT id FROM lifter WHERE club_id = $1)`,
      [clubId, id, now],
    );
    return count === 1;
  }
}

function fromHold(row: HoldRow): LoggedObservation {
  const { load, seconds, ended, grip, chalk, diameter, place, age } = row;
  return {
    load,
    seconds,
    ended,
    grip,
    chalk,
    diameter,
    earlierHolds: place,
    ageDays: age,
    source: 'hold',
    sessionId: row.session_id,
  };
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
