import { openDB, type IDBPDatabase, type IDBPObjectStore } from 'idb';

/** A request that waits on this device until the server has answered it. */
export interface Queued {
  /** Made here; the server keeps one entry an id however often it is sent. */
  readonly id: string;
  /** Within a scope the order in which entries were made is kept: one session's. */
  readonly scope: string;
  readonly accountId: string;
  readonly method: 'PUT' | 'DELETE';
  /** Of the API, as `/sessions/…`. */
  readonly path: string;
  readonly body: object | null;
  /** Why the server refused it; such an entry is kept until the person mends or drops it. */
  readonly refused?: string;
}

/** As it lies on the device, with its place in the order. */
interface Stored<Entry> {
  readonly entry: Entry;
  readonly place: number;
}
type Shelf = IDBPObjectStore<unknown, ['waiting'], 'waiting', 'readwrite'>;

/** One change: to what is seen at once, and to what lies on the device a moment later. */
interface Change<Entry> {
  readonly seen: (entries: readonly Entry[]) => readonly Entry[];
  readonly keep: (shelf: Shelf) => Promise<unknown>;
}

/** What tells other tabs that something changed. */
export type Channel = Pick<BroadcastChannel, 'postMessage' | 'addEventListener'>;

const SHELF = 'waiting';

/**
 * Requests on their way, in the device's own database until the server has them: a reload or a dead battery loses nothing.
 * A change is seen at once and on the device a moment later; where the device has no room, it stays in the page and is tried
 * again with the next change. Every tab has the same entries.
 */
export class Queue<Entry extends Queued> {
  readonly #name: string;
  readonly #channel: Channel;
  #db: IDBPDatabase | null = null;
  #seen: readonly Entry[] = [];
  /** Seen, and not on the device yet; oldest first. */
  #changes: readonly Change<Entry>[] = [];
  /** Another tab changed what lies on the device. */
  #stale = false;
  #writing: Promise<void> | null = null;
  #unsaved = false;
  #lastPlace = 0;
  readonly #listeners = new Set<() => void>();
  readonly #others = new Set<() => void>();
  readonly #byScope = new Map<string, readonly Entry[]>();

