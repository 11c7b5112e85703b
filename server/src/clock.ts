import { Injectable } from '@nestjs/common';
import { addSeconds, format } from 'date-fns';

/** The time, injectable so that tests choose it. */
@Injectable()
export class Clock {
  readonly #shiftSeconds: number;

  /** @param shiftSeconds by how much the process lives after (or, negative, before) the machine's own clock. */
  constructor(shiftSeconds = 0) {
    this.#shiftSeconds = shiftSeconds;
  }

  now(): Date {
    return addSeconds(new Date(), this.#shiftSeconds);
  }

  /** Today in the club's place, `YYYY-MM-DD`. The server runs at the club, so its own zone is the club's. */
  today(): string {
    return format(this.now(), 'yyyy-MM-dd');
  }
}
