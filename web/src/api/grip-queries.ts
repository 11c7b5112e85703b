import {
  useMutation,
  useQuery,
  useQueryClient,
  type QueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  ClubView,
  CompareView,
  CurveMonthsView,
  GripperAttemptRequest,
  GrippersView,
  HoldBlockRequest,
  HoldDecisionRequest,
  HoldsView,
  SqueezeProtocolRequest,
  SqueezeProtocolView,
  SqueezeTestRequest,
  SqueezeView,
  TraceView,
} from '@iron-clasp/contract';
import type { HoldKindId } from '@iron-clasp/core';
import { ask, type ApiError } from './client.ts';

const squeeze = (lifterId: string): string[] => ['squeeze', lifterId];
const grippers = (lifterId: string): string[] => ['grippers', lifterId];
const holds = (lifterId: string): string[] => ['holds', lifterId];

/** What rests on how the hands measure. */
function refreshMeasures(client: QueryClient, lifterId: string): void {
  for (const key of [['compare', lifterId], ['club'], ['calls'], ['floor'], holds(lifterId)])
    void client.invalidateQueries({ queryKey: key });
}

/** What rests on which holds are planned. */
function refreshPlans(client: QueryClient, lifterId: string): void {
  for (const key of [['sheet', lifterId], ['calls'], ['floor'], ['plan'], ['rack'], ['curve', lifterId]])
    void client.invalidateQueries({ queryKey: key });
}

export function useSqueeze(lifterId: string): UseQueryResult<SqueezeView, ApiError> {
  return useQuery({
    queryKey: squeeze(lifterId),
    queryFn: () => ask<SqueezeView>('GET', `/lifters/${lifterId}/squeeze`),
  });
}

/** Keeps a test; its id is made once, so that a second try changes nothing. */
export function useKeepTest(
  lifterId: string,
): UseMutationResult<SqueezeView, ApiError, { readonly id: string; readonly body: SqueezeTestRequest }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) => ask<SqueezeView>('PUT', `/lifters/${lifterId}/squeeze-tests/${id}`, body),
    onSuccess: (view) => {
      client.setQueryData(squeeze(lifterId), view);
      refreshMeasures(client, lifterId);
    },
  });
}

export function useUndoTest(lifterId: string): UseMutationResult<void, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<void>('DELETE', `/squeeze-tests/${id}`),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: squeeze(lifterId) });
      refreshMeasures(client, lifterId);
    },
  });
}

export function useDeclineEasing(
  lifterId: string,
): UseMutationResult<void, ApiError, { readonly testId: string; readonly declined: boolean }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ testId, declined }) => ask<void>('PUT', `/squeeze-tests/${testId}/easing`, { declined }),
    onSuccess: () => {
      void client.invalidateQueries({ queryKey: squeeze(lifterId) });
      refreshMeasures(client, lifterId);
    },
  });
}

export function useSaveProtocol(
  lifterId: string,
): UseMutationResult<
  SqueezeProtocolView,
  ApiError,
  { readonly id: string; readonly body: SqueezeProtocolRequest }
> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) => ask<SqueezeProtocolView>('PUT', `/squeeze-protocols/${id}`, body),
    onSuccess: () => void client.invalidateQueries({ queryKey: squeeze(lifterId) }),
  });
}

export function useTrace(testId: string, place: number | null): UseQueryResult<TraceView, ApiError> {
  return useQuery({
    queryKey: ['trace', testId, place],
    queryFn: () => ask<TraceView>('GET', `/squeeze-tests/${testId}/traces/${place}`),
    enabled: place !== null,
    staleTime: Infinity,
  });
}

export function useGrippers(lifterId: string): UseQueryResult<GrippersView, ApiError> {
  return useQuery({
    queryKey: grippers(lifterId),
    queryFn: () => ask<GrippersView>('GET', `/lifters/${lifterId}/grippers`),
  });
}

export function useKeepAttempt(
  lifterId: string,
): UseMutationResult<GrippersView, ApiError, { readonly id: string; readonly body: GripperAttemptRequest }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) =>
      ask<GrippersView>('PUT', `/lifters/${lifterId}/gripper-attempts/${id}`, body),
    onSuccess: (view) => client.setQueryData(grippers(lifterId), view),
  });
}

export function useUndoAttempt(lifterId: string): UseMutationResult<void, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<void>('DELETE', `/gripper-attempts/${id}`),
    onSuccess: () => void client.invalidateQueries({ queryKey: grippers(lifterId) }),
  });
}

export function useHolds(lifterId: string): UseQueryResult<HoldsView, ApiError> {
  return useQuery({
    queryKey: holds(lifterId),
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
    onSuccess: (view) => {
      client.setQueryData(holds(lifterId), view);
      refreshPlans(client, lifterId);
    },
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

export function useCurveMonths(lifterId: string): UseQueryResult<CurveMonthsView, ApiError> {
  return useQuery({
    queryKey: ['curve', lifterId, 'months'],
    queryFn: () => ask<CurveMonthsView>('GET', `/lifters/${lifterId}/curve/months`),
  });
}

export function useCompare(lifterId: string): UseQueryResult<CompareView, ApiError> {
  return useQuery({
    queryKey: ['compare', lifterId],
    queryFn: () => ask<CompareView>('GET', `/lifters/${lifterId}/compare`),
  });
}

export function useClub(): UseQueryResult<ClubView, ApiError> {
  return useQuery({ queryKey: ['club'], queryFn: () => ask<ClubView>('GET', '/club/attention') });
}
