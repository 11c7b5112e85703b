import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type {
  SqueezeProtocolRequest,
  SqueezeProtocolView,
  SqueezeTestRequest,
  SqueezeView,
  TraceView,
} from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useLifterWrite, type Write } from '../write.ts';

export function useSqueeze(lifterId: string): UseQueryResult<SqueezeView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'squeeze'),
    queryFn: () => ask<SqueezeView>('GET', `/lifters/${lifterId}/squeeze`),
  });
}

/** Keeps a test; its id is made once, so that a second try changes nothing. */
export function useKeepTest(
  lifterId: string,
): Write<SqueezeView, { readonly id: string; readonly body: SqueezeTestRequest }> {
  return useLifterWrite(
    lifterId,
    ({ id, body }) => ask<SqueezeView>('PUT', `/lifters/${lifterId}/squeeze-tests/${id}`, body),
    'squeeze',
  );
}

export function useUndoTest(lifterId: string): Write<void, string> {
  return useLifterWrite(lifterId, (id) => ask<void>('DELETE', `/squeeze-tests/${id}`));
}

export function useDeclineEasing(
  lifterId: string,
): Write<void, { readonly testId: string; readonly declined: boolean }> {
  return useLifterWrite(lifterId, ({ testId, declined }) =>
    ask<void>('PUT', `/squeeze-tests/${testId}/easing`, { declined }),
  );
}

export function useSaveProtocol(
  lifterId: string,
): Write<SqueezeProtocolView, { readonly id: string; readonly body: SqueezeProtocolRequest }> {
  return useLifterWrite(lifterId, ({ id, body }) =>
    ask<SqueezeProtocolView>('PUT', `/squeeze-protocols/${id}`, body),
  );
}

/** The club's own protocols. */
export function useProtocols(): UseQueryResult<SqueezeProtocolView[], ApiError> {
  return useQuery({
    queryKey: keys.club('protocols'),
    queryFn: () => ask<SqueezeProtocolView[]>('GET', '/squeeze-protocols'),
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
