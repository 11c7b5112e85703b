import { Injectable, Logger, type BeforeApplicationShutdown, type OnModuleInit } from '@nestjs/common';
import type { Subscription } from 'rxjs';
import { ClubsService } from '../../records/clubs/clubs.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { LogService, type LogChange } from '../../records/log/log.service.ts';
import { CurvesService } from './curves.service.ts';

/** How long a log has to be quiet before its curve is fitted anew, ms: a set is logged in a few taps. */
const QUIET_MS = 400;

/** Fits a lifter's curve when their log has changed, so that the next page reads it. */
@Injectable()
export class CurveKeeperService implements OnModuleInit, BeforeApplicationShutdown {
  readonly #logger = new Logger('curves');
  #listening: Subscription | null = null;
  #running: Promise<void> = Promise.resolve();
  /** Logs that are not quiet yet, by lifter. */
  readonly #waiting = new Map<string, NodeJS.Timeout>();

  constructor(
    private readonly log: LogService,
    private readonly clubs: ClubsService,
    private readonly lifters: LiftersService,
    private readonly curves: CurvesService,
  ) {}

  onModuleInit(): void {
    this.#listening = this.log.changes.subscribe((change) => {
      clearTimeout(this.#waiting.get(change.lifterId));
      const quiet = (): void => {
        this.#waiting.delete(change.lifterId);
        this.#running = this.#running.then(() => this.renew(change));
      };
      this.#waiting.set(change.lifterId, setTimeout(quiet, QUIET_MS));
    });
  }

  async beforeApplicationShutdown(): Promise<void> {
    this.#listening?.unsubscribe();
    for (const timer of this.#waiting.values()) clearTimeout(timer);
    await this.#running;
  }

  /** A fit that fails here fails again where a page asks for it, and is told there. */
  private async renew({ clubId, lifterId }: LogChange): Promise<void> {
    try {
      const lifter = await this.lifters.find(clubId, lifterId);
      if (!lifter) return;
      const club = await this.clubs.byId(clubId);
      await this.curves.moving(lifter, await this.curves.observations(club, lifter));
    } catch (error) {
      this.#logger.warn(`The curve of ${lifterId} was not kept: ${String(error)}`);
    }
  }
}
