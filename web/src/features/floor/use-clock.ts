import { useEffect, useState } from 'react';
import { monotonicNow, useHoldClock } from '../../offline/clocks.ts';
import { countIn, elapsed } from '../../offline/hold-clock.ts';

/** A lane's hold clock painted frame by frame: seconds, and what is left to count in. */
export function usePaintedClock(sessionId: string): {
  readonly running: boolean;
  readonly seconds: number;
  readonly countIn: number;
} {
  const clock = useHoldClock(sessionId);
  const [, paint] = useState(0);
  const running = clock.state === 'running';
  useEffect(() => {
    if (!running) return;
    let frame = requestAnimationFrame(function step() {
      paint((n) => n + 1);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [running]);
  const now = monotonicNow();
  return { running, seconds: elapsed(clock, now), countIn: countIn(clock, now) };
}

/** Seconds of rest left, painted each second. */
export function useRest(rest: { readonly until: number; readonly of: number } | null): number | null {
  const until = rest?.until ?? null;
  const [, paint] = useState(0);
  useEffect(() => {
    if (until === null || until <= Date.now()) return;
    const timer = setInterval(() => {
      // The same second as before is not painted again.
      paint(secondsTo(until));
      if (Date.now() >= until) clearInterval(timer);
    }, 250);
    return () => clearInterval(timer);
  }, [until]);
  if (rest === null) return null;
  return Math.min(rest.of, secondsTo(rest.until));
}

/** Whole seconds from now to a moment of the wall clock, ms; 0 once it is over. */
function secondsTo(until: number): number {
  return Math.max(0, Math.ceil((until - Date.now()) / 1000));
}
