import { Injectable, Logger, type BeforeApplicationShutdown } from '@nestjs/common';
import type { LiveEvent } from '@iron-clasp/contract';
import { filter, from, merge, mergeAll, Subject, takeUntil, type Observable } from 'rxjs';
import { Bus } from '../../platform/bus/bus.ts';
import { LaneStandsService } from '../../records/lane-stands/lane-stands.service.ts';

const TOPIC = 'live';

/** What happens on the floors of the club, as it happens, whichever process of the server it comes to. */
@Injectable()
export class Live implements BeforeApplicationShutdown {
  readonly #events = new Subject<LiveEvent>();
  readonly #over = new Subject<void>();
  readonly #log = new Logger('Live');

  constructor(
    private readonly bus: Bus,
    private readonly stands: LaneStandsService,
  ) {
    bus.heard<LiveEvent>(TOPIC).pipe(takeUntil(this.#over)).subscribe(this.#events);
  }

  /** Tells whoever follows, here and at every other process. What was kept is kept, whether or not it can be told. */
  async tell(event: LiveEvent): Promise<void> {
    this.#events.next(event);
    try {
      if (event.kind === 'stands') await this.stands.keep(event);
      if (event.kind === 'finished') await this.stands.forget(event.sessionId);
      await this.bus.tell(TOPIC, event);
    } catch (error) {
      this.#log.warn(error instanceof Error ? error.message : String(error));
    }
  }

  /** Where the named sessions stand, then their events, until the server stops. */
  of(sessionIds: readonly string[]): Observable<LiveEvent> {
    const now = from(this.stands.of(sessionIds)).pipe(mergeAll());
    // Listened to from the start: what happens while the stands are read is not missed.
    return merge(now, this.#events.pipe(filter((event) => sessionIds.includes(event.sessionId)))).pipe(
      takeUntil(this.#over),
    );
  }

  /** Ends every stream, so that the server can stop. */
  beforeApplicationShutdown(): void {
    this.#over.next();
  }
}
