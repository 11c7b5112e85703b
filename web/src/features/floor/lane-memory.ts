import { useCallback, useSyncExternalStore } from 'react';
import { afterPaint } from '../../ui/after-paint.ts';
import { NEW_LANE, type LaneMemory } from './lane.ts';

const KEY = 'iron-clasp.lane.';

/** Memories of lanes, kept on the device so that a reload goes on where it was. */
class Memories {
  readonly #known = new Map<string, LaneMemory>();
  readonly #listeners = new Set<() => void>();
  readonly #unkept = new Set<string>();

  readonly of = (sessionId: string): LaneMemory => {
    const known = this.#known.get(sessionId);
    if (known) return known;
    let read = NEW_LANE;
    try {
      const stored = window.localStorage.getItem(KEY + sessionId);
      if (stored) read = { ...NEW_LANE, ...(JSON.parse(stored) as Partial<LaneMemory>) };
    } catch {
      // Unreadable: the log itself is elsewhere, only the place in the session is lost.
    }
    this.#known.set(sessionId, read);
    return read;
  };

  set(sessionId: string, memory: LaneMemory): void {
    this.#known.set(sessionId, memory);
    // Kept once the tap is painted: it is the place in the session, not the log.
    if (this.#unkept.size === 0) afterPaint(this.keep);
    this.#unkept.add(sessionId);
    for (const listener of this.#listeners) listener();
  }

  /** Writes what was changed to the device. */
  readonly keep = (): void => {
    for (const sessionId of this.#unkept) {
      try {
        window.localStorage.setItem(KEY + sessionId, JSON.stringify(this.of(sessionId)));
      } catch {
        // No room: it lives on in this page, and the log has its own way of saying so.
      }
    }
    this.#unkept.clear();
  };

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
}

export const memories = new Memories();
window.addEventListener('pagehide', memories.keep);

/** The lane's memory, and how to change it. */
export function useLaneMemory(
  sessionId: string,
): [LaneMemory, (change: (memory: LaneMemory) => LaneMemory) => void] {
  const memory = useSyncExternalStore(memories.subscribe, () => memories.of(sessionId));
  const change = useCallback(
    (next: (memory: LaneMemory) => LaneMemory) => memories.set(sessionId, next(memories.of(sessionId))),
    [sessionId],
  );
  return [memory, change];
}
