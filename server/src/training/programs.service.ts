import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { findLift, parseSetLine, writeSetLines, type MassUnit } from '@iron-clasp/core';
import type { SessionPlanView, SessionRequest, VenueChoice } from '@iron-clasp/contract';
import { notFound, Problem } from '../http/problem.ts';
import { KitRepository } from '../kit/kit.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { PlannedSet, SessionLine, TrainingSession } from './training.entity.ts';
import { TrainingRepository } from './training.repository.ts';

@Injectable()
export class ProgramsService {
  constructor(
    private readonly training: TrainingRepository,
    private readonly lifters: LiftersService,
    private readonly kit: KitRepository,
  ) {}

  async venues(clubId: string): Promise<VenueChoice[]> {
    return (await this.kit.venues(clubId)).map(({ id, name }) => ({ id, name }));
  }

  /** The session as it is written, its sets folded into lines in the reader's unit. */
  async plan(clubId: string, sessionId: string, unit: MassUnit): Promise<SessionPlanView> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    const [sets, started] = await Promise.all([
      this.training.plannedSets(sessionId),
      this.training.started(sessionId),
    ]);
    const { id, lifterId, version, title, heldOn, venueId, hasHold } = session;
    return {
      id,
      lifterId,
      version,
      title,
      heldOn,
      venueId,
      hasHold,
      started,
      lines: session.lines ?? linesOf(sets, unit),
    };
  }

  /** Writes a session, new or at the version its editor saw. Every line that cannot be read is named with its place. */
  async save(
    clubId: string,
    lifterId: string,
    id: string,
    body: SessionRequest,
    unit: MassUnit,
  ): Promise<SessionPlanView> {
    const { lifter } = await this.lifters.profile(clubId, lifterId);
    if (!(await this.kit.kit(clubId, body.venueId))) throw notFound('venue');
    const known = await this.training.session(clubId, id);
    if (known && known.lifterId !== lifterId) throw notFound('session');
    const lines = read(body.lines, lifter.deadliftMax, unit);
    const sets = lines
      .flatMap((line) => line.sets)
      .map((set, place): PlannedSet => ({ ...set, id: randomUUID(), sessionId: id, place }));
    const session: TrainingSession = {
      id,
      lifterId,
      venueId: body.venueId,
      heldOn: body.heldOn,
      title: body.title.trim(),
      hasHold: body.hasHold,
      finished: known?.finished ?? false,
      version: body.version + 1,
      lines: lines.map(({ liftId, text }) => ({ liftId, text })),
    };
    if (known && body.version === 0 && (await this.same(known, session, sets)))
      return this.plan(clubId, id, unit);
    if (known && (await this.training.started(id)))
      throw new Problem(
        409,
        'session-started',
        'Something of this session is already logged, so it is history now. Copy it to another day and change the copy.',
      );
    if (!(await this.training.save(session, sets)))
      throw new Problem(
        409,
        'changed-meanwhile',
        'This session was changed since the page was opened. Nothing of yours was saved or lost; reload to see the other version.',
      );
    return this.plan(clubId, id, unit);
  }

  /** Was this very session already written, by a first try whose answer was lost? */
  private async same(
    known: TrainingSession,
    session: TrainingSession,
    sets: readonly PlannedSet[],
  ): Promise<boolean> {
    const stored = await this.training.plannedSets(known.id);
    const plain = (each: PlannedSet): string =>
      [each.place, each.liftId, each.role, each.load, each.reps, each.style, each.seconds].join();
    return (
      known.version === 1 &&
      known.title === session.title &&
      known.heldOn === session.heldOn &&
      known.venueId === session.venueId &&
      known.hasHold === session.hasHold &&
      stored.map(plain).join(';') === sets.map(plain).join(';')
    );
  }
}

interface ReadLine extends SessionLine {
  readonly sets: readonly Omit<PlannedSet, 'id' | 'sessionId' | 'place'>[];
}

/** Reads every line, or names each that cannot be read. */
function read(lines: SessionRequest['lines'], deadliftMax: number, unit: MassUnit): ReadLine[] {
  const fields: { path: string; message: string }[] = [];
  const found = lines.flatMap((line: unknown, i): ReadLine[] => {
    const { liftId, text } = (line ?? {}) as { liftId?: unknown; text?: unknown };
    const lift = typeof liftId === 'string' && liftId !== '' ? findLift(liftId) : undefined;
    if (!lift) {
      fields.push({ path: `lines[${i}].liftId`, message: 'Choose a lift of the catalogue.' });
      return [];
    }
    if (typeof text !== 'string' || text.trim() === '' || text.length > 200) {
      fields.push({ path: `lines[${i}].text`, message: 'Write the sets, as 3x5 @ 75%.' });
      return [];
    }
    const parsed = parseSetLine(text, { deadliftMax, unit, lift });
    if (parsed.fault) {
      const message = `At character ${parsed.fault.at + 1}: ${parsed.fault.message}`;
      fields.push({ path: `lines[${i}].text`, message });
      return [];
    }
    const sets = parsed.sets.map(({ seconds, ...set }) => ({
      ...set,
      liftId: lift.id,
      seconds: seconds ?? null,
    }));
    return [{ liftId: lift.id, text: parsed.line, sets }];
  });
  if (fields.length) throw new Problem(400, 'invalid-input', fields[0]!.message, fields);
  return found;
}

function linesOf(sets: readonly PlannedSet[], unit: MassUnit): SessionPlanView['lines'] {
  const runs: PlannedSet[][] = [];
  for (const set of sets) {
    const last = runs.at(-1);
    if (last?.[0]!.liftId === set.liftId) last.push(set);
    else runs.push([set]);
  }
  return runs.flatMap((run) =>
    writeSetLines(
      run.map(({ role, load, reps, style, seconds }) => ({
        role,
        load,
        reps,
        style,
        ...(seconds && { seconds }),
      })),
      unit,
    ).map((text) => ({ liftId: run[0]!.liftId, text })),
  );
}
