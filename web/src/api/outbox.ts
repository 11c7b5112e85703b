import type { LogHoldRequest } from '@iron-clasp/contract';

/** A hold, or the taking back of one, that the server has not acknowledged yet. */
export interface Waiting {
  /** Made here; the server keeps one entry an id however often it is sent. */
  readonly id: string;
  readonly sessionId: string;
  readonly accountId: string;
  /** What was done; null where the hold of this id is taken back, sent already or not. */
  readonly body: LogHoldRequest | null;
  /** Why the server refused it; such an entry is kept until the person mends or drops it. */
  readonly refused?: string;
}

/** A waiting hold, as against the taking back of one. */
export type WaitingHold = Waiting & { readonly body: LogHoldRequest };

export function isHold(entry: Waiting): entry is WaitingHold {
  return entry.body !== null;
}

type Store = Pick<Storage, 'getItem' | 'setItem'>;

const KEY = 'iron-clasp.outbox';

/** Entries on their way, kept on this device until the server has them: a reload or a dead battery loses nothing. */
export class Outbox {
  #store: Store;
  #listeners = new Set<() => void>();
  #seen: readonly Waiting[];
  /** True after the device had no room: then memory is the truth until a write goes through. */
  #unsaved = false;

  constructor(store: Store) {
    this.#store = store;
    this.#seen = this.#read();
  }

  /** Everything that waits, oldest first; the same list object until something changes. */
  readonly all = (): readonly Waiting[] => this.#seen;

  /** Calls back after every change; returns how to stop. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** Reads the store again: another tab may have written. */
  refresh(): void {
    this.#seen = this.#read();
    this.#tell();
  }

  add(entry: Waiting): void {
    this.#write([...this.#read().filter((each) => each.id !== entry.id), entry]);
  }

  /** Lets go of an entry that the server has, unless it was taken back meanwhile: that still has to be sent. */
  acknowledge({ id, body }: Waiting): void {
    this.#write(this.#read().filter((each) => each.id !== id || (body !== null && each.body === null)));
  }

  remove(id: string): void {
    this.#write(this.#read().filter((each) => each.id !== id));
  }

  refuse(id: string, why: string): void {
    this.#write(this.#read().map((each) => (each.id === id ? { ...each, refused: why } : each)));
  }

  #read(): readonly Waiting[] {
    if (this.#unsaved) return this.#seen;
    try {
      const stored: unknown = JSON.parse(this.#store.getItem(KEY) ?? '[]');
      return Array.isArray(stored) ? (stored as Waiting[]) : [];
    } catch {
      return [];
    }
  }

  #write(entries: readonly Waiting[]): void {
    this.#seen = entries;
    try {
      this.#store.setItem(KEY, JSON.stringify(entries));
      this.#unsaved = false;
    } catch {
      // The device’s storage is full: the entry still goes to the server while this page is open.
      this.#unsaved = true;
    }
    this.#tell();
  }

  #tell(): void {
    for (const listener of this.#listeners) listener();
  }
}
