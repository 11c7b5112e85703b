import { Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import type { LiveEvent } from '@iron-clasp/contract';
import { filter, startWith, Subject, takeUntil, type Observable } from 'rxjs';

/** Lanes whose place is remembered. */
const MOST_REMEMBERED = 500;

/** What happens on the floors of this server, as it happens. One process serves a club, so it need not leave it. */
@Injectable()
export class Live implements BeforeApplicationShutdown {
  readonly #events = new Subject<LiveEvent>();
  readonly #over = new Subject<void>();

  /** Where each lane stood last, for whoever begins to follow; the oldest are let go. */
  readonly #stands = new Map<string, LiveEvent>();

  tell(event: LiveEvent): void {
    const { sessionId } = event;
    if (event.kind === 'stands' || event.kind === 'finished') this.#stands.delete(sessionId);
    if (event.kind === 'stands') this.#stands.set(sessionId, event);
    if (this.#stands.size > MOST_REMEMBERED) this.#stands.delete([...this.#stands.keys()][0]!);
    this.#events.next(event);
  }

  /** Where the named sessions stand, then their events, until the server stops. */
  of(sessionIds: readonly string[]): Observable<LiveEvent> {
    const now = sessionIds.flatMap((id) => this.#stands.get(id) ?? []);
    return this.#events.pipe(
      filter((event) => sessionIds.includes(event.sessionId)),
      startWith(...now),
      takeUntil(this.#over),
    );
  }

  /** Ends every stream, so that the server can stop. */
  beforeApplicationShutdown(): void {
    this.#over.next();
  }
}
