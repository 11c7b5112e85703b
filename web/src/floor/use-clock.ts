import { useEffect, useState } from 'react';
import { monotonicNow, useHoldClock } from './clocks.ts';
import { countIn, elapsed, toneAt } from './hold-clock.ts';
import { beep, stayAwake } from './sounds.ts';

/** A lane's hold clock painted frame by frame: seconds, what is left to count in, and, where it `sounds`, its tones. */
export function usePaintedClock(
  sessionId: string,
  target: number,
  sounds: boolean,
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
      if (sounds && tone && tone.key !== told) {
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
  }, [running, startedAt, target, sounds]);
  const now = monotonicNow();
  return { running, seconds: elapsed(clock, now), countIn: countIn(clock, now) };
}

/** Seconds of rest left, painted each second; where it `sounds`, once when it is over. */
export function useRest(
  rest: { readonly until: number; readonly of: number } | null,
  sounds: boolean,
): number | null {
  const until = rest?.until ?? null;
  const [, paint] = useState(0);
  useEffect(() => {
    if (until === null || until <= Date.now()) return;
    const sleep = sounds ? stayAwake() : () => undefined;
    const timer = setInterval(() => {
      // The same second as before is not painted again.
      paint(secondsTo(until));
      if (Date.now() < until) return;
      if (sounds) {
        beep(660, 300);
        navigator.vibrate?.([200, 100, 200]);
      }
      clearInterval(timer);
      sleep();
    }, 250);
    return () => {
      clearInterval(timer);
      sleep();
    };
  }, [until, sounds]);
  if (rest === null) return null;
  return Math.min(rest.of, secondsTo(rest.until));
}

/** Whole seconds from now to a moment of the wall clock, ms; 0 once it is over. */
function secondsTo(until: number): number {
  return Math.max(0, Math.ceil((until - Date.now()) / 1000));
}
