import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type {
  HandsCheckRequest,
  HandsCheckView,
  HandsHistoryView,
  HookStageRequest,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useLifterTry, useLifterWrite, type Write } from '../write.ts';

export function useHands(lifterId: string): UseQueryResult<HandsHistoryView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'hands'),
    queryFn: () => ask<HandsHistoryView>('GET', `/lifters/${lifterId}/hands`),
  });
}

/** Keeps a hands check and lets everything be called anew. */
export function useHandsCheck(
  lifterId: string,
): Write<HandsCheckView, { readonly id: string; readonly body: HandsCheckRequest }> {
  return useLifterWrite(lifterId, ({ id, body }) =>
    ask<HandsCheckView>('PUT', `/lifters/${lifterId}/hands-checks/${id}`, body),
  );
}

/** Moves the hook from the stage that is shown to another. */
export function useMoveHook(lifterId: string): Write<void, HookStageRequest> {
  return useLifterTry(lifterId, (body) => ask<void>('PATCH', `/lifters/${lifterId}/hook-stage`, body));
}
