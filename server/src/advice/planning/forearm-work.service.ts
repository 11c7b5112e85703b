import { Injectable } from '@nestjs/common';
import {
  forearmLine,
  holdLift,
  KIT_NEEDS,
  planForearmWeek,
  SIDES,
  type ForearmWeek,
  type LastForearmWork,
  type MassUnit,
} from '@iron-clasp/core';
import { mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import type { LoggedSet } from '../../records/log/log.entity.ts';
import { forearmDays } from '../../evidence/holds/grip-events.ts';
import { HoldFactsService, type HoldFacts } from '../../evidence/holds/hold-facts.service.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { ProgramsService } from './programs.service.ts';

/** Pain, 0–10, from which a load of forearm work is not added to. */
const SORE = 4;

/** Forearm work as it would close the gaps of a week, and its way into the program. */
@Injectable()
export class ForearmWorkService {
  constructor(
    private readonly facts: HoldFactsService,
    private readonly lifters: LifterTodayService,
    private readonly programs: ProgramsService,
  ) {}

  /**
   * Writes the forearm work of a day into the session that is still to come on it, else into one of its own. What is
   * written closes the gaps, so that asked again there is nothing left to write.
   * @param freshId of the session that is made where the day has none.
   */
  async take(club: ClubRef, lifterId: string, day: string, freshId: string, unit: MassUnit): Promise<void> {
    const facts = await this.facts.of(club, lifterId);
    if (day < facts.today)
      throw new Problem(409, 'day-over', 'This day is past: forearm work is only planned ahead.');
    const work = forearmWeek(facts, mondayOf(day)).sessions.find((session) => session.on === day);
    if (!work) return;
    const venueId =
      facts.sessions.find((session) => session.heldOn >= day)?.venueId ??
      (await this.lifters.usualVenue(club, lifterId));
    if (!venueId) throw notFound('venue');
    const lines = work.exercises.map((each) => ({ liftId: each.lift, text: forearmLine(each, unit) }));
    await this.programs.append(
      club,
      lifterId,
      { on: day, freshId, venueId, title: 'Forearm work' },
      lines,
      unit,
    );
  }
}

/** The forearm work that a week still lacks, on days that are to come, with loads that go on from the last time. */
export function forearmWeek(facts: HoldFacts, monday: string): ForearmWeek {
  const { profile, contents, kits, sessions, sets, today } = facts;
  const days = Array.from({ length: 7 }, (_, i) => shiftDay(monday, i));
  const week = contents.filter((session) => session.on >= monday && session.on <= days[6]!);
  const first = sessions.find((session) => session.heldOn >= monday && kits.has(session.id));
  const kit = first && kits.get(first.id);
  const counts = new Map<string, number>();
  for (const content of week)
    for (const lift of [
      ...content.sets.map((set) => set.liftId),
      ...content.holds.map(({ kind }) => holdLift(kind).id),
    ])
      counts.set(lift, (counts.get(lift) ?? 0) + 1);
  return planForearmWeek({
    days: forearmDays(days, contents),
    kit: kit?.venue.has ?? KIT_NEEDS,
    planned: [...counts].map(([lift, n]) => ({ lift, sets: Math.min(n, 100) })),
    elbowPain: Math.max(...SIDES.map((side) => profile.hands[side].elbowPain)),
    ...{ today, deadliftMax: profile.lifter.deadliftMax, last: lastWork(sets) },
  });
}

/** How each lift went on the last day it was done. */
function lastWork(sets: readonly LoggedSet[]): LastForearmWork[] {
  const latest = new Map<string, LoggedSet[]>();
  for (const set of sets) {
    const known = latest.get(set.liftId);
    if (!known || set.trainingDay > known[0]!.trainingDay) latest.set(set.liftId, [set]);
    else if (set.trainingDay === known[0]!.trainingDay) known.push(set);
  }
  return [...latest].map(([lift, done]) => ({
    lift,
    load: Math.max(...done.map((set) => set.load)),
    reached: done.every((set) => set.slippedAtRep === null && (set.pain ?? 0) < SORE),
  }));
}
