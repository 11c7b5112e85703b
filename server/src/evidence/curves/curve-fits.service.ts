import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import {
  fitMovingCurve,
  type CurveScales,
  type FitOptions,
  type HoldObservation,
  type MovingCurve,
} from '@iron-clasp/core';
import { LRUCache } from 'lru-cache';
import { Clock } from '../../platform/clock/clock.ts';
import { FitWorker } from './fit-worker.ts';
import { KeptCurvesService } from '../../records/kept-curves/kept-curves.service.ts';

/** Whose curve is fitted. */
interface Owner {
  readonly id: string;
  readonly clubId: string;
}

/** Fits and scales remembered by this process: a club's lifters, each with a few sessions under way. */
const REMEMBERED = 2000;

/**
 * Fits moving curves once. A fit is known again by the rows and figures that it rests on, so that none is ever read for another
 * log; whole logs are kept in the database, where every process and the next start find them.
 */
@Injectable()
export class CurveFitsService {
  readonly #fits = new LRUCache<string, MovingCurve>({ max: REMEMBERED });
  readonly #scales = new LRUCache<string, CurveScales>({ max: REMEMBERED });
  /** What is being found out just now: whoever asks for the same waits for the same. */
  readonly #running = new Map<string, Promise<MovingCurve>>();

  constructor(
    private readonly kept: KeptCurvesService,
    private readonly clock: Clock,
    private readonly worker: FitWorker,
  ) {}

  /** The curve of the whole log, read where it is kept, else fitted and kept. */
  async ofLog(
    owner: Owner,
    observations: readonly HoldObservation[],
    options: FitOptions,
  ): Promise<MovingCurve> {
    const prints = printsOf(observations, options);
    const remembered = this.#fits.get(prints.all);
    if (remembered) return aged(remembered, prints.newest);
    const running = this.#running.get(prints.all);
    if (running) return aged(await running, prints.newest);
    const found = this.#readOrFit(owner, observations, options, prints);
    this.#running.set(prints.all, found);
    try {
      return aged(await found, prints.newest);
    } finally {
      this.#running.delete(prints.all);
    }
  }

  /** Aged from the latest day of the log. */
  async #readOrFit(
    owner: Owner,
    observations: readonly HoldObservation[],
    options: FitOptions,
    prints: Prints,
  ): Promise<MovingCurve> {
    const family = options.family ?? 'support';
    const row = await this.kept.find(owner.id, family);
    if (row?.scalesFingerprint === prints.past) this.#scales.set(prints.past, row.curve.fit.scales);
    if (row?.fingerprint === prints.all) {
      this.#fits.set(prints.all, row.curve);
      return row.curve;
    }
    const scales = this.#scales.get(prints.past);
    const fitted = await this.worker.fit(plain(observations), { ...options, ...(scales && { scales }) });
    const curve = this.#remember(fitted, prints);
    await this.kept.keep({
      ...{ lifterId: owner.id, clubId: owner.clubId, family, rows: curve.evidence.observations },
      ...{ fingerprint: prints.all, scalesFingerprint: prints.past, curve },
      fittedAt: this.clock.now(),
    });
    return curve;
  }

  /** The curve of some rows, as a part of a log; remembered, not kept. */
  of(observations: readonly HoldObservation[], options: FitOptions): MovingCurve {
    const prints = printsOf(observations, options);
    const remembered = this.#fits.get(prints.all);
    if (remembered) return aged(remembered, prints.newest);
    const scales = this.#scales.get(prints.past);
    const curve = fitMovingCurve(observations, { ...options, ...(scales && { scales }) });
    this.#remember(curve, prints);
    return curve;
  }

  #remember(curve: MovingCurve, { all, past, newest }: Prints): MovingCurve {
    const kept = aged(curve, -newest);
    this.#scales.set(past, curve.fit.scales);
    this.#fits.set(all, kept);
    return kept;
  }
}

/** What a fit rests on, and the age of the latest row, days. */
interface Prints {
  readonly all: string;
  readonly past: string;
  readonly newest: number;
}

/** Of a log and what its fit starts from, whatever the day on which it is asked. */
export const printOf = (observations: readonly HoldObservation[], options: FitOptions): string =>
  printsOf(observations, options).all;

/** Only what a fit reads: rows of the log carry more, and all of it would travel to the worker. */
export function plain(observations: readonly HoldObservation[]): HoldObservation[] {
  return observations.map((each) => ({
    ...{ load: each.load, seconds: each.seconds, ended: each.ended },
    ...(each.within && { within: each.within }),
    ...(each.ageDays !== undefined && { ageDays: each.ageDays }),
    ...(each.grip && { grip: each.grip }),
    ...(each.chalk && { chalk: each.chalk }),
    ...(each.position && { position: each.position }),
    ...(each.diameter !== undefined && { diameter: each.diameter }),
    ...(each.earlierHolds !== undefined && { earlierHolds: each.earlierHolds }),
    ...(each.hand && { hand: each.hand }),
    ...(each.sweat !== undefined && { sweat: each.sweat }),
    ...(each.times !== undefined && { times: each.times }),
    ...(each.weight !== undefined && { weight: each.weight }),
    ...(each.best && { best: each.best }),
  }));
}

/** Prints of the logs that are remembered: every page of a lifter asks for the same. */
const printed = new WeakMap<readonly HoldObservation[], Map<string, Prints>>();

/** What a fit rests on, said without the day on which it is asked: the same log is the same tomorrow. */
function printsOf(observations: readonly HoldObservation[], options: FitOptions): Prints {
  const { referenceLoad, family = 'support', handLength } = options;
  const start = `${FORMAT} ${family} ${referenceLoad} ${handLength ?? ''}`;
  const ofLog = printed.get(observations) ?? new Map<string, Prints>();
  printed.set(observations, ofLog);
  const known = ofLog.get(start) ?? readPrints(observations, start);
  ofLog.set(start, known);
  return known;
}

function readPrints(observations: readonly HoldObservation[], start: string): Prints {
  const ages = observations.map(({ ageDays = 0 }) => ageDays);
  const base = leastOf(ages);
  const pastBase = leastOf(ages.filter((age) => age > 0));
  const all = createHash('sha1').update(start);
  const past = createHash('sha1').update(start);
  // What was logged today has no say in the scales.
  all.update(base === 0 ? 'today' : 'before');
  observations.forEach((each, i) => {
    const { load, seconds, ended, within, grip, chalk, position, diameter, earlierHolds } = each;
    const { hand, sweat, times, weight, best } = each;
    const rest = `${load} ${seconds} ${ended} ${within?.join() ?? ''} ${grip} ${chalk} ${position} ${diameter} ${earlierHolds} ${hand} ${sweat} ${times} ${weight} ${best}`;
    all.update(`${ages[i]! - base} ${rest}\n`);
    if (ages[i]! > 0) past.update(`${ages[i]! - pastBase} ${rest}\n`);
  });
  return { all: all.digest('hex'), past: past.digest('hex'), newest: base };
}

const leastOf = (ages: readonly number[]): number =>
  ages.length === 0 ? 0 : ages.reduce((least, age) => Math.min(least, age));

/** Of the fit itself: another way of fitting makes every kept curve another one. */
const FORMAT = 'moving-3';

/** The same curve seen some days later. */
function aged(curve: MovingCurve, days: number): MovingCurve {
  if (days === 0) return curve;
  const shifted = curve.fit.days.map((day) => ({ ...day, ageDays: day.ageDays + days }));
  return { ...curve, fit: { ...curve.fit, days: shifted } };
}
