import type { SetCall } from '@iron-clasp/core';
import type { FloorView } from '@iron-clasp/contract';
import { useEffect, useRef, useState } from 'react';
import type { CallAgainBase, CallAgainQuestion } from './call-again.worker.ts';
import { doneToday, type Lane } from './lane.ts';

/**
 * The session called again on this device with what was done of it, off the main thread: with a network or without. Until
 * an answer is there, and where nothing is done yet, the server's calls stand.
 */
export function useCallsAgain(view: FloorView, known: FloorView, lane: Lane): readonly SetCall[] {
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const [answer, setAnswer] = useState<{ readonly key: string; readonly calls: readonly SetCall[] } | null>(
    null,
  );
  const today = doneToday(lane);
  const key = JSON.stringify(today);
  // Hands told on this device change the calls before the server hears of them.
  const nothing = today.done.length + today.holds.length === 0 && view.hands === known.hands;
  useEffect(() => {
    const made = new Worker(new URL('./call-again.worker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    return () => {
      made.terminate();
      worker.current = null;
    };
  }, []);
  const { underWay } = known;
  useEffect(() => {
    worker.current?.postMessage({ base: underWay } satisfies CallAgainBase);
  }, [underWay]);
  const { hands } = view;
  useEffect(() => {
    const at = worker.current;
    if (!at || nothing) return;
    const number = ++asked.current;
    const onAnswer = ({ data }: MessageEvent<{ number: number; calls: SetCall[] }>): void => {
      if (data.number === number) setAnswer({ key, calls: data.calls });
    };
    at.addEventListener('message', onAnswer);
    // At once: the worker is at it while the tap is painted.
    at.postMessage({ number, today: JSON.parse(key) as typeof today, hands } satisfies CallAgainQuestion);
    return () => at.removeEventListener('message', onAnswer);
  }, [key, nothing, underWay, hands]);
  return !nothing && answer?.key === key ? answer.calls : view.calls.sets.map((set) => set.call);
}
