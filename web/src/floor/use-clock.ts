import { useEffect, useState } from 'react';
import { monotonicNow, useHoldClock } from './clocks.ts';
import { countIn, elapsed, toneAt } from './hold-clock.ts';
import { beep, stayAwake } from './sounds.ts';

/** A lane's hold clock painted frame by frame: seconds, what is left to count in, and its sounds. */
export function usePaintedClock(
  sessionId: string,
  target: number,
): { readonly running: boolean; readonly seconds: number; readonly countIn: number } {
  const clock = useHoldClock(sessionId);
  const [, paint] = useState(0);
  const running = clock.state === 'running';
  const startedAt = clock.state === 'running' ? clock.startedAt : 0;
  useEffect(() => {
    if (!running) return;
    const sleep = stayAwake();
    let frame = 0;
    let told = '';
    const step = (): void => {
      const tone = toneAt((monotonicNow() - startedAt) / 1000, target);
      if (tone && tone.key !== told) {
        told = tone.key;
        beep(tone.long ? 1320 : 880, tone.long ? 500 : 120);
        navigator.vibrate?.(tone.long ? 400 : 80);
      }
      paint((n) => n + 1);
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => {
      cancelAnimationFrame(frame);
      sleep();
    };
  }, [running, startedAt, target]);
  const now = monotonicNow();
  return { running, seconds: elapsed(clock, now), countIn: countIn(clock, now) };
}

/** Seconds of rest left, painted each second; sounds once when it is over. */
export function useRest(rest: { readonly until: number; readonly of: number } | null): number | null {
  const [now, setNow] = useState(() => Date.now());
  const until = rest?.until ?? null;
  useEffect(() => {
    if (until === null || until <= Date.now()) return;
    const sleep = stayAwake();
    const timer = setInterval(() => {
      const at = Date.now();
      setNow(at);
      if (at < until) return;
      beep(660, 300);
      navigator.vibrate?.([200, 100, 200]);
      clearInterval(timer);
      sleep();
    }, 250);
    return () => {
      clearInterval(timer);
      sleep();
    };
  }, [until]);
  if (rest === null) return null;
  // The last tick may be older than this rest: it is never longer than it was prescribed.
  return Math.min(rest.of, Math.max(0, Math.ceil((rest.until - now) / 1000)));
}
