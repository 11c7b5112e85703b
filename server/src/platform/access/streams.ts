import { Injectable, type MessageEvent } from '@nestjs/common';
import type { Request } from 'express';
import {
  concatMap,
  defer,
  finalize,
  interval,
  map,
  merge,
  filter,
  share,
  Subject,
  takeUntil,
  throwError,
  type Observable,
} from 'rxjs';
import { Problem } from '../http/problem.ts';
import type { SignedInRequest } from './guard.ts';
import { WhoAsks } from './who-asks.ts';

/** Streams that one account may hold open: a tablet, a laptop and a wall, with some to spare. */
export const MOST_STREAMS = 12;
/** Ways on the network drop a stream that is silent for long; at each beat the sign-in is looked at again, ms. */
export const HEARTBEAT = 15_000;

/** Server-sent events for whoever is signed in: so many an account, and none past the end of the sign-in. */
@Injectable()
export class Streams {
  readonly #open = new Map<string, number>();
  /** Told by tests that cannot wait for a beat. */
  beat = HEARTBEAT;

  constructor(private readonly asks: WhoAsks) {}

  /** The events, with beats between, until whoever follows is signed out, is archived, or lets go. */
  follow<Data extends object>(request: Request, events: Observable<Data>): Observable<MessageEvent> {
    const { signedIn } = request as SignedInRequest;
    const account = signedIn!.account.id;
    return defer(() => {
      const open = this.#open.get(account) ?? 0;
      if (open >= MOST_STREAMS)
        return throwError(
          () =>
            new Problem(
              429,
              'too-many-streams',
              'Too many screens follow with this account. Close one, then try again.',
            ),
        );
      this.#open.set(account, open + 1);
      const beats = interval(this.beat).pipe(
        concatMap(() => this.asks.still(request)),
        share(),
      );
      const over = beats.pipe(filter((still) => still === null));
      const done = new Subject<void>();
      return merge(
        events.pipe(
          map((data): MessageEvent => ({ data })),
          finalize(() => done.next()),
        ),
        beats.pipe(
          map((): MessageEvent => ({ type: 'beat', data: '' })),
          takeUntil(done),
        ),
      ).pipe(
        takeUntil(over),
        finalize(() => this.#open.set(account, (this.#open.get(account) ?? 1) - 1)),
      );
    });
  }
}
