import { useQuery, useQueryClient, type QueryClient, type UseQueryResult } from '@tanstack/react-query';
import type { DayDecision, DayView, FloorView } from '@iron-clasp/contract';
import { useEffect } from 'react';
import { type ApiError, ask } from '../client.ts';
import { clockNow } from '../clock.ts';
import { keys } from '../keys.ts';
import { clubChanged, lifterChanged } from '../refresh.ts';

/** Lanes that stand on one floor. */
export const MOST_LANES = 6;

export function useDay(): UseQueryResult<DayView, ApiError> {
  return useQuery({ queryKey: keys.club('day'), queryFn: () => ask<DayView>('GET', '/today') });
}

/** Fetches the floors of today's sessions while there is a network: in the gym there may be none. */
export function useFloorsAhead(sessions: readonly { readonly id: string }[] | undefined): void {
  const client = useQueryClient();
  useEffect(() => {
    for (const { id } of sessions?.slice(0, 2 * MOST_LANES) ?? [])
      void client.prefetchQuery({
        queryKey: keys.training(id, 'floor'),
        queryFn: () => ask<FloorView>('GET', `/sessions/${id}/floor`),
      });
  }, [client, sessions]);
}

/** A decision that was made, and how it is taken back. */
export interface Decided {
  readonly undo: () => Promise<void>;
}

/** Decides what one click decides; the id is made once a click, so that a second try changes nothing. */
export function useDecideToday(): (decision: DayDecision) => Promise<Decided> {
  const client = useQueryClient();
  return async ({ act, lifterId }) => {
    if (!act) throw new Error('This has to be looked at first.');
    const path =
      act.kind === 'acceptHold'
        ? `/sessions/${act.sessionId}/hold-decisions/${crypto.randomUUID()}`
        : `/bars/${act.barId}/brushings/${crypto.randomUUID()}`;
    const body =
      act.kind === 'acceptHold'
        ? { kind: act.hold, what: 'accepted' }
        : { brushedAt: clockNow().toISOString() };
    await ask<unknown>('PUT', path, body);
    changed(client, lifterId);
    return {
      undo: async () => {
        await ask<unknown>('DELETE', path);
        changed(client, lifterId);
      },
    };
  };
}

function changed(client: QueryClient, lifterId: string | null): void {
  if (lifterId) lifterChanged(client, lifterId);
  else clubChanged(client);
}
