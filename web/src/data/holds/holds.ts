import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { HoldBlockRequest, HoldDecisionRequest, HoldsView } from '@iron-clasp/contract';
import type { HoldKindId } from '@iron-clasp/core';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { lifterChanged } from '../refresh.ts';

export function useHolds(lifterId: string): UseQueryResult<HoldsView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'holds'),
    queryFn: () => ask<HoldsView>('GET', `/lifters/${lifterId}/holds`),
  });
}

/** A change to the hold work, that answers with all of it. */
function useHoldChange<Change>(
  lifterId: string,
  send: (change: Change) => Promise<HoldsView>,
): UseMutationResult<HoldsView, ApiError, Change> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (view) => lifterChanged(client, lifterId, { key: keys.lifter(lifterId, 'holds'), data: view }),
  });
}

export function usePlanHold(
  lifterId: string,
): UseMutationResult<
  HoldsView,
  ApiError,
  { readonly sessionId: string; readonly kind: HoldKindId | null; readonly version: number }
> {
  return useHoldChange(lifterId, ({ sessionId, ...body }) =>
    ask<HoldsView>('PUT', `/sessions/${sessionId}/hold`, body),
  );
}

export function useDecideHold(
  lifterId: string,
): UseMutationResult<
  HoldsView,
  ApiError,
  { readonly sessionId: string; readonly id: string; readonly body: HoldDecisionRequest }
> {
  return useHoldChange(lifterId, ({ sessionId, id, body }) =>
    ask<HoldsView>('PUT', `/sessions/${sessionId}/hold-decisions/${id}`, body),
  );
}

export function useUndoHoldDecision(
  lifterId: string,
): UseMutationResult<HoldsView, ApiError, { readonly sessionId: string; readonly id: string }> {
  return useHoldChange(lifterId, ({ sessionId, id }) =>
    ask<HoldsView>('DELETE', `/sessions/${sessionId}/hold-decisions/${id}`),
  );
}

export function useSaveBlock(
  lifterId: string,
): UseMutationResult<HoldsView, ApiError, { readonly id: string; readonly body: HoldBlockRequest }> {
  return useHoldChange(lifterId, ({ id, body }) =>
    ask<HoldsView>('PUT', `/lifters/${lifterId}/hold-blocks/${id}`, body),
  );
}

export function useRemoveBlock(lifterId: string): UseMutationResult<HoldsView, ApiError, string> {
  return useHoldChange(lifterId, (id) => ask<HoldsView>('DELETE', `/hold-blocks/${id}`));
}
