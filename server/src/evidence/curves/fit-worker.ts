import { Worker } from 'node:worker_threads';
import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { fitMovingCurve, type FitOptions, type HoldObservation, type MovingCurve } from '@iron-clasp/core';

export interface FitQuestion {
  readonly number: number;
  readonly observations: readonly HoldObservation[];
  readonly options: FitOptions;
}

export interface FitAnswer {
  readonly number: number;
  readonly curve: MovingCurve;
}

interface Waiting {
  readonly resolve: (curve: MovingCurve) => void;
  readonly reject: (error: unknown) => void;
}

/** Built beside this file; while the tests run from the sources there is none. */
const BUILT = import.meta.url.endsWith('.js');
const FILE = new URL('./fit.worker.js', import.meta.url);

/** Fits in a thread of its own, started at the first question and again where it died. */
@Injectable()
export class FitWorker implements OnApplicationShutdown {
  #worker: Worker | null = null;
  #next = 0;
  readonly #waiting = new Map<number, Waiting>();

  fit(observations: readonly HoldObservation[], options: FitOptions): Promise<MovingCurve> {
    if (!BUILT) return Promise.resolve(fitMovingCurve(observations, options));
    const number = this.#next++;
    return new Promise((resolve, reject) => {
      this.#waiting.set(number, { resolve, reject });
      const question: FitQuestion = { number, observations, options };
      this.#thread().postMessage(question);
    });
  }

  async onApplicationShutdown(): Promise<void> {
    await this.#worker?.terminate();
  }

  #thread(): Worker {
    if (this.#worker) return this.#worker;
    const worker = new Worker(FILE);
    // The server may end while a fit goes on: it is found again when it is next asked for.
    worker.unref();
    worker.on('message', ({ number, curve }: FitAnswer) => {
      this.#waiting.get(number)?.resolve(curve);
      this.#waiting.delete(number);
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
