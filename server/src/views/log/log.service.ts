import { Injectable } from '@nestjs/common';
import { findLift, HOLD_KINDS_BY_ID, mayCarryNothing } from '@iron-clasp/core';
import type { CorrectionView, LogEntry, LogView } from '@iron-clasp/contract';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { pageOf, readKey } from '../../platform/http/paging.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type { LogFilter, LogRow } from '../../records/log/log.repository.ts';
import type { Names } from '../../records/accounts/accounts.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';

/** Entries on one page of the log. */
const PAGE = 60;

@Injectable()
export class LogViewService {
  constructor(
    private readonly log: LogService,
    private readonly lifters: LiftersService,
  ) {}

  /** A page of the lifter's log by day, the latest first. */
  async page(
    club: ClubRef,
    lifterId: string,
    filter: LogFilter,
    before: string | undefined,
  ): Promise<LogView> {
    await this.lifters.known(club.id, lifterId);
    const { rows, sessions, corrections, names } = await this.log.page(
      lifterId,
      filter,
      readKey(before, 'moment'),
      PAGE + 1,
    );
    const { items, next } = pageOf(rows, PAGE, (row) => ({ value: row.done_at.toISOString(), id: row.id }));
    const entries = items.map((row) =>
      entryOf(row, sessions.get(row.session_id)!, corrections.get(row.id) ?? [], names),
    );
    return { entries, next };
  }
}

function entryOf(
  row: LogRow,
  { heldOn, title, noteToLifter }: TrainingSession,
  corrections: readonly CorrectionView[],
  names: Names,
): LogEntry {
  const lift = findLift(row.lift_id);
  const { id, kind, role, load, reps, seconds, target, grip, strapped, chalk } = row;
  const { ended, pain, confidence, cause, signs, note } = row;
  return {
    ...{ id, kind, role, load, reps, seconds, target, grip, strapped, chalk },
    ...{ ended, pain, confidence, cause, signs, note, corrections },
    sessionId: row.session_id,
    doneAt: row.done_at.toISOString(),
    day: heldOn,
    ...{ title, noteToLifter },
    undone: row.undone_at && {
      by: names.get(row.undone_by ?? '') ?? null,
      at: row.undone_at.toISOString(),
    },
    liftName: row.hold_kind ? HOLD_KINDS_BY_ID[row.hold_kind].name : (lift?.name ?? row.lift_id),
    loadMeans: lift?.loadMeans ?? 'total',
    gripped: row.hold_kind !== null || (lift?.grips ?? true),
    sideUnder: row.side_under,
    slippedAtRep: row.slipped_at_rep,
    /** The body alone, or a band. */
    leastLoad: lift && mayCarryNothing(lift) ? 0 : null,
  };
}
