import { useEffect } from 'react';
import { monotonicNow, useHoldClock } from '../../offline/clocks.ts';
import { toneAt } from '../../offline/hold-clock.ts';
import { useLaneMemory } from './lane-memory.ts';
import { beep, stayAwake } from './sounds.ts';

/** Of a clock that an older version of the page started, s. */
const USUAL_SECONDS = 10;

/** What a lane sounds, once, whichever part of it is on the screen: its hold clock's tones, and the end of its rest. */
export function LaneSounds({ id }: { id: string }): null {
  const clock = useHoldClock(id);
  const target = clock.state === 'running' ? (clock.target ?? USUAL_SECONDS) : USUAL_SECONDS;
  const [memory] = useLaneMemory(id);
  const startedAt = clock.state === 'running' ? clock.startedAt : null;
  useEffect(() => {
    if (startedAt === null) return;
    const sleep = stayAwake();
    let told = '';
    let frame = requestAnimationFrame(function step() {
      const tone = toneAt((monotonicNow() - startedAt) / 1000, target);
      if (tone && tone.key !== told) {
        told = tone.key;
        beep(tone.long ? 1320 : 880, tone.long ? 500 : 120);
        navigator.vibrate?.(tone.long ? 400 : 80);
      }
      frame = requestAnimationFrame(step);
    });
    return () => {
      cancelAnimationFrame(frame);
      sleep();
    };
  }, [startedAt, target]);
  const until = memory.rest?.until ?? null;
  useEffect(() => {
    if (until === null || until <= Date.now()) return;
    const sleep = stayAwake();
    const timer = setInterval(() => {
      if (Date.now() < until) return;
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
  return null;
}
