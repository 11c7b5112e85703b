import { Injectable, type OnModuleDestroy, type OnModuleInit } from '@nestjs/common';
import type { ImportProgress } from '@iron-clasp/contract';
import { LRUCache } from 'lru-cache';
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
  readonly #told = new LRUCache<string, ImportProgress>({ max: MOST });
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
    return this.#told.get(`${clubId} ${id}`) ?? null;
  }

  #keep({ clubId, id, done, of }: Told): void {
    this.#told.set(`${clubId} ${id}`, { done, of });
  }
}
