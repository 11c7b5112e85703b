import { Injectable } from '@nestjs/common';
import { addDays, format } from 'date-fns';

/** The time, injectable so that tests choose it. */
@Injectable()
export class Clock {
  readonly #shiftDays: number;

  /** @param shiftDays whole days the process lives before or after the machine's own clock. */
  constructor(shiftDays = 0) {
    this.#shiftDays = shiftDays;
  }

  now(): Date {
    return addDays(new Date(), this.#shiftDays);
  }

  /** Today in the club's place, `YYYY-MM-DD`. The server runs at the club, so its own zone is the club's. */
  today(): string {
    return format(this.now(), 'yyyy-MM-dd');
  }
}
