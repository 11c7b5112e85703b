import { Injectable } from '@nestjs/common';
import { findLift, HOLD_KINDS_BY_ID, SLIP_CAUSES, type HoldKindId, holdLift } from '@iron-clasp/core';
import {
  LIMITS,
  type CorrectionRequest,
  type LogEntry,
  type LogHoldRequest,
  type LogSetRequest,
  type LogView,
} from '@iron-clasp/contract';
import { loggedSet } from '../calls/call-views.ts';
import { Clock } from '../clock.ts';
import { pageOf, readKey } from '../http/paging.ts';
import { notFound, Problem } from '../http/problem.ts';
import { takenAt } from '../http/taken-at.ts';
import type { Bar } from '../kit/kit.entity.ts';
import { KitRepository } from '../kit/kit.repository.ts';
import { TrainingRepository } from '../training/training.repository.ts';
import type { TrainingSession } from '../training/training.entity.ts';
import type { LoggedHold, LoggedSet } from './log.entity.ts';
import { LogRepository, type LogFilter, type LogRow } from './log.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';

@Injectable()
export class LogService {
  constructor(
    private readonly log: LogRepository,
    private readonly training: TrainingRepository,
    private readonly kit: KitRepository,
    private readonly lifters: LiftersService,
    private readonly clock: Clock,
  ) {}

  /** Keeps a hold; sent again with the same content it changes nothing, with other content it is refused. */
  async keepHold(
    clubId: string,
    accountId: string,
    sessionId: string,
    id: string,
    body: LogHoldRequest,
  ): Promise<void> {
    const { session, bar } = await this.session(clubId, sessionId);
    if (body.load < LIMITS.load.min && !isHang(session.holdKind)) throw nothingHeld();
    const earlier = (await this.log.holdsOf(sessionId)).filter((hold) => hold.id !== id);
    const row: LoggedHold = {
      id,
      lifterId: session.lifterId,
      sessionId,
      kind: session.holdKind,
      place: earlier.length,
      doneAt: takenAt(this.clock, body.doneAt, 'doneAt'),
      load: body.load,
      seconds: body.seconds,
      target: body.target,
      ended: body.ended,
      grip: body.grip,
      sideUnder: body.grip === 'mixed' ? (body.sideUnder ?? null) : null,
      chalk: body.chalk,
      barId: bar.id,
      diameter: bar.diameter,
      ...saidOf(body, accountId),
      undoneAt: null,
    };
    const stored = await this.log.keepHold(row);
    refuseOther(row, stored, [
      'sessionId',
      'load',
      'seconds',
      'target',
      'ended',
      'grip',
      'sideUnder',
      'chalk',
      ...SAID,
    ]);
  }

  async keepSet(
    clubId: string,
    accountId: string,
    sessionId: string,
    id: string,
    body: LogSetRequest,
  ): Promise<void> {
    const { session, bar } = await this.session(clubId, sessionId);
    const planned = (await this.training.plannedSets(sessionId)).find((set) => set.id === body.plannedSetId);
    if (!planned) throw notFound('set');
    if (body.slippedAtRep && body.slippedAtRep > body.reps) {
      throw slipAfterEnd(body.reps);
    }
    const row: LoggedSet = {
      id,
      lifterId: session.lifterId,
      sessionId,
      plannedSetId: planned.id,
      liftId: planned.liftId,
      role: planned.role,
      style: planned.style,
      seconds: planned.seconds,
      doneAt: takenAt(this.clock, body.doneAt, 'doneAt'),
      load: body.load,
      reps: body.reps,
      grip: body.grip,
      sideUnder: body.grip === 'mixed' ? (body.sideUnder ?? null) : null,
      strapped: body.strapped,
      chalk: body.chalk,
      barId: bar.id,
      diameter: bar.diameter,
      slippedAtRep: body.slippedAtRep ?? null,
      ...saidOf(body, accountId),
      undoneAt: null,
    };
    const stored = await this.log.keepSet(row);
    if (stored.id !== id) throw loggedAlready(stored);
    refuseOther(row, stored, [
      'sessionId',
      'plannedSetId',
      'load',
      'reps',
      'grip',
      'sideUnder',
      'strapped',
      'chalk',
      'slippedAtRep',
      ...SAID,
    ]);
  }

  /** Takes an entry back; returns its session, for those who follow it. */
  async undo(table: LogTable, clubId: string, id: string): Promise<string> {
    const sessionId = await this.log.undo(table, clubId, id, this.clock.now());
    if (!sessionId) throw notFound('log entry');
    return sessionId;
  }

