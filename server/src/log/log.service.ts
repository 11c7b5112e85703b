import { Injectable } from '@nestjs/common';
import type { LogHoldRequest, LogSetRequest } from '@iron-clasp/contract';
import { Clock } from '../clock.ts';
import { notFound, Problem } from '../http/problem.ts';
import { takenAt } from '../http/taken-at.ts';
import { KitRepository } from '../kit/kit.repository.ts';
import { TrainingRepository } from '../training/training.repository.ts';
import type { TrainingSession } from '../training/training.entity.ts';
import type { LoggedHold, LoggedSet } from './log.entity.ts';
import { LogRepository } from './log.repository.ts';

@Injectable()
export class LogService {
  constructor(
    private readonly log: LogRepository,
    private readonly training: TrainingRepository,
    private readonly kit: KitRepository,
    private readonly clock: Clock,
  ) {}

  /** Keeps a hold; sent again with the same content it changes nothing, with other content it is refused. */
  async keepHold(clubId: string, sessionId: string, id: string, body: LogHoldRequest): Promise<void> {
    const { session, diameter } = await this.session(clubId, sessionId);
    const earlier = (await this.log.holdsOf(sessionId)).filter((hold) => hold.id !== id);
    const row: LoggedHold = {
      id,
      lifterId: session.lifterId,
      sessionId,
      kind: 'frontRackHold',
      place: earlier.length,
      doneAt: takenAt(this.clock, body.doneAt, 'doneAt'),
      load: body.load,
      seconds: body.seconds,
      target: body.target,
      ended: body.ended,
      grip: body.grip,
      sideUnder: body.grip === 'mixed' ? (body.sideUnder ?? null) : null,
      chalk: body.chalk,
      diameter,
      note: body.note ?? null,
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
      'note',
    ]);
  }

  async keepSet(clubId: string, sessionId: string, id: string, body: LogSetRequest): Promise<void> {
    const { session, diameter } = await this.session(clubId, sessionId);
    const planned = (await this.training.plannedSets(sessionId)).find((set) => set.id === body.plannedSetId);
    if (!planned) throw notFound('set');
    if (body.slippedAtRep && body.slippedAtRep > body.reps) {
      const message = `The slip cannot come after the last repetition (${body.reps}).`;
      throw new Problem(400, 'invalid-input', message, [{ path: 'slippedAtRep', message }]);
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
      diameter,
      slippedAtRep: body.slippedAtRep ?? null,
      undoneAt: null,
    };
    const stored = await this.log.keepSet(row);
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
    ]);
  }

  async undo(table: 'logged_hold' | 'logged_set', clubId: string, id: string): Promise<void> {
    if (!(await this.log.undo(table, clubId, id, this.clock.now()))) throw notFound('log entry');
  }

  private async session(
    clubId: string,
    sessionId: string,
  ): Promise<{ session: TrainingSession; diameter: number }> {
    const session = await this.training.session(clubId, sessionId);
    const kit = session && (await this.kit.kit(clubId, session.venueId));
    if (!session || !kit) throw notFound('session');
    return { session, diameter: kit.bar.diameter };
  }
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
