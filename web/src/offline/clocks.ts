import { useSyncExternalStore } from 'react';
import { READY, type HoldClock } from './hold-clock.ts';

const KEY = 'iron-clasp.clock.';

/**
 * Milliseconds that only go forward while the page lives, and that a page opened after a reload reads alike: the moment the
 * page was born plus its monotonic clock. A wall clock that is moved meanwhile does not touch it.
 */
export function monotonicNow(): number {
  return performance.timeOrigin + performance.now();
}

/** One hold clock a lane; several run at once, and a running one survives a reload. */
class Clocks {
  readonly #known = new Map<string, HoldClock>();
  readonly #listeners = new Set<() => void>();

  readonly of = (sessionId: string): HoldClock => {
    const known = this.#known.get(sessionId);
    if (known) return known;
    let clock: HoldClock = READY;
    try {
      const stored = window.localStorage.getItem(KEY + sessionId)?.split(' ') ?? [];
      const [startedAt = 0, target = 0] = stored.map(Number);
      // A clock that would have run for an hour was forgotten, not held.
      if (startedAt > 0 && Math.abs(monotonicNow() - startedAt) < 3_600_000)
        clock = { state: 'running', startedAt, ...(target > 0 && { target }) };
    } catch {
      // Without storage a reload stops the clock; the hold can still be entered by hand.
    }
    this.#known.set(sessionId, clock);
    return clock;
  };

  set(sessionId: string, clock: HoldClock): void {
    this.#known.set(sessionId, clock);
    try {
      if (clock.state === 'running')
        window.localStorage.setItem(KEY + sessionId, `${clock.startedAt} ${clock.target ?? 0}`);
      else window.localStorage.removeItem(KEY + sessionId);
    } catch {
      // As above.
    }
    for (const listener of this.#listeners) listener();
  }

  /** Does any clock of this page run? */
  readonly anyRunning = (): boolean => [...this.#known.values()].some((clock) => clock.state === 'running');

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
}

export const clocks = new Clocks();

export function useHoldClock(sessionId: string): HoldClock {
  return useSyncExternalStore(clocks.subscribe, () => clocks.of(sessionId));
}
