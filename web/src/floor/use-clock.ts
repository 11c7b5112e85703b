import { useCallback, useEffect, useRef, useState } from 'react';
import type { Ending } from '@iron-clasp/core';
import { elapsed, end, FINAL_SECONDS, READY, start, type HoldClock } from './hold-clock.ts';
import { beep, stayAwake } from './sounds.ts';

/** A running hold clock on the screen: seconds to paint, ways to start, end and clear it, sound for the last seconds. */
export function useClock(target: number): {
  clock: HoldClock;
  seconds: number;
  begin: () => void;
  finish: (ended: Ending) => HoldClock;
  clear: () => void;
} {
  const [clock, setClock] = useState<HoldClock>(READY);
  const [seconds, setSeconds] = useState(0);
  const latest = useRef(clock);
  const set = useCallback((next: HoldClock): HoldClock => {
    latest.current = next;
    setClock(next);
    setSeconds(elapsed(next, performance.now()));
    return next;
  }, []);

  useEffect(() => {
    if (clock.state !== 'running') return;
    const sleep = stayAwake();
    let frame = 0;
    let beeped = 0;
    const paint = (): void => {
      const now = elapsed(latest.current, performance.now());
      setSeconds(now);
      const due = Math.floor(now - (target - FINAL_SECONDS)) + 1;
      if (due > beeped && due <= FINAL_SECONDS + 1) {
        beeped = due;
        const last = due === FINAL_SECONDS + 1;
        beep(last ? 1320 : 880, last ? 500 : 120);
        navigator.vibrate?.(last ? 400 : 80);
      }
      frame = requestAnimationFrame(paint);
    };
    frame = requestAnimationFrame(paint);
    return () => {
      cancelAnimationFrame(frame);
      sleep();
    };
  }, [clock.state, target]);

  return {
    clock,
    seconds,
    begin: useCallback(() => void set(start(latest.current, performance.now())), [set]),
    finish: useCallback((ended: Ending) => set(end(latest.current, performance.now(), ended)), [set]),
    clear: useCallback(() => void set(READY), [set]),
  };
}