  constructor(name: string, channel: Channel) {
    this.#name = name;
    this.#channel = channel;
    channel.addEventListener('message', () => {
      this.#stale = true;
      void this.#write().then(() => {
        for (const listener of this.#others) listener();
      });
    });
  }

  /** Reads what an earlier page left; without a database of its own the page goes on, and says that nothing is kept. */
  async open(): Promise<void> {
    try {
      this.#db = await openDB(this.#name, 1, {
        upgrade: (db) => void db.createObjectStore(SHELF, { keyPath: 'entry.id' }),
        // A newer version of the application wants to change the database: this page makes room.
        blocking: (_now, _next, event) => (event.target as IDBDatabase).close(),
      });
    } catch {
      this.#unsaved = true;
    }
    this.#stale = true;
    await this.#write();
  }

  /** Is what waits only in this page, since the device has no room? */
  readonly unsaved = (): boolean => this.#unsaved && this.#seen.length > 0;

  /** Everything that waits, oldest first; the same list object until something changes. */
  readonly all = (): readonly Entry[] => this.#seen;

  /** Those of one scope and account, oldest first; the same list object until one of them changes. */
  readonly of = (scope: string, accountId: string): readonly Entry[] => {
    const now = this.#seen.filter((each) => each.scope === scope && each.accountId === accountId);
    const key = `${scope} ${accountId}`;
    const before = this.#byScope.get(key);
    if (before?.length === now.length && before.every((each, i) => each === now[i])) return before;
    this.#byScope.set(key, now);
    return now;
  };

  /** Calls back after every change; returns how to stop. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** Calls back after another tab changed something; returns how to stop. */
  readonly onOthers = (listener: () => void): (() => void) => {
    this.#others.add(listener);
    return () => this.#others.delete(listener);
  };

  /** Resolves once everything seen lies on the device, or the device has no room for it. */
  settled(): Promise<void> {
    return this.#write();
  }

  /** Puts an entry behind all others, in place of one with its id. */
  add(entry: Entry): void {
    this.addAll([entry]);
  }

  addAll(entries: readonly Entry[]): void {
    const placed = entries.map((entry) => ({ entry, place: this.#nextPlace() }));
    const ids = new Set(entries.map(({ id }) => id));
    this.#change({
      seen: (seen) => [...seen.filter((each) => !ids.has(each.id)), ...entries],
      keep: (shelf) => Promise.all(placed.map((each) => shelf.put(each))),
    });
  }

  /** Lets go of an entry that the server has, unless it was taken back meanwhile: that still has to be sent. */
  acknowledge({ id, body }: Entry): void {
    const stays = (each: Entry | undefined): boolean => body !== null && each?.body === null;
    const onShelf = async (shelf: Shelf): Promise<Entry | undefined> =>
      ((await shelf.get(id)) as Stored<Entry> | undefined)?.entry;
    this.#change({
      seen: (seen) => seen.filter((each) => each.id !== id || stays(each)),
      keep: async (shelf) => stays(await onShelf(shelf)) || (await shelf.delete(id)),
    });
  }

  remove(id: string): void {
    this.#change({
      seen: (seen) => seen.filter((each) => each.id !== id),
      keep: (shelf) => shelf.delete(id),
    });
  }

  /** Changes an entry where it stands; one that is gone stays gone. */
  amend(id: string, part: Partial<Entry>): void {
    this.#change({
      seen: (seen) => seen.map((each) => (each.id === id ? { ...each, ...part } : each)),
      keep: async (shelf) => {
        const kept = (await shelf.get(id)) as Stored<Entry> | undefined;
        if (kept) await shelf.put({ ...kept, entry: { ...kept.entry, ...part } });
      },
    });
  }

  #nextPlace(): number {
    this.#lastPlace = Math.max(this.#lastPlace + 1, Date.now());
    return this.#lastPlace;
  }

  #change(change: Change<Entry>): void {
    this.#changes = [...this.#changes, change];
    this.#see(change.seen(this.#seen));
    void this.#write();
  }

  /** Brings the device up to what is seen; one writing at a time takes all that came meanwhile. */
  #write(): Promise<void> {
    this.#writing ??= this.#writeAll().finally(() => (this.#writing = null));
    return this.#writing;
  }

  async #writeAll(): Promise<void> {
    while (this.#changes.length > 0 || this.#stale) {
      const taken = this.#changes;
      const stale = this.#stale;
      this.#stale = false;
      try {
        const kept = await this.#keep(taken, stale);
        this.#unsaved = false;
        this.#changes = this.#changes.slice(taken.length);
        if (kept) this.#see(this.#changes.reduce((seen, change) => change.seen(seen), kept));
        if (taken.length > 0) this.#channel.postMessage('changed');
      } catch {
        // No room, or no database: what is seen still goes to the server while this page is open.
        const told = this.#unsaved;
        this.#unsaved = true;
        if (!told) this.#tell();
        return;
      }
    }
  }

  /** Makes changes on the device in one step; what lies there then, oldest first, where that was asked for. */
  async #keep(changes: readonly Change<Entry>[], read: boolean): Promise<readonly Entry[] | null> {
    if (!this.#db) throw new Error('The device keeps nothing.');
    const step = this.#db.transaction(SHELF, 'readwrite', { durability: 'strict' });
    const work = async (): Promise<readonly Stored<Entry>[] | null> => {
      // One after the other: what lets go of an entry must not take the one put in its place a moment later.
      for (const change of changes) await change.keep(step.store);
      const all = read ? ((await step.store.getAll()) as readonly Stored<Entry>[]) : null;
      // A page that is left now keeps what was asked for.
      step.commit();
      return all;
    };
    const [all] = await Promise.all([work(), step.done]);
    if (!all) return null;
    return all
      .toSorted((a, b) => a.place - b.place)
      .map(({ place, entry }) => {
        this.#lastPlace = Math.max(this.#lastPlace, place);
        return entry;
      });
  }

  /** Shows a list: an entry that says the same stays the same object, so that nobody is drawn anew for it. */
  #see(entries: readonly Entry[]): void {
    const known = new Map(this.#seen.map((each) => [each.id, each]));
    const next = entries.map((each) => {
      const before = known.get(each.id);
      return before && JSON.stringify(before) === JSON.stringify(each) ? before : each;
    });
    if (next.length === this.#seen.length && next.every((each, i) => each === this.#seen[i])) return;
    this.#seen = next;
    this.#tell();
  }

  #tell(): void {
    for (const listener of this.#listeners) listener();
  }
}
