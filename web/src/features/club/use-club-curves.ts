import type { ClubCurvesEvent } from '@iron-clasp/contract';
import { useCallback, useEffect, useRef, useState } from 'react';

export interface ClubCurves {
  readonly state: 'idle' | 'running' | 'done' | 'cancelled' | 'failed';
  readonly done: number;
  readonly total: number;
  readonly lifters: readonly NonNullable<ClubCurvesEvent['lifter']>[];
  readonly start: () => void;
  readonly cancel: () => void;
}

const NOTHING = { state: 'idle', done: 0, total: 0, lifters: [] } as const;

/** Every lifter's curve over all weeks, fitted on the server and told one by one; cancelling stops the work there. */
export function useClubCurves(): ClubCurves {
  const [seen, setSeen] = useState<Omit<ClubCurves, 'start' | 'cancel'>>(NOTHING);
  const source = useRef<EventSource | null>(null);
  const close = (): void => {
    source.current?.close();
    source.current = null;
  };
  useEffect(() => close, []);

  const start = useCallback((): void => {
    close();
    setSeen({ ...NOTHING, state: 'running' });
    const at = new EventSource('/api/club/curves');
    source.current = at;
    at.addEventListener('message', (event: MessageEvent<string>) => {
      const { done, total, lifter } = JSON.parse(event.data) as ClubCurvesEvent;
      setSeen((now) => ({
        state: done === total ? 'done' : 'running',
        done,
        total,
        lifters: lifter ? [...now.lifters, lifter] : now.lifters,
      }));
      if (done === total) close();
    });
    at.addEventListener('error', () => {
      // The stream would start anew by itself: what there is stays, and the coach starts it again.
      if (source.current !== at) return;
      close();
      setSeen((now) => ({ ...now, state: 'failed' }));
    });
  }, []);
  const cancel = useCallback((): void => {
    close();
    setSeen((now) => ({ ...now, state: 'cancelled' }));
  }, []);
  return { ...seen, start, cancel };
}
