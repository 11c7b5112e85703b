import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { GripperAttemptRequest, GrippersView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useLifterWrite, type Write } from '../write.ts';

export function useGrippers(lifterId: string): UseQueryResult<GrippersView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'grippers'),
    queryFn: () => ask<GrippersView>('GET', `/lifters/${lifterId}/grippers`),
  });
}

export function useKeepAttempt(
  lifterId: string,
): Write<GrippersView, { readonly id: string; readonly body: GripperAttemptRequest }> {
  return useLifterWrite(
    lifterId,
    ({ id, body }) => ask<GrippersView>('PUT', `/lifters/${lifterId}/gripper-attempts/${id}`, body),
    'grippers',
  );
}

export function useUndoAttempt(lifterId: string): Write<void, string> {
  return useLifterWrite(lifterId, (id) => ask<void>('DELETE', `/gripper-attempts/${id}`));
}
