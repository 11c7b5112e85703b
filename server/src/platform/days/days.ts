import { Injectable } from '@nestjs/common';
import { Clock } from '../clock/clock.ts';
import { dayIn, type ClubRef } from './club-day.ts';

/** Which day it is at a club, by the injected clock and the club's own time zone. */
@Injectable()
export class Days {
  constructor(private readonly clock: Clock) {}

  /** Today at the club, `YYYY-MM-DD`. */
  today(club: ClubRef): string {
    return dayIn(club.timeZone, this.clock.now());
  }

  /** The club's day on which something happened. */
  dayOf(club: ClubRef, instant: Date): string {
    return dayIn(club.timeZone, instant);
  }
}
