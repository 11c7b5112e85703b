import { Injectable } from '@nestjs/common';
import { handsOn } from '@iron-clasp/core';
import type { OwnDayView } from '@iron-clasp/contract';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { Days } from '../../platform/days/days.ts';
import { ClubService } from '../club/club.service.ts';
import { daySession } from './day-words.ts';
import { TodayService } from './today.service.ts';
import { DAYS_AHEAD, WeekAheadService } from './week-ahead.service.ts';

/** How far back a coach's word is shown, days. */
const NOTE_DAYS = 21;

/** One lifter's day, as they see it themselves. */
@Injectable()
export class OwnDayService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly training: TrainingService,
    private readonly meets: MeetsService,
    private readonly checks: HandsChecksService,
    private readonly club: ClubService,
    private readonly today: TodayService,
    private readonly week: WeekAheadService,
    private readonly days: Days,
  ) {}

  async view(club: ClubRef, lifterId: string): Promise<OwnDayView> {
    const lifter = await this.lifters.known(club.id, lifterId);
    const today = this.days.today(club);
    const [ahead, before, next, meets, check, findings] = await Promise.all([
      this.training.between(lifterId, today, shiftDay(today, DAYS_AHEAD - 1)),
      this.training.between(lifterId, shiftDay(today, -NOTE_DAYS), today),
      this.training.next(lifterId, today),
      this.meets.nextOf([lifterId], today),
      this.checks.latestOne(lifterId),
      this.club.findingsOf(club, [lifter]),
    ]);
    const open = ahead.filter((session) => session.heldOn === today && !session.finished);
    const shown = open.length > 0 ? open : next && !next.finished ? [next] : [];
    const [called, week] = await Promise.all([
      this.today.called(club, shown),
      this.week.of(today, [lifter], ahead, meets),
    ]);
    const { hands, checkedOn, stale } = handsOn(
      check ? [{ on: check.checkedOn, hands: check.hands }] : [],
      today,
    );
    const mind = findings[0]?.findings ?? [];
    const told = before.filter((session) => session.noteToLifter).at(-1);
    const meet = meets.get(lifterId);
    return {
      today,
      sessions: called.map((each) => ({ ...daySession(each, mind[0]), on: each.facts.session.heldOn })),
      ...{ hands, handsOn: checkedOn ?? null, handsStale: stale },
      // What only the staff settle is not a lifter's to do.
      mind: mind
        .filter(({ step }) => step !== 'profile')
        .map(({ level, text, step }) => ({ level, text, step })),
      note: told ? { on: told.heldOn, title: told.title, text: told.noteToLifter! } : null,
      week,
      meet: meet ? { name: meet.name, days: daysBetween(today, meet.heldOn) } : null,
    };
  }
}
