import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { findLift, parseSetLine, writeSetLines, type MassUnit } from '@iron-clasp/core';
import type { SessionPlanView, SessionRequest, VenueChoice, WeeksView } from '@iron-clasp/contract';
import { addDays, differenceInCalendarDays, format, parseISO, startOfISOWeek } from 'date-fns';
import { Clock } from '../clock.ts';
import { changedMeanwhile, notFound, Problem } from '../http/problem.ts';
import { KitRepository } from '../kit/kit.repository.ts';
import type { Lifter } from '../lifters/lifter.entity.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import { faultsOf } from './plan-faults.ts';
import type { PlannedSet, SessionLine, TrainingSession } from './training.entity.ts';
import { TrainingRepository, type WeekSession } from './training.repository.ts';

@Injectable()
export class ProgramsService {
  constructor(
    private readonly training: TrainingRepository,
    private readonly lifters: LiftersService,
    private readonly kit: KitRepository,
    private readonly clock: Clock,
  ) {}

  /** The club's venues with what they can load, the busiest first; one without a bar cannot hold a session. */
  async venues(clubId: string): Promise<VenueChoice[]> {
    return (await this.kit.whole(clubId))
      .filter(({ venue, kit }) => !venue.archivedAt && kit.bars.length > 0)
      .map(({ venue, kit }) => ({
        id: venue.id,
        name: venue.name,
        bars: kit.bars.map(({ id, name, mass, collars }) => ({ id, name, mass, collars })),
        plates: kit.plates,
        has: kit.has,
      }));
  }

