import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type {
  HoldBlockRequest,
  HoldDecisionRequest,
  HoldSettingRequest,
  HoldsView,
} from '@iron-clasp/contract';
import type { HoldKindId } from '@iron-clasp/core';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useLifterWrite, type Write } from '../write.ts';

export function useHolds(lifterId: string): UseQueryResult<HoldsView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'holds'),
    queryFn: () => ask<HoldsView>('GET', `/lifters/${lifterId}/holds`),
  });
}

export function usePlanHold(
  lifterId: string,
): Write<
  HoldsView,
  { readonly sessionId: string; readonly kinds: readonly HoldKindId[]; readonly version: number }
> {
  return useLifterWrite(
    lifterId,
    ({ sessionId, ...body }) => ask<HoldsView>('PUT', `/sessions/${sessionId}/holds`, body),
    'holds',
  );
}

export function useDecideHold(
  lifterId: string,
): Write<HoldsView, { readonly sessionId: string; readonly id: string; readonly body: HoldDecisionRequest }> {
  return useLifterWrite(
    lifterId,
    ({ sessionId, id, body }) => ask<HoldsView>('PUT', `/sessions/${sessionId}/hold-decisions/${id}`, body),
    'holds',
  );
}

export function useUndoHoldDecision(
  lifterId: string,
): Write<HoldsView, { readonly sessionId: string; readonly id: string }> {
  return useLifterWrite(
    lifterId,
    ({ sessionId, id }) => ask<HoldsView>('DELETE', `/sessions/${sessionId}/hold-decisions/${id}`),
    'holds',
  );
}

export function useSetHold(
  lifterId: string,
): Write<HoldsView, { readonly kind: HoldKindId; readonly body: HoldSettingRequest }> {
  return useLifterWrite(
    lifterId,
    ({ kind, body }) => ask<HoldsView>('PUT', `/lifters/${lifterId}/hold-settings/${kind}`, body),
    'holds',
  );
}

export function useTakeForearm(
  lifterId: string,
): Write<HoldsView, { readonly day: string; readonly sessionId: string }> {
  return useLifterWrite(
    lifterId,
    ({ day, sessionId }) => ask<HoldsView>('PUT', `/lifters/${lifterId}/forearm-days/${day}`, { sessionId }),
    'holds',
  );
}

export function useSaveBlock(
  lifterId: string,
): Write<HoldsView, { readonly id: string; readonly body: HoldBlockRequest }> {
  return useLifterWrite(
    lifterId,
    ({ id, body }) => ask<HoldsView>('PUT', `/lifters/${lifterId}/hold-blocks/${id}`, body),
    'holds',
  );
}

export function useRemoveBlock(lifterId: string): Write<HoldsView, string> {
  return useLifterWrite(lifterId, (id) => ask<HoldsView>('DELETE', `/hold-blocks/${id}`), 'holds');
}
