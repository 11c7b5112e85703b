import { Injectable } from '@nestjs/common';
import type { MassUnit } from '@iron-clasp/core';
import type { CopyRequest, CopyView } from '@iron-clasp/contract';
import { DataSource } from 'typeorm';
import { derivedId } from '../../platform/database/derived-id.ts';
import { dayWords, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { Problem } from '../../platform/http/problem.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { holdsOf, TrainingService, type SessionContent } from '../../records/training/training.service.ts';
import { dayOf, linesFor, PlanSourcesService, type SourcePlan } from './plan-sources.service.ts';
import { readLines, setsOf } from './session-lines.ts';

type Outcome = CopyView['lifters'][number];

/** What is asked for everybody alike. */
interface Asked {
  readonly plan: SourcePlan;
  readonly body: CopyRequest;
  readonly unit: MassUnit;
  /** The club's first venue that can hold a session. */
  readonly first: string | undefined;
}

/** Writes a session, a week or a plan into the programs of several lifters, each at their own loads. */
@Injectable()
export class CopiesService {
  constructor(
    private readonly db: DataSource,
    private readonly sources: PlanSourcesService,
    private readonly training: TrainingService,
    private readonly lifters: LiftersService,
    private readonly kit: KitService,
    private readonly lifterToday: LifterTodayService,
    private readonly days: Days,
  ) {}

  /**
   * Copies lifter by lifter, all or nothing each: a day that holds something already, a past day or a line that cannot be
   * carried over leaves that lifter's program as it is, and says so. Sent again under its id it writes nothing twice.
   */
  async copy(club: ClubRef, copyId: string, body: CopyRequest, unit: MassUnit): Promise<CopyView> {
    const plan = await this.sources.read(club, body.from, unit);
    const lifters = await Promise.all(body.lifters.map((id) => this.lifters.known(club.id, id)));
    // Where somebody trains of whom nothing is known.
    const [first] = await this.kit.usable(club.id);
    const asked = { plan, body, unit, first: first?.venue.id };
    const outcomes: Outcome[] = [];
    for (const lifter of lifters) outcomes.push(await this.copyTo(club, copyId, lifter, asked));
    return { lifters: outcomes };
  }

  private async copyTo(
    club: ClubRef,
    copyId: string,
    lifter: Lifter,
    { plan, body: { on, loads }, unit, first }: Asked,
  ): Promise<Outcome> {
    const who = { lifterId: lifter.id, name: lifter.name };
    const refused = (why: string): Outcome => ({ ...who, written: [], kept: [], refused: why });
    const own = { deadliftMax: lifter.deadliftMax, bests: lifter.bestLifts };
    const usual = await this.lifterToday.usualVenue(club, lifter.id);
    const kept: string[] = [];
    const sessions: { id: string; content: SessionContent; sets: ReturnType<typeof setsOf> }[] = [];
    for (const [i, source] of plan.sessions.entries()) {
      const heldOn = dayOf(plan.kind, source, on);
      if (heldOn < this.days.today(club)) return refused(`${dayWords(heldOn)} is past.`);
      // A lifter's own place and bar stay with a copy of their own.
      const place = plan.lifterId === lifter.id ? source.place : null;
      const venueId = place?.venueId ?? usual ?? source.place?.venueId ?? first;
      if (!venueId) return refused('The club has no venue with a bar yet: add one under Kit first.');
      const found =
        loads === 'own' || !source.place
          ? linesFor(source.lines, plan, own, unit)
          : { lines: source.lines, kept: [] };
      if (found.fault) return refused(found.fault);
      kept.push(...found.kept);
      const id = derivedId(`copy ${copyId} ${lifter.id} ${i}`);
      const kit = await this.kit.at(club.id, venueId, place?.barId);
      try {
        const lines = readLines(found.lines, lifter, unit, kit);
        sessions.push({
          id,
          sets: setsOf(lines, id),
          content: {
            ...{ heldOn, venueId, barId: place?.barId ?? null, title: source.title },
            ...{ holds: holdsOf(source.holds), rehearsesMeet: source.rehearsesMeet },
            lines: lines.map(({ liftId, text }) => ({ liftId, text })),
          },
        });
      } catch (fault) {
        if (fault instanceof Problem) return refused(fault.message);
        throw fault;
      }
    }
    const owner = { clubId: club.id, lifterId: lifter.id };
    const taken = await this.db.transaction(async (manager) => {
      const dates = sessions.map(({ content }) => content.heldOn).sort();
      const there = await this.training.between(lifter.id, dates[0]!, dates.at(-1)!, manager);
      const ids = new Set(sessions.map(({ id }) => id));
      const other = there.find(({ id, heldOn }) => !ids.has(id) && dates.includes(heldOn));
      if (other) return other;
      for (const { id, content, sets } of sessions)
        // Written by a first try whose answer was lost.
        if (!there.some((each) => each.id === id))
          await this.training.save(manager, owner, id, 0, content, sets);
      return null;
    });
    if (taken) return refused(`${taken.title} is on ${dayWords(taken.heldOn)} already.`);
    const written = sessions.map(({ id, content }) => ({ id, version: 1, on: content.heldOn }));
    return { ...who, written, kept: [...new Set(kept)], refused: null };
  }
}
