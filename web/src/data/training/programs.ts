import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { SessionPlanView, SessionRequest, WeeksView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { lifterChanged } from '../refresh.ts';

/** A session as it is written; read afresh each time an editor opens. */
export function usePlan(sessionId: string | null): UseQueryResult<SessionPlanView, ApiError> {
  return useQuery({
    queryKey: keys.training(sessionId ?? '', 'plan'),
    queryFn: () => ask<SessionPlanView>('GET', `/sessions/${sessionId}/plan`),
    enabled: sessionId !== null,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
}

export interface SessionToSave {
  readonly id: string;
  readonly body: SessionRequest;
}

/** Writes sessions one after another; the first refusal stops, and what was written before it stays. */
export function useSaveSessions(
  lifterId: string,
): UseMutationResult<void, ApiError, readonly SessionToSave[]> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (sessions) => {
      for (const { id, body } of sessions)
        await ask<SessionPlanView>('PUT', `/lifters/${lifterId}/sessions/${id}`, body);
    },
    onSettled: () => lifterChanged(client, lifterId),
  });
}

/** What can be done to a lifter's week as a whole, and to a session from outside its editor. */
export type WeekChange =
  | { readonly kind: 'repeat'; readonly day: string; readonly weeks: number }
  | { readonly kind: 'move'; readonly day: string; readonly to: string }
  | { readonly kind: 'clear'; readonly day: string };

export function useChangeWeek(lifterId: string): UseMutationResult<WeeksView, ApiError, WeekChange> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (change: WeekChange) => {
      const week = `/lifters/${lifterId}/weeks/${change.day}`;
      if (change.kind === 'clear') return ask<WeeksView>('DELETE', week);
      return change.kind === 'repeat'
        ? ask<WeeksView>('POST', `${week}/repeat`, { weeks: change.weeks })
        : ask<WeeksView>('POST', `${week}/move`, { to: change.to });
    },
    onSettled: () => lifterChanged(client, lifterId),
  });
}

export interface SessionAt {
  readonly id: string;
  readonly version: number;
}

/** Another day for a session. */
export function useMoveDay(
  lifterId: string,
): UseMutationResult<unknown, ApiError, SessionAt & { readonly heldOn: string }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version, heldOn }) => ask('PATCH', `/sessions/${id}`, { heldOn, version }),
    onSettled: () => lifterChanged(client, lifterId),
  });
}

export function useRemoveSession(lifterId: string): UseMutationResult<void, ApiError, SessionAt> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version }) => ask<void>('DELETE', `/sessions/${id}?version=${version}`),
    onSettled: () => lifterChanged(client, lifterId),
  });
}

export function useRestoreSession(lifterId: string): UseMutationResult<SessionPlanView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<SessionPlanView>('PUT', `/sessions/${id}/restored`),
    onSettled: () => lifterChanged(client, lifterId),
  });
}
