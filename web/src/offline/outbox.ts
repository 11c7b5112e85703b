import type {
  EasingRequest,
  ExtraSetRequest,
  HandsCheckRequest,
  LoggedSetView,
  LogHoldRequest,
  LogSetRequest,
  SqueezeTestRequest,
} from '@iron-clasp/contract';

interface Entry {
  /** Made here; the server keeps one entry an id however often it is sent. */
  readonly id: string;
  readonly sessionId: string;
  readonly accountId: string;
  /** Why the server refused it; such an entry is kept until the person mends or drops it. */
  readonly refused?: string;
  /** What another device logged for the same set. */
  readonly other?: LoggedSetView;
}

/** A set as it was done; null where the one of this id is taken back, sent already or not. */
export type WaitingSet = Entry & { readonly kind: 'set'; readonly body: LogSetRequest | null };
/** A hold, likewise. */
export type WaitingHoldOrNot = Entry & { readonly kind: 'hold'; readonly body: LogHoldRequest | null };
export type WaitingHands = Entry & {
  readonly kind: 'hands';
  readonly lifterId: string;
  readonly body: HandsCheckRequest;
};

/** A squeeze test that opens the session. */
export type WaitingSqueeze = Entry & {
  readonly kind: 'squeeze';
  readonly lifterId: string;
  readonly body: SqueezeTestRequest;
};
/** The coach's word on the easier holds that a test proposes. */
export type WaitingEasing = Entry & {
  readonly kind: 'easing';
  readonly lifterId: string;
  readonly testId: string;
  readonly body: EasingRequest;
};

/** A set that the day adds to the session. */
export type WaitingExtra = Entry & { readonly kind: 'extra'; readonly body: ExtraSetRequest };

/** What the server has not acknowledged yet. */
export type Waiting =
  WaitingExtra | WaitingSet | WaitingHoldOrNot | WaitingHands | WaitingSqueeze | WaitingEasing;

type Store = Pick<Storage, 'getItem' | 'setItem'>;

/** Where entries wait in the browser's storage. */
export const OUTBOX_KEY = 'iron-clasp.outbox';

/** Entries on their way, kept on this device until the server has them: a reload or a dead battery loses nothing. */
export class Outbox {
  #store: Store;
  #listeners = new Set<() => void>();
  #seen: readonly Waiting[] = [];
  /** What the store said when it was last read or written: while it says the same, what was seen is what is there. */
  #stored: string | null = null;
  readonly #bySession = new Map<string, readonly Waiting[]>();
  /** True after the device had no room: then memory is the truth until a write goes through. */
  #unsaved = false;

  /** Is what waits only in this page, since the device has no room? */
  readonly unsaved = (): boolean => this.#unsaved;

  constructor(store: Store) {
    this.#store = store;
    this.#seen = this.#read();
  }

  /** Everything that waits, oldest first; the same list object until something changes. */
  readonly all = (): readonly Waiting[] => this.#seen;

  /** Those of one session and account, oldest first; the same list object until one of them changes. */
  readonly of = (sessionId: string, accountId: string): readonly Waiting[] => {
    const now = this.#seen.filter((each) => each.sessionId === sessionId && each.accountId === accountId);
    const key = `${sessionId} ${accountId}`;
    const before = this.#bySession.get(key);
    if (before?.length === now.length && before.every((each, i) => each === now[i])) return before;
    this.#bySession.set(key, now);
    return now;
  };

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

  refuse(id: string, why: string, other?: LoggedSetView): void {
    this.#write(
      this.#read().map((each) =>
        each.id === id ? { ...each, refused: why, ...(other && { other }) } : each,
      ),
    );
  }

  /** Lets ours stand against what another device logged: theirs is taken back first. */
  insist(id: string): void {
    const entry = this.#read().find((each) => each.id === id);
    if (!entry?.other) return;
    const { refused: _refused, other, ...ours } = entry;
    const { sessionId, accountId } = entry;
    const theirs: Waiting = { id: other.id, kind: 'set', sessionId, accountId, body: null };
    this.#write([...this.#read().filter((each) => each.id !== id), theirs, ours as Waiting]);
  }

  #read(): readonly Waiting[] {
    if (this.#unsaved) return this.#seen;
    try {
      const text = this.#store.getItem(OUTBOX_KEY);
      // Another tab may have written since; where none has, nothing is read anew.
      if (text !== null && text === this.#stored) return this.#seen;
      const stored: unknown = JSON.parse(text ?? '[]');
      this.#stored = text;
      this.#seen = Array.isArray(stored) ? stored.map(asWaiting) : [];
      return this.#seen;
    } catch {
      return [];
    }
  }

  #write(entries: readonly Waiting[]): void {
    this.#seen = entries;
    try {
      const text = JSON.stringify(entries);
      this.#store.setItem(OUTBOX_KEY, text);
      this.#stored = text;
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

/** Entries of an older version of the page were holds, every one. */
function asWaiting(stored: unknown): Waiting {
  return { kind: 'hold', ...(stored as object) } as Waiting;
}
