import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryOptions,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  CallsView,
  ExtraSetRequest,
  FinishRequest,
  FloorView,
  SessionEndView,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { clubChanged, lifterChanged } from '../refresh.ts';

export const floorQuery = (sessionId: string): UseQueryOptions<FloorView, ApiError> => ({
  queryKey: keys.training(sessionId, 'floor'),
  queryFn: () => ask<FloorView>('GET', `/sessions/${sessionId}/floor`),
});

/** A session with everything the floor needs; read once and kept, since what is logged is laid over it. */
export function useFloor(sessionId: string): UseQueryResult<FloorView, ApiError> {
  return useQuery(floorQuery(sessionId));
}

export function useEnd(sessionId: string): UseQueryResult<SessionEndView, ApiError> {
  return useQuery({
    queryKey: keys.training(sessionId, 'end'),
    queryFn: () => ask<SessionEndView>('GET', `/sessions/${sessionId}/end`),
    staleTime: 0,
  });
}

export function useFinish(sessionId: string): UseMutationResult<SessionEndView, ApiError, FinishRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: FinishRequest) => ask<SessionEndView>('PUT', `/sessions/${sessionId}/end`, body),
    onSuccess: (view) =>
      lifterChanged(client, view.session.lifterId, { key: keys.training(sessionId, 'end'), data: view }),
  });
}

/** Begins a grip audit; its floor is there before it is gone to. */
export function useStartAudit(lifterId: string): UseMutationResult<FloorView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<FloorView>('PUT', `/lifters/${lifterId}/audits/${id}`),
    onSuccess: async (view, id) => {
      client.setQueryData(keys.training(id, 'floor'), view);
      await lifterChanged(client, lifterId);
    },
  });
}

/** Adds a set to a session under way; the floor is read anew with it, before it is gone to. */
export function useAddSet(
  sessionId: string,
): UseMutationResult<CallsView, ApiError, { readonly id: string; readonly body: ExtraSetRequest }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) => ask<CallsView>('PUT', `/sessions/${sessionId}/extra-sets/${id}`, body),
    onSuccess: () => client.refetchQueries({ queryKey: keys.training(sessionId, 'floor') }),
  });
}

export function useReopen(sessionId: string): UseMutationResult<void, ApiError, void> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<void>('DELETE', `/sessions/${sessionId}/end`),
    onSuccess: () => clubChanged(client),
  });
}
