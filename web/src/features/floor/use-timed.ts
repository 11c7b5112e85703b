import type { HoldEnding } from '@iron-clasp/core';
import { ask } from '../../data/client.ts';
import { clocks, monotonicNow, useHoldClock } from '../../offline/clocks.ts';
import { COUNT_IN, end, READY, start, type HoldClock } from '../../offline/hold-clock.ts';
import { usePaintedClock } from './use-clock.ts';

/** Shorter than this, s, a tap was a slip of the thumb: stopped while it counts in, and no hold. */
const SHORTEST = 0.5;

/** A clock of a lane: what it shows, how it begins and how it ends. */
export interface Timed {
  readonly running: boolean;
  readonly seconds: number;
  /** s until it begins. */
  readonly countIn: number;
  readonly begin: (delay?: number) => void;
  readonly stop: (ended: HoldEnding) => void;
}

/**
 * The lane's clock for something that is done for time; those who follow on another screen see it run.
 * @param onEnd gets the seconds really held, to the tenth; none where it was never lifted.
 */
export function useTimed(
  sessionId: string,
  target: number,
  onEnd: (seconds: number, ended: HoldEnding) => void,
): Timed {
  const clock = useHoldClock(sessionId);
  const { seconds, countIn } = usePaintedClock(sessionId);
  const set = (next: HoldClock, running: boolean): void => {
    clocks.set(sessionId, next);
    const at = next.state === 'running' ? (monotonicNow() - next.startedAt) / 1000 : 0;
    // For those who follow on another screen; without a network nobody follows, and that is no fault.
    void ask('PUT', `/sessions/${sessionId}/clock`, {
      state: running ? 'running' : 'stopped',
      seconds: Math.max(-60, at),
      target,
    }).catch(() => undefined);
  };
  return {
    running: clock.state === 'running',
    seconds,
    countIn,
    begin: (delay = COUNT_IN) => set(start(READY, monotonicNow(), delay, target), true),
    stop: (ended) => {
      const result = end(clock, monotonicNow(), ended === 'notLifted' ? 'stopped' : ended);
      set(READY, false);
      if (ended === 'notLifted') onEnd(0, ended);
      else if (result.state === 'ended' && result.seconds >= SHORTEST) onEnd(result.seconds, ended);
    },
  };
}
