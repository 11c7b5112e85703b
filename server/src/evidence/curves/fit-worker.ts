import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import type { BackTestTally, FitOptions, HoldObservation, HoldTrial, MovingCurve } from '@iron-clasp/core';
import { BUILT_FOLDER, IS_BUILT } from '../../platform/config/built.ts';
import { workOut, type Answer, type Asked, type Found, type Job, type Question } from './fit-jobs.ts';

interface Waiting {
  readonly resolve: (found: unknown) => void;
  readonly reject: (error: unknown) => void;
}

/** An entry of its own beside the server's; while the tests run from the sources there is none. */
const FILE = join(BUILT_FOLDER, 'fit.worker.js');

/** Works curves out in threads beside the server. Fits do not wait for back-tests, which take as long as many fits. */
@Injectable()
export class FitWorker implements OnApplicationShutdown {
  readonly #fits = new Thread();
  readonly #backTests = new Thread();

  fit(observations: readonly HoldObservation[], options: FitOptions): Promise<MovingCurve> {
    return this.#fits.ask('fitMovingCurve', [observations, options]);
  }

  backTest(
    observations: readonly HoldObservation[],
    trials: readonly HoldTrial[],
    options: FitOptions,
    weeks: number,
  ): Promise<BackTestTally> {
    return this.#backTests.ask('backTest', [observations, trials, options, weeks]);
  }

  async onApplicationShutdown(): Promise<void> {
    await Promise.all([this.#fits.end(), this.#backTests.end()]);
  }
}

/** One thread, started at the first question and again where it died. */
class Thread {
  #worker: Worker | null = null;
  #next = 0;
  readonly #waiting = new Map<number, Waiting>();

  async ask<Name extends Job>(job: Name, args: Asked<Name>): Promise<Found<Name>>;
  async ask(job: Job, args: readonly unknown[]): Promise<unknown> {
    if (!IS_BUILT) return workOut({ job, args });
    const number = this.#next++;
    return new Promise((resolve, reject) => {
      this.#waiting.set(number, { resolve, reject });
      const question: Question = { number, job, args };
      this.#thread().postMessage(question);
    });
  }

  async end(): Promise<void> {
    await this.#worker?.terminate();
  }

  #thread(): Worker {
    if (this.#worker) return this.#worker;
    const worker = new Worker(FILE);
    // The server may end while a fit goes on: it is found again when it is next asked for.
    worker.unref();
    worker.on('message', ({ number, found, fault }: Answer) => {
      const waiting = this.#waiting.get(number);
      this.#waiting.delete(number);
      if (fault === undefined) waiting?.resolve(found);
      else waiting?.reject(new Error(fault));
    });
    const fail = (error: unknown): void => {
      if (this.#worker === worker) this.#worker = null;
      for (const { reject } of this.#waiting.values()) reject(error);
      this.#waiting.clear();
    };
    worker.on('error', fail);
    worker.on('exit', () => fail(new Error('The fit was stopped.')));
    this.#worker = worker;
    return worker;
  }
}
