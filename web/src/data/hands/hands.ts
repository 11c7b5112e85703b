import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { HandsCheckRequest, HandsCheckView, HandsHistoryView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { lifterChanged } from '../refresh.ts';

export function useHands(lifterId: string): UseQueryResult<HandsHistoryView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'hands'),
    queryFn: () => ask<HandsHistoryView>('GET', `/lifters/${lifterId}/hands`),
  });
}

/** Keeps a hands check and lets everything be called anew. */
export function useHandsCheck(
  lifterId: string,
): UseMutationResult<HandsCheckView, ApiError, { readonly id: string; readonly body: HandsCheckRequest }> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }) => ask<HandsCheckView>('PUT', `/lifters/${lifterId}/hands-checks/${id}`, body),
    onSuccess: () => lifterChanged(client, lifterId),
  });
}
