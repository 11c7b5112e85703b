import { useMutation, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import type { SessionPlanView, WeeksView } from '@iron-clasp/contract';
import { ask, type ApiError } from './client.ts';
import { refreshProgram } from './queries.ts';

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
    onSettled: () => refreshProgram(client, lifterId),
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
    onSettled: () => refreshProgram(client, lifterId),
  });
}

export function useRemoveSession(lifterId: string): UseMutationResult<void, ApiError, SessionAt> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version }) => ask<void>('DELETE', `/sessions/${id}?version=${version}`),
    onSettled: () => refreshProgram(client, lifterId),
  });
}

export function useRestoreSession(lifterId: string): UseMutationResult<SessionPlanView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<SessionPlanView>('PUT', `/sessions/${id}/restored`),
    onSettled: () => refreshProgram(client, lifterId),
  });
}
