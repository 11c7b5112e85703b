import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { HandsCheckRequest, HandsCheckView, HandsHistoryView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useLifterWrite, type Write } from '../write.ts';

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
