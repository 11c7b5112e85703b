import { Injectable } from '@nestjs/common';
import { addSeconds } from 'date-fns';

/** The time, injectable so that tests choose it. Which day it is depends on the club: see `Days`. */
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
}
