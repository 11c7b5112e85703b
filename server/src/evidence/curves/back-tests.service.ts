import { Injectable, Logger, type BeforeApplicationShutdown } from '@nestjs/common';
import type { BackTestTally } from '@iron-clasp/core';
import { Clock } from '../../platform/clock/clock.ts';
import { daysBetween, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { KeptCurvesService } from '../../records/kept-curves/kept-curves.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { plain, printOf } from './curve-fits.service.ts';
import { CurvesService, fitOptions } from './curves.service.ts';
import { FitWorker } from './fit-worker.ts';

/** Weeks that are foretold once more. */
const WEEKS = 26;
/** A club's back-tests are worked out anew when they are this old, ms: each takes about a second. */
const RENEWED_AFTER = 7 * 86_400_000;

/** A lifter's back-test as it is kept. */
interface Kept {
  readonly tally: BackTestTally | null;
  /** False while it is worked out anew. */
  readonly fresh: boolean;
}

/** Back-tests of curves: read where they are kept, and worked out beside the server, one lifter after the other. */
@Injectable()
export class BackTestsService implements BeforeApplicationShutdown {
  readonly #logger = new Logger('back-tests');
  #running: Promise<void> = Promise.resolve();
  readonly #waiting = new Set<string>();
  #ending = false;

  constructor(
    private readonly curves: CurvesService,
    private readonly kept: KeptCurvesService,
    private readonly worker: FitWorker,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  /** What is kept of a lifter; where the log has changed since, the next one is begun. */
  async of(club: ClubRef, lifter: Lifter): Promise<Kept> {
    const [found, observations] = await Promise.all([
      this.kept.findBackTest(lifter.id),
      this.curves.observations(club, lifter),
    ]);
    const fresh = found?.fingerprint === this.fingerprint(club, printOf(observations, fitOptions(lifter)));
    if (!fresh) this.begin(club, lifter);
    return { tally: found?.tally ?? null, fresh };
  }

  /** What is kept of each of the club's lifters; those that have none, or an old one, are begun. */
  async ofAll(club: ClubRef, lifters: readonly Lifter[]): Promise<ReadonlyMap<string, Kept>> {
    const kept = new Map((await this.kept.backTestsOf(club.id)).map((each) => [each.lifterId, each]));
    const oldest = this.clock.now().getTime() - RENEWED_AFTER;
    return new Map(
      lifters.map((lifter): [string, Kept] => {
        const found = kept.get(lifter.id);
        const fresh = found !== undefined && found.madeAt.getTime() >= oldest;
        if (!fresh) this.begin(club, lifter);
        return [lifter.id, { tally: found?.tally ?? null, fresh }];
      }),
    );
  }

  async beforeApplicationShutdown(): Promise<void> {
    this.#ending = true;
    await this.#running;
  }

  private begin(club: ClubRef, lifter: Lifter): void {
    if (this.#waiting.has(lifter.id)) return;
    this.#waiting.add(lifter.id);
    this.#running = this.#running.then(async () => {
      if (!this.#ending) await this.make(club, lifter);
      this.#waiting.delete(lifter.id);
    });
  }

  /** One that fails is begun again when it is next asked for. */
  private async make(club: ClubRef, lifter: Lifter): Promise<void> {
    try {
      const options = fitOptions(lifter);
      const observations = await this.curves.observations(club, lifter);
      const trials = await this.curves.trials(club, lifter);
      const tally = await this.worker.backTest(plain(observations), trials, options, WEEKS);
      await this.kept.keepBackTest({
        ...{ lifterId: lifter.id, clubId: lifter.clubId, tally, madeAt: this.clock.now() },
        fingerprint: this.fingerprint(club, printOf(observations, options)),
      });
    } catch (error) {
      if (!this.#ending) this.#logger.warn(`The back-test of ${lifter.id} was not kept: ${String(error)}`);
    }
  }

  /** The weeks are counted back from today: a new week is another test of the same log. */
  private fingerprint(club: ClubRef, print: string): string {
    const week = Math.floor(daysBetween('1970-01-01', this.days.today(club)) / 7);
    return `back-test-1 ${print} ${week}`;
  }
}
