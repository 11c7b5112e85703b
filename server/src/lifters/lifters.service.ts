import { Injectable } from '@nestjs/common';
import { profileConflicts, type CallLifter, type ProfileConflict } from '@iron-clasp/core';
import type { LifterView, RackView, SeasonMark, SheetView, TodayView } from '@iron-clasp/contract';
import {
  addDays,
  addWeeks,
  differenceInCalendarDays,
  differenceInMonths,
  format,
  parseISO,
  startOfISOWeek,
} from 'date-fns';
import { Clock } from '../clock.ts';
import { notFound } from '../http/problem.ts';
import { byAttention, flagOf } from './attention.ts';
import { LiftersRepository, UNCHECKED_HANDS, type LifterProfile } from './lifters.repository.ts';

/** Weeks of history on the season strip. */
const WEEKS_BACK = 8;
/** The strip looks at least this far ahead, and always a week past the meet. */
const WEEKS_AHEAD = 7;

/** Lifters on one page of the rack. */
export const RACK_PAGE = 60;

const day = (date: Date): string => format(date, 'yyyy-MM-dd');

@Injectable()
export class LiftersService {
  constructor(
    private readonly lifters: LiftersRepository,
    private readonly clock: Clock,
  ) {}

  /** A page of the rack in order of attention, of those whose name contains `find`; `after` is the last lifter of the page before. */
  async rack(clubId: string, find = '', after: string | null = null): Promise<RackView> {
    const today = this.clock.today();
    const facts = await this.lifters.rack(clubId, today, find);
    const rows = facts.map(({ id, name, sport, session, ...row }) => {
      const meet = row.meet && {
        ...row.meet,
        days: differenceInCalendarDays(parseISO(row.meet.on), parseISO(today)),
      };
      return {
        id,
        name,
        sport,
        hands: row.hands ?? UNCHECKED_HANDS,
        nextSession: session,
        meet,
        flag: flagOf(row, meet),
      };
    });
    rows.sort(byAttention);
    // Attention moves while one reads: a lifter who is no longer there starts the rack afresh rather than ending it.
    const from = after === null ? 0 : rows.findIndex((row) => row.id === after) + 1;
    const lifters = rows.slice(from, from + RACK_PAGE);
    const next = from + RACK_PAGE < rows.length ? lifters.at(-1)!.id : null;
    return { today, lifters, total: rows.length, next };
  }

  /** Everybody who trains today. */
  async today(clubId: string): Promise<TodayView> {
    const today = this.clock.today();
    return { today, sessions: await this.lifters.sessionsOn(clubId, today) };
  }

  /** The lifter of this club, or a 404 that does not tell a foreign lifter from none. */
  async profile(clubId: string, lifterId: string): Promise<LifterProfile> {
    const profile = await this.lifters.profile(clubId, lifterId, this.clock.today());
    if (!profile) throw notFound('lifter');
    return profile;
  }

  async sheet(clubId: string, lifterId: string): Promise<SheetView> {
    const profile = await this.profile(clubId, lifterId);
    const today = this.clock.today();
    const meet = profile.nextMeet;
    const thisWeek = startOfISOWeek(parseISO(today));
    const weeksAhead = Math.max(
      WEEKS_AHEAD,
      meet ? Math.ceil(differenceInCalendarDays(parseISO(meet.heldOn), thisWeek) / 7) + 1 : 0,
    );
    const from = day(addWeeks(thisWeek, -WEEKS_BACK));
    const to = day(addDays(addWeeks(thisWeek, weeksAhead), -1));
    const [marks, sessions, usualVenueId] = await Promise.all([
      this.lifters.seasonMarks(lifterId, from, to),
      this.lifters.seasonSessions(lifterId, from, to),
      this.lifters.usualVenue(lifterId, today),
    ]);
    const meets: SeasonMark[] = meet
      ? [{ id: null, kind: 'meet', label: meet.name, from: meet.heldOn, to: meet.heldOn }]
      : [];
    const next = sessions.find((session) => session.on >= today && !session.done);
    return {
      today,
      lifter: this.view(profile, usualVenueId),
      season: { from, to, marks: [...marks, ...meets], sessions },
      nextSessionId: next?.id ?? null,
    };
  }

  /** What the engine has to know about the lifter today. */
  forCalls({ lifter, history, hands, nextMeet }: LifterProfile): CallLifter {
    return {
      dominantHand: lifter.dominantHand,
      trainingMonths: this.trainingMonths(lifter.trainingSince),
      deadliftMax: lifter.deadliftMax,
      flags: history,
      hands,
      hookStage: lifter.hookStage,
      thresholds: lifter.thresholds,
      tightThighs: /large thighs/i.test(lifter.stance),
      ...(nextMeet && { nextEventStraps: nextMeet.straps }),
    };
  }

  /** What in the profile does not go together. */
  conflicts({ lifter, school, history, nextMeet }: LifterProfile): ProfileConflict[] {
    return profileConflicts({
      sport: lifter.sport,
      stance: lifter.stance,
      trainingMonths: this.trainingMonths(lifter.trainingSince),
      hookStage: lifter.hookStage,
      history,
      school,
      ...(nextMeet && { nextEventStraps: nextMeet.straps }),
    });
  }

  private view(profile: LifterProfile, usualVenueId: string | null): LifterView {
    const { lifter, history, hands, handsOn } = profile;
    const { id, name, summary } = profile.school;
    return {
      id: lifter.id,
      name: lifter.name,
      sport: lifter.sport,
      unit: lifter.unit,
      dominantHand: lifter.dominantHand,
      stance: lifter.stance,
      deadliftMax: lifter.deadliftMax,
      bestLifts: lifter.bestLifts,
      trainingMonths: this.trainingMonths(lifter.trainingSince),
      school: { id, name, summary },
      hookStage: lifter.hookStage,
      thresholds: lifter.thresholds,
      history,
      hands: { ...hands, on: handsOn },
      usualVenueId,
      conflicts: this.conflicts(profile),
      unanswered: lifter.unanswered,
    };
  }

  private trainingMonths(since: string): number {
    return Math.max(0, differenceInMonths(this.clock.now(), parseISO(since)));
  }
}
