import { Injectable, type OnModuleDestroy, type OnModuleInit } from '@nestjs/common';
import type { ImportProgress } from '@iron-clasp/contract';
import type { Subscription } from 'rxjs';
import { Bus } from '../../platform/bus/bus.ts';

interface Told extends ImportProgress {
  readonly clubId: string;
  readonly id: string;
}

const TOPIC = 'import';
/** Imports of which it is remembered how far they came. */
const MOST = 100;

/** How far imports have come, whichever process does them. */
@Injectable()
export class ImportsUnderWay implements OnModuleInit, OnModuleDestroy {
  readonly #told = new Map<string, Told>();
  #heard: Subscription | undefined;

  constructor(private readonly bus: Bus) {}

  onModuleInit(): void {
    this.#heard = this.bus.heard<Told>(TOPIC).subscribe((told) => this.#keep(told));
  }

  onModuleDestroy(): void {
    this.#heard?.unsubscribe();
  }

  tell(clubId: string, id: string, done: number, of: number): void {
    const told = { clubId, id, done, of };
    this.#keep(told);
    void this.bus.tell(TOPIC, told);
  }

  /** Null where nothing was told of it. */
  of(clubId: string, id: string): ImportProgress | null {
    const told = this.#told.get(`${clubId} ${id}`);
    return told ? { done: told.done, of: told.of } : null;
  }

  #keep(told: Told): void {
    const key = `${told.clubId} ${told.id}`;
    // The one told of last stands last.
    this.#told.delete(key);
    this.#told.set(key, told);
    for (const oldest of this.#told.keys()) {
      if (this.#told.size <= MOST) break;
      this.#told.delete(oldest);
    }
  }
}
