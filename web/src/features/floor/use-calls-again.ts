import type { SetCall } from '@iron-clasp/core';
import type { FloorView, LogSetRequest } from '@iron-clasp/contract';
import { useEffect, useEffectEvent, useState, useSyncExternalStore } from 'react';
import type { Today } from './call-again.worker.ts';
import { CallsAgain } from './calls-again.ts';
import { afterSet, doneToday, type Lane } from './lane.ts';

/** How long a lane stands before what may come next is worked out, ms: beside the drawing of a tap it would hold it up. */
const STANDS = 300;

/**
 * The session called again on this device with what was done of it, off the main thread: with a network or without. Until
 * an answer is there, and where nothing is done yet, the server's calls stand.
 * @param called the current set as it is called now: how it can end is worked out while it is done.
 */
export function useCallsAgain(
  view: FloorView,
  known: FloorView,
  lane: Lane,
  called: Omit<LogSetRequest, 'doneAt'> | null,
): readonly SetCall[] {
  const [again] = useState(() => new CallsAgain());
  const { hands } = view;
  const today = doneToday(lane);
  const question = questionOf({ ...today, hands });
  // Hands told on this device change the calls before the server hears of them.
  const nothing = today.done.length + today.holds.length === 0 && hands === known.hands;
  useEffect(
    () => again.open(new Worker(new URL('./call-again.worker.ts', import.meta.url), { type: 'module' })),
    [again],
  );
  const { underWay } = known;
  const wanted = nothing ? [] : [question];
  const askAlso = useEffectEvent((more: 'now' | 'ahead'): void => {
    const next = more === 'ahead' && called ? afterSet(lane, called, view) : [];
    again.ask([...wanted, ...next.map((each) => questionOf({ ...each, hands }))]);
  });
  useEffect(() => again.tell(underWay), [again, underWay]);
  const next = called && JSON.stringify(called);
  useEffect(() => {
    // At once: the worker is at it while the tap is painted.
    askAlso('now');
    const timer = setTimeout(() => askAlso('ahead'), STANDS);
    return () => clearTimeout(timer);
  }, [again, underWay, question, next]);
  const answer = useSyncExternalStore(again.subscribe, () => again.answerTo(question));
  return (!nothing && answer) || view.calls.sets.map((set) => set.call);
}

const questionOf = (today: Today): string => JSON.stringify(today);
