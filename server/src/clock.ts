import { Injectable } from '@nestjs/common';
import { format } from 'date-fns';

/** The time, injectable so that tests choose it. */
@Injectable()
export class Clock {
  now(): Date {
    return new Date();
  }

  /** Today in the club's place, `YYYY-MM-DD`. The server runs at the club, so its own zone is the club's. */
  today(): string {
    return format(this.now(), 'yyyy-MM-dd');
  }
}
