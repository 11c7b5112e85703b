import { Injectable } from '@nestjs/common';
import { rankSlipCauses, SET_ROLE_NAMES, type LoggedSlip } from '@iron-clasp/core';
import type { CalledSet, FinishRequest, FloorView, SessionEndView } from '@iron-clasp/contract';
import { CallsService } from '../calls/calls.service.ts';
import { Clock } from '../clock.ts';
import { notFound } from '../http/problem.ts';
import { takenAt } from '../http/taken-at.ts';
import { TrainingRepository } from '../training/training.repository.ts';

@Injectable()
export class FloorService {
  constructor(
    private readonly calls: CallsService,
    private readonly training: TrainingRepository,
    private readonly clock: Clock,
  ) {}

  floor(clubId: string, sessionId: string): Promise<FloorView> {
    return this.calls.floor(clubId, sessionId);
  }

  /** How the session went against its plan, what slipped and likely why, and what comes next. */
  async end(clubId: string, sessionId: string): Promise<SessionEndView> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    const view = await this.calls.session(clubId, sessionId);
    const done = view.sets.filter((set) => set.done !== null);
    const slipped = done.filter((set) => set.done!.slippedAtRep !== null);
    return {
      session: view.session,
      finishedAt: session.finishedAt?.toISOString() ?? null,
      note: session.noteToLifter ?? '',
      planned: view.sets.length,
      done: done.length,
      slips: slipped.map(({ liftName, role, done: set }) => ({
        liftName,
        role,
        load: set!.load,
        reps: set!.reps,
        slippedAtRep: set!.slippedAtRep!,
        grip: set!.grip,
      })),
      causes: rankSlipCauses(slipped.map(slipOf)),
      holds: view.holdsDone,
      nextHold: view.nextHold ?? view.hold,
      otherwise: view.sets.flatMap(otherwise),
    };
  }

  /** Ends the session with a word to the lifter; sent again it is the same end. */
  async finish(clubId: string, sessionId: string, body: FinishRequest): Promise<SessionEndView> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    const finishedAt = takenAt(this.clock, body.finishedAt, 'finishedAt');
    await this.training.finish(sessionId, finishedAt, body.note.trim() || null);
    return this.end(clubId, sessionId);
  }

  /** Opens an ended session again. */
  async reopen(clubId: string, sessionId: string): Promise<void> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    await this.training.finish(sessionId, null, session.noteToLifter);
  }
}

function slipOf({ liftId, role, done, call }: CalledSet): LoggedSlip {
  const { reps, slippedAtRep, grip, chalk, confidence, pain } = done!;
  return {
    lift: liftId,
    role,
    reps,
    slippedAtRep: slippedAtRep!,
    grip,
    chalk,
    ...(confidence !== null && { confidence }),
    ...(pain !== null && grip === 'hook' && { thumbPain: pain }),
    ...(call.probability !== null && { expected: call.probability }),
  };
}

/** A set left out, or done otherwise than planned, in a sentence. */
function otherwise(set: CalledSet): string[] {
  const name = `${set.liftName}, ${SET_ROLE_NAMES[set.role]}`;
  const { done } = set;
  if (!done) return [`${name}: left out.`];
  const lighter = done.load - set.loading.total;
  const parts = [
    ...(Math.abs(lighter) > 0.05
      ? [`${Math.abs(lighter).toFixed(1)} kg ${lighter < 0 ? 'lighter' : 'heavier'}`]
      : []),
    ...(done.reps !== set.reps ? [`${done.reps} of ${set.reps} repetitions`] : []),
  ];
  return parts.length ? [`${name}: ${parts.join(', ')}.`] : [];
}
