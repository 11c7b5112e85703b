import { Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import type { LiveEvent } from '@iron-clasp/contract';
import { filter, Subject, takeUntil, type Observable } from 'rxjs';

/** What happens on the floors of this server, as it happens. One process serves a club, so it need not leave it. */
@Injectable()
export class Live implements BeforeApplicationShutdown {
  readonly #events = new Subject<LiveEvent>();
  readonly #over = new Subject<void>();

  tell(event: LiveEvent): void {
    this.#events.next(event);
  }

  /** Events of the named sessions, until the server stops. */
  of(sessionIds: readonly string[]): Observable<LiveEvent> {
    return this.#events.pipe(
      filter((event) => sessionIds.includes(event.sessionId)),
      takeUntil(this.#over),
    );
  }

  /** Ends every stream, so that the server can stop. */
  beforeApplicationShutdown(): void {
    this.#over.next();
  }
}
