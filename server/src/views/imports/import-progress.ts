import { Injectable } from '@nestjs/common';
import type { ImportProgress } from '@iron-clasp/contract';
import { filter, map, merge, Subject, type Observable } from 'rxjs';
import { Bus } from '../../platform/bus/bus.ts';

interface Told extends ImportProgress {
  readonly clubId: string;
  readonly id: string;
}

const TOPIC = 'import';

/** How far imports under way have come, whichever process does them. */
@Injectable()
export class ImportsUnderWay {
  readonly #here = new Subject<Told>();

  constructor(private readonly bus: Bus) {}

  tell(clubId: string, id: string, done: number, of: number): void {
    const told = { clubId, id, done, of };
    this.#here.next(told);
    void this.bus.tell(TOPIC, told);
  }

  of(clubId: string, id: string): Observable<ImportProgress> {
    return merge(this.#here, this.bus.heard<Told>(TOPIC)).pipe(
      filter((told) => told.clubId === clubId && told.id === id),
      map(({ done, of }) => ({ done, of })),
    );
  }
}
