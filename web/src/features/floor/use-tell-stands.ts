import type { StandsRequest } from '@iron-clasp/contract';
import { useEffect } from 'react';
import { ask } from '../../data/client.ts';
import { afterPaint } from '../../ui/after-paint.ts';

/** At the hold, or all done. */
export const NO_SET: StandsRequest = { plannedSetId: null, load: 0, line: '' };

/** Tells those who follow on another screen what the lane stands at; without a network nobody follows, and that is no fault. */
export function useTellStands(sessionId: string, stands: StandsRequest): void {
  const said = JSON.stringify(stands);
  useEffect(
    () =>
      afterPaint(() => {
        if (navigator.onLine)
          void ask('PUT', `/sessions/${sessionId}/stands`, JSON.parse(said) as StandsRequest).catch(
            () => undefined,
          );
      }),
    [sessionId, said],
  );
}
