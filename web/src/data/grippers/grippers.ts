import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import type { GripperAttemptRequest, GrippersView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { lifterChanged } from '../refresh.ts';

export function useGrippers(lifterId: string): UseQueryResult<GrippersView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'grippers'),
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
    onSuccess: (view) =>
      lifterChanged(client, lifterId, { key: keys.lifter(lifterId, 'grippers'), data: view }),
  });
}

export function useUndoAttempt(lifterId: string): UseMutationResult<void, ApiError, string> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask<void>('DELETE', `/gripper-attempts/${id}`),
    onSuccess: () => lifterChanged(client, lifterId),
  });
}