  /** The session as it is written, its sets folded into lines in the reader's unit. */
  async plan(clubId: string, sessionId: string, unit: MassUnit): Promise<SessionPlanView> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    const [sets, started, later, kit] = await Promise.all([
      this.training.plannedSets(sessionId),
      this.training.started(sessionId),
      this.training.laterInSeries(session),
      this.kit.kit(clubId, session.venueId, session.barId),
    ]);
    const { id, lifterId, version, title, heldOn, venueId, barId, hasHold } = session;
    return {
      ...{ id, lifterId, version, title, heldOn, venueId, barId, hasHold, started },
      later: later.filter((each) => !each.started).length,
      faults: kit ? faultsOf(sets, kit) : [],
      lines: session.lines ?? linesOf(sets, unit),
    };
  }

  /**
   * Writes a session, new or at the version its editor saw, and where asked the later ones that repeat it. Every line that
   * cannot be read is named with its place.
   */
  async save(
    clubId: string,
    lifterId: string,
    id: string,
    body: SessionRequest,
    unit: MassUnit,
  ): Promise<SessionPlanView> {
    const { lifter } = await this.lifters.profile(clubId, lifterId);
    const kit = await this.kit.kit(clubId, body.venueId, body.barId);
    if (!kit) throw notFound(body.barId ? 'bar' : 'venue');
    const known = await this.training.session(clubId, id);
    if (known ? known.lifterId !== lifterId : body.version > 0) throw notFound('session');
    const lines = read(body.lines, lifter, unit);
    const setsFor = (sessionId: string): PlannedSet[] =>
      lines
        .flatMap((line) => line.sets)
        .map((set, place) => ({ ...set, id: randomUUID(), sessionId, place }));
    const session: TrainingSession = {
      id,
      lifterId,
      venueId: body.venueId,
      barId: body.barId ?? null,
      heldOn: body.heldOn,
      title: body.title.trim(),
      hasHold: body.hasHold,
      holdKind: known?.holdKind ?? 'frontRackHold',
      holdBlockId: body.hasHold ? (known?.holdBlockId ?? null) : null,
      finished: known?.finished ?? false,
      finishedAt: known?.finishedAt ?? null,
      noteToLifter: known?.noteToLifter ?? null,
      seriesId: known?.seriesId ?? null,
      removedAt: null,
      version: body.version + 1,
      lines: lines.map(({ liftId, text }) => ({ liftId, text })),
    };
    const sets = setsFor(id);
    if (known && body.version === 0 && (await this.same(known, session, sets)))
      return this.plan(clubId, id, unit);
    if (known && (await this.training.started(id))) throw started();
    const later = known && body.later ? await this.training.laterInSeries(known) : [];
    const moved = known ? differenceInCalendarDays(parseISO(body.heldOn), parseISO(known.heldOn)) : 0;
    const repeats = later
      .filter((each) => !each.started)
      .map(({ session: repeat }) => ({
        session: {
          ...session,
          id: repeat.id,
          holdBlockId: repeat.holdBlockId,
          heldOn: shifted(repeat.heldOn, moved),
          finished: false,
          finishedAt: null,
          noteToLifter: null,
          version: repeat.version + 1,
        },
        sets: setsFor(repeat.id),
      }));
    if (!(await this.training.save([{ session, sets }, ...repeats]))) throw changedMeanwhile('session');
    return this.plan(clubId, id, unit);
  }

  /** Takes a session off the program; it can be taken back. One of which something is logged stays. */
  async remove(clubId: string, id: string, version: number): Promise<void> {
    const session = await this.training.session(clubId, id);
    if (!session) {
      // Removed by a first try whose answer was lost.
      if (await this.training.removed(clubId, id)) return;
      throw notFound('session');
    }
    if (await this.training.started(id)) throw started();
    const seen = { ...session, version };
    if (!(await this.training.change([seen], () => ({ removedAt: this.clock.now() }))))
      throw changedMeanwhile('session');
  }

  /** Takes a removed session back. */
  async restore(clubId: string, id: string, unit: MassUnit): Promise<SessionPlanView> {
    const session = await this.training.removed(clubId, id);
    if (session && !(await this.training.change([session], () => ({ removedAt: null }))))
      throw changedMeanwhile('session');
    return this.plan(clubId, id, unit);
  }

  /**
   * Writes the week of `day` into the weeks that follow it. A session that is there already from an earlier repeat stays;
   * where a week holds anything else, nothing is written anywhere.
   */
  async repeatWeek(clubId: string, lifterId: string, day: string, weeks: number): Promise<WeeksView> {
    await this.lifters.profile(clubId, lifterId);
    const [from, to] = weekOf(day);
    const source = (await this.training.between(lifterId, from, to)).map((each) => each.session);
    if (source.length === 0)
      throw new Problem(
        409,
        'nothing-written',
        'Nothing is written in this week, so there is nothing to repeat.',
      );
    const series = source.map((session) => ({ ...session, seriesId: session.seriesId ?? randomUUID() }));
    const ours = new Set(series.map((session) => session.seriesId));
    const ahead = await this.training.between(lifterId, shifted(from, 7), shifted(to, 7 * weeks));
    const other = ahead.filter(({ session }) => !session.seriesId || !ours.has(session.seriesId));
    if (other.length > 0) throw weekTaken(other);
    const sets = await this.training.plannedSetsOf(source.map((session) => session.id));
    const copies = Array.from({ length: weeks }, (_, i) => 7 * (i + 1)).flatMap((days) =>
      series.flatMap((session) => {
        const heldOn = shifted(session.heldOn, days);
        const [monday, sunday] = weekOf(heldOn);
        const there = ahead.some(
          (each) =>
            each.session.seriesId === session.seriesId &&
            each.session.heldOn >= monday &&
            each.session.heldOn <= sunday,
        );
        if (there) return [];
        const id = randomUUID();
        return [
          {
            session: {
              ...session,
              ...{
                id,
                heldOn,
                finished: false,
                finishedAt: null,
                noteToLifter: null,
                version: 1,
                holdBlockId: null,
              },
            },
            sets: sets
              .filter((set) => set.sessionId === session.id)
              .map((set) => ({ ...set, id: randomUUID(), sessionId: id })),
          },
        ];
      }),
    );
    const unnamed = source.filter((session) => !session.seriesId);
    const seriesOf = new Map(series.map((session) => [session.id, session.seriesId]));
    if (!(await this.training.change(unnamed, ({ id }) => ({ seriesId: seriesOf.get(id)! }))))
      throw changedMeanwhile('session');
    if (!(await this.training.save(copies))) throw changedMeanwhile('session');
    return { sessions: copies.length, left: weeks * source.length - copies.length };
  }

  /** Moves what is not begun of a week to another one, which must be free. */
  async moveWeek(clubId: string, lifterId: string, day: string, to: string): Promise<WeeksView> {
    await this.lifters.profile(clubId, lifterId);
    const [monday, sunday] = weekOf(day);
    const [goal, goalEnd] = weekOf(to);
    const week = await this.training.between(lifterId, monday, sunday);
    const going = week.filter((each) => !each.started).map((each) => each.session);
    if (goal === monday) return { sessions: 0, left: week.length };
    if (going.length === 0)
      throw new Problem(
        409,
        'nothing-written',
        'Nothing of this week can be moved: it is empty, or logged already.',
      );
    const there = await this.training.between(lifterId, goal, goalEnd);
    if (there.length > 0) throw weekTaken(there);
    const days = differenceInCalendarDays(parseISO(goal), parseISO(monday));
    if (!(await this.training.change(going, ({ heldOn }) => ({ heldOn: shifted(heldOn, days) }))))
      throw changedMeanwhile('session');
    return { sessions: going.length, left: week.length - going.length };
  }

  /** Takes what is not begun of a week off the program; each session can be taken back. */
  async clearWeek(clubId: string, lifterId: string, day: string): Promise<WeeksView> {
    await this.lifters.profile(clubId, lifterId);
    const week = await this.training.between(lifterId, ...weekOf(day));
    const going = week.filter((each) => !each.started).map((each) => each.session);
    const removedAt = this.clock.now();
    if (!(await this.training.change(going, () => ({ removedAt })))) throw changedMeanwhile('session');
    return { sessions: going.length, left: week.length - going.length };
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
      known.barId === session.barId &&
      known.hasHold === session.hasHold &&
      stored.map(plain).join(';') === sets.map(plain).join(';')
    );
  }
}

const iso = (date: Date): string => format(date, 'yyyy-MM-dd');
const shifted = (day: string, days: number): string => iso(addDays(parseISO(day), days));

/** Monday and Sunday of the day's week. */
function weekOf(day: string): [monday: string, sunday: string] {
  const monday = startOfISOWeek(parseISO(day));
  return [iso(monday), iso(addDays(monday, 6))];
}

function started(): Problem {
  return new Problem(
    409,
    'session-started',
    'Something of this session is already logged, so it is history now. Copy it to another day and change the copy.',
  );
}

function weekTaken(there: readonly WeekSession[]): Problem {
  const named = there
    .slice(0, 3)
    .map(({ session }) => `${session.title} on ${format(parseISO(session.heldOn), 'd MMMM')}`);
  const more = there.length > 3 ? ` and ${there.length - 3} more` : '';
  return new Problem(
    409,
    'week-taken',
    `That would come onto what is written already: ${named.join(', ')}${more}. Clear or move that week first, or choose another; nothing was changed.`,
  );
}

interface ReadLine extends SessionLine {
  readonly sets: readonly Omit<PlannedSet, 'id' | 'sessionId' | 'place'>[];
}

/** Reads every line, or names each that cannot be read. */
function read(
  lines: SessionRequest['lines'],
  { deadliftMax, bestLifts: bests }: Lifter,
  unit: MassUnit,
): ReadLine[] {
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
    const parsed = parseSetLine(text, { deadliftMax, bests, unit, lift });
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