  /** Puts an entry right later on; what it was is kept beside it. Repeated under its id it changes nothing. */
  async correct(
    table: LogTable,
    clubId: string,
    accountId: string,
    entryId: string,
    id: string,
    body: CorrectionRequest,
  ): Promise<void> {
    const entry = await this.log.entry(table, clubId, entryId);
    if (!entry) throw notFound('log entry');
    const fields = table === 'logged_hold' ? HOLD_FIELDS : SET_FIELDS;
    const sent = Object.entries(body).filter(([, value]) => value !== undefined);
    const wrong = sent.find(([field]) => !(fields as readonly string[]).includes(field))?.[0];
    if (wrong) {
      const message = `A ${table === 'logged_hold' ? 'hold' : 'set'} has no ${wrong} to correct.`;
      throw new Problem(400, 'invalid-input', message, [{ path: wrong, message }]);
    }
    const was = entry as unknown as Record<string, unknown>;
    const change = Object.fromEntries(sent.filter(([field, value]) => was[field] !== value)) as Partial<
      LoggedHold & LoggedSet
    >;
    if (Object.keys(change).length === 0) return;
    const next = { ...was, ...change } as unknown as LoggedSet;
    if (next.slippedAtRep && next.slippedAtRep > next.reps) throw slipAfterEnd(next.reps);
    const before = Object.fromEntries(Object.keys(change).map((field) => [field, was[field]]));
    const correctedAt = this.clock.now();
    await this.log.correct(
      table,
      { id, entryId, lifterId: entry.lifterId, correctedBy: accountId, correctedAt, before, after: change },
      change,
    );
  }

  /** A page of the lifter's log by day, the latest first. */
  async page(
    clubId: string,
    lifterId: string,
    filter: LogFilter,
    before: string | undefined,
  ): Promise<LogView> {
    await this.lifters.profile(clubId, lifterId);
    const rows = await this.log.page(lifterId, filter, readKey(before), LOG_PAGE + 1);
    const { items, next } = pageOf(rows, LOG_PAGE, (row) => ({
      value: row.done_at.toISOString(),
      id: row.id,
    }));
    return { entries: items.map(entryOf), next };
  }

  private async session(clubId: string, sessionId: string): Promise<{ session: TrainingSession; bar: Bar }> {
    const session = await this.training.session(clubId, sessionId);
    const kit = session && (await this.kit.kit(clubId, session.venueId, session.barId));
    if (!session || !kit) throw notFound('session');
    return { session, bar: kit.bar };
  }
}

export type LogTable = 'logged_hold' | 'logged_set';

/** Entries on one page of the log. */
const LOG_PAGE = 60;
/** What is said of a set beside its figures. */
const SAID = ['pain', 'confidence', 'cause', 'note'] as const;
const SET_FIELDS = ['load', 'reps', 'grip', 'strapped', 'slippedAtRep', 'note'] as const;
const HOLD_FIELDS = ['load', 'seconds', 'ended', 'grip', 'note'] as const;

function saidOf(
  { pain, confidence, cause, note }: LogHoldRequest | LogSetRequest,
  loggedBy: string,
): Pick<LoggedSet, 'pain' | 'confidence' | 'cause' | 'note' | 'loggedBy'> {
  if (cause !== undefined && !SLIP_CAUSES.some((each) => each.id === cause)) {
    const message = 'Choose one of the causes of the practice book.';
    throw new Problem(400, 'invalid-input', message, [{ path: 'cause', message }]);
  }
  return {
    pain: pain ?? null,
    confidence: confidence ?? null,
    cause: cause ?? null,
    note: note ?? null,
    loggedBy,
  };
}

function slipAfterEnd(reps: number): Problem {
  const message = `The slip cannot come after the last repetition (${reps}).`;
  return new Problem(400, 'invalid-input', message, [{ path: 'slippedAtRep', message }]);
}

/** Another device was faster with the same set: both are shown, a person chooses. */
function loggedAlready(other: LoggedSet): Problem {
  return new Problem(
    409,
    'set-logged-already',
    'This set is already logged from another device. Look at both and keep one.',
    undefined,
    loggedSet(other),
  );
}

function entryOf(row: LogRow): LogEntry {
  return {
    id: row.id,
    kind: row.kind,
    sessionId: row.session_id,
    doneAt: row.done_at.toISOString(),
    day: row.day,
    title: row.title,
    noteToLifter: row.note_to_lifter,
    liftName: row.hold_kind
      ? HOLD_KINDS_BY_ID[row.hold_kind].name
      : (findLift(row.lift_id!)?.name ?? row.lift_id!),
    role: row.role,
    load: row.load,
    reps: row.reps,
    seconds: row.seconds,
    target: row.target,
    gripped: row.hold_kind !== null || (findLift(row.lift_id!)?.grips ?? true),
    grip: row.grip,
    sideUnder: row.side_under,
    strapped: row.strapped,
    chalk: row.chalk,
    slippedAtRep: row.slipped_at_rep,
    ended: row.ended,
    pain: row.pain,
    confidence: row.confidence,
    cause: row.cause,
    note: row.note,
    corrections: row.corrections,
  };
}

function refuseOther<Row>(sent: Row, stored: Row, fields: readonly (keyof Row)[]): void {
  if (fields.some((field) => sent[field] !== stored[field])) {
    throw new Problem(
      409,
      'logged-differently',
      'Something else is already logged under this entry. The first entry was kept; reload to see it.',
    );
  }
}

function isHang(kind: HoldKindId): boolean {
  return holdLift(kind).loadMeans === 'addedToBody';
}

function nothingHeld(): Problem {
  const message = `Load must be a number from ${LIMITS.load.min} to ${LIMITS.load.max} kg. Check the figure and the unit.`;
  return new Problem(400, 'invalid-input', message, [{ path: 'load', message }]);
}
