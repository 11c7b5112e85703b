import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { MassUnit } from '@iron-clasp/core';
import type { MoveSessionRequest, SessionPlanView, SessionRequest, WeeksView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { DataSource, type EntityManager } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import { alike } from '../../platform/database/saves.ts';
import { daysBetween, shiftDay, weekOf, type ClubRef } from '../../platform/days/club-day.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { CallOverridesService } from '../../records/call-overrides/call-overrides.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import type { PlannedSet, SessionLine, TrainingSession } from '../../records/training/training.entity.ts';
import {
  holdsOf,
  sameSets,
  TrainingService,
  type SessionContent,
} from '../../records/training/training.service.ts';
import { faultsOf } from './plan-faults.ts';
import { linesOf, readLines, setsOf } from './session-lines.ts';

/** Sessions as coaches write them: one by one, and whole weeks. What something is logged of is history and stays. */
@Injectable()
export class ProgramsService {
  constructor(
    private readonly db: DataSource,
    private readonly training: TrainingService,
    private readonly log: LogService,
    private readonly lifters: LiftersService,
    private readonly kit: KitService,
    private readonly overrides: CallOverridesService,
    private readonly clock: Clock,
  ) {}

  /** The session as it is written, its sets folded into lines in the reader's unit. */
  async plan(club: ClubRef, sessionId: string, unit: MassUnit): Promise<SessionPlanView> {
    const session = await this.training.known(club.id, sessionId);
    const [sets, later, kit] = await Promise.all([
      this.training.plannedSets([sessionId]),
      this.training.laterInSeries(session),
      this.kit.at(club.id, session.venueId, session.barId),
    ]);
    const started = await this.log.started([sessionId, ...later.map((each) => each.id)]);
    const { id, lifterId, version, title, heldOn, venueId, barId, rehearsesMeet } = session;
    return {
      ...{ id, lifterId, version, title, heldOn, venueId, barId, rehearsesMeet },
      holds: session.holds.map((hold) => hold.kind),
      started: started.has(id),
      later: later.filter((each) => !started.has(each.id)).length,
      faults: kit ? faultsOf(sets, kit) : [],
      lines: session.lines ?? linesOf(sets, unit),
    };
  }

  /**
   * Writes a session, new or at the version its editor saw, and where asked the later ones that repeat it. Every line that
   * cannot be read is named with its place.
   */
  async save(
    club: ClubRef,
    lifterId: string,
    id: string,
    body: SessionRequest,
    unit: MassUnit,
  ): Promise<SessionPlanView> {
    const lifter = await this.lifters.known(club.id, lifterId);
    const { venueId, barId = null, heldOn, holds, version: seen } = body;
    const kit = await this.kit.at(club.id, venueId, barId);
    if (!kit) throw notFound(barId ? 'bar' : 'venue');
    const lines = readLines(body.lines, lifter, unit, kit);
    const known = await this.training.find(club.id, id);
    const content: SessionContent = {
      ...{ venueId, barId, heldOn, title: body.title },
      holds: holdsOf(holds, known?.holds),
      lines: lines.map(({ liftId, text }) => ({ liftId, text })),
      rehearsesMeet: body.rehearsesMeet ?? known?.rehearsesMeet ?? false,
    };
    const owner = { clubId: club.id, lifterId };
    const later = known && body.later ? await this.training.laterInSeries(known) : [];
    const moved = known ? daysBetween(known.heldOn, heldOn) : 0;
    await this.db.transaction(async (manager) => {
      const saved = await this.write(manager, owner, id, seen, content, setsOf(lines, id));
      if (saved === 'same') return;
      const begun = await this.log.started(
        later.map((each) => each.id),
        manager,
      );
      for (const repeat of later.filter((each) => !begun.has(each.id))) {
        const own = {
          ...content,
          heldOn: shiftDay(repeat.heldOn, moved),
          holds: holdsOf(holds, repeat.holds),
        };
        await this.write(manager, owner, repeat.id, repeat.version, own, setsOf(lines, repeat.id));
      }
    });
    return this.plan(club, id, unit);
  }

  /** Holds the session elsewhere, with another bar or on another day, if the page that asks saw its latest version. */
  async move(club: ClubRef, sessionId: string, body: MoveSessionRequest): Promise<void> {
    await this.db.transaction(async (manager) => {
      const session = await this.training.lock(manager, club.id, sessionId);
      const { venueId = session.venueId, heldOn = session.heldOn, version } = body;
      const own = {
        sweat: body.sweat ?? session.sweat,
        noteToLifter: body.note === undefined ? session.noteToLifter : body.note || null,
        rehearsesMeet: body.rehearsesMeet ?? session.rehearsesMeet,
        ownChalk: body.chalk === undefined ? session.ownChalk : body.chalk,
        ownDiameter: body.barDiameter === undefined ? session.ownDiameter : body.barDiameter,
      };
      // A bar belongs to its venue: moved without a word about the bar, the session takes the first one there.
      const barId = body.barId ?? (venueId === session.venueId ? session.barId : null);
      if (!(await this.kit.at(club.id, venueId, barId, manager)))
        throw notFound(body.barId ? 'bar' : 'venue');
      const stays = session.venueId === venueId && session.barId === barId && session.heldOn === heldOn;
      if (stays && alike<TrainingSession>(session, own)) return;
      if (heldOn !== session.heldOn && (await this.log.started([sessionId], manager)).size > 0)
        throw new Problem(
          409,
          'session-started',
          'Something of this session is already logged, so its day is history now. Copy it to another day.',
        );
      await this.training.change(session, version, { venueId, barId, heldOn, ...own }, manager);
    });
  }

  /** Removes a session; it can be taken back. One of which something is logged stays. */
  async remove(club: ClubRef, id: string, seen: number): Promise<void> {
    // Removed by a first try whose answer was lost.
    if (await this.training.removed(club.id, id)) return;
    await this.db.transaction(async (manager) => {
      const session = await this.training.lock(manager, club.id, id);
      await this.refuseBegun(manager, id);
      await this.training.change(session, seen, { removedAt: this.clock.now() }, manager);
    });
  }

  /** Takes a removed session back. */
  async restore(club: ClubRef, id: string, unit: MassUnit): Promise<SessionPlanView> {
    const session = await this.training.removed(club.id, id);
    if (session) await this.training.change(session, session.version, { removedAt: null });
    return this.plan(club, id, unit);
  }

  /**
   * Writes the week of `day` into the weeks that follow it, all or nothing. A session that is there already from an earlier
   * repeat stays; where a week holds anything else, nothing is written anywhere.
   */
  async repeatWeek(club: ClubRef, lifterId: string, day: string, weeks: number): Promise<WeeksView> {
    const { clubId } = await this.lifters.known(club.id, lifterId);
    const [from, to] = weekOf(day);
    return this.db.transaction(async (manager) => {
      const source = await this.training.between(lifterId, from, to, manager);
      if (source.length === 0)
        throw new Problem(
          409,
          'nothing-written',
          'Nothing is written in this week, so there is nothing to repeat.',
        );
      const series = new Map(source.map(({ id, seriesId }) => [id, seriesId ?? randomUUID()]));
      const ours = new Set(series.values());
      const ahead = await this.training.between(
        lifterId,
        shiftDay(from, 7),
        shiftDay(to, 7 * weeks),
        manager,
      );
      const other = ahead.filter(({ seriesId }) => !seriesId || !ours.has(seriesId));
      if (other.length > 0) throw weekTaken(other);
      const ids = source.map((session) => session.id);
      const sets = await this.training.plannedSets(ids, manager);
      let written = 0;
      for (const session of source) {
        const seriesId = series.get(session.id)!;
        if (!session.seriesId) await this.training.change(session, session.version, { seriesId }, manager);
        const own = sets.filter((set) => set.sessionId === session.id);
        const decisions = await this.overrides.repeating(session.id, manager);
        for (let week = 1; week <= weeks; week++) {
          const heldOn = shiftDay(session.heldOn, 7 * week);
          const [monday, sunday] = weekOf(heldOn);
          const there = ahead.some(
            (each) => each.seriesId === seriesId && each.heldOn >= monday && each.heldOn <= sunday,
          );
          if (there) continue;
          const id = randomUUID();
          const { venueId, barId, title, lines, rehearsesMeet } = session;
          const holds = holdsOf(session.holds.map((hold) => hold.kind));
          const copies = own.map((set) => ({ ...set, id: randomUUID(), sessionId: id }));
          await this.training.save(
            manager,
            { clubId, lifterId },
            id,
            0,
            { venueId, barId, title, holds, lines, heldOn, rehearsesMeet },
            copies,
            { seriesId },
          );
          for (const decision of decisions) await this.repeat(manager, decision, id, own, copies);
          written += 1;
        }
      }
      return { sessions: written, left: weeks * source.length - written };
    });
  }

  /** Repeats a decision in a session whose sets stand as those it was made on, place by place. */
  private async repeat(
    manager: EntityManager,
    decision: RepeatingDecision,
    sessionId: string,
    from: readonly PlannedSet[],
    to: readonly PlannedSet[],
  ): Promise<void> {
    const setIds = setsAlike(decision.setIds, from, to);
    const { setIds: _sets, ...row } = decision;
    if (setIds.length > 0)
      await this.overrides.keep({ ...row, id: randomUUID(), sessionId }, setIds, manager);
  }

  /** Moves what is not begun of a week to another one, which must be free. */
  async moveWeek(club: ClubRef, lifterId: string, day: string, to: string): Promise<WeeksView> {
    await this.lifters.known(club.id, lifterId);
    const [monday, sunday] = weekOf(day);
    const [goal, goalEnd] = weekOf(to);
    return this.db.transaction(async (manager) => {
      const { going, left } = await this.notBegun(manager, lifterId, monday, sunday);
      if (goal === monday) return { sessions: 0, left: going.length + left };
      if (going.length === 0)
        throw new Problem(
          409,
          'nothing-written',
          'Nothing of this week can be moved: it is empty, or logged already.',
        );
      const there = await this.training.between(lifterId, goal, goalEnd, manager);
      if (there.length > 0) throw weekTaken(there);
      const days = daysBetween(monday, goal);
      for (const session of going) {
        const heldOn = shiftDay(session.heldOn, days);
        await this.training.change(session, session.version, { heldOn }, manager);
      }
      return { sessions: going.length, left };
    });
  }

  /** Removes what is not begun of a week; each session can be taken back. */
  async clearWeek(club: ClubRef, lifterId: string, day: string): Promise<WeeksView> {
    await this.lifters.known(club.id, lifterId);
    const removedAt = this.clock.now();
    return this.db.transaction(async (manager) => {
      const { going, left } = await this.notBegun(manager, lifterId, ...weekOf(day));
      for (const session of going)
        await this.training.change(session, session.version, { removedAt }, manager);
      return { sessions: going.length, left };
    });
  }

  /**
   * Adds lines behind those of the day's session that is not begun; where the day has none, they make one of their own.
   * @param to `freshId`, `venueId` and `title` are those of a session that is made.
   */
  async append(
    club: ClubRef,
    lifterId: string,
    to: { readonly on: string; readonly freshId: string; readonly venueId: string; readonly title: string },
    written: readonly SessionLine[],
    unit: MassUnit,
  ): Promise<void> {
    const lifter = await this.lifters.known(club.id, lifterId);
    const { on, freshId, venueId, title } = to;
    const added = readLines([...written], lifter, unit, await this.kit.at(club.id, venueId));
    const owner = { clubId: club.id, lifterId };
    await this.db.transaction(async (manager) => {
      const there = (await this.training.between(lifterId, on, on, manager)).filter((each) => !each.finished);
      const begun = await this.log.started(
        there.map((each) => each.id),
        manager,
      );
      const open = there.find((each) => !begun.has(each.id));
      const session = open && (await this.training.lock(manager, club.id, open.id));
      const stored = session ? await this.training.plannedSets([session.id], manager) : [];
      const id = session?.id ?? freshId;
      const more = setsOf(added, id).map((set) => ({ ...set, place: stored.length + set.place }));
      const before = session ? (session.lines ?? linesOf(stored, unit)) : [];
      const content: SessionContent = {
        ...{ venueId, barId: null, title, heldOn: on, holds: [], rehearsesMeet: false },
        ...(session && pick(session)),
        lines: [...before, ...added.map(({ liftId, text }) => ({ liftId, text }))],
      };
      await this.training.save(manager, owner, id, session?.version ?? 0, content, [...stored, ...more]);
    });
  }

  /** Writes one session; where it is there already it is held still, and stays where something of it is logged. */
  private async write(
    manager: EntityManager,
    owner: Pick<TrainingSession, 'clubId' | 'lifterId'>,
    id: string,
    seen: number,
    content: SessionContent,
    sets: ReturnType<typeof setsOf>,
  ): ReturnType<TrainingService['save']> {
    const known = await this.training.find(owner.clubId, id, manager);
    if (known?.lifterId === owner.lifterId) {
      await this.training.lock(manager, owner.clubId, id);
      const stored = await this.training.plannedSets([id], manager);
      if (alike<SessionContent>(known, content) && sameSets(stored, sets)) return 'same';
      await this.refuseBegun(manager, id);
    }
    return this.training.save(manager, owner, id, seen, content, sets);
  }

  private async refuseBegun(manager: EntityManager, id: string): Promise<void> {
    if ((await this.log.started([id], manager)).size === 0) return;
    throw new Problem(
      409,
      'session-started',
      'Something of this session is already logged, so it is history now. Copy it to another day and change the copy.',
    );
  }

  private async notBegun(
    manager: EntityManager,
    lifterId: string,
    from: string,
    to: string,
  ): Promise<{ going: TrainingSession[]; left: number }> {
    const week = await this.training.between(lifterId, from, to, manager);
    const begun = await this.log.started(
      week.map((session) => session.id),
      manager,
    );
    const going = week.filter((session) => !begun.has(session.id));
    return { going, left: week.length - going.length };
  }
}

/** What an editor would say of a session as it stands. */
function pick(session: TrainingSession): Omit<SessionContent, 'lines'> {
  const { venueId, barId, heldOn, title, holds, rehearsesMeet } = session;
  return { venueId, barId, heldOn, title, holds, rehearsesMeet };
}

type RepeatingDecision = Awaited<ReturnType<CallOverridesService['repeating']>>[number];

/** The sets of another week that stand where the named ones do, of the same lift and role. */
export function setsAlike(
  ids: readonly string[],
  from: readonly PlannedSet[],
  to: readonly PlannedSet[],
): string[] {
  const named = from.filter((set) => ids.includes(set.id));
  return to
    .filter((set) =>
      named.some(
        ({ place, liftId, role }) => set.place === place && set.liftId === liftId && set.role === role,
      ),
    )
    .map((set) => set.id);
}

function weekTaken(there: readonly TrainingSession[]): Problem {
  const named = there
    .slice(0, 3)
    .map((session) => `${session.title} on ${format(parseISO(session.heldOn), 'd MMMM')}`);
  const more = there.length > 3 ? ` and ${there.length - 3} more` : '';
  return new Problem(
    409,
    'week-taken',
    `That would come onto what is written already: ${named.join(', ')}${more}. Clear or move that week first, or choose another; nothing was changed.`,
  );
}
