import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { BackTestView, CompareView, CurveMonthsView, CurveView } from '@iron-clasp/contract';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';

export function useCurve(lifterId: string): UseQueryResult<CurveView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'curve'),
    queryFn: () => ask<CurveView>('GET', `/lifters/${lifterId}/curve`),
  });
}

export function useCurveMonths(lifterId: string): UseQueryResult<CurveMonthsView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'months'),
    queryFn: () => ask<CurveMonthsView>('GET', `/lifters/${lifterId}/curve/months`),
  });
}

export function useCompare(lifterId: string): UseQueryResult<CompareView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'compare'),
    queryFn: () => ask<CompareView>('GET', `/lifters/${lifterId}/compare`),
  });
}

/** Asked again while it is worked out in the background. */
export function useBackTest(lifterId: string): UseQueryResult<BackTestView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'backTest'),
    queryFn: () => ask<BackTestView>('GET', `/lifters/${lifterId}/curve/back-test`),
    refetchInterval: ({ state }) => (state.data?.fresh === false ? 2_000 : false),
  });
}
