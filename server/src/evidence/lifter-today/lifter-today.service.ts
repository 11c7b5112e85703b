import { Injectable } from '@nestjs/common';
import { SOUND_HAND, type HandsToday, type School } from '@iron-clasp/core';
import type { KnownHistory } from '@iron-clasp/contract';
import { shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type { Meet } from '../../records/meets/meet.entity.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import { SchoolsService } from '../../records/schools/schools.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';

/** A lifter with everything a call has to know about the person, on a day. */
export interface LifterProfile {
  readonly lifter: Lifter;
  /** The school the lifter follows: of the practice book, or the club's own copy. */
  readonly school: School;
  readonly history: readonly KnownHistory[];
  /** As the latest check saw them; sound where nobody has looked, see `handsOn`. */
  readonly hands: HandsToday;
  /** Day of that check; null where nobody has looked. */
  readonly handsOn: string | null;
  readonly nextMeet: Meet | null;
  /** The club's day that all of this is of. */
  readonly today: string;
}

/** What stands for hands that nobody has looked at: nothing is barred, and the pages say that nobody looked. */
export const UNCHECKED_HANDS: HandsToday = { left: SOUND_HAND, right: SOUND_HAND };

/** Sessions of this many days back say where a lifter usually trains. */
const USUAL_VENUE_DAYS = 90;

@Injectable()
export class LifterTodayService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly schools: SchoolsService,
    private readonly checks: HandsChecksService,
    private readonly meets: MeetsService,
    private readonly training: TrainingService,
    private readonly kit: KitService,
    private readonly days: Days,
  ) {}

  /** The lifter of this club, or a 404 that does not tell a foreign lifter from none. */
  async profile(club: ClubRef, lifterId: string): Promise<LifterProfile> {
    const lifter = await this.lifters.known(club.id, lifterId);
    const today = this.days.today(club);
    const [school, history, check, meets] = await Promise.all([
      this.schools.followed(lifter),
      this.lifters.history(lifterId),
      this.checks.latestOne(lifterId),
      this.meets.nextOf([lifterId], today),
    ]);
    return {
      ...{ lifter, school, history, today },
      hands: check?.hands ?? UNCHECKED_HANDS,
      handsOn: check?.checkedOn ?? null,
      nextMeet: meets.get(lifterId) ?? null,
    };
  }

  /** The venue of most of the lifter's sessions of the last quarter and the coming weeks; null where there are none. */
  async usualVenue(club: ClubRef, lifterId: string): Promise<string | null> {
    const since = shiftDay(this.days.today(club), -USUAL_VENUE_DAYS);
    const [venues, inUse] = await Promise.all([
      this.training.venuesSince(lifterId, since),
      this.kit.venues(club.id),
    ]);
    return venues.find((id) => inUse.some((venue) => venue.id === id)) ?? null;
  }
}
