import {
  useMutation,
  useQueries,
  useQuery,
  useQueryClient,
  type QueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  CallsView,
  FloorView,
  MoveSessionRequest,
  OverrideRequest,
  WhatIfRequest,
  WhatIfView,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { logged } from '../refresh.ts';

export function useCalls(sessionId: string | null): UseQueryResult<CallsView, ApiError> {
  return useQuery({
    queryKey: keys.training(sessionId ?? '', 'calls'),
    queryFn: () => ask<CallsView>('GET', `/sessions/${sessionId}/calls`),
    enabled: sessionId !== null,
  });
}

/** The calls of several sessions, each as {@link useCalls} has it. */
export function useAllCalls(sessionIds: readonly string[]): UseQueryResult<CallsView, ApiError>[] {
  return useQueries({
    queries: sessionIds.map((id) => ({
      queryKey: keys.training(id, 'calls'),
      queryFn: () => ask<CallsView>('GET', `/sessions/${id}/calls`),
    })),
  });
}

export function useMoveSession(
  sessionId: string,
): UseMutationResult<CallsView, ApiError, MoveSessionRequest> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: MoveSessionRequest) => ask<CallsView>('PATCH', `/sessions/${sessionId}`, body),
    onSuccess: (view) => keepCalls(client, view),
  });
}

/** Decides against a call; the id is made once, so that a second try changes nothing. */
export function useOverride(
  sessionId: string,
): UseMutationResult<CallsView, ApiError, { readonly id: string; readonly body: OverrideRequest }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) => ask<CallsView>('PUT', `/sessions/${sessionId}/overrides/${id}`, body),
    onSuccess: (view) => keepCalls(client, view),
  });
}

export function useUndoOverride(sessionId: string): UseMutationResult<CallsView, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<CallsView>('DELETE', `/sessions/${sessionId}/overrides/${id}`),
    onSuccess: (view) => keepCalls(client, view),
  });
}

/** The session under other circumstances; asked only where something is tried. */
export function useWhatIf(
  sessionId: string,
  asked: WhatIfRequest | null,
): UseQueryResult<WhatIfView, ApiError> {
  return useQuery({
    queryKey: keys.training(sessionId, 'whatIf', asked),
    queryFn: () => ask<WhatIfView>('POST', `/sessions/${sessionId}/what-if`, asked),
    enabled: asked !== null,
    placeholderData: (before) => before,
  });
}

/** Takes a freshly called session into the cache and lets everything that rests on the log be fetched anew. */
export function keepCalls(client: QueryClient, view: CallsView): void {
  const { id, lifterId } = view.session;
  client.setQueryData(keys.training(id, 'calls'), view);
  const floor = client.getQueryData<FloorView>(keys.training(id, 'floor'));
  if (floor) {
    const now = { ...floor, calls: view };
    client.setQueryData(keys.training(id, 'floor'), now);
    keepForOffline(`/api/sessions/${id}/floor`, now);
  }
  logged(client, lifterId, keys.training(id, 'calls'));
}

/** What is kept for days without a network moves with what the server acknowledged: a reload shows the same. */
function keepForOffline(path: string, data: unknown): void {
  // A whole session is much to hand over: not while a tap waits to be painted.
  setTimeout(() => navigator.serviceWorker?.controller?.postMessage({ kind: 'keep', path, data }), 0);
}
