import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type {
  SqueezeProtocolRequest,
  SqueezeProtocolView,
  SqueezeTestRequest,
  SqueezeView,
  TraceView,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { lifterChanged } from '../refresh.ts';

export function useSqueeze(lifterId: string): UseQueryResult<SqueezeView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'squeeze'),
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
    onSuccess: (view) =>
      lifterChanged(client, lifterId, { key: keys.lifter(lifterId, 'squeeze'), data: view }),
  });
}

export function useUndoTest(lifterId: string): UseMutationResult<void, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<void>('DELETE', `/squeeze-tests/${id}`),
    onSuccess: () => lifterChanged(client, lifterId),
  });
}

export function useDeclineEasing(
  lifterId: string,
): UseMutationResult<void, ApiError, { readonly testId: string; readonly declined: boolean }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ testId, declined }) => ask<void>('PUT', `/squeeze-tests/${testId}/easing`, { declined }),
    onSuccess: () => lifterChanged(client, lifterId),
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
    onSuccess: () => lifterChanged(client, lifterId),
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
